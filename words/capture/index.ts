import type { CaptureConflict, KindCaptured, KitProposed, WayChange } from '@jade/core/capture';
import type { Condition } from '@jade/core/facts';
import type { Judged } from '@jade/core/events';
import type {
  Circuit,
  Described,
  KindNote,
  LampFunction,
  MountPosition,
  Piece,
  Sensor,
  Side,
  Supply,
  TellingFact,
  VehiclePlug,
  GapPoint,
  FastenerGroup,
  RefitRule,
} from '@jade/core/vehicle';
import { sayGroup, sayIsolation, sayThrough } from '@jade/words/names';
import { STATION_NAMES } from '@jade/words/stations';
import { inSentence, millimetres, minutes, plural, sayDay } from '@jade/words/units';
import { sayCircuit, sayProtection } from '@jade/words/wiring';

/** Names that may hold commas themselves. */
const listed = (pieces: readonly string[]) => pieces.map((name, index) => (index === 0 ? name : inSentence(name))).join('; ');

/** What was said of pieces that were opened, in a line: what could have stayed on, how far was enough, how many had to be open. */
export function sayJudged(pieces: readonly Judged[], name: (piece: string) => string): string {
  const spare = pieces.filter(({ enough }) => enough === 'fitted').map(({ piece }) => name(piece));
  const needed = pieces.filter(({ enough }) => enough === 'needed').map(({ piece }) => name(piece));
  const further = pieces.filter(({ enough }) => enough !== 'fitted' && enough !== 'needed');
  return [
    ...(spare.length > 0 ? [`Could have stayed on: ${listed(spare)}`] : []),
    ...further.map(({ piece, enough }) => `${name(piece)}: ${enough} was enough`),
    ...(needed.length > 0
      ? [needed.length > 2 ? `${plural(needed.length, 'piece')} had to be open, as far as was seen` : `Had to be open, as far as was seen: ${listed(needed)}`]
      : []),
  ].join('. ');
}

export const JUDGE = {
  title: 'What could have stayed on?',
  why: 'Tap what could have stayed on for what was done behind it, all of it together. From this the shop learns how little has to come off.',
  none: 'Nothing that was opened could have stayed on',
  readBack: 'Read it back',
  isIt: 'Is that so?',
  spare: (pieces: readonly string[]) => `Could all together have stayed on: ${listed(pieces)}.`,
  needed: (pieces: readonly string[]) => `Had to be open, as far as was seen: ${listed(pieces)}.`,
  yes: 'So it is',
  change: 'Change it',
  later: 'Not known',
  order: 'Which came first?',
  orderWhy: 'Two devices recorded them within a minute of each other, and their clocks do not say.',
  enough: (piece: string) => `${piece}: how far would have been enough?`,
  asFar: (level: string) => `${level}, as it was`,
  wasEnough: (piece: string, level: string) => `${piece}: ${level} was enough.`,
  said: 'Said of what was opened',
  anew: 'Say it anew',
} as const;

/** What a way that jobs went leads to. */
export const sayTaughtPlace = ({ place }: Pick<WayChange, 'place'>, name: (piece: string) => string, nameOfPlace: (target: string) => string): string =>
  'piece' in place ? `${name(place.piece)} ${place.level}` : nameOfPlace(place.target);

/** A way that jobs went and the profile does not have, and what it is shorter than. `sometimes` tells the pieces that not every vehicle of the kind has. */
export function sayTaughtWay(
  { way, shorterThan, onlySeen, jobs, confirms }: WayChange,
  name: (piece: string) => string,
  sometimes: (piece: string) => boolean = () => false,
): { now: string; before: string[]; rests: string } {
  const where = way.needs.filter(({ piece }) => sometimes(piece));
  const seen = onlySeen.filter(({ piece }) => !sometimes(piece)).map(({ piece }) => inSentence(name(piece)));
  return {
    now: [
      sayThrough({ ...way, needs: way.needs.filter((need) => !where.includes(need)) }, name),
      ...(where.length > 0 ? [`where the vehicle has them also ${where.map(({ piece, level }) => `${inSentence(name(piece))} ${level}`).join(', ')}`] : []),
    ].join('; '),
    before: shorterThan.map((other) => sayThrough(other, name)),
    rests: confirms
      ? `Kept as only seen open; ${plural(jobs.length, 'job')} said since that ${confirms.map((piece) => inSentence(name(piece))).join(', ')} had to be.`
      : `Gone on ${plural(jobs.length, 'job')}.${seen.length > 0 ? ` Nobody has said that it needs ${seen.join(', ')}: it was open.` : ''}`,
  };
}

