import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TYPICAL_MEASURES, type BoxMm, type VehicleProfile, type Zone } from '@jade/core/vehicle';
import { flattened, type SheetPoint, type View } from './paths.ts';
import { outline, project, viewOf } from './outline.ts';
import { lampAt, meantAt, movedOut, pieceDrawer, type DrawnPiece } from './pieces.ts';
import { circle, shape, wheel } from './plate.ts';

const profileOf = (slug: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../../demo/vehicles/${slug}.json`), 'utf8')) as VehicleProfile;
const VAN = profileOf('wexholm-bollard-35');
const ALL = ['wexholm-bollard-35', 'oskarre-linnet', 'dunmorrow-causeway-26', 'pellorin-trio-300', 'wexholm-fieldcat'].map(profileOf);
const drawnOf = (profile: VehicleProfile, id: string, view?: View): DrawnPiece => {
  const piece = profile.pieces.find((entry) => entry.id === id);
  if (!piece) throw new Error(id);
  return pieceDrawer(profile.body, profile.measures, view ?? viewOf(piece.zone))(piece);
};
const points = (path: string) => path.split('Z').flatMap((part) => (part ? flattened(`${part}Z`) : []));
function within(ring: readonly SheetPoint[], [x, y]: SheetPoint, mm: number): boolean {
  const turns = [
    [0, 0],
    [mm, 0],
    [-mm, 0],
    [0, mm],
    [0, -mm],
  ] as const;
  return turns.some(([dx, dy]) => {
    let inside = false;
    ring.forEach(([x0, y0], index) => {
      const [x1, y1] = ring[(index + 1) % ring.length] ?? [x0, y0];
      if (y0 > y + dy !== y1 > y + dy && x + dx < ((x1 - x0) * (y + dy - y0)) / (y1 - y0) + x0) inside = !inside;
    });
    return inside;
  });
}

describe('a path as points', () => {
  test('a circle runs round its middle, an arch over its axle down to the sill', () => {
    const ring = flattened(circle('rim', [100, -50], 40).path);
    for (const [x, y] of ring) expect(Math.hypot(x - 100, y + 50)).toBeCloseTo(40, 0);
    expect([Math.min(...ring.map(([, y]) => y)), Math.max(...ring.map(([, y]) => y))].map(Math.round)).toEqual([-90, -10]);
    // Chord of 160 on a circle of 100 round (0, -60): its top 160 above, its ends on the sill at 0.
    const arch = flattened('M-80 0A100 100 0 1 1 80 0Z');
    for (const [x, y] of arch) expect(Math.hypot(x, y + 60)).toBeCloseTo(100, 5);
    expect(Math.round(Math.min(...arch.map(([, y]) => y)))).toBe(-160);
    expect(arch.at(-1)?.map((value) => Math.round(value) || 0)).toEqual([80, 0]);
  });
  test('a rounded corner stays within its straight lines', () => {
    const ring = flattened(
      shape(
        'body',
        [
          [0, 0],
          [200, 0],
          [200, 100],
          [0, 100],
        ],
        30,
      ).path,
    );
    expect(ring.every(([x, y]) => x >= 0 && x <= 200 && y >= 0 && y <= 100)).toBe(true);
    expect(ring.some(([x, y]) => x === 200 && y === 0)).toBe(false);
  });
});

test.each(ALL.flatMap((profile) => profile.pieces.map((piece) => [profile.slug, piece.id, profile, piece] as const)))(
  '%s, %s: a piece of the skin lies on the vehicle',
  (_, __, profile, piece) => {
    const view = viewOf(piece.zone);
    const drawn = pieceDrawer(profile.body, profile.measures, view)(piece);
    expect(drawn.path).toMatch(/^M.*Z$/);
    expect(drawn.path).not.toMatch(/NaN/);
    if (drawn.behind) return;
    const bodies = outline(profile.body, view, profile.measures)
      .filter(({ kind }) => kind === 'body')
      .map(({ path }) => flattened(path));
    const on = points(drawn.path).filter((point) => bodies.some((ring) => within(ring, point, 14)));
    // What hangs on the vehicle, as a plough does, keeps its own shape; all else is cut by the body.
    const HANGS = ['plough-blade', 'plough-frame', 'winch-fairlead', 'plate-holder', 'tail-cover', 'hood-strap', 'rear-rack', 'skid-plate'];
    if (!HANGS.includes(piece.id)) expect([piece.id, on.length]).toEqual([piece.id, points(drawn.path).length]);
  },
);

test('the bumper skin follows the body: its lower corners are cut off, no box lies over it', () => {
  const skin = drawnOf(VAN, 'bumper-skin');
  // The corner of its box, on the left of the vehicle.
  const corner: SheetPoint = [1000, -240];
  expect(points(skin.path).some(([x, y]) => Math.hypot(x - corner[0], y - corner[1]) < 30)).toBe(false);
  expect(points(skin.path).length).toBeGreaterThan(12);
});

test('a lamp, a grille and a bonnet are drawn in the very shape that the plate gives them', () => {
  const paths = outline(VAN.body, 'front', VAN.measures);
  const kindOf = (id: string) => paths.find(({ path }) => path === drawnOf(VAN, id).path)?.kind;
  expect(['headlamp-left', 'headlamp-right', 'grille', 'bonnet', 'fog-blank-left'].map(kindOf)).toEqual(['lamp', 'lamp', 'black', 'panel', 'blank']);
  // The left one is on the right of the sheet.
  expect(drawnOf(VAN, 'headlamp-left').middle[0]).toBeGreaterThan(500);
});

test('what lies under the skin, in the cabin or on the far side is behind', () => {
  const behind = (id: string, view?: View) => drawnOf(VAN, id, view).behind;
  expect(['washer-neck', 'radiator-cover', 'console', 'undertray', 'battery-cover'].map((id) => behind(id))).toEqual([true, true, true, true, true]);
  expect(['grille', 'badge', 'bumper-skin', 'headlamp-right', 'gutter-strip-left'].map((id) => behind(id))).toEqual([false, false, false, false, false]);
  // Right under the flank, but in the cabin.
  const side = pieceDrawer(VAN.body, VAN.measures, 'side');
  const box: BoxMm = { xMm: [-2400, -2000], yMm: [990, 1020], zMm: [700, 900] };
  expect([side({ box, zone: 'left-side' }).behind, side({ box, zone: 'cabin' }).behind]).toEqual([false, true]);
  // A long piece that reaches the tail: its hindmost face counts, 4 990 behind the front axle.
  const rear = pieceDrawer(VAN.body, VAN.measures, 'rear');
  const long = (hindmost: number): BoxMm => ({ xMm: [hindmost, -4000], yMm: [-300, 300], zMm: [500, 700] });
  expect([rear({ box: long(-4970), zone: 'rear' }).behind, rear({ box: long(-4700), zone: 'rear' }).behind]).toEqual([false, true]);
  const bus = profileOf('dunmorrow-causeway-26');
  expect([drawnOf(bus, 'skirt-rear-left').behind, drawnOf(bus, 'skirt-rear-right').behind]).toEqual([false, true]);
});

test('a side piece is cut by the wheel arch', () => {
  const m = TYPICAL_MEASURES['van-low-roof'];
  const draw = pieceDrawer('van-low-roof', m, 'side');
  const box: BoxMm = { xMm: [-900, -100], yMm: [900, 960], zMm: [250, 620] };
  const cut = points(draw({ box, zone: 'left-side' as Zone }).path);
  const tyre = m.wheelDiameterMm / 2;
  for (const [x, y] of cut) expect(Math.hypot(x, y + tyre)).toBeGreaterThan(tyre * 1.15);
  expect(Math.max(...cut.map(([x]) => x))).toBe(900);
});

test('the arch of a wheel whose axle lies under the sill is the smaller part of its circle, over the sill', () => {
  const [low] = wheel([0, -300], 300, 350, -250);
  const [high] = wheel([0, -300], 300, 350, -400);
  // To the millimetre that a path is rounded to, which moves its top by a few.
  const ends = (path: string | undefined) => {
    const ys = flattened(path ?? '').map(([, y]) => y);
    return [Math.abs(Math.min(...ys) + 650) < 5, Math.round(Math.max(...ys))];
  };
  expect([ends(low?.path), ends(high?.path)]).toEqual([
    [true, -250],
    [true, -400],
  ]);
  // Half of the chord at the sill: by the axle's height over it and the arch's radius.
  const halfChord = (path: string | undefined) => Math.max(...flattened(path ?? '').map(([x, y]) => (Math.abs(y + 400) < 1 ? x : 0)));
  expect(halfChord(high?.path)).toBeCloseTo(Math.sqrt(350 ** 2 - 100 ** 2), 0);
});

test('how deep: behind the skin where the nose is rounded, not behind its foremost point', () => {
  const box: BoxMm = { xMm: [600, 800], yMm: [830, 930], zMm: [400, 600] };
  const draw = pieceDrawer(VAN.body, VAN.measures, 'front');
  // The corner of the nose lies well back of the nose itself, 960 mm ahead of the axle.
  expect(draw({ box, zone: 'front' }).depthMm).toBeLessThan(100);
  expect(draw({ box: { ...box, yMm: [-50, 50] }, zone: 'front' }).depthMm).toBeGreaterThan(140);
});

test('the lamp at a place is the smallest that holds it, else the nearest within a finger', () => {
  const square = (x: number, half: number, kind: 'lamp' | 'turn' | 'lens' | 'black') =>
    shape(
      kind,
      [
        [x - half, -half],
        [x + half, -half],
        [x + half, half],
        [x - half, half],
      ],
      1,
    );
  const strokes = [square(0, 200, 'lamp'), square(100, 40, 'turn'), square(-100, 60, 'lens'), square(0, 10, 'black'), square(400, 50, 'lamp')];
  expect(
    [lampAt(strokes, [105, 0]), lampAt(strokes, [-90, 10]), lampAt(strokes, [0, 0]), lampAt(strokes, [305, 0]), lampAt(strokes, [300, 0])].map((found) =>
      strokes.findIndex((each) => each === found),
    ),
  ).toEqual([1, 2, 0, 4, -1]);
  // Of every vehicle of the demo each lamp is found, and glows.
  for (const { body, measures, functions, slug } of ALL) {
    for (const { id, at } of functions) {
      const view: View = Math.abs(at.yMm) > measures.widthMm / 2 - 40 ? 'side' : at.xMm > measures.frontOverhangMm - measures.lengthMm / 2 ? 'front' : 'rear';
      expect([slug, id, lampAt(outline(body, view, measures), project(view, at)) !== undefined]).toEqual([slug, id, true]);
    }
  }
});

test('a tap means what it is on, the smallest first, then what a finger covers, the nearest first', () => {
  const piece = (id: string, left: number, right: number, top: number, bottom: number) => ({ id, extent: { left, right, top, bottom } });
  const pieces = [piece('skin', 0, 1000, 0, 300), piece('plate', 400, 600, 100, 200), piece('clip', 620, 640, 140, 160), piece('far', 900, 950, 500, 600)];
  expect(meantAt(pieces, [595, 150], 40)).toEqual(['plate', 'skin', 'clip']);
  expect(meantAt(pieces, [608, 150], 40)).toEqual(['skin', 'plate', 'clip']);
  expect(meantAt(pieces, [700, 450], 40)).toEqual([]);
});

test('moved out, each layer lies farther along one slant than the one behind it, and is drawn later', () => {
  const draw = pieceDrawer(VAN.body, VAN.measures, 'front');
  const take = (id: string, layer: number) => ({ ...draw(VAN.pieces.find((piece) => piece.id === id) ?? VAN.pieces[0]!), id, layer });
  const strokes = outline(VAN.body, 'front', VAN.measures);
  const moved = movedOut([take('badge', 1), take('bumper-skin', 3), take('grille', 2)], strokes, 1000);
  expect(moved.map(({ id }) => id)).toEqual(['bumper-skin', 'grille', 'badge']);
  expect(moved.map(({ dx, dy }) => [Math.round(dx), Math.round(dy)])).toEqual([
    [-140, 92],
    [-280, 184],
    [-420, 276],
  ]);
  // Each takes along what is drawn on it: the grille its four slats and itself, the badge itself alone.
  const on = (id: string, kind: string) => moved.find((entry) => entry.id === id)?.on.filter((stroke) => stroke.kind === kind).length;
  expect([on('grille', 'detail'), on('grille', 'black'), on('badge', 'blank'), on('badge', 'detail')]).toEqual([4, 1, 1, 0]);
  expect(on('bumper-skin', 'blank')).toBeGreaterThan(2);
});
