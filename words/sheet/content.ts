import type { Sheet } from '@jade/core/sheet';
import type { Photo } from '@jade/core/photos';
import type { FitmentList } from '@jade/core/kit';
import { isDropped, kitsUndescribed, unplacedToAim, type JobContext } from '@jade/core/job';
import type { FollowsWhy, Stroke } from '@jade/core/events';
import { standingOf } from '@jade/core/stations';
import { namesOf } from '@jade/words/names';
import { sayHold } from '@jade/words/stations';
import { sayPhoto } from '@jade/words/photos';
import { plural, sayDay, sayMoment, type ShopWays } from '@jade/words/units';
import {
  fittedRow,
  fedRow,
  litRow,
  madeRow,
  arrivalRow,
  factoryRows,
  gapRow,
  aimRow,
  sensorRow,
  codeRows,
  lensRows,
  partRow,
  useRow,
  whoRows,
  droppedRow,
  heldRow,
} from './rows.ts';

export interface SheetTable {
  title: string;
  head: string[];
  rows: string[][];
  /** Said where there is nothing to show. */
  empty: string;
  /** How the columns share the width; the first has two fifths where it is not said. */
  shares?: number[];
}

/** A photo with what stands below it. */
export interface SheetPhoto extends Pick<Photo, 'hash' | 'widthPx' | 'heightPx' | 'ring'> {
  text: string;
}

/** What the customer's sheet says, as text; drawing it is another matter. */
export interface SheetContent {
  shop: string;
  job: string;
  seq: number;
  vehicle: string;
  plate: string;
  customer: string;
  number: string;
  kits: string[];
  verdict: string;
  tables: SheetTable[];
  photos: SheetPhoto[];
  notes: string[];
  /** Who signed it off and when, by the shop's clock; as the job stands while nobody has. */
  signed: string;
  signature?: Stroke[];
  received: string;
}

/** Whose job a sheet is of, and how its shop writes. */
export interface SheetFrame extends ShopWays {
  shop: string;
  job: string;
  plate: string;
  customer: string;
  /** Undefined while it is not signed off. */
  signedBy?: string;
  /** When it was signed off, or is looked at. */
  at: string;
  benchName: (person: string) => string;
}

export const SHEET = {
  title: 'Hand-over sheet',
  draft: 'What the sheet will say',
  notSigned: 'Not signed by the customer.',
  received: 'Received by',
  open: 'Not signed off yet.',
  photos: 'Photos',
  photoToCome: 'This picture is still on the device that took it.',
  late: 'These came after the job was signed. They count once it is opened again; the sheet is made anew when it is signed again.',
} as const;

const FOLLOWED: Readonly<Record<FollowsWhy, string>> = {
  recheck: 'This is the recheck of what an earlier job fitted: what it lights, its aim, and those of its bolts that a hand gets to.',
  comeback: 'The vehicle came back for what an earlier job fitted; what that lights was tried again.',
};

/** What stands around a signature. */
export const SIGNING = {
  field: 'Field for the customer’s signature',
  drawn: 'The customer’s signature',
  ask: 'The customer reads this and signs with a finger. Without it the sheet says that it is not signed.',
  done: 'Signed',
  again: 'Begin again',
  read: 'Read the sheet with the customer',
  back: 'Back to Hand over',
} as const;

/** What stands beside a kit of which nobody has described how it sits on this kind of vehicle. */
const NOT_DESCRIBED = ['not described', 'see the named exceptions'];

