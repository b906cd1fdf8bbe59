import { plural } from '@jade/words/units';

export const HELPER_VIEW = {
  away: 'The shop is not reached. Trying again …',
} as const;

export const APP = {
  toWork: 'To the work surface',
  name: 'Jade Bench',
  whoHere: 'Who is here?',
} as const;

export const BENCH_NAMES = {
  who: 'Who is at this bench?',
  why: 'What is recorded here is recorded under this name.',
  leaves: (here: string) => `${here} leaves this bench, nobody takes it over`,
} as const;

export const FINDER_PANEL = {
  vehicle: 'customer’s vehicle',
  title: 'Find a station, job, vehicle or kit',
  field: 'Station, job, vehicle or kit',
  none: 'Nothing by that name.',
} as const;

export const JOB_TRAY = {
  tray: 'Tray',
  close: 'Close the tray',
  out: (fasteners: number) => (fasteners === 0 ? 'The tray is empty' : `${plural(fasteners, 'fastener')} out`),
  droppedNotFound: (dropped: number) => `${dropped} dropped, not found`,
  open: (pieces: number) => `${plural(pieces, 'piece')} open`,
  questions: 'Open questions',
  refused: 'Not accepted by the server',
  read: 'Read, put it away',
  log: 'Log',
  undoThat: (text: string) => `Undo: ${text}`,
  undo: 'undo',
  more: (count: number, lines: number) => `${count} more of ${plural(lines, 'line')}`,
  lastOnly: 'Only the last lines',
} as const;

export const KEPT_COUNT = {
  keptHere: (online: boolean, count: number, pictures: number) =>
    `${online ? 'sending' : 'no server'}: ${count} kept here${pictures > 0 ? `, ${plural(pictures, 'picture')}` : ''}`,
} as const;

export const KEY_SHEET = {
  list: [
    ['/', 'Find a station, job, vehicle or kit'],
    ['[ and ]', 'Station before and after'],
    ['u', 'Undo what was recorded last'],
    ['l', 'Light for the counter, dark for the bay'],
    ['Tab, Enter', 'Move to a place on a drawing and pick it'],
    ['arrows', 'Move among choices'],
    ['?', 'This sheet'],
    ['Esc', 'Close what is open'],
  ],
  keys: 'Keys',
  close: 'Close',
} as const;

export const NOWHERE_VIEW = {
  nothing: 'There is nothing at this address.',
  toBoard: 'Go to the day board',
} as const;

export const OUTBOX_BAR = {
  notAccepted: 'the server did not accept it',
  noAnswer: 'the server answered for none of it',
  keepsNothing: (count: number) => `This device keeps nothing of what is recorded. Leave this page open until all is sent: ${count} waiting.`,
  refused: (count: number, why: string) => `The server does not accept what was recorded here (${count} waiting): ${why}. It stays on this device.`,
  lookJob: 'Look at the job',
} as const;

export const STATION_RULE = {
  label: 'Stations and shop',
  board: 'Board',
  customers: 'Customers',
  library: 'Library',
  people: 'People',
  practice: 'Practice',
  find: 'Find',
  keys: 'Keys',
} as const;

export const UNDO_BAR = {
  undo: 'Undo',
} as const;

export const VEHICLE_STRIP = {
  now: 'Now',
  opening: 'Opening the job…',
  atBench: 'At the bench:',
  whoHere: 'Who is here?',
  tray: 'Tray',
} as const;

/** A job as this device keeps it. */
export const JOB_KEPT = {
  takenBack: (what: string) => `taken back: ${what}`,
  notHere: 'The server cannot be reached and this job was not opened on this device before.',
} as const;

export const VIEW_TITLES = {
  board: 'Day board',
  customers: 'Customers and vehicles',
  people: 'People and devices',
  library: 'Vehicles and kits',
  practice: 'Practice bench',
  helper: 'For the helper',
  nowhere: 'No such place',
} as const;

/** What a page is called in the browser: the view, and the vehicle where it is of one. */
export const sayPageTitle = (view: string | undefined, plate?: string): string => [view, plate, 'Jade Bench'].filter(Boolean).join(' · ');
