import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { FaultyInput } from '@jade/core/faults';

/** Rows as lines of comma-separated values; a cell that a spreadsheet would take for a formula is kept from being one. */
export function csvOf(rows: readonly Record<string, string>[], columns: readonly string[]): string {
  return stringify([...rows], { header: true, columns: [...columns], escape_formulas: true, bom: true, record_delimiter: 'windows' });
}

/** A cell that was kept from being a formula, as it was. */
const plain = (cell: string) => (/^'[=+\-@\t\r＝＋－＠]/.test(cell) ? cell.slice(1) : cell);

/** Lines of a file of cells, counted from one as an editor shows them; comma, semicolon or tab between cells. A text that is no such file is refused. */
export function csvRows(text: string, mostLines: number): { line: number; cells: string[] }[] {
  try {
    const read: unknown = parse(text, {
      bom: true,
      delimiter: [',', ';', '\t'],
      relax_column_count: true,
      skip_empty_lines: true,
      info: true,
      max_record_size: 20_000,
      to: mostLines,
    });
    return (read as { record: string[]; info: { lines: number } }[]).map(({ record, info }) => ({ line: info.lines, cells: record.map(plain) }));
  } catch (error) {
    throw new FaultyInput([{ path: 'text', code: 'not-csv', data: { reason: (error as Error).message } }]);
  }
}
