/** A sheet of labels: how many across and down, how large each is and where the first begins, in millimetres; on A4. */
export interface LabelSheet {
  columns: number;
  rows: number;
  widthMm: number;
  heightMm: number;
  leftMm: number;
  topMm: number;
  /** Between two labels beside each other. */
  gapMm: number;
}

/** Sheets by how many labels are on them. */
export const SHEETS: Readonly<Record<'24' | '21' | '14', LabelSheet>> = {
  '24': { columns: 3, rows: 8, widthMm: 70, heightMm: 37, leftMm: 0, topMm: 0.5, gapMm: 0 },
  '21': { columns: 3, rows: 7, widthMm: 70, heightMm: 42.4, leftMm: 0, topMm: 0.1, gapMm: 0 },
  '14': { columns: 2, rows: 7, widthMm: 99.1, heightMm: 38.1, leftMm: 4.65, topMm: 15.15, gapMm: 2.5 },
};

export interface LabelPlace {
  page: number;
  xMm: number;
  yMm: number;
}

/** Where a label goes: row by row, from the first place that is not used up. */
export function placeOf({ columns, rows, widthMm, heightMm, leftMm, topMm, gapMm }: LabelSheet, index: number, from = 1): LabelPlace {
  const place = index + from - 1;
  const onPage = place % (columns * rows);
  return {
    page: Math.floor(place / (columns * rows)),
    xMm: leftMm + (onPage % columns) * (widthMm + gapMm),
    yMm: topMm + Math.floor(onPage / columns) * heightMm,
  };
}
