import { BODIES, TYPICAL_MEASURES } from '@jade/core/vehicle';
import { VIEWS, frame, frameAround, frameAroundBoxes, outline, project, projectBox, rounded, viewOf, viewOfPlaces } from './outline.ts';

const measures = TYPICAL_MEASURES['van-high-roof'];
const point = { xMm: 900, yMm: 700, zMm: 430 };

test('the left lamp lies right in the front view, left in the rear view, ahead in the side view', () => {
  expect(project('front', point)).toEqual([700, -430]);
  expect(project('rear', point)).toEqual([-700, -430]);
  expect(project('side', point)).toEqual([-900, -430]);
  expect(project('top', point)).toEqual([-900, 700]);
});

test('a box covers its own extent in each view', () => {
  const box = { xMm: [800, 900] as [number, number], yMm: [-100, 300] as [number, number], zMm: [400, 650] as [number, number] };
  expect(projectBox('front', box)).toEqual({ x: -100, y: -650, width: 400, height: 250 });
  expect(projectBox('top', box)).toEqual({ x: -900, y: -100, width: 100, height: 400 });
});

test('the side frame starts at the nose, one margin ahead of it', () => {
  expect(frame('side', measures, 100)).toEqual([-1060, -2720, 6150, 2820]);
});

test.each(BODIES.flatMap((body) => VIEWS.map((view) => [body, view] as const)))('%s from the %s stays inside its frame', (body, view) => {
  const [x, y, width, height] = frame(view, measures, 5);
  for (const { path } of outline(body, view, measures).filter((stroke) => stroke.kind === 'body')) {
    const numbers = path.match(/-?\d+/g)?.map(Number) ?? [];
    numbers.forEach((value, index) => {
      const [low, high] = index % 2 === 0 ? [x, x + width] : [y, y + height];
      expect(value).toBeGreaterThanOrEqual(low);
      expect(value).toBeLessThanOrEqual(high);
    });
  }
});

test('corners are rounded no further than half an edge', () => {
  expect(
    rounded(
      [
        [0, 0],
        [10, 0],
        [10, 10],
        [0, 10],
      ],
      100,
    ),
  ).toBe('M0 5Q0 0 5 0L5 0Q10 0 10 5L10 5Q10 10 5 10L5 10Q0 10 0 5Z');
});

test('a zone is seen from its own end, the roof and the underside from above, the rest from the side', () => {
  expect((['front', 'rear', 'roof', 'underneath', 'left-side', 'cabin'] as const).map(viewOf)).toEqual(['front', 'rear', 'top', 'top', 'side', 'side']);
});

test('places are seen from the end they are nearer to, or from the side where they run along the vehicle', () => {
  const measures = { frontOverhangMm: 1000, lengthMm: 7000 };
  const at = (...along: number[]) => along.map((xMm) => ({ xMm, yMm: 500, zMm: 600 }));
  expect(viewOfPlaces(measures, at(900, 250))).toBe('front');
  expect(viewOfPlaces(measures, at(-5900, -5800, -4900))).toBe('rear');
  expect(viewOfPlaces(measures, at(-400, -1500, -4700))).toBe('side');
  expect(viewOfPlaces(measures, [])).toBe('front');
});

test('a part that nearly reaches the ground is drawn down to it; one high above it, or seen from above, is not', () => {
  const bottomOf = (zMm: number) => {
    const [, top, , high] = frameAround(
      'front',
      measures,
      [
        { xMm: 900, yMm: 700, zMm },
        { xMm: 900, yMm: -700, zMm },
      ],
      100,
      300,
    );
    return top + high;
  };
  expect(bottomOf(500)).toBe(100);
  expect(bottomOf(900)).toBe(-750);
  const [, top, , high] = frameAround(
    'top',
    measures,
    [
      { xMm: 900, yMm: -700, zMm: 500 },
      { xMm: 900, yMm: -300, zMm: 500 },
    ],
    100,
    300,
  );
  expect(top + high).toBe(-200);
});

test('a part round boxes holds both ends of each, with its margin', () => {
  const box = { xMm: [500, 900] as [number, number], yMm: [-700, 300] as [number, number], zMm: [900, 1250] as [number, number] };
  const low = { ...box, zMm: [700, 800] as [number, number] };
  // From 700 to 1 250 above the ground, 700 right to 300 left, 150 round it.
  expect(frameAroundBoxes('front', measures, [box, low], 150, 100)).toEqual([-850, -1400, 1300, 850]);
});
