import type { PinFunction } from '../states/index.ts';
import type { PinGender, PlugFace } from '../vehicle/index.ts';
import type { Fault } from '../faults/index.ts';

/** A place of a face for one contact, counted from the wire side. */
export interface Cavity {
  row: number;
  column: number;
}

/** What of a plug decides whether another one goes into it. */
export interface PlugEnd extends Pick<PlugFace, 'family' | 'keying' | 'rows' | 'columns'> {
  gender: PinGender;
}

/** A lead with a plug at each end: which cavity of the one leads to which of the other. */
export interface PlugAdapter {
  id: string;
  name: string;
  priceCents: number;
  /** Goes into the vehicle's plug, or into the adapter before it. */
  vehicleEnd: PlugEnd;
  /** Takes the lamp's plug, or the adapter after it. */
  lampEnd: PlugEnd;
  pins: { from: Cavity; to: Cavity }[];
}

/** Adapters one after the other between two plugs, cheapest of all that lead each function to where it is wanted. */
export interface AdapterChain {
  adapters: PlugAdapter[];
  priceCents: number;
}

/** At most so many adapters in a row. */
export const MOST_ADAPTERS = 3;

/** Whether two ends go into each other: family, keying and grid alike, genders not. */
export function endsMeet(one: PlugEnd, other: PlugEnd): boolean {
  return one.family === other.family && one.keying === other.keying && one.rows === other.rows && one.columns === other.columns && one.gender !== other.gender;
}

const endKey = ({ family, keying, rows, columns, gender }: PlugEnd) => [family, keying, rows, columns, gender].join('|');
const matingKey = (end: PlugEnd) => endKey({ ...end, gender: end.gender === 'pins' ? 'sockets' : 'pins' });
const cavityKey = ({ row, column }: Cavity) => `${row}/${column}`;

/** Faults of an adapter's pin map: a cavity outside its face, or two wires that lead to one. */
export function checkAdapter({ pins, vehicleEnd, lampEnd }: PlugAdapter, path: string): Fault[] {
  const taken = new Set<string>();
  return pins.flatMap(({ from, to }, index): Fault[] => {
    const outside = (cavity: Cavity, { rows, columns }: PlugEnd, field: string): Fault[] =>
      cavity.row > rows || cavity.column > columns ? [{ path: `${path}.pins[${index}].${field}`, code: 'pin-outside-face', data: { rows, columns } }] : [];
    const twice: Fault[] = taken.has(cavityKey(to)) ? [{ path: `${path}.pins[${index}].to`, code: 'pin-place-twice', data: { row: to.row, column: to.column } }] : [];
    taken.add(cavityKey(to));
    return [...outside(from, vehicleEnd, 'from'), ...outside(to, lampEnd, 'to'), ...twice];
  });
}

/** A face that can be reached: what it carries where, by which adapters. */
interface Reached {
  end: string;
  carried: readonly (PinFunction | undefined)[];
  chain: PlugAdapter[];
  priceCents: number;
}

/** An adapter with the numbers of its cavities, and what it goes into. */
interface Lead {
  adapter: PlugAdapter;
  /** The end that it goes into, and the one that it offers. */
  goesInto: string;
  offers: string;
  cavities: number;
  wires: [from: number, to: number][];
}

interface Library {
  /** By the end that they go into, and by the one that they offer. */
  into: Map<string, Map<string, Lead[]>>;
  /** The ends that lead to an end by one adapter. */
  before: Map<string, Set<string>>;
}

const libraries = new WeakMap<readonly PlugAdapter[], Library>();
const numberIn = ({ columns }: PlugEnd, { row, column }: Cavity) => (row - 1) * columns + column - 1;

/** A library by its ends, worked out once for a list. */
function libraryOf(adapters: readonly PlugAdapter[]): Library {
  const known = libraries.get(adapters);
  if (known) return known;
  const library: Library = { into: new Map(), before: new Map() };
  for (const adapter of adapters) {
    const { vehicleEnd, lampEnd, pins } = adapter;
    const wires = pins.map(({ from, to }): Lead['wires'][number] => [numberIn(vehicleEnd, from), numberIn(lampEnd, to)]);
    const lead = { adapter, goesInto: matingKey(vehicleEnd), offers: endKey(lampEnd), cavities: lampEnd.rows * lampEnd.columns, wires };
    const into = library.into.get(lead.goesInto) ?? new Map<string, Lead[]>();
    library.into.set(lead.goesInto, into);
    const list = into.get(lead.offers);
    if (list) list.push(lead);
    else into.set(lead.offers, [lead]);
    const from = library.before.get(lead.offers);
    if (from) from.add(lead.goesInto);
    else library.before.set(lead.offers, new Set([lead.goesInto]));
  }
  libraries.set(adapters, library);
  return library;
}

