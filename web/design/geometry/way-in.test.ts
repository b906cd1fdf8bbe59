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

test('before a plan is there the drawing is empty but for its targets', () => {
  const drawing = layWayIn(example, example.mounts, [], undefined, 900);
  expect([drawing.bars, drawing.links, drawing.targets.length]).toEqual([[], [], 1]);
});