const SIDES: Readonly<Record<Side, string>> = { left: 'Left side', centre: 'Middle', right: 'Right side' };

/** A piece that jobs described: how far it came, what held it, what was open before it. */
export function sayNewPiece({ levels, fasteners, side }: Piece, jobs: readonly string[], name: (piece: string) => string): string {
  const held = fasteners.map((group) => `${group.count} × ${sayGroup(group) ?? group.id}`).join('; ');
  const ways = levels.flatMap(({ level, openMin, ways: own }) => own.map((way) => `${level}, ${minutes(openMin)}, ${sayThrough(way, name)}`));
  return `${SIDES[side]}: ${[...ways, ...(held ? [`Held by ${held}`] : ['Nothing is written down that held it'])].join('. ')}. ${TAUGHT.saidOn(jobs.length)}`;
}

/** A lamp that jobs found. */
export const sayNewLamp = ({ state, side }: LampFunction, jobs: readonly string[]): string => `${SIDES[side]}, lights with ${state}. ${TAUGHT.saidOn(jobs.length)}`;

/** A place at which jobs fitted something: what leads there. */
export const sayNewPlace = ({ side, reach }: MountPosition, jobs: readonly string[], name: (piece: string) => string): string =>
  `A place of the vehicle. ${SIDES[side]}, ${reach.map((way) => sayThrough(way, name)).join('; or ')}. ${TAUGHT.saidOn(jobs.length)}`;

/** How a supply is isolated, as jobs did it. */
export function sayNewSupply(supply: Supply, jobs: readonly string[], name: (piece: string) => string): string {
  return `${sayIsolation(supply, name)} What came off while it was dead asks for that. ${TAUGHT.saidOn(jobs.length)}`;
}

/** What bringing a supply back takes, which nobody had measured. */
export const sayRevived = ({ liveMin = 0 }: Supply, jobs: readonly string[]): string =>
  `Setting again what the vehicle forgets took ${minutes(liveMin)}: planned with from then on. Measured on ${plural(jobs.length, 'job')}.`;

/** A measure that nobody had taken. */
export const sayNewMeasure = ({ valueMm, beforeMm, jobs }: KindCaptured['measures'][number]): string =>
  `${millimetres(valueMm)} as measured, ${millimetres(beforeMm)} as such a body typically has it. ${TAUGHT.saidOn(jobs.length)}`;

/** A sensor that jobs found. */
export const sayNewSensor = ({ kind, on, lock, calibration, procedure }: Sensor, jobs: readonly string[], name: (piece: string) => string): string =>
  `A sensor, ${kind}, on ${inSentence(name(on))}; plug: ${lock}. Calibration ${calibration}: ${procedure} ${TAUGHT.saidOn(jobs.length)}`;

/** A panel gap that jobs measured: what it is meant to be nobody learns by that. */
export const sayNewGap = ({ side }: GapPoint, jobs: readonly string[]): string => `A panel gap, measured on arrival and leaving. ${SIDES[side]}. ${TAUGHT.saidOn(jobs.length)}`;

/** A plug that something was joined to: what is proved of its wires, what leads to it. */
export function sayNewPlug({ side, pins, reach }: VehiclePlug, jobs: readonly string[], name: (piece: string) => string): string {
  const proved = pins.flatMap(({ id, carries, proved: own }) => (own ? [`pin ${id} ${carries}`] : []));
  const ways = reach.map((way) => sayThrough(way, name)).join('; or ');
  return `A plug. ${SIDES[side]}, ${ways}. ${proved.length > 0 ? `Proved: ${listed(proved)}.` : 'None of its wires is proved.'} ${TAUGHT.saidOn(jobs.length)}`;
}

