/** Paper that labels come on, in millimetres. */
export const LABEL_PAPERS = { A4: { widthMm: 210, heightMm: 297 }, letter: { widthMm: 215.9, heightMm: 279.4 } } as const;

/** A sheet of labels: how many across and down, how large each is and where the first begins, in millimetres. */
export interface LabelSheet {
  paper: keyof typeof LABEL_PAPERS;
  columns: number;
  rows: number;
  widthMm: number;
  heightMm: number;
  leftMm: number;
  topMm: number;
  /** Between two labels beside each other. */
  gapMm: number;
}

/** Common sheets by how many labels are on them. */
export const LABEL_SHEETS: Readonly<Record<'24' | '21' | '14' | '30' | '10', LabelSheet>> = {
  '24': { paper: 'A4', columns: 3, rows: 8, widthMm: 70, heightMm: 37, leftMm: 0, topMm: 0.5, gapMm: 0 },
  '21': { paper: 'A4', columns: 3, rows: 7, widthMm: 70, heightMm: 42.4, leftMm: 0, topMm: 0.1, gapMm: 0 },
  '14': { paper: 'A4', columns: 2, rows: 7, widthMm: 99.1, heightMm: 38.1, leftMm: 4.65, topMm: 15.15, gapMm: 2.5 },
  '30': { paper: 'letter', columns: 3, rows: 10, widthMm: 66.7, heightMm: 25.4, leftMm: 4.8, topMm: 12.7, gapMm: 3.1 },
  '10': { paper: 'letter', columns: 2, rows: 5, widthMm: 101.6, heightMm: 50.8, leftMm: 4, topMm: 12.7, gapMm: 4.7 },
};
export type LabelSheetId = keyof typeof LABEL_SHEETS;
export const isLabelSheet = (text: string): text is LabelSheetId => Object.hasOwn(LABEL_SHEETS, text);

export interface LabelPlace {
  page: number;
  xMm: number;
  yMm: number;
}

/** How many labels are on a sheet. */
export const placesOn = ({ columns, rows }: Pick<LabelSheet, 'columns' | 'rows'>): number => columns * rows;

/** Where a label goes: row by row, from the first place that is not used up. */
export function labelPlace({ columns, rows, widthMm, heightMm, leftMm, topMm, gapMm }: LabelSheet, index: number, from = 1): LabelPlace {
  const place = index + from - 1;
  const onPage = place % (columns * rows);
  return {
    page: Math.floor(place / (columns * rows)),
    xMm: leftMm + (onPage % columns) * (widthMm + gapMm),
    yMm: topMm + Math.floor(onPage / columns) * heightMm,
  };
}

/** The first place that is free once so many labels were printed from a place on; 1 where that sheet is full. */
export const nextFree = (sheet: LabelSheet, count: number, from: number): number => ((from - 1 + count) % placesOn(sheet)) + 1;