/** Ends from which the lamp's plug can be reached with so many adapters at most, whatever the pins do; by number of adapters. */
function endsThatLead({ before }: Library, kit: PlugEnd, most: number): Set<string>[] {
  const leads = [new Set([matingKey(kit)])];
  for (let count = 1; count <= most; count++) {
    const last = leads[count - 1] ?? new Set<string>();
    leads.push(new Set([...last, ...[...last].flatMap((end) => [...(before.get(end) ?? [])])]));
  }
  return leads;
}

const carriedBy = (face: PlugFace) => {
  const carried = new Array<PinFunction | undefined>(face.rows * face.columns).fill(undefined);
  for (const pin of face.pins) if (pin.carries !== 'empty') carried[numberIn(face, pin)] = pin.carries;
  return carried;
};

/**
 * The cheapest chain of adapters between a plug of the vehicle and a plug of a kit that leads every function to the cavity that wants it, of at
 * most `most` in a row; fewest where prices are alike. Each adapter's pin map is followed, none is assumed to lead straight through. Best-first
 * over (end, what it carries where); ends from which the lamp cannot be reached any more are left out.
 */
export function cheapestChain(vehicle: PlugFace, kit: PlugFace, adapters: readonly PlugAdapter[], most = MOST_ADAPTERS): AdapterChain | undefined {
  const library = libraryOf(adapters);
  const leads = endsThatLead(library, kit, most);
  const lamp = matingKey(kit);
  const wanted = carriedBy(kit).flatMap((carries, cavity) => (carries === undefined ? [] : [[cavity, carries] as const]));
  const ready = ({ end, carried }: Reached) => end === lamp && wanted.every(([cavity, carries]) => carried[cavity] === carries);
  const open: Reached[] = [{ end: endKey(vehicle), carried: carriedBy(vehicle), chain: [], priceCents: 0 }];
  const seen = new Map<string, number>();
  /** Price of the cheapest chain that is known to lead there. */
  let cheapest = Infinity;
  while (open.length > 0) {
    const at = open.pop();
    if (!at) break;
    if (ready(at)) return { adapters: at.chain, priceCents: at.priceCents };
    const left = most - at.chain.length;
    if (left === 0) continue;
    const into = library.into.get(at.end);
    if (!into) continue;
    const leading = leads[left - 1] ?? new Set();
    const towards = leading.size < into.size ? [...leading].flatMap((end) => into.get(end) ?? []) : [...into].flatMap(([end, list]) => (leading.has(end) ? list : []));
    for (const { adapter, offers, cavities, wires } of towards) {
      const priceCents = at.priceCents + adapter.priceCents;
      if (priceCents > cheapest) continue;
      const carried = new Array<PinFunction | undefined>(cavities).fill(undefined);
      for (const [from, to] of wires) carried[to] = at.carried[from];
      // What is lost on the way does not come back.
      if (wanted.some(([, carries]) => !carried.includes(carries))) continue;
      const state = `${left}|${offers}|${carried.join()}`;
      if ((seen.get(state) ?? Infinity) <= priceCents) continue;
      seen.set(state, priceCents);
      const reached = { end: offers, carried, chain: [...at.chain, adapter], priceCents };
      if (ready(reached)) cheapest = priceCents;
      insert(open, reached);
    }
  }
  return undefined;
}

/** A vehicle's plug as it stands at the end of a chain of adapters: each pin where the wires of the chain lead it, in as many places as they do. */
export function faceThrough<T extends PlugFace>(face: T, { adapters }: Pick<AdapterChain, 'adapters'>): T {
  return adapters.reduce((at, { lampEnd, pins }): T => {
    const { family, keying, rows, columns, gender } = lampEnd;
    const led = pins.flatMap(({ from, to }) => {
      const pin = at.pins.find(({ row, column }) => row === from.row && column === from.column);
      return pin ? [{ ...pin, row: to.row, column: to.column }] : [];
    });
    return { ...at, family, keying, rows, columns, gender, pins: led };
  }, face);
}

/** Keeps a list with the cheapest last, of like price the shortest chain last. */
function insert(open: Reached[], entry: Reached): void {
  const dearer = (other: Reached) => other.priceCents > entry.priceCents || (other.priceCents === entry.priceCents && other.chain.length > entry.chain.length);
  let [low, high] = [0, open.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const other = open[middle];
    if (other && dearer(other)) low = middle + 1;
    else high = middle;
  }
  open.splice(low, 0, entry);
}
