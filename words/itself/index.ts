import type { FollowsWhy, JobState, NightItem } from '@jade/core/events';
import type { NightLine } from '@jade/core/job';
import type { itself } from '@jade/core/stations';
import type { Names } from '@jade/words/names';
import { inSentence, plural } from '@jade/words/units';

/** The page of a job itself: who, where, until when, with which kits. */
export const ITSELF = {
  title: 'The job',
  question: 'What was agreed, who does it, where does it stand, and what of it changes?',
  toStations: 'To the stations',
  agreed: 'What was agreed',
  wish: 'What the customer wants',
  noWish: 'Nothing was written down.',
  changeWish: 'Write the wish anew',
  changePromise: 'Promise another time',
  counter: 'Counter on arrival',
  record: 'Record it',
  promise: 'Promised for',
  nothingPromised: 'Nothing is promised.',
  takeBack: 'No promise',
  promiseWhy: 'Why it is kept although it is past',
  promiseTitle: 'What is promised',
  keys: 'Keys hang at',
  where: 'Where it stands, and who is on it',
  bay: 'Bay',
  noBay: 'no bay',
  noBays: 'The shop has no bays yet.',
  person: 'Who is on it',
  nobody: 'nobody',
  away: 'The server is away: this is done once it is back.',
} as const;

/** A job that is being opened, or cannot be. */
export const OPENING = { loading: 'Opening the job…', again: 'Try again', board: 'Back to the board', refused: 'Not recorded:' } as const;

/** Kits of a job, added and dropped while it runs. */
export const KITS = {
  title: 'Kits',
  none: 'No kit is fitted on this job.',
  fitted: 'on the vehicle since an earlier job',
  dropped: (why: string) => `not fitted: ${why}`,
  stillOn: (count: number) => `${plural(count, 'thing')} of it to be taken out, at Fit`,
  add: 'Add a kit',
  addAgain: 'Take it up again',
  addTitle: 'Add a kit to the job',
  which: 'Which kit',
  noOther: 'The library has no other kit.',
  notNaming: (kit: string) => `${kit}, does not name this vehicle`,
  notThere: 'A kit that is not in the library',
  addHint: 'The way in is planned anew from what is open now. What is done stays done.',
  drop: 'Drop it',
  dropTitle: (kit: string) => `Drop ${kit}`,
  why: 'Why, and who decided it',
} as const;

const left = (count: number) => (count === 1 ? 'is 1 thing' : `are ${count} things`);
/** What dropping a kit, or cancelling the job, leaves to be done. */
export function sayUndoing({ out, open }: itself.Undoing, what: 'kit' | 'job'): string {
  const gone =
    out === 0 ? 'Nothing of it is on the vehicle yet.' : `There ${left(out)} of it on the vehicle: joints, legs and fitting steps come out again at Fit, in their order.`;
  const closed = open === 0 ? '' : ` ${plural(open, 'piece')} ${open === 1 ? 'is' : 'are'} open and ${open === 1 ? 'goes' : 'go'} back at Close up.`;
  if (what === 'kit') return gone;
  if (out + open === 0) return 'Nothing on the vehicle was touched: it leaves the board at once.';
  return `${gone}${closed} Then it is looked over and signed as any other.`;
}

export const CANCEL = {
  title: 'Cancel the job',
  action: 'Cancel it',
  hint: 'The work is not done after all',
  why: 'Why, and who decided it',
  is: (why: string) => `Cancelled: ${why}.`,
  touched: 'What is on the vehicle of its kits comes out at Fit, what is open goes back at Close up; then it is signed at Hand over.',
  go: 'Go there',
  untouched: 'Nothing was touched: the vehicle has left the board.',
} as const;

export const NOTES = {
  title: 'Notes',
  write: 'Write a note',
  writeTitle: 'A note for whoever comes next',
  label: 'What to know',
  keep: 'Keep it',
  none: 'Nobody has written one. They stand at the station where they were written, and here.',
  here: (count: number) => plural(count, 'note'),
  ofKind: (day: string) => `of this kind of vehicle · ${day}`,
  kind: 'Noted of this kind of vehicle',
} as const;

