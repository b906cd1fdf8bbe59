import type { ProofStatus, ReadingClass, ReferenceVerdict } from '@jade/core/probing';
import { volts } from '@jade/words/units';

export const CLASS_WORDS: Record<ReadingClass, string> = {
  off: 'off',
  on: 'on',
  leak: 'leak: collapses under a test lamp',
  'dimmed or modulated': 'dimmed or modulated',
  'in between': 'in between: use a test lamp or min/max',
  flashing: 'flashing',
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
