import type { RankedGround } from '@jade/core/job';
import type { RefusedSource, Source } from '@jade/core/wiring';
import { inSentence, plural, stated } from '@jade/words/units';
import { sayLoad } from './loads.ts';

/** What a source is called. */
export function saySourceName({ kind, name }: Pick<Source, 'kind' | 'name'>): string {
  return kind === 'battery with relay' ? `Battery, by a relay that ${inSentence(name)} triggers` : name;
}

/** How a source behaves, what it bears and what it takes, in one sentence each. */
export function saySource({ kind, behaviour, inherits, check, newFuseA, originalA, capacity, reversible, minutes }: Source): string {
  const behaves =
    behaviour.value === 'as wanted'
      ? 'Behaves as wanted.'
      : behaviour.value === 'otherwise'
        ? `Behaves otherwise in ${behaviour.states.join(', ')}.`
        : `Not measured in ${behaviour.states.join(', ')}.`;
  const own = newFuseA === undefined ? '' : newFuseA === null ? ' No standard fuse is large enough.' : ` The added load behind a fuse of its own of ${stated(newFuseA, 'A')}.`;
  const slot = capacity === 'not known' ? ' What the slot may hold is not known.' : capacity === 'does not carry' ? ' The slot does not take it.' : '';
  const bears = check ? ` ${sayLoad(check)}` : `${own}${slot}`;
  const original = originalA === undefined ? 'The original fuse' : `The original fuse of ${stated(originalA, 'A')}`;
  const tap = kind === 'fuse tap' ? ` ${original} stays; the tap is turned so that the added load does not pass through it.` : '';
  const takes = inherits.length > 0 ? ` The lamp takes over its ${inherits.join(' and ')}.` : '';
  return `${behaves}${bears}${tap}${takes} ${reversible ? 'Nothing is cut' : 'A wire is bared'}; ${plural(minutes, 'minute')}.`;
}

/** Why a source is never used. */
export function sayRefusedSource({ name, why }: RefusedSource): string {
  return `${name} is never used: ${why ?? 'the shop’s rules forbid it'}.`;
}

/** A ground point with what was measured there. */
export function sayGround({ ground, measured, holds }: RankedGround): string {
  if (!measured) return `${ground.name}: not measured.`;
  const read = `${ground.name}: ${stated(measured.dropMv, 'mV')} at ${stated(measured.ampere, 'A')}, ${stated(Math.round(measured.mohm * 10) / 10, 'mΩ')}`;
  return holds ? `${read}.` : `${read}: too much. Clean it to bare metal and measure again, or use another.`;
}
