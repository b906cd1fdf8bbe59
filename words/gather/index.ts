import type { GatherTrouble, StackCheck } from '@jade/core/contents';
import type { gather } from '@jade/core/stations';
import type { Names } from '@jade/words/names';
import { inSentence, millimetres, minutes, plural } from '@jade/words/units';

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

/** One step of Gather at a time. */
export const GATHER_FLOOR = { done: 'Everything is counted, and the bench is done.', bench: 'It is done' } as const;
export const sayGatherStep = (step: gather.GatherStep, names: Pick<Names, 'item' | 'task'>): string =>
  step.kind === 'count' ? `Count: ${inSentence(names.item(step.kit, step.item.id))}` : `On the bench: ${inSentence(names.task(step.kit, step.task.id))}`;
export const sayListed = ({ item, needed }: { item: { count: number }; needed: 'yes' | 'unknown' }): string =>
  needed === 'unknown' ? `${item.count} if needed` : `${item.count} listed`;
export const sayCounted = (count: number): string => (count === 0 ? 'None is here' : `${count} ${count === 1 ? 'is' : 'are'} here`);
/** How long a task of the bench takes, and until it has cured. */
export const sayTaskTime = (task: { minutes: number; cureMin: number }): string => `${minutes(task.minutes)}${task.cureMin > 0 ? `, then ${minutes(task.cureMin)} to cure` : ''}`;

export * from './views.ts';
