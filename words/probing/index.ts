import type { ProbeFunction, ProofStatus, ReadingClass, ReferenceVerdict, Separator } from '@jade/core/probing';
import { volts } from '@jade/words/units';

export const CLASS_WORDS: Record<ReadingClass, string> = {
  off: 'off',
  on: 'on',
  leak: 'leak: collapses under a test lamp',
  'dimmed or modulated': 'dimmed or modulated',
  'in between': 'in between: use a test lamp or min/max',
  flashing: 'flashing',
};

const FUNCTION_WORDS: Readonly<Partial<Record<ProbeFunction, string>>> = {
  'stop pedal': 'stop',
  unknown: 'something not in the list',
  empty: 'nothing',
  hazard: 'both turn signals',
};
/** What a wire is called by what it was probed as; several on one wire together. */
export const sayFunctions = (functions: readonly ProbeFunction[]): string => functions.map((name) => FUNCTION_WORDS[name] ?? name).join(' and ');

/** What would part what all states leave alike. */
export const SEPARATOR_WORDS: Readonly<Record<Separator, string>> = {
  continuity: 'Unplugged and unpowered, continuity to the body tells',
  load: 'a load between it and the battery tells',
  'which lamp lights': 'unplug one lamp after the other and see which goes dark',
};

/** What is proved of a wire, or what is still to be read. */
export function sayProof(proof: ProofStatus): string {
  switch (proof.code) {
    case 'proved':
      return 'Proved: on with its state, off without it.';
    case 'no-reading':
      return 'Nothing read yet. Colour proves nothing.';
    case 'needs-on':
      return `Now with ${proof.state} switched on.`;
    case 'needs-off':
      return `Likely. Now switch ${proof.state} off and read again: on alone is no proof.`;
    case 'contradictory':
      return `Contradicts: with “${proof.state}” it read ${CLASS_WORDS[proof.found]}. Check the pin, the state and the reference.`;
    case 'rivals':
      return proof.state
        ? `Likely. Something else could still read like this: now with ${proof.state}.`
        : 'Likely. What these states can tell is read; something else could still read like this.';
    case 'otherwise':
      return `Proved to be ${sayFunctions(proof.functions)}, not what it is said to be.`;
    case 'alike':
      return `${proof.among.map(sayFunctions).join(' or ')}: no state parts them. ${proof.by.map((by) => SEPARATOR_WORDS[by]).join(', or ')}.`;
    case 'unclear':
      return `Unclear in “${proof.state}”: ${CLASS_WORDS[proof.found]}.`;
  }
}

/** What the reference check says. */
export function sayReference(verdict: ReferenceVerdict): string {
  switch (verdict.code) {
    case 'good':
      return 'The reference is good.';
    case 'ground-high':
      return `The ground used lies ${volts(verdict.volts)} above the battery’s negative; at most ${volts(verdict.mostV)}. Find another ground point.`;
    case 'feed-low':
      return `The known feed reads ${volts(verdict.volts)}; at least ${volts(verdict.leastV)} is wanted. Check meter, leads and battery.`;
  }
}
