import type { AccessTrouble, Alternative, OpenStep, PlanChange, Preparation } from '@jade/core/access';
import { sayWay } from '@jade/words/events';
import { sayStand, type Names } from '@jade/words/names';
import { sayTarget } from '@jade/words/subject';
import { amount, inSentence, minutes, personMinutes, plural } from '@jade/words/units';

/** How the vehicle is brought into a position. */
const sayPosition = ({ kind, place }: { kind: string; place: string }): string =>
  kind === 'raised' ? `Raise the ${place} at the maker’s points, onto stands; chock the wheels that stay down.` : `Turn the ${kind} ${place}.`;

/** What has to be done before a piece moves. */
export function sayPreparation(preparation: Preparation, names: Names, lockOf: (sensor: string) => string): string {
  switch (preparation.code) {
    case 'turn':
      return sayPosition(preparation);
    case 'stands':
      return `It stays so: ${sayStand(preparation)}.`;
    case 'mark':
      return `Mark ${preparation.what}, so that it returns to its place.`;
    case 'cover-paint':
      return 'Cover the painted edges beside it.';
    case 'before-dead':
      return `Before it goes dead: ${inSentence(preparation.what)}.`;
    case 'unplug':
      return `Unplug ${inSentence(names.sensor(preparation.sensor))} before the pull: ${lockOf(preparation.sensor)}.`;
    case 'support':
      return preparation.leashMm === undefined
        ? 'Support it: it must not hang on its wires.'
        : `Support it: its wires reach ${amount(preparation.leashMm, 'mm')}, it must not hang on them.`;
  }
}

/** What a plan could not do, and what is left. */
export function sayTrouble(trouble: AccessTrouble, names: Names): string {
  if (trouble.code === 'unreachable-target')
    return `${sayTarget(trouble.target, names)} cannot be reached by any way that is left. Free a way that was blocked, measure at the vehicle, or give the opening up.`;
  if (trouble.code === 'unreachable-piece')
    return `${names.piece(trouble.piece)} is replaced, and no way that is left takes it off. Free a way that was blocked, measure at the vehicle, or give the opening up.`;
  const moves = trouble.moves.map(({ piece, level }) => `${inSentence(names.piece(piece))} ${level}`).join(', ');
  return `No order lets these be done, each waits for the other: ${moves}. Choose another way by hand, or measure at the vehicle.`;
}

const difference = (value: number) => (value < 0 ? `${personMinutes(-value)} less` : value === 0 ? 'the same' : `${personMinutes(value)} more`);
/** Names that are said before the rest is only counted. */
const MOST_NAMED = 4;
/** The first few of a list, and how many more. */
function few(texts: readonly string[]): string {
  return texts.length > MOST_NAMED + 1 ? `${texts.slice(0, MOST_NAMED).join(', ')} and ${texts.length - MOST_NAMED} more` : texts.join(', ');
}

/** Another way, with its price and what it would open and leave shut. */
export function sayAlternative(alternative: Alternative, names: Names): { way: string; price: string; pieces: string } {
  const { place, level, way, extraMin, opens, spares } = alternative;
  const further = few(opens.map((entry) => `${inSentence(names.piece(entry.piece))} ${entry.level}`));
  const shut = few(spares.map((piece) => inSentence(names.piece(piece))));
  const parts = [...(opens.length > 0 ? [`also ${further}`] : []), ...(spares.length > 0 ? [`leaves ${shut} shut`] : [])];
  return { way: `${names.place(place)}${level ? ` ${level}` : ''}: ${sayWay(way)}`, price: difference(extraMin), pieces: parts.join('; ') };
}

/** What leaving a piece shut would cost. */
export function sayWithout(extraMin: number | null | undefined): string {
  if (extraMin === undefined) return '';
  return extraMin === null ? 'Without it there is no way in.' : `The best way without it costs ${difference(extraMin)}.`;
}

/** What changed from the plan before. */
export function sayChange(change: PlanChange, names: Names): string[] {
  const step = ({ piece, level }: { piece: string; level: string }) => `${inSentence(names.piece(piece))} ${level}`;
  const ways = change.rerouted.map(({ piece, to }) => `${inSentence(names.piece(piece))} ${sayWay(to)}`);
  return [
    ...(change.personMin === 0 ? [] : [`${difference(change.personMin)} in all; what is done stays done.`]),
    ...(change.added.length > 0 ? [`Now also: ${change.added.map(step).join(', ')}.`] : []),
    ...(change.dropped.length > 0 ? [`No longer: ${change.dropped.map(step).join(', ')}.`] : []),
    ...(ways.length > 0 ? [`Another way: ${ways.join(', ')}.`] : []),
  ];
}

/** Half of the times are within the first; eight of ten within the second, which is a slow day. */
export function sayEstimate({ medianMin, p80Min }: { medianMin: number; p80Min: number }): string {
  return `about ${minutes(medianMin)}, ${minutes(p80Min)} on a slow day`;
}
export const sayOpening = (estimate: { medianMin: number; p80Min: number }): string => `to open: ${sayEstimate(estimate)}`;

/** How long a step takes at this shop; briefly where the next glance is at the vehicle. */
export function sayStepTime({ estimate }: Pick<OpenStep, 'estimate'>, brief = false): string {
  const median = minutes(estimate.medianMin);
  return brief || estimate.medianMin === 0 ? median : sayEstimate(estimate);
}

/** What the estimate of a step rests on. */
export function sayLearned({ estimate, minutes: profileMin }: Pick<OpenStep, 'estimate' | 'minutes'>): string {
  return estimate.taken === 0
    ? `Its time is the profile’s: no time taken at this shop counts beside it yet.`
    : `The profile gives it ${minutes(profileMin)}; done ${plural(estimate.taken, 'time')} at this shop, it is reckoned with ${minutes(estimate.medianMin)}.`;
}

/** A step by name: what is opened by which way, or put back. */
export function sayStep({ piece, from, level, way }: { piece: string; from: string; level: string; way?: string }): string {
  if (way !== undefined) return `${piece} ${level}, ${sayWay(way)}`;
  return level === 'fitted' ? `${piece} back` : `${piece} from ${from} to ${level}`;
}
