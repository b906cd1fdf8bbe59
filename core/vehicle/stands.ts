import type { Position, Way } from './profile.ts';

/** How a vehicle can be brought to stand for a piece of work, besides as it comes: up at the maker’s points, or with its wheels turned. */
export const STANDS = [
  { kind: 'raised', place: 'front' },
  { kind: 'raised', place: 'rear' },
  { kind: 'wheels', place: 'left' },
  { kind: 'wheels', place: 'right' },
] as const satisfies readonly Position[];

/** How a vehicle stands: place by kind of position; of a kind that is not there as it comes. */
export type Stand = Readonly<Record<string, string>>;

/** All that a way asks of how the vehicle stands. */
export const positionsOf = (way: Pick<Way, 'position' | 'also'> | undefined): Position[] => [...(way?.position ? [way.position] : []), ...(way?.also ?? [])];

/** Positions as a way has them: of each kind the first. */
export function standingIn(positions: readonly Position[]): Pick<Way, 'position' | 'also'> {
  const [position, ...also] = positions.filter(({ kind }, index) => positions.findIndex((other) => other.kind === kind) === index);
  return { ...(position ? { position } : {}), ...(also.length > 0 ? { also } : {}) };
}

/** A stand as the positions that it is made of. */
export const positionsIn = (stand: Stand): Position[] => Object.entries(stand).map(([kind, place]) => ({ kind, place }));

/** Positions that a vehicle is not in yet. */
export const stillToTake = (positions: readonly Position[], stand: Stand): Position[] => positions.filter(({ kind, place }) => stand[kind] !== place);

/** A stand with positions taken, each in the place of the one of its kind. */
export const standIn = (stand: Stand, positions: readonly Position[]): Stand => ({ ...stand, ...Object.fromEntries(positions.map(({ kind, place }) => [kind, place])) });

/** A stand once the vehicle was brought into a place of a kind; as it comes of that kind without one. */
export function standAfter(stand: Stand, { kind, place }: { kind: string; place?: string }): Stand {
  const { [kind]: _before, ...rest } = stand;
  return place === undefined ? rest : { ...rest, [kind]: place };
}

/** How the vehicle stands for the same work on the other side: its wheels turned the other way. */
export const onOtherSideStanding = ({ kind, place }: Position): Position =>
  kind === 'wheels' && (place === 'left' || place === 'right') ? { kind, place: place === 'left' ? 'right' : 'left' } : { kind, place };

/** What is commonly done before a battery is taken off; each is said where it was. */
export const COMMON_BEFORE = ['Keys out of the vehicle', 'One window a hand’s width open', 'Bonnet and rear door open', 'Ignition off, and the vehicle left to sleep'] as const;

/** What vehicles commonly forget while they have no battery. */
export const COMMON_FORGETS = ['Clock', 'One-touch windows', 'Steering angle', 'Rear door end stops', 'Seat memory', 'Radio presets'] as const;
