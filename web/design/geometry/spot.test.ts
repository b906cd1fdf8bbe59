import { BODIES, TYPICAL_MEASURES, type BoxMm } from '@jade/core/vehicle';
import { outline, project } from './outline.ts';
import { partsAt } from './pieces.ts';
import { partBetween, AROUND_MM, boxAround, boxOnSide, boxPointed, middleOf, sideOfBox, zoneNear, zoneOfSpot, zoneOnSide } from './spot.ts';

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
  expect([
    zoneOnSide('left-side', 'right'),
    zoneOnSide('right-side', 'left'),
    zoneOnSide('left-side', 'centre'),
    zoneOnSide('left-side', undefined),
    zoneOnSide('front', 'right'),
  ]).toEqual(['right-side', 'left-side', 'left-side', 'left-side', 'front']);
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

test('who points at the same place again means the next larger part, and at last the place itself', () => {
  const parts = [
    { left: -60, right: 60, top: -820, bottom: -700 },
    { left: -400, right: 400, top: -880, bottom: -640 },
  ];
  const widths = [];
  for (let [tap, box] = [0, undefined as BoxMm | undefined]; tap < 4; tap++) {
    box = boxPointed('front', [0, -760], VAN, parts, box);
    widths.push(box.yMm[1] - box.yMm[0]);
  }
  expect(widths).toEqual([120, 800, 360, 120]);
  expect(boxPointed('front', [0, -760], VAN, [], undefined).yMm).toEqual([-180, 180]);
});

test('what is dragged from any corner to the other is a part; what is too small either way is a tap', () => {
  const part = { left: -120, right: 300, top: -900, bottom: -640 };
  expect([partBetween([-120, -900], [300, -640]), partBetween([300, -640], [-120, -900]), partBetween([-120, -640], [300, -900])]).toEqual([part, part, part]);
  expect([partBetween([0, 0], [40, 40]), partBetween([0, 0], [39, 400]), partBetween([0, 0], [400, 39]), partBetween([0, 0], undefined), partBetween(undefined, [0, 0])]).toEqual([
    { left: 0, right: 40, top: 0, bottom: 40 },
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
});

test('a part that is drawn there is as large as it is drawn', () => {
  const part = { left: 100, right: 420, top: -900, bottom: -640 };
  expect(boxAround('front', [130, -700], VAN, part)).toEqual({ xMm: [870, 960], yMm: [100, 420], zMm: [640, 900] });
  expect(boxAround('rear', [130, -700], VAN, part).yMm).toEqual([-420, -100]);
  expect(boxAround('side', [130, -700], VAN, part)).toEqual({ xMm: [-420, -100], yMm: [940, 1030], zMm: [640, 900] });
  // Its middle is 260 mm behind the front axle, and the windscreen begins 468 mm behind it.
  expect(boxAround('top', [130, -700], VAN, part)).toEqual({ xMm: [-420, -100], yMm: [-900, -640], zMm: [1130, 1220] });
});

test.each(BODIES)('of a %s whatever part is met holds the place that was pointed at, and is not the whole body', (body) => {
  const measures = TYPICAL_MEASURES[body];
  const [half, high] = [measures.widthMm / 2, measures.heightMm];
  for (const view of ['front', 'rear', 'side'] as const) {
    const strokes = outline(body, view, measures);
    for (const y of [0.2, 0.35, 0.5, 0.65])
      for (const x of [-0.8, -0.4, 0, 0.4, 0.8]) {
        const at: [number, number] = [x * half, -y * high];
        const parts = partsAt(strokes, at);
        const areas = parts.map((part) => (part.right - part.left) * (part.bottom - part.top));
        expect([view, areas]).toEqual([view, [...areas].sort((a, b) => a - b)]);
        for (const part of parts) {
          expect([view, part.left <= at[0] && at[0] <= part.right && part.top <= at[1] && at[1] <= part.bottom]).toEqual([view, true]);
          expect(part.right - part.left).toBeLessThan(Math.max(2 * half, measures.lengthMm) * 0.8);
        }
      }
  }
});

test('the grille of a pickup is met where it is drawn', () => {
  const measures = TYPICAL_MEASURES['pickup-double-cab'];
  const [part] = partsAt(outline('pickup-double-cab', 'front', measures), [240, -730]);
  // In its middle the badge is met first, and then the grille that it sits in.
  expect(partsAt(outline('pickup-double-cab', 'front', measures), [0, -730]).length).toBeGreaterThan(1);
  expect(part && [part.left < -300, part.right > 300, part.bottom - part.top > 120]).toEqual([true, true, true]);
});

test('a piece lies where the one before did, as far as it is seen from the same side', () => {
  expect([zoneNear('side', [0, 0], VAN, 'cabin'), zoneNear('side', [0, 0], VAN, 'roof'), zoneNear('side', [0, 0], VAN, undefined)]).toEqual(['cabin', 'left-side', 'left-side']);
  expect([zoneNear('top', [2000, 0], VAN, 'underneath'), zoneNear('top', [-600, 0], VAN, 'front')]).toEqual(['underneath', 'front']);
});
