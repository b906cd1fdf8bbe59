import { bandsOf } from './colours.ts';
import { layFaces } from './plug-faces.ts';

const grid = (rows: number, columns: number) =>
  Array.from({ length: rows * columns }, (_, index) => ({ row: Math.floor(index / columns) + 1, column: (index % columns) + 1, verdict: 'meets' as const }));
const lay = (rows: number, columns: number) => layFaces({ rows, columns }, { rows, columns }, grid(rows, columns));
const inside = ([x, y]: [number, number], box: { x: number; y: number; width: number; height: number }) =>
  x - 14 >= box.x && x + 14 <= box.x + box.width && y - 14 >= box.y && y + 14 <= box.y + box.height;

test.each([
  [1, 2],
  [2, 1],
  [2, 2],
  [2, 3],
  [4, 5],
])('a face of %i × %i: no two pins on each other, all in their shell, a line of its own for each', (rows, columns) => {
  const { lines, vehicle, kit, width, height } = lay(rows, columns);
  for (const side of ['vehicle', 'kit'] as const) {
    const spots = lines.map((line) => line[side]);
    spots.forEach(([x, y], index) => spots.slice(index + 1).forEach(([otherX, otherY]) => expect(Math.hypot(x - otherX, y - otherY)).toBeGreaterThan(28)));
    for (const spot of spots) expect(inside(spot, side === 'vehicle' ? vehicle : kit)).toBe(true);
  }
  expect(new Set(lines.map((line) => line.y)).size).toBe(lines.length);
  expect(kit.x + kit.width).toBeLessThan(width);
  expect(vehicle.y + vehicle.height).toBeLessThan(height);
});

test('the kit’s face is mirrored: what is outermost on one is outermost on the other', () => {
  const { lines, middle } = lay(2, 3);
  for (const { vehicle, kit } of lines) expect((vehicle[0] + kit[0]) / 2).toBeCloseTo(middle, 9);
  expect(lines[0]?.vehicle[0]).toBeLessThan(lines[2]?.vehicle[0] ?? 0);
});

test('a single row stands upright: each pin lies on its own line', () => {
  for (const line of lay(1, 3).lines) expect([line.vehicle[1], line.kit[1]]).toEqual([line.y, line.y]);
});

test('a wire has its base colour and its tracer; a colour that is not known is grey', () => {
  expect(bandsOf('white/green')).toEqual(['#f4f4f0', '#2f8f4e']);
  expect(bandsOf('light blue')).toEqual(['#79b4e3']);
  expect(bandsOf(undefined)).toEqual(bandsOf('puce'));
});
