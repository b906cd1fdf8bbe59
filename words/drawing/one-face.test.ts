import { layOneFace } from './one-face.ts';

test('a face has a cell for each cavity of its grid, row by row; one without a pin has no name', () => {
  const face = layOneFace({
    rows: 2,
    columns: 3,
    pins: [
      { id: '1', row: 1, column: 1, carries: 'ground' },
      { id: '6', row: 2, column: 3, carries: 'main' },
    ],
  });
  expect(face.cells.map(({ pin }) => pin)).toEqual(['1', undefined, undefined, undefined, undefined, '6']);
  expect([face.cells[0]?.y, face.cells[2]?.y]).toEqual([12, 12]);
  expect([face.cells[5]?.x, face.cells[5]?.y]).toEqual([116, 64]);
  // Edges, the pitch between, and one cell.
  expect([face.width, face.height]).toEqual([24 + 2 * 52 + 44, 24 + 52 + 44]);
});
