import fc from 'fast-check';
import { spread } from './spread.ts';

test('two points 40 apart that want 100 move 30 each, the far one stays', () => {
  const [a, b, c] = spread(
    [
      [0, 0],
      [40, 0],
      [500, 0],
    ],
    100,
  );
  expect([a?.[0], b?.[0], c?.[0]]).toEqual([-30, 70, 500]);
});

test('two points on one spot go apart sideways', () => {
  expect(
    spread(
      [
        [10, 10],
        [10, 10],
      ],
      20,
    ),
  ).toEqual([
    [0, 10],
    [20, 10],
  ]);
});

test('up to twelve points end apart', () => {
  const point = fc.tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 }));
  fc.assert(
    fc.property(fc.array(point, { maxLength: 12 }), (points) => {
      const moved = spread(points, 60);
      return moved.every((a, index) => moved.every((b, place) => place <= index || Math.hypot(a[0] - b[0], a[1] - b[1]) > 50));
    }),
    { numRuns: 200, seed: 3 },
  );
});
