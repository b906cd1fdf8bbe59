import type { GatherTrouble } from '@jade/core/gather';
import { plural } from '@jade/words/units';

/** What is wrong with a kit's contents. */
export function sayGatherTrouble(trouble: GatherTrouble, itemName: (id: string) => string): string {
  if (trouble.code === 'short') return `${itemName(trouble.item)}: ${plural(trouble.missing, 'piece')} missing. Order before anything comes off.`;
  const name = itemName(trouble.items[0] ?? '').replace(/, (left|right)$/, '');
  return `${name}: ${trouble.left} left and ${trouble.right} right. The hands must balance.`;
}
