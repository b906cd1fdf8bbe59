/** The way to a place in a document: names of fields, and places in lists from 0 on. */
export type Place = readonly (string | number)[];

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value);

/** The place that the path of a fault names, as in `pieces[3].levels[0].openMin`. */
export function placeOf(path: string): Place {
  return [...path.matchAll(/([^.[\]]+)|\[(\d+)\]/g)].map(([, name, number]) => name ?? Number(number));
}

/** The path by which a fault names a place. */
export const pathOf = (place: Place): string => place.reduce<string>((path, step) => (typeof step === 'number' ? `${path}[${step}]` : path === '' ? step : `${path}.${step}`), '');

/** Whether a place is another or lies in it. */
export const isWithin = (place: Place, outer: Place): boolean => outer.length <= place.length && outer.every((step, index) => step === place[index]);

/** What stands at a place; undefined where nothing does. */
export function valueAt(document: unknown, place: Place): unknown {
  return place.reduce<unknown>((value, step) => {
    if (Array.isArray(value)) return typeof step === 'number' ? (value as unknown[])[step] : undefined;
    return isFields(value) && Object.hasOwn(value, step) ? value[String(step)] : undefined;
  }, document);
}

/** A document with another value at a place; undefined takes the field, or the entry of a list, out. Everything else stays the very same. */
export function withValue<D>(document: D, place: Place, value: unknown): D {
  const [step, ...rest] = place;
  if (step === undefined) return value as D;
  const inner = valueAt(document, [step]);
  const next = rest.length === 0 ? value : withValue(inner ?? (typeof rest[0] === 'number' ? [] : {}), rest, value);
  // A list in the place of fields gives way to them, as any other value does.
  if (Array.isArray(document) && typeof step === 'number') {
    const list = [...(document as unknown[])];
    if (next === undefined) list.splice(step, 1);
    else list[step] = next;
    return list as D;
  }
  const fields = isFields(document) ? document : {};
  if (next === undefined) {
    return Object.fromEntries(Object.entries(fields).filter(([name]) => name !== step)) as D;
  }
  return { ...fields, [step]: next } as D;
}

/** A document with one more entry in a list, at a place of it. */
export function withEntry<D>(document: D, list: Place, at: number, value: unknown): D {
  const before = valueAt(document, list);
  const entries = Array.isArray(before) ? [...(before as unknown[])] : [];
  entries.splice(at, 0, value);
  return withValue(document, list, entries);
}

/** A document in which an entry of a list stands elsewhere in it. */
export function withMoved<D>(document: D, list: Place, from: number, to: number): D {
  const before = valueAt(document, list);
  if (!Array.isArray(before) || from === to || before[from] === undefined || to < 0 || to >= before.length) return document;
  const entries = [...(before as unknown[])];
  entries.splice(to, 0, ...entries.splice(from, 1));
  return withValue(document, list, entries);
}

/** Names by which an entry of a list is known, the first that it has. */
const NAMES = ['name', 'label', 'id', 'slug', 'level', 'vehicle', 'text', 'piece', 'kind', 'lamp'] as const;

/** What an entry of a list is called; undefined where it has no name of its own. */
export function entryName(value: unknown): string | undefined {
  if (typeof value === 'string' || typeof value === 'number') return String(value);
  if (!isFields(value)) return undefined;
  const { piece, level, fact, is } = value;
  if (typeof piece === 'string' && typeof level === 'string') return `${piece} ${level}`;
  if (typeof fact === 'string') return typeof is === 'string' ? `${fact}: ${is}` : fact;
  const field = NAMES.find((name) => typeof value[name] === 'string' && value[name] !== '');
  return field === undefined ? undefined : String(value[field]);
}

/** A copy of an entry with an id that no other of the list has; an entry without ids is copied as it is. */
export function copied(entry: unknown, among: readonly unknown[]): unknown {
  if (!isFields(entry) || typeof entry.id !== 'string') return structuredClone(entry);
  const known = new Set(among.flatMap((other) => (isFields(other) && typeof other.id === 'string' ? [other.id] : [])));
  const stem = entry.id.replace(/-\d+$/, '');
  let number = 2;
  while (known.has(`${stem}-${number}`)) number++;
  return { ...structuredClone(entry), id: `${stem}-${number}` };
}