/** A circuit by what guards it, and when it was read live. */
export const sayNewCircuit = (circuit: Circuit, jobs: readonly string[]): string => `A circuit: ${sayCircuit(circuit, sayProtection(circuit))}. ${TAUGHT.saidOn(jobs.length)}`;

/** What had to go back before something else. */
export const sayNewRefit = ({ why }: RefitRule, jobs: readonly string[]): string => `On the way back, always: ${why}. ${TAUGHT.saidOn(jobs.length)}`;
export const sayRefitOrder = ({ first, then }: RefitRule, name: (piece: string) => string): string => `${name(first)} before ${inSentence(name(then))}`;

/** Fasteners that one list has and another has not, or in another number. */
const unlikeIn = (fasteners: readonly FastenerGroup[], other: readonly FastenerGroup[]): string =>
  fasteners
    .filter((group) => !other.some(({ id, count }) => id === group.id && count === group.count))
    .map((group) => `${group.count} × ${sayGroup(group) ?? group.id}`)
    .join('; ');

/** A piece that jobs found held otherwise than its profile says, or took further. */
export function sayOtherwise({ entry, before, jobs }: KindCaptured['otherwise'][number], name: (piece: string) => string): string {
  const further = entry.levels.filter(({ level }) => !before.levels.some((own) => own.level === level));
  const gone = further.map(({ level, openMin, ways }) => `Comes ${level}, ${minutes(openMin)}, ${ways.map((way) => sayThrough(way, name)).join('; or ')}`);
  const [now, was] = [unlikeIn(entry.fasteners, before.fasteners), unlikeIn(before.fasteners, entry.fasteners)];
  const held = now || was ? [`Held by ${now || 'nothing more'}${was ? `, where the profile has ${was}` : ''}`] : [];
  return `${[...gone, ...held].join('. ')}. ${TAUGHT.saidOn(jobs.length)}`;
}

/** A piece that was assumed and that jobs opened: what of it they found otherwise. */
export function sayConfirmed({ entry, before, jobs }: { entry: Piece; before: Piece; jobs: readonly string[] }): string {
  const counted = before.fasteners.flatMap((group) => {
    const count = entry.fasteners.find(({ id }) => id === group.id)?.count ?? 0;
    return count === group.count ? [] : [`${count} × ${sayGroup(group) ?? group.id}, not ${group.count}`];
  });
  const found = unlikeIn(
    entry.fasteners.filter(({ id }) => !before.fasteners.some((group) => group.id === id)),
    [],
  );
  const ways = (piece: Piece) => piece.levels.reduce((sum, level) => sum + level.ways.length, 0);
  const gone = ways(before) - ways(entry);
  return [
    `Assumed, as on ${before.assumed ?? ''}; opened on ${plural(jobs.length, 'job')}`,
    ...(counted.length > 0 ? [`Counted: ${counted.join('; ')}`] : []),
    ...(found ? [`Held besides by ${found}`] : []),
    ...(gone > 0 ? [`Did not come by ${plural(gone, 'way')} that ${gone === 1 ? 'goes' : 'go'} with it`] : []),
  ]
    .map((part) => `${part}.`)
    .join(' ');
}

/** A piece that was assumed and that this kind does not have. */
export const sayWithout = (jobs: readonly string[]): string => `Assumed, and not there: it goes, with all that names it. ${TAUGHT.saidOn(jobs.length)}`;

/** What tells vehicles of the kind apart: how it is seen, and which pieces hang on it. */
export function sayNewFact({ choices, howToSee, tells }: TellingFact, jobs: readonly string[], name: (piece: string) => string): string {
  const hangs = tells.map(({ piece, when }) => `${inSentence(name(piece))} ${sayThereOnly(when)}`);
  return `Asked of every vehicle of the kind: ${choices.join(' or ')}. ${howToSee} ${hangs.length > 1 ? 'Not all have' : 'Not every one has'}: ${hangs.join('; ')}. ${TAUGHT.saidOn(jobs.length)}`;
}

