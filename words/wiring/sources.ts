import type { FeedBar, FeedOption, LedParts, RankedGround } from '@jade/core/loom';
import type { RefusedSource, Source } from '@jade/core/wiring';
import { inSentence, plural, stated } from '@jade/words/units';
import { sayArea, sayLoad } from './loads.ts';

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
  return `${behaves}${bears}${tap}${takes} ${reversible ? 'Nothing of the vehicle is cut' : 'A wire of the vehicle is bared'}; ${plural(minutes, 'minute')}.`;
}

/** Why a wire is not led to a source. */
export const BAR_WORDS: Readonly<Record<FeedBar, string>> = {
  'behaves otherwise': 'it is live at another time than this lamp of the road is to be',
  'does not carry': 'it does not carry the load',
  'no wire known': 'no wire of the vehicle that it feeds is described',
  'no size': 'no standard fuse and wire does it over this length',
};

/** What leading a wire to a source takes: where it is joined, fuse and wire. */
export function sayFeedTo({ to, at }: FeedOption): string {
  const wire = to.areaMm2 === undefined ? '' : ` Wire ${sayArea(to.areaMm2)}${to.lengthMm ? `, ${stated(to.lengthMm / 1000, 'm')}` : ''}.`;
  const pin = at ? `the wire of pin ${at.pin.id} of ${inSentence(at.plug.name)}` : 'a wire that is not known';
  switch (to.at) {
    case 'wire':
      return `Joined to ${pin}, once that is proved.${wire}`;
    case 'slot':
      return `A tap with a fuse of ${to.fuseA === undefined ? 'its own' : stated(to.fuseA, 'A')}.${wire}`;
    case 'battery':
      return `Main fuse ${to.fuseA === undefined ? '' : `${stated(to.fuseA, 'A')} `}close to the battery, a relay closed by ${pin}, ground to the body.${wire}`;
    case 'ground':
      return `To the body.${wire}`;
  }
}

/** What is brought for wires that are led elsewhere; undefined where nothing is. */
export function sayLedParts({ wires, taps, mainFuses, relays, closed }: LedParts): string | undefined {
  const fuses = (list: readonly number[]) => list.map((ampere) => stated(ampere, 'A')).join(', ');
  const parts = [
    ...wires.map(({ areaMm2, lengthMm }) => `${stated(Math.ceil(lengthMm / 100) / 10, 'm')} of wire ${sayArea(areaMm2)}`),
    ...(taps.length > 0 ? [`${plural(taps.length, 'fuse tap')} with ${fuses(taps)}`] : []),
    ...(relays > 0 ? [`${plural(relays, 'relay')} with socket`] : []),
    ...(mainFuses.length > 0 ? [`${plural(mainFuses.length, 'main fuse holder')} with ${fuses(mainFuses)}`] : []),
    ...(closed > 0 ? [`${plural(closed, 'cavity plug')}`] : []),
  ];
  return parts.length === 0 ? undefined : `For other sources: ${parts.join('; ')}.`;
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
