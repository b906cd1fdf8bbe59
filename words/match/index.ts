import type { ReasonTree, Truth } from '@jade/core/facts';
import type { MatchReason } from '@jade/core/match';
import { inSentence, millimetres } from '@jade/words/units';

export const TRUTH_WORDS: Record<Truth, string> = { yes: 'fits', no: 'does not fit', unknown: 'not settled yet' };

/** A condition as a phrase: "front fog is blank", all of several, one of several. */
export function sayCondition(tree: ReasonTree, factName: (id: string) => string): string {
  const { condition, parts } = tree;
  if (condition.fact !== undefined) return `${inSentence(factName(condition.fact))} is ${condition.is}`;
  if (condition.not) return `not: ${parts.map((part) => sayCondition(part, factName)).join('')}`;
  return parts.map((part) => sayCondition(part, factName)).join(condition.all ? ' and ' : ' or ');
}

/** One reason of a match verdict. */
export function sayReason(reason: MatchReason, factName: (id: string) => string, mountName: (id: string) => string): string {
  switch (reason.code) {
    case 'made-for':
      if (reason.value === 'unknown')
        return 'Nobody has described how a kit sits on this kind of vehicle, and the kit does not name it: hold it against the vehicle before anything comes off.';
      return reason.value === 'yes' ? 'The kit names this vehicle.' : 'The kit does not name this vehicle.';
    case 'was-fitted':
      return 'It was fitted to this kind of vehicle, as this shop saw; its maker does not name it.';
    case 'years':
      return `Made for ${reason.from} to ${reason.to ?? 'today'}; this one is ${reason.value === 'unknown' ? 'of unknown year' : `of ${reason.year}`}.`;
    case 'equipment':
      return `Asks that ${sayCondition(reason.tree, factName)}.`;
    case 'opening': {
      const { mount, widthMm, heightMm, depthMm } = reason.clearance;
      return `${mountName(mount)}: ${millimetres(widthMm)} to spare in width, ${millimetres(heightMm)} in height, ${millimetres(depthMm)} in depth.`;
    }
  }
}

export * from './views.ts';
