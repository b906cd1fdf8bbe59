import type { LinesOf } from './lines-of.ts';
import { type Names } from '@jade/words/names';
import { amount, inSentence } from '@jade/words/units';

/** A lamp of a kit by the key of its aim. */
const lampOf = (kept: string, names: Names): string => inSentence(names.lamp(kept.slice(0, kept.indexOf('/')), kept.slice(kept.indexOf('/') + 1)));

/** Lines of the family, as the log shows them. */
export const LEAVING_LINES: LinesOf<'leaving'> = {
  'wall.set': ({ rule, distanceMm }, names) => `Wall at ${amount(distanceMm / 1000, 'm', 2)}, ${names.rule(rule)}`,
  'aim.prepared': ({ tyres, load, levelling }) => {
    const done = [...(tyres ? ['tyres'] : []), ...(load ? ['load'] : []), ...(levelling ? ['levelling'] : [])];
    return `Prepared for aiming: ${done.length > 0 ? done.join(', ') : 'nothing yet'}`;
  },
  'aim.measured': ({ lamp, moment, heightMm }, names) => `Aim ${moment}, ${lampOf(lamp, names)}: ${amount(heightMm, 'mm')}`,
  'aim.referenced': ({ lamp, referenceMm }, names) => `Height of ${lampOf(lamp, names)} above the floor: ${amount(referenceMm, 'mm')}`,
  'aim.by-others': ({ lamp, by }, names) => `Aim by others, ${lampOf(lamp, names)}: ${by}`,
  'final.tried': ({ lamp, result }, names) => `${names.factory(lamp)}, leaving: ${result}`,
  'final.tested': ({ kit, test, passed, note }, names) => `${names.test(kit, test)}, everything closed: ${passed ? 'works' : 'does not work'}${note ? `, ${note}` : ''}`,
};
