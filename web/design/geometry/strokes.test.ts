import { strokePath } from './strokes.ts';

test('each stroke begins by itself and goes through its points in order', () => {
  expect(strokePath([])).toBe('');
  expect(strokePath([{ points: [10, 20, 30, 25, 41, 7] }, { points: [500, 90, 510, 95] }])).toBe('M10 20L30 25L41 7M500 90L510 95');
});
