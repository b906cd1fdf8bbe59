import { kitsUndescribed, unplacedToAim, type JobContext } from '../job/index.ts';
import { LONGEST_TEXT } from '../events/index.ts';
import type { FitmentList } from '../kit/index.ts';
import { key } from '../subject/index.ts';
import { isUndescribed, standardLamps, type Described, type LampFunction } from '../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act } from './act.ts';
import { question, type Asked } from './hold.ts';

/** What is done with a kit, each at a station of its own. */
export const DONE_WITH = ['wired', 'fitted', 'aimed'] as const;
export type DoneWith = (typeof DONE_WITH)[number];
const LISTS: Readonly<Record<DoneWith, FitmentList>> = { wired: 'connections', fitted: 'fitSteps', aimed: 'mounts' };
const HOLDS = { wired: 'wiring-undescribed', fitted: 'fitting-undescribed', aimed: 'aim-undescribed' } as const;

/**
 * What a station asks of kits of which nobody has described how they sit on this kind of vehicle: it knows of nothing to do, which is not to say that
 * nothing is. Whoever did it says so with a name under it.
 */
export const askedOfUnplaced = (context: JobContext, what: DoneWith): Asked[] =>
  kitsOf(context, what).map((kit) => question(HOLDS[what], { kit }, key({ kind: 'unplaced', kit, what })));

/** The kits of that that something is done with at a station: those with a lamp that has a rule where they are aimed. */
const kitsOf = (context: JobContext, what: DoneWith) => (what === 'aimed' ? unplacedToAim(context) : kitsUndescribed(context, LISTS[what]));

/** How it was done with each kit of which nobody has described it, as far as somebody said so. */
export const howDone = (context: JobContext, what: DoneWith): { kit: string; said?: string }[] =>
  kitsOf(context, what).map((kit) => {
    const said = context.state.exceptions[key({ kind: 'unplaced', kit, what })];
    return { kit, ...(said === undefined ? {} : { said }) };
  });

/** How a kit was wired, fitted or aimed of which nobody has described it. */
export function sayHow(context: JobContext, kit: string, what: DoneWith, how: string): Act {
  const note = how.trim();
  if (!kitsOf(context, what).includes(kit)) return refused({ code: 'unknown', what: 'kit', id: kit });
  if (note === '') return refused({ code: 'nothing' });
  return unless(tooLong(note, LONGEST_TEXT.exception), () => [{ type: 'exception.named', payload: { about: key({ kind: 'unplaced', kit, what }), note } }]);
}

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
