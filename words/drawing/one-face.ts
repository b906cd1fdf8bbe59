import type { PlugFace } from '@jade/core/vehicle';
import type { PaperMark } from './paper.ts';

/** A face from the wire side: its shell, and a cell for each cavity in the true grid. */
export interface OneFace {
  width: number;
  height: number;
  cells: { pin?: string; x: number; y: number; size: number }[];
}

const PITCH = 52;
const EDGE = 12;
const CELL = 44;

/** Lays one plug face; a cavity of the grid without a pin is a cell without a name. */
export function layOneFace({ rows, columns, pins }: Pick<PlugFace, 'rows' | 'columns' | 'pins'>): OneFace {
  const cells = Array.from({ length: rows * columns }, (_, index) => {
    const [row, column] = [Math.floor(index / columns) + 1, (index % columns) + 1];
    const pin = pins.find((entry) => entry.row === row && entry.column === column)?.id;
    return { ...(pin === undefined ? {} : { pin }), x: EDGE + (column - 1) * PITCH, y: EDGE + (row - 1) * PITCH, size: CELL };
  });
  return { width: 2 * EDGE + (columns - 1) * PITCH + CELL, height: 2 * EDGE + (rows - 1) * PITCH + CELL, cells };
}

/** Marks that do not live by colour alone. */
const CARD_MARKS: Readonly<Record<string, string>> = { proved: '✓', contradictory: '!' };

/** A face for paper, its pins numbered, each with a tick where it is proved. */
export function cardMarks(
  face: Pick<PlugFace, 'rows' | 'columns' | 'pins'>,
  pins: readonly { pin: { id: string }; status?: { code: string } }[],
): { height: number; width: number; marks: PaperMark[] } {
  const { width, height, cells } = layOneFace(face);
  const box = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}z`;
  const marks = cells.flatMap(({ pin, x, y, size }): PaperMark[] => {
    const code = pins.find((entry) => entry.pin.id === pin)?.status?.code ?? '';
    const cell: PaperMark = { kind: 'path', d: box(x, y, size, size), stroke: pin === undefined ? '#b9c1bc' : '#1d2521', width: code === 'proved' ? 2.4 : 1, fill: '#ffffff' };
    if (pin === undefined) return [cell];
    const name: PaperMark = { kind: 'text', text: pin, x: x + size / 2, y: y + size / 2 + 6, size: 17, bold: true, anchor: 'middle' };
    const mark = CARD_MARKS[code];
    return mark ? [cell, name, { kind: 'text', text: mark, x: x + size - 7, y: y + 14, size: 12, bold: true, anchor: 'middle' }] : [cell, name];
  });
  return { width, height, marks: [{ kind: 'path', d: box(2, 2, width - 4, height - 4), stroke: '#1d2521', width: 2, fill: '#f3f5f2' }, ...marks] };
}
