import { unplacedKits, type JobContext } from '../job/index.ts';
import { key } from '../subject/index.ts';
import { isUndescribed, standardLamps, type Described, type LampFunction } from '../vehicle/index.ts';
import { happened, refused, type Act } from './act.ts';
import { question, type Asked } from './hold.ts';

/** What is done with a kit, each at a station of its own. */
export const DONE_WITH = ['wired', 'fitted', 'aimed'] as const;
export type DoneWith = (typeof DONE_WITH)[number];
const HOLDS = { wired: 'wiring-undescribed', fitted: 'fitting-undescribed', aimed: 'aim-undescribed' } as const;

/**
 * What a station asks of kits of which nobody has described how they sit on this kind of vehicle: it knows of nothing to do, which is not to say that
 * nothing is. Whoever did it says so with a name under it.
 */
export const askedOfUnplaced = (context: JobContext, what: DoneWith, kits: readonly string[] = unplacedKits(context)): Asked[] =>
  kits.map((kit) => question(HOLDS[what], { kit }, key({ kind: 'unplaced', kit, what })));

/** Whether a list of this kind of vehicle is still to be looked through: nobody has described it, and nobody has said of this vehicle that there is no more. */
export const askedOfList = ({ profile }: Pick<JobContext, 'profile'>, list: 'functions' | 'sensors'): Asked[] =>
  isUndescribed(profile, list) ? [question(list === 'functions' ? 'lamps-undescribed' : 'sensors-undescribed', {}, key({ kind: 'undescribed', list }))] : [];

/** Lamps that this body commonly has and that nobody has said it has. */
export const lampsOffered = ({ profile }: Pick<JobContext, 'profile'>): LampFunction[] =>
  isUndescribed(profile, 'functions') ? standardLamps(profile.body, profile.measures).filter((lamp) => !profile.functions.some(({ id }) => id === lamp.id)) : [];

/** Lamps that this vehicle has, out of those that are offered. */
export function lampsSeen(context: Pick<JobContext, 'profile'>, ids: readonly string[]): Act {
  const offered = lampsOffered(context);
  const odd = ids.find((id) => !offered.some((lamp) => lamp.id === id));
  if (odd !== undefined) return refused({ code: 'unknown', what: 'lamp', id: odd });
  if (ids.length === 0) return refused({ code: 'nothing' });
  return happened({ type: 'kind.described', payload: { functions: offered.filter(({ id }) => ids.includes(id)) } });
}

/** Of a list this vehicle has nothing beyond what is described. */
export function noMore({ profile }: Pick<JobContext, 'profile'>, list: Described): Act {
  return isUndescribed(profile, list) ? happened({ type: 'kind.described', payload: { whole: [list] } }) : refused({ code: 'already' });
}
