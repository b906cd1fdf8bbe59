/** One place in which two versions of a document differ. */
export interface Difference {
  /** Names on the way to it: fields, and ids of what lists hold. */
  path: string[];
  kind: 'added' | 'removed' | 'changed' | 'moved';
  before?: unknown;
  after?: unknown;
}

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value);
/** Fields by which an entry of a list is known again wherever it stands, the first that it has. */
const NAMES = ['id', 'slug', 'level', 'vehicle', 'name'] as const;

function nameOf(entry: unknown): string | undefined {
  if (!isFields(entry)) return typeof entry === 'string' ? entry : undefined;
  const field = NAMES.find((name) => typeof entry[name] === 'string');
  return field === undefined ? undefined : (entry[field] as string);
}

/** Names of a list's entries, where each has one and none occurs twice. */
function namesOf(list: readonly unknown[]): string[] | undefined {
  const names = list.map(nameOf);
  return names.every((name) => name !== undefined) && new Set(names).size === names.length ? (names as string[]) : undefined;
}

function listDifferences(before: readonly unknown[], after: readonly unknown[], path: readonly string[]): Difference[] {
  const [old, now] = [namesOf(before), namesOf(after)];
  if (!old || !now) {
    const longest = Math.max(before.length, after.length);
    return Array.from({ length: longest }, (_, index) => index).flatMap((index) => valueDifferences(before[index], after[index], [...path, String(index + 1)]));
  }
  const each = [...new Set([...old, ...now])].flatMap((name) => valueDifferences(before[old.indexOf(name)], after[now.indexOf(name)], [...path, name]));
  const stay = old.filter((name) => now.includes(name));
  const order = now.filter((name) => old.includes(name));
  return stay.some((name, index) => order[index] !== name) ? [...each, { path: [...path], kind: 'moved', before: stay, after: order }] : each;
}

function valueDifferences(before: unknown, after: unknown, path: readonly string[]): Difference[] {
  if (before === undefined && after === undefined) return [];
  if (before === undefined) return [{ path: [...path], kind: 'added', after }];
  if (after === undefined) return [{ path: [...path], kind: 'removed', before }];
  if (Array.isArray(before) && Array.isArray(after)) return listDifferences(before, after, path);
  if (isFields(before) && isFields(after)) {
    return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((field) => valueDifferences(before[field], after[field], [...path, field]));
  }
  return Object.is(before, after) ? [] : [{ path: [...path], kind: 'changed', before, after }];
}

/**
 * In what two versions of a document differ, place by place in the order of the older one. Entries of lists are matched by their ids, so one that only
 * moved is said as moved; lists without ids are matched by position, counted from 1. An entry that came or went is one difference, whatever it holds.
 */
export const differences = (before: object, after: object): Difference[] => valueDifferences(before, after, []);
