import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planAccess } from '@jade/core/access';
import type { VehicleProfile } from '@jade/core/vehicle';
import { layWayIn, TARGET_WIDTH, type DrawnStep } from './way-in.ts';

const example = JSON.parse(readFileSync(join(import.meta.dirname, '../../../docs/formats/examples/vehicle-profile.json'), 'utf8')) as VehicleProfile;
const RULES = { sequence: { sideMin: 0.5, zoneMin: 0.3, toolMin: 0.2, helperMin: 1 } };
const plan = (chosen: Record<string, string> = {}, present: { piece: string; level: 'off' }[] = []) =>
  planAccess({ profile: example, facts: {}, mounts: ['fog-left'], present, replaced: [], rules: RULES, chosen });
const behind = { 'fog-left': 'behind-skin' };
const lay = (made = plan(behind), done: DrawnStep[] = [], room = 900) => layWayIn(example, example.mounts, done, made, room);
const bar = (drawing: ReturnType<typeof lay>, piece: string) => {
  const found = drawing.bars.find((entry) => entry.piece === piece);
  if (!found) throw new Error(`${piece} is not drawn`);
  return found;
};

test('each piece stands in the layer behind what must be open before it; the targets stand last', () => {
  const drawing = lay();
  expect([bar(drawing, 'grille').layer, bar(drawing, 'bumper-skin').layer, drawing.layers]).toEqual([0, 1, 2]);
  expect(bar(drawing, 'bumper-skin').x).toBeGreaterThan(bar(drawing, 'grille').x + bar(drawing, 'grille').width);
  expect(drawing.targets[0]?.x).toBeGreaterThan(bar(drawing, 'bumper-skin').x);
});

test('one minute is as long everywhere: the skin of 5 minutes is 2.5 times the grille of 2', () => {
  const drawing = lay();
  expect(bar(drawing, 'bumper-skin').width / bar(drawing, 'grille').width).toBeCloseTo(2.5, 6);
  expect(bar(drawing, 'bumper-skin')).toMatchObject({ minutes: 5, people: 2 });
});

test('what is next, what is planned, and the way not taken are told apart', () => {
  const drawing = lay();
  expect([bar(drawing, 'grille').state, bar(drawing, 'bumper-skin').state, bar(drawing, 'arch-liner-left').state]).toEqual(['next', 'planned', 'other']);
  const faint = drawing.links.filter((link) => link.faint);
  expect(faint).toHaveLength(1);
  expect(drawing.links.filter((link) => !link.faint)).toHaveLength(2);
});

test('what is done stays in the drawing, before what is next', () => {
  const done: DrawnStep[] = [{ piece: 'grille', level: 'off', way: 'front', needs: [], minutes: 2, people: 1 }];
  const drawing = lay(plan(behind, [{ piece: 'grille', level: 'off' }]), done);
  expect([bar(drawing, 'grille').state, bar(drawing, 'bumper-skin').state]).toEqual(['done', 'next']);
});

test('everything fits the room at hand, or is as narrow as it may be where it does not', () => {
  for (const room of [700, 900, 1400]) expect(lay(plan(behind), [], room).width).toBeLessThanOrEqual(room);
  const tight = lay(plan(behind), [], 200);
  expect(tight.layerWidth).toBe(112);
  expect(tight.width).toBe(10 + 2 * 112 + TARGET_WIDTH);
});

test('no two bars lie over each other, and each link begins at a bar', () => {
  const drawing = lay();
  const places = drawing.bars.map((entry) => `${entry.layer}/${entry.y}`);
  expect(new Set(places).size).toBe(places.length);
  for (const link of drawing.links) expect(drawing.bars.some((entry) => link.path.startsWith(`M${entry.x + entry.width + 32 + (entry.people > 1 ? 16 : 0)} `))).toBe(true);
});

test('the steps to do set the scale; a longer way not taken is cut at the longest of them', () => {
  const slow = {
    ...example,
    pieces: example.pieces.map((piece) => (piece.id === 'arch-liner-left' ? { ...piece, levels: piece.levels.map((level) => ({ ...level, openMin: 40 })) } : piece)),
  };
  const drawing = layWayIn(slow, slow.mounts, [], plan(behind), 900);
  expect(bar(drawing, 'arch-liner-left')).toMatchObject({ minutes: 40, cut: true, width: bar(drawing, 'bumper-skin').width });
  expect(bar(drawing, 'grille').cut).toBe(false);
});

test('places that are reached in the same ways stand as one flag, others below it', () => {
  const [first] = example.mounts;
  if (!first) throw new Error('no mount');
  const mounts = [first, { ...first, id: 'twin', name: 'Twin' }, { ...first, id: 'bare', name: 'Bare', reach: [] }];
  const { targets, height } = layWayIn(example, mounts, [], plan(behind), 900);
  expect(targets.map((target) => target.names)).toEqual([[first.name, 'Twin'], ['Bare']]);
  expect(height).toBeGreaterThan(Math.max(...targets.map((target) => target.y)) + 17);
  expect(
    layWayIn(
      example,
      Array.from({ length: 12 }, (_, index) => ({ ...first, id: `p${index}`, reach: [{ id: `w${index}`, needs: [], extraMin: 0 }] })),
      [],
      plan(behind),
      900,
    ).height,
  ).toBeGreaterThan(12 * 42);
});

test('a line that passes a layer by runs in the gap between two rows, one to the next layer level with its bar', () => {
  const drawing = layWayIn(
    example,
    [
      {
        ...(example.mounts[0] as (typeof example.mounts)[number]),
        reach: [
          {
            id: 'w',
            needs: [
              { piece: 'grille', level: 'off' },
              { piece: 'bumper-skin', level: 'off' },
            ],
            extraMin: 0,
          },
        ],
      },
    ],
    [],
    planAccess({ profile: { ...example, mounts: [] }, facts: {}, mounts: [], present: [], replaced: ['bumper-skin'], rules: RULES }),
    900,
  );
  const [grille, skin] = [bar(drawing, 'grille'), bar(drawing, 'bumper-skin')];
  const from = (piece: typeof grille) =>
    drawing.links.filter((link) => link.path.startsWith(`M${piece.x + piece.width + 32 + (piece.people > 1 ? 16 : 0)} `)).map((link) => link.path);
  expect(from(skin)).toHaveLength(1);
  expect(from(skin)[0]).toMatch(new RegExp(`H[\\d.]+C[\\d.]+ ${skin.y + 20} `));
  expect(from(grille).some((path) => path.includes(` ${grille.y + 30}H`))).toBe(true);
});

test('before a plan is there the drawing is empty but for its targets', () => {
  const drawing = layWayIn(example, example.mounts, [], undefined, 900);
  expect([drawing.bars, drawing.links, drawing.targets.length]).toEqual([[], [], 1]);
});
