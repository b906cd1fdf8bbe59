import type { OpenStep } from '@jade/core/access';
import type { PlaceList } from '@jade/core/overlay';
import type { samePlace } from '@jade/core/stations';
import type { Piece } from '@jade/core/vehicle';
import type { Names } from '@jade/words/names';
import { inSentence, minutes, personMinutes, plural } from '@jade/words/units';

/** Open up, the whole station. */
/** More of them are told by their number. */
const MOST_SEEN = 4;

export const OPEN_UP = {
  neededFor: (targets: readonly string[]) => (targets.length > 0 ? `Needed for ${targets.join(' and ')}.` : 'The kit takes its place, or it was chosen by hand.'),
  reachable: 'Everything is reachable.',
  goOn: 'Go on with the wires',
  working: 'Working out the least-labour way in…',
  take: 'Take this one',
  waiting: (supply: string, until: string) => `${supply}: waiting until ${until}.`,
  waitingWhy: 'Until then it counts as live; what does not ask for it can go on.',
  left: 'Opening was given up:',
  leftThen: (why: string) => `${why}. What is open goes back at Close up.`,
  resume: 'Take it up again',
  wayIn: 'The way in, from outside to the targets',
  nothing: 'Nothing has to come off for this job.',
  onlySeen: (pieces: readonly string[]) =>
    `Nobody has said that ${pieces.length > MOST_SEEN ? plural(pieces.length, 'piece') : pieces.join('; ')} had to be open: ${pieces.length === 1 ? 'it was' : 'they were'}. Less may be enough; Close up asks.`,
  notDescribed: 'Nobody has described what has to come off: the way in is drawn from the second vehicle on.',
  cameBesides: 'A piece that is not described',
  order: 'Order',
  leastSetUp: (min: number) => `Least set-up, ${minutes(min)}`,
  oneSide: (side: string, min: number) => `Prove the ${side} first, ${minutes(min)}`,
  people: 'People',
  one: 'One person',
  two: 'Two people',
  twoLanes: 'Who does what, two people',
  view: 'View',
  next: 'next',
  planned: 'planned',
  out: 'Moved out',
  replaced: 'replaced by the kit',
  undescribed: 'not described from here',
  open: 'open',
  whereStep: 'Where this step is',
  whereAll: (view: string) => `Pieces to open, from the ${view}`,
  assumed: (count: number, all: number, of: string) =>
    `${count === all ? (count === 1 ? 'The step' : `All ${count} steps`) : `${count} of ${plural(all, 'step')}`} ${count === 1 ? 'is' : 'are'} assumed, as on ${of}: nobody has opened ${count === 1 ? 'it' : 'them'} on this kind yet. Doing it confirms it; where it is otherwise, say so at the step.`,
  toGo: (count: number) => `${plural(count, 'step')} to go`,
  prove: (side: string | undefined) => `Fit and test the ${side ?? 'first side'} here, before the other side is touched.`,
  different: 'Different from the profile?',
  fitted: 'Something was fitted here',
  backOut: 'Back out',
  several: (people: number) => `, ${people} people`,
} as const;

/** How much work it is in all, and whether that is the least. */
export const sayWork = (personMin: number): string => `${minutes(personMin)} of work`;
export const sayProved = (proved: boolean, gapMin: number): string => `in and back, ${proved ? 'no shorter way is known' : `at most ${personMinutes(gapMin)} above the least`}`;

/** How far a search has come. */
export const sayLooked = (looked: number, bestMin: number, boundMin: number): string =>
  `${looked} places looked at; ${personMinutes(bestMin)} found, the least is ${personMinutes(boundMin)} or more.`;

/** What set-up costs, and when two people are done. */
export function saySetUp(setUpMin: number, waitMin: number, lanes: { elapsedMin: number; proved: boolean } | undefined): string {
  const both = lanes ? `, both done after ${minutes(lanes.elapsedMin)}${lanes.proved ? '' : ', not proved soonest'}` : '';
  return `set-up ${minutes(setUpMin)}${waitMin > 0 ? `, waiting ${minutes(waitMin)}` : ''}${both}`;
}

/** Kits that the shop has not handed over yet. */
export const sayNewKits = (kits: readonly string[]): string => `${kits.join(' and ')} ${kits.length === 1 ? 'is' : 'are'} new to the shop: one side is proved first.`;

const VERBS: Readonly<Record<string, string>> = { loosened: 'Loosen', folded: 'Fold back', hung: 'Hang', off: 'Take off' };

/** What is done to a piece, as an installer says it: in the profile's own words, unplugged where its only fastener is the lock of a plug, else by its level. */
export function sayOpen(
  { level }: Pick<OpenStep, 'level'>,
  piece: Pick<Piece, 'id' | 'fasteners' | 'levels'> | undefined,
  names: Pick<Names, 'piece'>,
  id = piece?.id ?? '',
): string {
  const own = piece?.levels.find((entry) => entry.level === level)?.say;
  if (own !== undefined) return own;
  const isPlug = piece !== undefined && piece.fasteners.length > 0 && piece.fasteners.every(({ drive }) => drive === 'plug lock');
  return isPlug && level === 'off' ? `Unplug ${inSentence(names.piece(id))}` : `${VERBS[level] ?? level}: ${inSentence(names.piece(id))}`;
}

