import type { PlugFace } from '@jade/core/vehicle';

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
