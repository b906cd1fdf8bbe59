import type { Fault } from '../faults/index.ts';

/** What of a vehicle decides whether it can be the same as another, and what is taken over from it. */
export interface Joinable {
  id: string;
  profile: string;
  number: string | null;
  year: number | null;
  colour: string | null;
}

/** What keeps two vehicles from being one: it is the same already, they are of different kinds, or both carry a number and not the same. */
export function joinFaults(one: Joinable, other: Joinable, path = 'into'): Fault[] {
  if (one.id === other.id) return [{ path, code: 'itself', data: {} }];
  if (one.profile !== other.profile) return [{ path, code: 'other-kind', data: { one: one.profile, other: other.profile } }];
  if (one.number !== null && other.number !== null && one.number !== other.number) return [{ path, code: 'other-number', data: { one: one.number, other: other.number } }];
  return [];
}

/** What the vehicle that stays has written down afterwards: its own, and what it lacks from the one that goes into it. */
export function joined(one: Joinable, other: Joinable): Pick<Joinable, 'number' | 'year' | 'colour'> {
  return { number: other.number ?? one.number, year: other.year ?? one.year, colour: other.colour ?? one.colour };
}
