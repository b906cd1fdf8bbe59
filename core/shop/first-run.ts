import type { MileageUnit } from '../customers/index.ts';
import type { Fault } from '../faults/index.ts';
import type { Role, Shop } from './shop.ts';

/** What a shop says of itself when it is opened for the first time. */
export interface FirstRun {
  name: string;
  /** Word for money as it stands behind an amount. */
  currency: string;
  bays: string[];
  mileageUnit: MileageUnit;
  lengths?: 'mm' | 'in';
  timeZone?: string;
  people: { benchName: string; role: Role }[];
}

const slugged = (text: string) =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);

/** An id made from words, different from those that are taken; `fallback` where the words have no letter for it. */
function idFrom(words: string, fallback: string, taken: readonly string[] = []): string {
  const base = slugged(words) || fallback;
  for (let number = 1; ; number++) {
    const id = number === 1 ? base : `${base}-${number}`;
    if (!taken.includes(id)) return id;
  }
}

/** Whether two names would be read as the same one on a tablet in the bay. */
const sameName = (one: string, other: string) => one.trim().toLocaleLowerCase() === other.trim().toLocaleLowerCase();

/** What keeps a shop from being opened so: a name twice, nobody who may sign for the others. */
export function checkFirstRun({ bays, people }: FirstRun): Fault[] {
  const twice = (names: readonly string[], path: (index: number) => string) =>
    names.flatMap((name, index): Fault[] =>
      names.slice(0, index).some((earlier) => sameName(earlier, name)) ? [{ path: path(index), code: 'name-twice', data: { name: name.trim() } }] : [],
    );
  const faults = [
    ...twice(
      people.map((person) => person.benchName),
      (index) => `people[${index}].benchName`,
    ),
    ...twice(bays, (index) => `bays[${index}]`),
  ];
  if (!people.some((person) => person.role === 'lead')) faults.push({ path: 'people', code: 'no-lead', data: {} });
  return faults;
}

/** The shop document of a first run, on a rule set; empty but for its people and bays. */
export function newShop({ name, currency, bays, mileageUnit, lengths, timeZone, people }: FirstRun, rules: string): Shop {
  const ids: string[] = [];
  for (const { benchName } of people) ids.push(idFrom(benchName, 'bench', ids));
  return {
    format: 'jade-shop/1',
    slug: idFrom(name, 'shop'),
    name: name.trim(),
    currency: currency.trim(),
    mileageUnit,
    ...(lengths ? { lengths } : {}),
    ...(timeZone ? { timeZone } : {}),
    rules,
    bays: bays.map((bay) => bay.trim()),
    people: people.map(({ benchName, role }, index) => ({ id: ids[index] ?? '', benchName: benchName.trim(), role })),
    customers: [],
    vehicles: [],
    jobs: [],
  };
}
