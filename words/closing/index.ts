import type { CloseStep, CloseTrouble, SupplyStep } from '@jade/core/closing';
import type { FastenerGroup } from '@jade/core/vehicle';
import type { GroupCount } from '@jade/core/events';
import { sayGroup, type Names } from '@jade/words/names';
import { saySubject } from '@jade/words/subject';
import { inSentence, plural } from '@jade/words/units';

/** What does not go in closing, and what is left to do. */
export function sayCloseTrouble(trouble: CloseTrouble, names: Names): string {
  if (trouble.code === 'refit-contradiction') {
    return `The refit rules contradict each other: ${trouble.pieces.map(names.piece).join(', then ')}. The order below keeps without them; decide at the vehicle.`;
  }
  const pieces = trouble.pieces.map((piece) => inSentence(names.piece(piece))).join(' and ');
  return `“${saySubject(trouble.subject, names)}” cannot come before ${pieces} in any order. ${trouble.offers.length > 0 ? `What is left: ${trouble.offers.join(', or ')}.` : 'The rules contradict each other: decide at the vehicle.'}`;
}

/** What a tap on a change of a supply says, with the fasteners that it counts. */
export function saySwitch({ to }: Pick<SupplyStep, 'to'>, counts: readonly GroupCount[]): string {
  const count = counts.reduce((total, entry) => total + entry.count, 0);
  const [is, where] = to === 'live' ? ['live', 'in'] : ['off', 'out'];
  return `It is ${is}${count > 0 ? `, ${plural(count, 'fastener')} ${where}` : ''}`;
}

/** What a step of the way back is: back home, or back to a level on its way there. */
export function sayPutBack({ piece, to }: Pick<CloseStep, 'piece' | 'to'>, names: Pick<Names, 'piece'>): string {
  return `${to === 'fitted' ? 'Put back' : `Back to ${to}`}: ${inSentence(names.piece(piece))}`;
}

/** What the tap on a step back says: where the piece is, how many of its fasteners are in, and how many of them new. */
export function sayBack({ to }: Pick<CloseStep, 'to'>, { old, fresh, places }: { old: number; fresh: number; places: number }): string {
  const where = to === 'fitted' ? 'It is back' : `It is ${to}`;
  if (places === 0) return where;
  const now = old + fresh;
  const count = now < places ? `${now} of ${places} in` : `${plural(now, 'fastener')} in`;
  return `${where}, ${count}${fresh === 0 ? '' : fresh === now ? ', all new' : `, ${fresh} of them new`}`;
}

/** Fasteners that a step back leaves out. */
export const sayNotBack = (count: number): string => `${plural(count, 'fastener')} not back: it holds the job at Hand over until it is.`;

/** A sensor that is plugged in before its piece goes home, and the tap that says so. */
export const sayPlugIn = (sensor: string, lock: string): string => `${sensor}: plug it in first, ${lock}.`;
export const sayPluggedIn = (sensor: string): string => `${sensor} is in and locked`;

/** Whether fasteners that are used once only went in new. */
export const NEW_OR_OLD = {
  label: (group: string) => `${group}: new, or as they came out`,
  new: 'New ones in',
  old: 'The old ones again',
  fresh: (group: string) => `new ${group}`,
  instead: (count: number) => (count === 1 ? 'In place of the broken one, new' : `In place of the ${count} broken ones, new`),
} as const;

/** Fasteners of one drive in several lengths: which goes where, and what a wrong one does. */
export const sayLengthAsked = (place: string): string => `Which length goes here: ${inSentence(place)}?`;
export function sayWrongLength(group: FastenerGroup, taken: number): string {
  const harm = taken > (group.lengthMm ?? 0) ? 'A longer one can come through what lies behind.' : 'A shorter one does not hold.';
  return `Not that one: ${inSentence(group.place)} had ${sayGroup(group) ?? group.id}. ${harm}`;
}

/** How many fasteners lie in the tray; what is drawn of it beside one step. */
export const sayLeftInTray = (count: number): string => (count === 0 ? 'The tray is empty' : `${plural(count, 'fastener')} left in the tray`);
export const TRAY_OF_STEP = 'From the tray for this step';

/** A change of a supply on the way back. */
export const saySupplyStep = ({ supply, to }: Pick<SupplyStep, 'supply' | 'to'>, names: Pick<Names, 'supply'>): string =>
  `${to === 'live' ? 'Live for the test' : 'Dead again'}: ${inSentence(names.supply(supply))}`;

/** Places that are empty although their piece is home, and what goes in. */
export const PLACES_EMPTY = 'Home, but not all of its fasteners are in';
export const sayPlacesEmpty = ({ piece, group, places }: { piece: string; group: string; places: number }, names: Pick<Names, 'piece' | 'group'>): string =>
  `${names.piece(piece)}: ${places} × ${names.group(piece, group)} to go in.`;
export const sayOldIn = (count: number): string => `${plural(count, 'old one')} in`;
export const sayNewIn = (count: number): string => `${plural(count, 'new one')} in`;

export * from './views.ts';