/** On which value of a fact a piece hangs. */
const sayThereOnly = ({ is, not }: Condition): string => (not?.is === undefined ? `(only where ${is ?? 'it is so'})` : `(not where ${not.is})`);

/** What was noted on a job. */
export const sayNewNote = ({ station, on, kit }: KindNote, kitName: (slug: string) => string): string =>
  `A note, at ${STATION_NAMES[station]}${kit ? `, of ${kitName(kit)}` : ''}, ${sayDay(on)}. Take it where it holds for every vehicle of the kind, and names nobody.`;

/** A kit as jobs described it: what its next version has more, and where it sits. */
export function sayNewKit({ more: { lamps, contents, fitSteps, connections, tests }, kit, names: { mounts }, jobs }: KitProposed, place: (id: string) => string): string {
  const parts = [
    ...(lamps > 0 ? [plural(lamps, 'lamp')] : []),
    ...(contents > 0 ? [plural(contents, 'item in its box', 'items in its box')] : []),
    ...(fitSteps > 0 ? [plural(fitSteps, 'step of fitting', 'steps of fitting')] : []),
    ...(connections > 0 ? [plural(connections, 'joint of its wiring', 'joints of its wiring')] : []),
    ...(tests > 0 ? [plural(tests, 'test')] : []),
  ];
  const sits = mounts.length > 0 ? ` It sits: ${listed(mounts.map(place))}.` : '';
  const open = kit.undescribed?.includes('lamps') || kit.undescribed?.includes('contents') ? ' Not all of it is described yet.' : '';
  return `A kit. ${parts.length > 0 ? `${listed(parts)} more than before.` : 'Nothing further belongs to it, as was said.'}${sits}${open} ${TAUGHT.saidOn(jobs.length)}`;
}

const LISTS: Readonly<Record<Described, string>> = { functions: 'lamps', pieces: 'pieces', sensors: 'sensors', mounts: 'mount positions' };
/** A list of which jobs said that there is no more. */
export const sayWhole = (list: Described): string => `No further ${LISTS[list]}: described from now on`;

/** What does not go together. */
export function sayConflict(conflict: CaptureConflict, name: (piece: string) => string): string {
  const piece = name(conflict.piece);
  return conflict.code === 'answer-withdrawn'
    ? `${piece}: job ${conflict.job} said how far it was enough, but something did not come without. That is not counted any more.`
    : `${piece} ${conflict.level} did not come on job ${conflict.job}, though it came on job ${conflict.other} with no more open: the two vehicles differ by something that is not described.`;
}

export const TAUGHT = {
  title: 'What the jobs teach',
  reading: 'Reading the jobs of this kind…',
  away: 'What the jobs teach cannot be read: the server is away.',
  none: (jobs: number) => `${plural(jobs, 'job')} of this kind, and no way that the profile does not have. At Close up it is asked what could have stayed on.`,
  found: (entries: number, ways: number, jobs: number) =>
    `${[...(entries > 0 ? [plural(entries, 'entry', 'entries')] : []), ...(ways > 0 ? [plural(ways, 'way')] : [])].join(' and ')} beyond what the profile says, from ${plural(jobs, 'job')}. Take what is right; the rest stays as it is.`,
  view: 'View',
  sheet: (view: string) => `What the jobs teach, from the ${view}`,
  drawn: 'Hatched: would be added. Framed: something of it would be other. Plain: left.',
  saidOn: (jobs: number) => `Said on ${plural(jobs, 'job')}.`,
  leftWith: (pieces: readonly string[]) => `Left as well, as the way to it leads over what you left: ${listed(pieces)}.`,
  unsayable: (ways: number) =>
    `${plural(ways, 'way')} more that a profile cannot say: over a piece that the vehicle lacked and that never comes off where it is, or that the profile no longer has.`,
  shorter: (way: string) => `Shorter than: ${way}`,
  take: 'Take',
  save: (version: number) => `Keep as version ${version}`,
  kept: (version: number, kits: number) =>
    `Kept as version ${version}${kits > 0 ? `, with ${plural(kits, 'kit')}` : ''}. Open jobs go on with the one they have until somebody takes the new one over.`,
} as const;