/** Where a step is; a side that the name of its piece says already is not said again. */
export function sayPlace({ side, zone }: Pick<OpenStep, 'side' | 'zone'>, name: string): string {
  const where = zone.replace('-', ' ');
  if (side === 'centre') return `middle, ${where}`;
  return new RegExp(`\\b${side}\\b`).test(name) || zone.startsWith(side) ? where : `${side} side, ${where}`;
}

/** One step of opening. */
export const STEP = {
  ownLock: 'its own lock',
  slot: (slot: number) => `Tray slot ${slot}`,
  first: 'First',
  once: 'once only, take a new one',
  broke: 'broke',
  fell: 'fell',
  none: 'No fasteners.',
  wayOut: 'Way out.',
  isolates: 'Who isolates it, and by which procedure',
  done: 'Done',
  doneInto: (count: number, slot: number) => `Done, ${count} into slot ${slot}`,
  then: (next: string, people: number) => `Then: ${next}${people > 1 ? `, ${plural(people, 'person', 'people')}` : ''}.`,
  last: 'Then everything is reachable.',
  blocked: 'This way is blocked',
  seized: 'One is seized',
  lacks: 'This vehicle never had it',
  assumed: (of: string) => `assumed, as on ${of}`,
  notOfKind: 'This kind has none',
  came: (level: string) => (level === 'off' ? 'It was not there when it came' : `It was ${level} when it came`),
  why: 'Why this?',
  because: 'It is part of the way in that costs the fewest minutes of work, opening, closing and expected breakage together.',
  people: (people: number) => ` · ${people} people`,
} as const;

export * from './views.ts';

/** What has to be open where nobody has described it. */
export const REACH_UNKNOWN = {
  title: 'Not described yet',
  why: (kits: readonly string[]) =>
    `Nobody has described what has to be open for ${kits.join(' and ')} on this kind of vehicle. Open it as you would; write each piece down as it comes, and the next vehicle is planned from it.`,
  came: 'A piece came off',
  sides: 'Same on the other side',
  otherSide: (piece: string) => `Same on the other side: ${inSentence(piece)}`,
  enough: 'All that is needed is open',
  known: 'Described already: tap what has to come off too',
} as const;

/** Two descriptions that may be of one piece. */
export const TWINS = {
  title: 'Described twice?',
  why: 'One piece that was written down twice, or two of them: nothing that was recorded tells.',
  asked: ({ piece, is, named }: { piece: Piece; is: Piece; named: boolean }) =>
    named ? `${sayTold(is)}, and again: ${sayTold(piece, false)}` : `${sayTold(is)}, and ${inSentence(sayTold(piece))}`,
  same: 'One piece',
  two: 'Two pieces',
  then: (is: string) => `One piece stands as it was written down first, ${inSentence(is)}: what came off with it is counted once.`,
  twoTitle: 'Two pieces of one name',
} as const;

/** The name of the second of two that are called the same. */
export const TWIN_NAMED = {
  second: 'The second one is called',
  secondHint: (called: string) => `Both are called ${inSentence(called)}. On the next vehicle they are told apart by name.`,
  record: 'Record',
} as const;

const PLACES: Readonly<Record<PlaceList, readonly [one: string, several: string]>> = {
  mounts: ['place', 'places'],
  sensors: ['sensor', 'sensors'],
  gaps: ['gap', 'gaps'],
  plugs: ['plug', 'plugs'],
};

/** Places, sensors, gaps and plugs that two devices described. */
export const PLACE_TWINS = {
  title: 'Described twice?',
  why: (list: PlaceList) => `One ${PLACES[list][0]} that was written down twice, or two of them: nothing that was recorded tells.`,
  asked: ({ place, is, named }: Pick<samePlace.PlaceTwin, 'place' | 'is' | 'named'>, where: (id: string) => string | undefined) => {
    const told = ({ id, name }: samePlace.NamedPlace) => (where(id) ? `${name} (${inSentence(where(id) ?? '')})` : name);
    return named ? `${told(is)}, and again${where(place.id) ? `: ${inSentence(where(place.id) ?? '')}` : ''}` : `${told(is)}, and ${inSentence(told(place))}`;
  },
  same: (list: PlaceList) => `One ${PLACES[list][0]}`,
  two: (list: PlaceList) => `Two ${PLACES[list][1]}`,
  then: (list: PlaceList, is: string) => `One ${PLACES[list][0]} stands as it was written down first, ${inSentence(is)}: what was recorded at the second was recorded there.`,
  twoFaces: 'Their faces differ: they are two.',
  plugFirst: 'Stand before the plug first: readings of two plugs taken for one lead to the wrong wire.',
  twoTitle: (list: PlaceList) => `Two ${PLACES[list][1]} of one name`,
} as const;

