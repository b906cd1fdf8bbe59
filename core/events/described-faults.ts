import type { Fault } from '../faults/index.ts';

/** Entries in the place of those of the same id, or besides: what they are held against. */
export const besides = <T extends { id: string }>(own: readonly T[], entries: readonly T[]): T[] => [
  ...own.filter(({ id }) => !entries.some((entry) => entry.id === id)),
  ...entries,
];

/** Faults at entries of a list that come after the first so many, each with the path that it has in the list of these alone; of others nothing. */
export function amongLast(faults: readonly Fault[], list: string, first: number, at: string): Fault[] {
  return faults.flatMap((fault): Fault[] => {
    const [, name = '', place = '-1', rest = ''] = /^(\w+)\[(\d+)\](.*)$/.exec(fault.path) ?? [];
    return name !== list || Number(place) < first ? [] : [{ ...fault, path: `${at}.${list}[${Number(place) - first}]${rest}` }];
  });
}
