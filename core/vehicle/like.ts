import type { Side, VehicleProfile, Zone } from './profile.ts';

const OTHER_SIDE: Readonly<Record<Side, Side>> = { left: 'right', centre: 'centre', right: 'left' };
const OTHER_ZONE: Partial<Record<Zone, Zone>> = { 'left-side': 'right-side', 'right-side': 'left-side' };
/** Fields that name something by its id: they stay, whatever side the id speaks of. */
const IDS = new Set([
  'id',
  'slug',
  'piece',
  'on',
  'circuit',
  'channel',
  'function',
  'first',
  'then',
  'from',
  'to',
  'fact',
  'is',
  'plugs',
  'mounts',
  'inPlaceOf',
  'kind',
  'family',
  'keying',
  'place',
  // What a wire carries it carries wherever its plug lies.
  'carries',
  'state',
  'liveIn',
]);
const WORDS: Readonly<Record<string, string>> = { left: 'right', right: 'left', Left: 'Right', Right: 'Left' };

/** Words for sides exchanged, but those of the hand of a thread. */
const otherWords = (text: string) => text.replace(/\b(left|right)\b(?!-hand)/gi, (word) => WORDS[word] ?? word);

function other(value: unknown, name: string, within: string): unknown {
  if (name === 'side') return OTHER_SIDE[value as Side] ?? value;
  if (name === 'zone') return OTHER_ZONE[value as Zone] ?? value;
  // Taken from zero, so that a zero stays the zero that it was.
  if (name === 'yMm' && Array.isArray(value)) return [...(value as number[])].reverse().map((mm) => 0 - mm);
  if ((name === 'yMm' || name === 'yawDeg') && typeof value === 'number') return 0 - value;
  // Where fasteners sit is words; how a vehicle stands is an id of the rule set.
  if (typeof value === 'string') return IDS.has(name) && !(name === 'place' && within === 'fasteners') ? value : otherWords(value);
  if (Array.isArray(value)) return (value as unknown[]).map((entry) => other(entry, name, within));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([field, own]) => [field, other(own, field, name)]));
}

/**
 * An entry of a profile as it lies on the other side of the vehicle: its places mirrored, its sides and the words for them exchanged. Ids stay, so what
 * refers to it still does; done twice it is what it was.
 */
export const onOtherSide = <T extends object>(entry: T): T => other(entry, '', '') as T;

/**
 * A profile as of the same vehicle with the wheel on the other side, as far as that follows: what lies in the cabin on one side lies on the other, and so
 * do the plugs, grounds and mount positions that are reached through it alone. What else differs is corrected by hand.
 */
export function otherSideDrive(profile: VehicleProfile): VehicleProfile {
  const moved = new Set(profile.pieces.filter(({ zone, side }) => zone === 'cabin' && side !== 'centre').map(({ id }) => id));
  const behind = ({ hiddenBy, reach = [] }: { hiddenBy?: { piece: string }[]; reach?: { needs: { piece: string }[] }[] }) => {
    const needs = [...(hiddenBy ?? []), ...reach.flatMap((way) => way.needs)];
    return needs.length > 0 && needs.every(({ piece }) => moved.has(piece));
  };
  const sided = <T extends object>(entries: T[], is: (entry: T) => boolean): T[] => entries.map((entry) => (is(entry) ? onOtherSide(entry) : entry));
  return {
    ...profile,
    pieces: sided(profile.pieces, ({ id }) => moved.has(id)),
    plugs: sided(profile.plugs, behind),
    mounts: sided(profile.mounts, behind),
  };
}
