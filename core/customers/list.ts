import type { Fault } from '../faults/index.ts';
import { checkVehicleNumber } from '../vehicle/index.ts';
import { customerKey, plateKey } from './plate.ts';
import { readYear, YEARS } from './read.ts';

/** Columns of a list of customers with their vehicles. `customer` has to be there; a line with a plate or a kind of vehicle brings a vehicle. */
export const LIST_COLUMNS = ['customer', 'note', 'plate', 'vehicle', 'number', 'year', 'colour'] as const;
export type ListColumn = (typeof LIST_COLUMNS)[number];

/** Longest text of each column, in characters. */
export const LONGEST: Record<Exclude<ListColumn, 'year'>, number> = { customer: 120, note: 300, plate: 16, vehicle: 160, number: 40, colour: 40 };

/** A kind of vehicle as a list may call it: by the id of its profile, by maker and model, or by a model that only one maker has. */
export interface KnownKind {
  slug: string;
  title: string;
  model: string;
}

export interface ListedCustomer {
  name: string;
  note?: string;
}

export interface ListedVehicle {
  /** Line of the list it stands in. */
  line: number;
  customer: string;
  plate: string;
  profile: string;
  number?: string;
  year?: number;
  colour?: string;
}

/** What a list says: each customer once, as first written, and the vehicles; lines with a fault are left out of both. */
export interface CustomerList {
  customers: ListedCustomer[];
  vehicles: ListedVehicle[];
  faults: Fault[];
  /** Lines that said something. */
  lines: number;
}

const at = (line: number, column: ListColumn) => `line ${line}, ${column}`;

/** Tells which profile words name, undefined where none or more than one is called so; the names are put into order once for all lines. */
function kindsByName(kinds: readonly KnownKind[]): (words: string) => string | undefined {
  const plain = (text: string) =>
    text
      .normalize('NFKC')
      .trim()
      .replace(/[\s-]+/g, ' ')
      .toLowerCase();
  const named = (namesOf: (kind: KnownKind) => string[]) => {
    const slugs = new Map<string, Set<string>>();
    for (const kind of kinds) for (const name of namesOf(kind).map(plain)) slugs.set(name, (slugs.get(name) ?? new Set()).add(kind.slug));
    return slugs;
  };
  const [whole, models] = [named((kind) => [kind.slug, kind.title]), named((kind) => [kind.model])];
  return (words) => {
    const wanted = plain(words);
    const found = whole.get(wanted) ?? models.get(wanted);
    return found?.size === 1 ? [...found][0] : undefined;
  };
}

type Row = Record<ListColumn, string>;

/** The cells of a line under the names of their columns, trimmed. */
function rowOf(cells: readonly string[], columns: readonly (ListColumn | undefined)[]): Row {
  const row = Object.fromEntries(LIST_COLUMNS.map((column) => [column, ''])) as Row;
  columns.forEach((column, index) => {
    if (column) row[column] = (cells[index] ?? '').trim();
  });
  return row;
}

/** Which column is which, from the first line; what is no column, stands twice or is missing is a fault. */
export function listColumns(header: readonly string[]): { columns: (ListColumn | undefined)[]; faults: Fault[] } {
  const names = header.map((cell) => cell.trim().toLowerCase());
  const columns = names.map((name) => LIST_COLUMNS.find((column) => column === name));
  const known = LIST_COLUMNS.join(', ');
  const faults: Fault[] = names.flatMap((name, index): Fault[] => {
    if (name === '') return [];
    if (columns[index] === undefined) return [{ path: `line 1, ${header[index]?.trim() ?? ''}`, code: 'unknown-field', data: { known } }];
    return names.indexOf(name) < index ? [{ path: `line 1, ${name}`, code: 'name-twice', data: { name } }] : [];
  });
  if (!columns.includes('customer')) faults.push({ path: 'line 1', code: 'no-column', data: { column: 'customer', known } });
  return { columns, faults };
}

function cellFaults(line: number, row: Row): Fault[] {
  const faults: Fault[] = [];
  for (const [column, most] of Object.entries(LONGEST) as [Exclude<ListColumn, 'year'>, number][])
    if (row[column].length > most) faults.push({ path: at(line, column), code: 'length', data: { most } });
  if (row.customer === '') faults.push({ path: at(line, 'customer'), code: 'missing', data: {} });
  const year = Number(row.year);
  if (row.year !== '' && !Number.isInteger(year)) faults.push({ path: at(line, 'year'), code: 'type', data: { expected: 'a year such as 2021' } });
  else if (readYear(row.year) === null) faults.push({ path: at(line, 'year'), code: 'range', data: YEARS });
  return faults;
}

/**
 * Reads a list whose first line names the columns; `line` of each row counts from one as an editor shows it.
 * Cells are trimmed, an empty cell says nothing, an empty row is passed over. A plate or a number that stands in two lines is a fault of the later.
 */
export function readCustomerList(rows: readonly { line: number; cells: readonly string[] }[], kinds: readonly KnownKind[]): CustomerList {
  const [header, ...body] = rows;
  const { columns, faults } = listColumns(header?.cells ?? []);
  if (faults.length > 0) return { customers: [], vehicles: [], faults, lines: 0 };
  const customers = new Map<string, ListedCustomer>();
  const vehicles: ListedVehicle[] = [];
  const plates = new Map<string, number>();
  const numbers = new Map<string, number>();
  const kindOf = kindsByName(kinds);
  let lines = 0;
  for (const { line, cells } of body) {
    const row = rowOf(cells, columns);
    if (Object.values(row).every((cell) => cell === '')) continue;
    lines++;
    const wrong = cellFaults(line, row);
    if (cells.length > columns.length && cells.slice(columns.length).some((cell) => cell.trim() !== '')) {
      wrong.push({ path: `line ${line}`, code: 'length', data: { most: `${columns.length} cells` } });
    }
    const brings = [row.plate, row.vehicle, row.number, row.year, row.colour].some((cell) => cell !== '');
    const key = plateKey(row.plate);
    const number = row.number === '' ? '' : checkVehicleNumber(row.number, false).number;
    const profile = kindOf(row.vehicle);
    if (brings) {
      if (key === '') wrong.push({ path: at(line, 'plate'), code: 'missing', data: {} });
      if (row.vehicle === '') wrong.push({ path: at(line, 'vehicle'), code: 'missing', data: {} });
      else if (profile === undefined) wrong.push({ path: at(line, 'vehicle'), code: 'unknown-id', data: { id: row.vehicle, what: 'vehicle profile of the library' } });
      const twice = (seen: Map<string, number>, value: string, column: ListColumn) => {
        const before = seen.get(value);
        if (value !== '' && before !== undefined) wrong.push({ path: at(line, column), code: 'line-twice', data: { value: row[column], line: before } });
      };
      twice(plates, key, 'plate');
      twice(numbers, number, 'number');
    }
    faults.push(...wrong);
    if (wrong.length > 0) continue;
    const customer = customers.get(customerKey(row.customer)) ?? { name: row.customer };
    if (customer.note === undefined && row.note !== '') customer.note = row.note;
    customers.set(customerKey(row.customer), customer);
    if (!brings || profile === undefined) continue;
    plates.set(key, line);
    if (number !== '') numbers.set(number, line);
    vehicles.push({
      line,
      customer: customer.name,
      plate: row.plate,
      profile,
      ...(number === '' ? {} : { number }),
      ...(row.year === '' ? {} : { year: Number(row.year) }),
      ...(row.colour === '' ? {} : { colour: row.colour }),
    });
  }
  return { customers: [...customers.values()], vehicles, faults, lines };
}
