import { LABEL_PAPERS, LABEL_SHEETS, labelPlace, nextFree, placesOn } from './index.ts';

test('labels go row by row from the first place that is free, over the page where the sheet is full', () => {
  expect(labelPlace(LABEL_SHEETS['24'], 0)).toEqual({ page: 0, xMm: 0, yMm: 0.5 });
  expect(labelPlace(LABEL_SHEETS['24'], 4)).toEqual({ page: 0, xMm: 70, yMm: 37.5 });
  expect(labelPlace(LABEL_SHEETS['14'], 0, 4)).toEqual({ page: 0, xMm: 4.65 + 99.1 + 2.5, yMm: 15.15 + 38.1 });
  expect(labelPlace(LABEL_SHEETS['14'], 11, 4)).toEqual({ page: 1, xMm: 4.65, yMm: 15.15 });
});

test.each(Object.entries(LABEL_SHEETS))('a sheet of %s fits on its paper, alike on both sides', (count, { paper, columns, rows, widthMm, heightMm, leftMm, topMm, gapMm }) => {
  const { widthMm: wide, heightMm: high } = LABEL_PAPERS[paper];
  expect(columns * rows).toBe(Number(count));
  const across = columns * widthMm + (columns - 1) * gapMm;
  expect(leftMm + across).toBeLessThanOrEqual(wide);
  expect(wide - across - leftMm).toBeCloseTo(leftMm, 0);
  expect(topMm + rows * heightMm).toBeLessThanOrEqual(high);
});

test('the next sheet begins where this one ended', () => {
  expect(placesOn(LABEL_SHEETS['21'])).toBe(21);
  expect(nextFree(LABEL_SHEETS['21'], 5, 3)).toBe(8);
  expect(nextFree(LABEL_SHEETS['21'], 19, 3)).toBe(1);
  expect(nextFree(LABEL_SHEETS['21'], 22, 3)).toBe(4);
});
