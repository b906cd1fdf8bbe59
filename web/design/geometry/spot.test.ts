import { TYPICAL_MEASURES } from '@jade/core/vehicle';
import { project } from './outline.ts';
import { AROUND_MM, boxAround, boxOnSide, middleOf, sideOfBox, zoneOfSpot } from './spot.ts';

const VAN = TYPICAL_MEASURES['van-high-roof'];
const centre = ([from, to]: [number, number]) => (from + to) / 2;

test('a place pointed at comes back as the middle of its box, from every view', () => {
  const at = { xMm: 610, yMm: 432, zMm: 745 };
  for (const view of ['front', 'rear', 'side', 'top'] as const) {
    const box = boxAround(view, project(view, at), VAN);
    const seen = { front: ['yMm', 'zMm'], rear: ['yMm', 'zMm'], side: ['xMm', 'zMm'], top: ['xMm', 'yMm'] }[view] as ('xMm' | 'yMm' | 'zMm')[];
    for (const axis of seen) expect([view, axis, Math.abs(centre(box[axis]) - at[axis]) <= 0.5]).toEqual([view, axis, true]);
    // Its own size is the same in every view.
    for (const axis of ['xMm', 'yMm', 'zMm'] as const) expect([AROUND_MM.across, AROUND_MM.up, AROUND_MM.deep]).toContain(box[axis][1] - box[axis][0]);
  }
});

test('what is seen lies behind the skin of the side that is looked at', () => {
  // 5950 mm long with 960 before the front axle: it ends 4990 behind it.
  expect(boxAround('front', [0, -700], VAN).xMm).toEqual([870, 960]);
  expect(boxAround('rear', [0, -700], VAN).xMm).toEqual([-4990, -4900]);
  expect(boxAround('side', [0, -700], VAN).yMm).toEqual([940, 1030]);
  expect([boxAround('top', [-600, 0], VAN).zMm, boxAround('top', [2000, 0], VAN).zMm]).toEqual([
    [1130, 1220],
    [2530, 2620],
  ]);
});

test('side and zone follow from the place, and what is pointed at from the left can be on the right', () => {
  const side = (x: number) => sideOfBox(boxAround('front', [x, -700], VAN), VAN);
  // From the front what is on the left of the vehicle is on the right of the sheet. 12 % of 1030 mm is the middle.
  expect([side(120), side(130), side(-130)]).toEqual(['centre', 'left', 'right']);
  expect([zoneOfSpot('front', [0, 0], VAN), zoneOfSpot('rear', [0, 0], VAN), zoneOfSpot('side', [0, 0], VAN)]).toEqual(['front', 'rear', 'left-side']);
  expect([zoneOfSpot('top', [-600, 0], VAN), zoneOfSpot('top', [2000, 0], VAN)]).toEqual(['front', 'roof']);
  const left = boxAround('side', [0, -700], VAN);
  expect([boxOnSide(left, 'right').yMm, boxOnSide(left, 'left'), boxOnSide(boxOnSide(left, 'right'), 'left')]).toEqual([[-1030, -940], left, left]);
});

test('a zone that nobody pointed at has a middle on the vehicle', () => {
  expect([middleOf('front', VAN), middleOf('left-side', VAN), middleOf('roof', VAN)]).toEqual([
    [0, -732],
    [2015, -732],
    [2015, 0],
  ]);
});