/** What one device wrote down of a piece. */
function sayTold({ name, levels, fasteners }: Piece, named = true): string {
  const count = fasteners.reduce((sum, group) => sum + group.count, 0);
  const last = levels.at(-1);
  const told = [...(last ? [`${last.level} in ${minutes(last.openMin)}`] : []), count > 0 ? plural(count, 'fastener') : 'no fasteners'].join(', ');
  return named ? `${name} (${told})` : told;
}

/** A supply of which nobody has described how it is isolated. */
export const ISOLATION = {
  title: 'Isolation is not described',
  why: {
    low: 'Nobody has described how the battery of this kind of vehicle is taken off, so no step here asks for it. Before work at airbags, sensors or bare feeds it is, by the maker’s procedure. Write it down when it is off: the next vehicle is planned with it.',
    high: 'Nobody has described how the high-voltage system of this kind of vehicle is isolated. Only people qualified for it do that, by the maker’s procedure; until then nothing here knows what it feeds.',
  },
  done: { low: 'The battery is off', high: 'High voltage is isolated' },
  caution: {
    low: 'By the maker’s procedure: negative first, a tool that cannot bridge, and the clamp held away from its post. Airbags wait for as long as their maker says.',
    high: 'By people qualified for it alone, by the maker’s procedure: locked, marked, and proved dead by them. This only records what they did.',
  },
  names: { low: ['Battery negative', 'Battery plug'], high: ['Service plug'] },
  by: 'What was taken off',
  another: 'Another piece',
  wait: 'Minutes until it counts as dead, as its maker says; 0 where none are asked for',
  before: 'Done before it',
  forgets: 'What the vehicle forgets by it',
  further: 'Something else',
  add: 'Add it',
  qualified: 'Only qualified people do it',
  who: 'Who isolated it, and by which procedure',
  missing: 'Still missing: what was taken off, where it sits, its side, its minutes, or how long until it counts as dead.',
} as const;

/** A piece that came open and that nobody has described. */
/** A piece that is open and goes further than anybody has described. */
export const FURTHER = {
  open: 'One that is open goes further',
  which: 'Which of them',
  to: 'How far it came',
  action: (level: string) => `It is ${level}, write it down`,
  caution: 'What it hung on until now may let go at once: hold it, and look for what is still plugged in.',
} as const;

/** A piece of the profile that is held otherwise. */
export const HELD = {
  title: (piece: string) => `${piece}: what holds it`,
  action: 'It is held so',
  why: 'As it is on this vehicle. The step counts with it from now on, and others of the kind once it is kept.',
  open: 'It is held otherwise',
} as const;

/** How the vehicle stands, and what can be said of it. */
export const STANDING = {
  label: 'How the vehicle stands',
  asItCame: 'The vehicle stands as it came.',
  now: (stands: readonly string[]) => `The vehicle stands: ${stands.join('; ')}.`,
  change: 'Raise it or turn its wheels',
  changed: 'Otherwise',
} as const;

export const PIECE_CAME = {
  title: 'A piece came off',
  record: (level: string) => `It is ${level}, write it down`,
  caution: 'Airbags, high voltage, brake, fuel and steering parts: by the maker’s procedure, by people qualified for it. What you do not know, leave on.',
  view: 'View',
  here: 'this piece',
  point: 'Tap where the piece sits',
  pointHint: 'Tap where it sits, and again for the next larger part; side and zone follow from it.',
  extent: 'Draw its extent',
  sizing: 'Drag over it, from one corner to the other.',
  zone: 'Zone',
  zones: { front: 'front', rear: 'rear', 'left-side': 'left side', 'right-side': 'right side', roof: 'roof', cabin: 'cabin', underneath: 'underneath' },
  side: 'Side',
  sides: { left: 'left', centre: 'middle', right: 'right' },
  name: 'What is it?',
  names: 'Called so on other vehicles',
  level: 'How far it came',
  held: 'What held it',
  count: (group: string) => `How many: ${group}`,
  less: (group: string) => `One less: ${group}`,
  oneMore: (group: string) => `One more: ${group}`,
  without: (group: string) => `Not there: ${group}`,
  away: 'Not there',
  other: 'Another fastener',
  drive: 'Drive',
  size: 'Size, such as 10 mm',
  length: 'Length, mm',
  release: 'How it lets go',
  add: 'Add it',
  minutes: 'Minutes it took',
  people: 'People',
  stood: 'How the vehicle had to stand',
  stoodHint: 'Taken as it stands now; tap off what it was not raised or turned for.',
  openThen: 'What had to be open before it',
  openHint: 'What is open now. A tap says that it would have come without; one more, that this had to be open.',
  said: { seen: 'open', without: 'not needed', needed: 'had to be' },
  hurts: 'What can hurt there',
  one: 'One',
  two: 'Two',
  more: 'What it is beside',
  beside: 'What it is beside that can hurt somebody',
  brittle: 'brittle',
  missing: 'Say what it is, where it sits, on which side, and how many minutes it took.',
  sure: 'The minutes are right',
} as const;
