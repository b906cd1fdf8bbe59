import type { Fault } from '../faults/index.ts';
import { CONTENT_KINDS, type ContentItem } from './kit.ts';

/** Columns of a contents list as a file of cells. */
export const CONTENT_COLUMNS = ['id', 'name', 'kind', 'count', 'hand', 'spare allowed'] as const;
type Column = (typeof CONTENT_COLUMNS)[number];
/** Columns without which a line says nothing. */
const NEEDED: readonly Column[] = ['id', 'name', 'kind', 'count'];
const YES = ['yes', 'y', 'true', '1'];
const NO = ['no', 'n', 'false', '0'];
const HANDS = ['left', 'right'] as const;
/** Lines of one list. */
export const MOST_CONTENTS = 500;

/** A contents list as rows of cells. Conditions and cures are not in them: they stay with the kit. */
export const contentRows = (contents: readonly ContentItem[]): Record<Column, string>[] =>
  contents.map(({ id, name, kind, count, hand, spareAllowed }) => ({ id, name, kind, count: String(count), hand: hand ?? '', 'spare allowed': spareAllowed ? 'yes' : 'no' }));

/**
 * Reads a contents list whose first line names the columns, in any order; `line` counts from one as an editor shows it. An item of a known id keeps its
 * condition, its cure, and what a column would say that the list has not; what is new says all of it. What is not in the list is no longer in the contents.
 * Faults name line and column; with any of them nothing is to be taken.
 */
export function readContents(rows: readonly { line: number; cells: readonly string[] }[], known: readonly ContentItem[]): { contents: ContentItem[]; faults: Fault[] } {
  const [header, ...body] = rows;
  const names = (header?.cells ?? []).map((cell) => cell.trim().toLowerCase());
  const columns = names.map((name) => CONTENT_COLUMNS.find((column) => column === name));
  const list = CONTENT_COLUMNS.join(', ');
  const faults: Fault[] = names.flatMap((name, index): Fault[] => {
    if (name !== '' && columns[index] === undefined) return [{ path: `line 1, ${name}`, code: 'unknown-field', data: { known: list } }];
    return name !== '' && names.indexOf(name) < index ? [{ path: `line 1, ${name}`, code: 'name-twice', data: { name } }] : [];
  });
  for (const column of NEEDED) if (!columns.includes(column)) faults.push({ path: 'line 1', code: 'no-column', data: { column, known: list } });
  if (faults.length > 0) return { contents: [], faults };
  if (body.length > MOST_CONTENTS) return { contents: [], faults: [{ path: 'text', code: 'length', data: { most: `${MOST_CONTENTS} lines` } }] };
  const before = new Map(known.map((item) => [item.id, item]));
  const lines = new Map<string, number>();
  const contents: ContentItem[] = [];
  for (const { line, cells } of body) {
    const cell = (column: Column) => (cells[columns.indexOf(column)] ?? '').trim();
    if (cells.every((text) => text.trim() === '')) continue;
    const at = (column: Column) => `line ${line}, ${column}`;
    const wrong: Fault[] = NEEDED.filter((column) => cell(column) === '').map((column) => ({ path: at(column), code: 'missing', data: {} }));
    const [id, count, written, spare] = [cell('id'), Number(cell('count')), cell('hand').toLowerCase(), cell('spare allowed').toLowerCase()];
    const kind = CONTENT_KINDS.find((value) => value === cell('kind').toLowerCase());
    const hand = HANDS.find((value) => value === written);
    const twice = lines.get(id);
    if (id !== '' && twice !== undefined) wrong.push({ path: at('id'), code: 'line-twice', data: { value: id, line: twice } });
    if (cell('kind') !== '' && !kind) wrong.push({ path: at('kind'), code: 'choice', data: { value: cell('kind'), choices: CONTENT_KINDS.join(', ') } });
    if (cell('count') !== '' && !Number.isInteger(count)) wrong.push({ path: at('count'), code: 'type', data: { expected: 'a whole number' } });
    if (written !== '' && !hand) wrong.push({ path: at('hand'), code: 'choice', data: { value: cell('hand'), choices: HANDS.join(', ') } });
    const old = before.get(id);
    const saysSpare = columns.includes('spare allowed');
    if (spare === '' && (saysSpare || !old)) wrong.push({ path: at('spare allowed'), code: 'missing', data: {} });
    else if (spare !== '' && ![...YES, ...NO].includes(spare))
      wrong.push({ path: at('spare allowed'), code: 'choice', data: { value: cell('spare allowed'), choices: 'yes, no' } });
    lines.set(id, line);
    faults.push(...wrong);
    if (wrong.length > 0 || !kind) continue;
    const { when, cure } = old ?? {};
    const keptHand = columns.includes('hand') ? hand : old?.hand;
    contents.push({
      id,
      name: cell('name'),
      kind,
      count,
      ...(keptHand ? { hand: keptHand } : {}),
      spareAllowed: saysSpare ? YES.includes(spare) : (old?.spareAllowed ?? false),
      ...(when ? { when } : {}),
      ...(cure ? { cure } : {}),
    });
  }
  return { contents, faults };
}
