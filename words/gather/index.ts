import type { GatherTrouble, StackCheck } from '@jade/core/gather';
import { millimetres, plural } from '@jade/words/units';

/** What is wrong with a kit's contents. */
export function sayGatherTrouble(trouble: GatherTrouble, itemName: (id: string) => string): string {
  if (trouble.code === 'short') return `${itemName(trouble.item)}: ${plural(trouble.missing, 'piece')} missing. Order before anything comes off.`;
  const name = itemName(trouble.items[0] ?? '').replace(/, (left|right)$/, '');
  return `${name}: ${trouble.left} left and ${trouble.right} right. The hands must balance.`;
}

/** Whether a bolt still holds through what lies under it. */
export function sayStack(check: StackCheck): string {
  const { stackMm, engagementMm, wantedMm, value, lengthMm, washerOverMm, washerHolds } = check;
  const wanted = wantedMm === undefined ? '' : `, ${millimetres(wantedMm, 1)} wanted`;
  const base = `${millimetres(stackMm, 1)} under the head leave ${millimetres(Math.max(0, engagementMm), 1)} in the thread${wanted}`;
  const washer = washerOverMm === undefined ? '' : washerHolds ? '' : ` The washer lies only ${millimetres(washerOverMm, 1)} over the diagonal of its hole: take a larger one.`;
  const next = lengthMm === undefined ? '' : ` Take one of ${millimetres(lengthMm)}.`;
  switch (value) {
    case 'enough':
      return `It holds: ${base}.${washer}`;
    case 'too short':
      return `Too short: ${base}.${next}${washer}`;
    case 'comes through':
      return `It comes through: ${base}, more than there is room for.${washer}`;
    case 'ask the maker':
      return `${base.charAt(0).toUpperCase()}${base.slice(1)}; into plastic the maker says how much is wanted.${washer}`;
  }
}
