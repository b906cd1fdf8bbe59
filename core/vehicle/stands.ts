import type { Way } from './profile.ts';

/** How a vehicle can be brought to stand for a piece of work, besides as it comes: up at the maker’s points, or with its wheels turned. */
export const STANDS = [
  { kind: 'raised', place: 'front' },
  { kind: 'raised', place: 'rear' },
  { kind: 'wheels', place: 'left' },
  { kind: 'wheels', place: 'right' },
] as const satisfies readonly NonNullable<Way['position']>[];
export type Stand = (typeof STANDS)[number];

/** What is commonly done before a battery is taken off; each is said where it was. */
export const COMMON_BEFORE = ['Keys out of the vehicle', 'One window a hand’s width open', 'Bonnet and rear door open', 'Ignition off, and the vehicle left to sleep'] as const;

/** What vehicles commonly forget while they have no battery. */
export const COMMON_FORGETS = ['Clock', 'One-touch windows', 'Steering angle', 'Rear door end stops', 'Seat memory', 'Radio presets'] as const;
