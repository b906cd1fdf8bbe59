import type { RefusedSource, Source } from '@jade/core/wiring';
import { plural, stated } from '@jade/words/units';
import { sayLoad } from './loads.ts';

/** How a source behaves, what it bears and what it takes, in one sentence each. */
export function saySource({ kind, behaviour, inherits, check, newFuseA, capacity, reversible, minutes }: Source): string {
  const behaves =
    behaviour.value === 'as wanted'
      ? 'Behaves as wanted.'
      : behaviour.value === 'otherwise'
        ? `Behaves otherwise in ${behaviour.states.join(', ')}.`
        : `Not measured in ${behaviour.states.join(', ')}.`;
  const own = newFuseA === undefined ? '' : newFuseA === null ? ' No standard fuse is large enough.' : ` The added load behind a fuse of its own of ${stated(newFuseA, 'A')}.`;
  const bears = check ? ` ${sayLoad(check)}` : capacity === 'carries' ? own : `${own} The slot does not take it.`;
  const tap = kind === 'fuse tap' ? ' The original fuse stays; the tap is turned so that the added load does not pass through it.' : '';
  const takes = inherits.length > 0 ? ` The lamp takes over its ${inherits.join(' and ')}.` : '';
  return `${behaves}${bears}${tap}${takes} ${reversible ? 'Nothing is cut' : 'A wire is bared'}; ${plural(minutes, 'minute')}.`;
}

/** Why a source is never used. */
export function sayRefusedSource({ name, why }: RefusedSource): string {
  return `${name} is never used: ${why}.`;
}