/** When a vehicle comes again. */
export const FOLLOWS_WORDS: Readonly<Record<FollowsWhy, string>> = { recheck: 'Recheck', comeback: 'Comeback' };
export const FOLLOWING = {
  title: 'Earlier and later',
  of: (why: FollowsWhy, day: string) => `${FOLLOWS_WORDS[why]} of the job of ${day}`,
  by: (why: FollowsWhy, day: string) => `${why === 'recheck' ? 'Looked at again' : 'Came back'} on ${day}`,
  ask: 'It comes because of that job',
  no: 'Other work',
  recheck: 'As agreed, to look at it again',
  comeback: 'Something is not right with it',
  hint: 'What that job fitted counts as on the vehicle: what it lights is tried again, its lamps are aimed, and the bolts that a hand gets to are held again.',
} as const;

export const NIGHT = {
  title: 'Leave it open for the night',
  is: 'Left open for the night',
  none: 'Nothing is open and nothing is unplugged: the vehicle can stand as it is.',
  ask: 'Tap what was seen to. What is not tapped stands on the list as not seen to.',
  where: 'Where what is off lies',
  leave: 'Leave it for the night',
  since: (when: string, who: string | undefined) => `Left open${who === undefined ? '' : ` by ${who}`}, ${when}`,
  seen: 'seen to',
  unseen: 'not seen to',
  asLeft: 'It is as it was left',
  otherwise: 'It is not',
  otherwiseTitle: 'Not as it was left',
  found: 'What is otherwise',
  look: 'Look it over before work goes on.',
  list: 'The list',
} as const;

/** Hands off the vehicle for a while. */
export const PAUSE = {
  pause: 'Pause',
  since: (when: string, who: string | undefined) => `Paused${who === undefined ? '' : ` by ${who}`} at ${when}`,
  clock: 'No time is counted until work goes on. Whoever records something is back.',
  goOn: 'Go on',
} as const;

/** One thing that is seen to before the night, as an instruction. */
export function sayNight({ item, pieces, count }: Pick<NightLine, 'item' | 'pieces' | 'count'>, names: Names): string {
  const named = pieces.slice(0, 4).map((piece) => inSentence(names.piece(piece)));
  const more = pieces.length > named.length ? ` and ${pieces.length - named.length} more` : '';
  const list = `${named.join(', ')}${more}`;
  const words: Readonly<Record<NightItem, string>> = {
    loose: `Tied or propped so that nothing falls: ${list}`,
    off: `Laid where nobody steps on it, with the plate on it: ${list}`,
    tray: `Trays closed: ${plural(count, 'fastener')} in them`,
    bared: `Bared wires covered: ${count}`,
    battery: count > 0 ? 'Battery isolated; or nothing bare can touch, and nothing draws from it' : 'Battery stays isolated, its clamp tied away from the post',
    charger: 'Charger off, or somebody is with it',
    sensors: `${plural(count, 'sensor')} unplugged: a tag on the wheel, ignition stays off`,
    cover: 'Openings covered against rain, dust and animals',
    key: 'Key out and hung in its place',
  };
  return words[item];
}

/** What stands at a station of the kits where nothing is fitted. */
export const sayNothingFitted = (why: string, cancelled: boolean): string =>
  `${cancelled ? 'The job was cancelled' : 'Opening was given up'}: ${why}. Nothing is fitted on it; what is open goes back at Close up.`;

/** Where a vehicle stands, as the log says it or, of an older one, as its row has it. */
export const bayOf = ({ bay }: Pick<JobState, 'bay'>, row: string | null): string => (bay ? (bay.bay ?? ITSELF.noBay) : (row ?? ITSELF.noBay));

/** The strip above a job. */
export const STRIP = {
  open: 'The job itself: ',
  promised: (when: string) => `promised ${when}`,
  nothing: 'nothing promised',
} as const;