/** Puts the customer's sheet into words: what it says of a job, for whose job it is. */
export function sheetContent(sheet: Sheet, context: JobContext, frame: SheetFrame): SheetContent {
  const { state, profile } = context;
  const names = namesOf(context);
  const { missing } = standingOf(context, undefined);
  const { signedBy, at, benchName, shop, job, plate, customer } = frame;
  const exceptions = sheet.use.filter(({ code }) => code === 'exception');
  // Of a kit that nobody has described here nothing is known, which is not to say that nothing was done.
  const open = (list: FitmentList) => kitsUndescribed(context, list).map((kit) => [names.kit(kit), ...NOT_DESCRIBED]);
  const notAimed = unplacedToAim(context).map((kit) => [names.kit(kit), ...NOT_DESCRIBED]);
  const wide = (rows: readonly string[][], columns: number) => rows.map((row) => Array.from({ length: columns }, (_, column) => row[column] ?? ''));
  const tables: SheetTable[] = [
    {
      title: 'What was fitted, and where',
      head: ['Lamp', 'Where', 'State'],
      rows: [...sheet.fitted.map(fittedRow(names)), ...wide(open('mounts'), 3)],
      empty: 'Nothing was fitted.',
      shares: [0.45, 0.35, 0.2],
    },
    {
      title: 'What the kit lights',
      head: ['Function', 'While it was open', 'Everything closed'],
      rows: [...sheet.lit.map(litRow(names)), ...wide(open('tests'), 3)],
      empty: 'Nothing of the kits lights.',
      shares: [0.56, 0.22, 0.22],
    },
    {
      title: 'Fed from, and guarded by',
      head: ['Lamps', 'From', 'Guarded by', 'Load'],
      rows: [...sheet.fed.map(fedRow(names)), ...wide(open('connections'), 4)],
      empty: 'Nothing is connected.',
      shares: [0.3, 0.2, 0.24, 0.26],
    },
    {
      title: 'How it was joined',
      head: ['Place', 'How', 'Seen'],
      rows: [...sheet.made.map((line) => madeRow(line, names)), ...wide(open('connections'), 3)],
      empty: 'Nothing was joined, cut or drilled.',
      shares: [0.3, 0.34, 0.36],
    },
    {
      title: 'Aim, height on the wall',
      head: ['Lamp', 'Rule checked', 'Before', 'After'],
      rows: [...sheet.aims.map(aimRow(names, frame)), ...wide(notAimed, 4)],
      empty: 'No lamp of this job has a rule of aim.',
      shares: [0.18, 0.46, 0.18, 0.18],
    },
    { title: 'As it arrived', head: ['What', 'As found'], rows: sheet.arrival.map((line) => arrivalRow(line, names)), empty: 'Nothing was written down.' },
    {
      title: 'Factory lamps',
      head: ['Lamp', 'On arrival', 'Leaving'],
      rows: [...factoryRows(sheet.factory), ...lensRows(sheet.lenses)],
      empty: 'The profile describes no factory lamps.',
    },
    { title: 'Panel gaps', head: ['Gap', 'On arrival', 'Leaving', 'Meant to be'], rows: sheet.gaps.map(gapRow), empty: 'The profile describes no gaps.' },
    {
      title: 'Sensors that were disturbed',
      head: ['Sensor', 'Plug', 'Calibration'],
      rows: sheet.sensors.map(sensorRow(names)),
      empty: 'None that the profile describes.',
      shares: [0.3, 0.2, 0.5],
    },
    {
      title: 'Fault codes and warning lamps',
      head: ['When', 'Fault codes', 'Warning lamps'],
      rows: sheet.codes.flatMap((line) =>
        codeRows(
          line,
          sheet.warnings.find(({ moment }) => moment === line.moment),
        ),
      ),
      empty: 'Not read.',
      shares: [0.2, 0.4, 0.4],
    },
    { title: 'Parts: kept, renewed, left over', head: ['Part', 'What became of it'], rows: sheet.parts.map((line) => partRow(line, names)), empty: 'Nothing was opened.' },
    {
      title: 'Using it, and its limits',
      head: ['What', 'How'],
      rows: sheet.use.filter(({ code }) => code !== 'exception').map((line) => useRow(line, names)),
      empty: 'Nothing beside the factory lamps’ own switches.',
    },
    ...(sheet.dropped.length > 0
      ? [{ title: 'Not fitted after all', head: ['Kit', 'Why', 'What stays'], rows: sheet.dropped.map(droppedRow(names)), empty: '', shares: [0.3, 0.3, 0.4] }]
      : []),
    ...(sheet.held.length > 0 ? [{ title: 'Bolts of the earlier job', head: ['Bolts', 'As found'], rows: sheet.held.map(heldRow(names)), empty: '' }] : []),
    { title: 'Named exceptions', head: ['About', 'What was agreed'], rows: exceptions.map((line) => useRow(line, names)), empty: 'None.' },
    { title: 'By whom', head: ['Work', 'Who'], rows: whoRows(sheet.who, benchName), empty: 'Nobody has recorded anything yet.', shares: [0.7, 0.3] },
  ];
  const notes = [
    ...(sheet.left === undefined ? [] : [`Opening was given up and nothing was fitted: ${sheet.left}.`]),
    ...(sheet.cancelled === undefined ? [] : [`The work was cancelled and nothing is fitted: ${sheet.cancelled}.`]),
    ...(state.opened?.follows ? [FOLLOWED[state.opened.follows.why]] : []),
    ...(sheet.recheck ? [`Come back after ${sheet.recheck.afterKm} km, or on ${sayDay(sheet.recheck.on)}: new fasteners and the aim are looked at again.`] : []),
    `Checked against the rule set “${sheet.rules}”. Local rules and the maker’s procedure decide; this sheet does not say that anything is lawful.`,
  ];
  return {
    shop,
    job,
    plate,
    customer,
    seq: sheet.seq,
    vehicle: `${profile.maker} ${profile.model}`,
    number: state.number ?? 'not read',
    kits: [...context.kits.filter(({ slug }) => !isDropped(context, slug)), ...(context.fitted ?? [])].map((kit) => names.kit(kit.slug)),
    verdict:
      missing.length === 0
        ? exceptions.length > 0
          ? `Nothing is left open besides ${plural(exceptions.length, 'named exception')}.`
          : 'Nothing is left open.'
        : `Still open: ${missing.map((hold) => sayHold(hold, names)).join('; ')}.`,
    tables,
    photos: sheet.photos.map(({ photo, damage }) => ({ ...photo, text: `${sayPhoto(photo, names, damage)}. ${sayMoment(photo.at, frame)}` })),
    notes,
    signed: signedBy === undefined ? SHEET.open : `Checked and signed off at the bench by ${signedBy}, ${sayMoment(at, frame)}.`,
    ...(state.signature ? { signature: state.signature } : {}),
    received: state.signature ? SHEET.received : SHEET.notSigned,
  };
}

/** What stands below the plate, at the foot, and how its pages are counted. */
export const sayHead = ({ number, kits }: Pick<SheetContent, 'number' | 'kits'>): string => `Vehicle number ${number} · ${kits.length > 0 ? `kits: ${kits.join(', ')}` : 'no kit'}`;
export const sayFoot = ({ job, seq }: Pick<SheetContent, 'job' | 'seq'>): string => `${job} · log at ${seq}`;
export const sayPage = (foot: string, page: number, of: number): string => `${foot} · page ${page} of ${of}`;
