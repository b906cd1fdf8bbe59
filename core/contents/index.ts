export * from './stack.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import type { ContentItem, Kit } from '../kit/index.ts';

export interface CountLine {
  item: ContentItem;
  wanted: number;
  /** Undefined until it is counted. */
  counted?: number;
  state: 'not counted' | 'complete' | 'short' | 'spare' | 'too many';
  /** Whether this vehicle needs the item: unknown where a fact is missing. */
  needed: 'yes' | 'no' | 'unknown';
}

export type GatherTrouble = { code: 'short'; item: string; missing: number } | { code: 'hands'; items: string[]; left: number; right: number };

export interface GatherCheck {
  lines: CountLine[];
  troubles: GatherTrouble[];
  complete: boolean;
}

export const HANDS = ['left', 'both', 'right'] as const;

/** Items of one hand, or of both, as they lie beside each other on the bench. */
export interface BenchColumn {
  hand: (typeof HANDS)[number];
  lines: CountLine[];
}

/** The contents as they are laid out: handed items left and right, the rest between; a hand without items has no place. */
export const benchColumns = (lines: readonly CountLine[]): BenchColumn[] =>
  HANDS.map((hand) => ({ hand, lines: lines.filter(({ item }) => (item.hand ?? 'both') === hand) })).filter((column) => column.lines.length > 0);

/**
 * The contents counted against the list. Handed items of one name must balance: two left ones and no right one is a fault even
 * where the sum is right. Items that this vehicle does not need do not hold the job back.
 */
export function checkContents(kit: Kit, facts: FactValues, counts: Readonly<Record<string, number>>): GatherCheck {
  const lines = kit.contents.map((item): CountLine => {
    const counted = counts[item.id];
    return { item, wanted: item.count, counted, state: stateOf(item, counted), needed: evaluate(item.when, facts) };
  });
  const troubles: GatherTrouble[] = [];
  for (const line of lines) {
    if (line.state === 'short' && line.needed !== 'no') troubles.push({ code: 'short', item: line.item.id, missing: line.wanted - (line.counted ?? 0) });
  }
  for (const name of new Set(lines.filter((line) => line.item.hand).map((line) => line.item.name))) {
    const pair = lines.filter((line) => line.item.name === name && line.item.hand && line.needed !== 'no');
    const count = (hand: 'left' | 'right') => pair.filter((line) => line.item.hand === hand).reduce((sum, line) => sum + (line.counted ?? 0), 0);
    const counted = pair.every((line) => line.counted !== undefined);
    if (counted && count('left') !== count('right')) {
      troubles.push({ code: 'hands', items: pair.map((line) => line.item.id), left: count('left'), right: count('right') });
    }
  }
  const complete = troubles.length === 0 && lines.every((line) => line.needed === 'no' || line.counted !== undefined);
  return { lines, troubles, complete };
}

function stateOf(item: ContentItem, counted: number | undefined): CountLine['state'] {
  if (counted === undefined) return 'not counted';
  if (counted < item.count) return 'short';
  if (counted === item.count) return 'complete';
  return item.spareAllowed ? 'spare' : 'too many';
}
