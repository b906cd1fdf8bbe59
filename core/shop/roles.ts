import type { Fault } from '../faults/index.ts';
import type { Role } from './shop.ts';

/** What somebody in the shop may do or not; everything else is for everyone. */
export const RIGHTS = [
  'record',
  'open a job',
  'change the order',
  'take over documents',
  'keep customers',
  'join customers',
  'take in documents',
  'sign off',
  'reopen',
  'keep people',
  'let devices in',
] as const;
export type Right = (typeof RIGHTS)[number];

const EVERYONE: readonly Role[] = ['lead', 'planner', 'installer', 'in training'];
const NOT_IN_TRAINING: readonly Role[] = ['lead', 'planner', 'installer'];

/** The one table of roles and rights. Whoever is in training records what they see; they open nothing and sign nothing off. */
const WHO: Record<Right, readonly Role[]> = {
  record: EVERYONE,
  'open a job': NOT_IN_TRAINING,
  'change the order': NOT_IN_TRAINING,
  'take over documents': NOT_IN_TRAINING,
  'keep customers': NOT_IN_TRAINING,
  'join customers': ['lead', 'planner'],
  'take in documents': ['lead', 'planner'],
  'sign off': ['lead'],
  reopen: ['lead'],
  'keep people': ['lead'],
  'let devices in': ['lead', 'planner'],
};

/** Roles that have a right, the one that has all of them first. */
export const whoMay = (right: Right): readonly Role[] => WHO[right];

/** Whether a role has a right; nobody's role has none. */
export function may(role: string | undefined, right: Right): boolean {
  return WHO[right].some((entry) => entry === role);
}

/** The fault of a role that does not have the right, none where it has. */
export function roleFaults(role: string, right: Right, path = 'session'): Fault[] {
  return may(role, right) ? [] : [{ path, code: 'role', data: { right, role, who: WHO[right].join(', ') } }];
}

/** What keeps somebody from being changed so: a bench name that another carries, or nobody left who is the lead. */
export function checkPeople(people: readonly { id: string; benchName: string; role: Role; left: boolean }[], changed: string): Fault[] {
  const own = people.find((person) => person.id === changed);
  const here = people.filter((person) => !person.left);
  const faults: Fault[] = [];
  const twice = own && !own.left && here.some((person) => person.id !== changed && person.benchName.trim().toLocaleLowerCase() === own.benchName.trim().toLocaleLowerCase());
  if (twice) faults.push({ path: 'benchName', code: 'name-twice', data: { name: own.benchName.trim() } });
  if (!here.some((person) => person.role === 'lead')) faults.push({ path: 'role', code: 'no-lead', data: {} });
  return faults;
}
