import type { Drive, FastenerGroup } from '../vehicle/index.ts';

/** Drives that are taken for one another and then slip. */
const ALIKE: readonly (readonly [Drive, Drive])[] = [
  ['six-lobe', 'six-lobe plus'],
  ['six-lobe', 'hex key'],
  ['six-lobe plus', 'hex key'],
  ['push-pin', 'fir-tree clip'],
];

/** Tools of one job that are easily mixed up: look-alike drives of the same size, where they have sizes of one kind. */
export function lookAlikeTools(groups: readonly Pick<FastenerGroup, 'drive' | 'size'>[]): { one: string; other: string }[] {
  const named = [...new Map(groups.map((group) => [`${group.size ?? ''} ${group.drive}`, group])).values()];
  return named.flatMap((group, index) =>
    named.slice(index + 1).flatMap((other) => {
      const alike = ALIKE.some((pair) => pair.includes(group.drive) && pair.includes(other.drive) && group.drive !== other.drive);
      const near = numberOf(group.size) === numberOf(other.size) || group.drive === 'hex key' || other.drive === 'hex key';
      return alike && near ? [{ one: nameOf(group), other: nameOf(other) }] : [];
    }),
  );
}

const numberOf = (size: string | undefined) => /\d+/.exec(size ?? '')?.[0];
const nameOf = (group: Pick<FastenerGroup, 'drive' | 'size'>) => (group.size ? `${group.size} ${group.drive}` : group.drive);

/** Fasteners of one piece that fit each other's places: same drive and size, another length. Each list holds two or more. */
export function lookAlikeGroups(groups: readonly FastenerGroup[]): FastenerGroup[][] {
  const kinds = new Map<string, FastenerGroup[]>();
  for (const group of groups) {
    if (group.lengthMm === undefined) continue;
    const kind = `${group.drive} ${group.size ?? ''}`;
    kinds.set(kind, [...(kinds.get(kind) ?? []), group]);
  }
  return [...kinds.values()].filter((list) => new Set(list.map((group) => group.lengthMm)).size > 1);
}
