import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { emptyJob } from '@jade/core/events';
import { jobContext, kitsOnVehicle } from '@jade/core/job';
import { legRoutes } from '@jade/core/loom';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { VehicleProfile } from '@jade/core/vehicle';

const root = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(root, file), 'utf8')) as T;
const all = <T>(folder: string): T[] => readdirSync(join(root, folder)).map((file) => read<T>(`${folder}/${file}`));
const profiles = all<VehicleProfile>('vehicles');
const kits = all<Kit>('kits');
const rules = read<RuleSet>('rules.json');

test.each(profiles.map((profile) => [profile.slug, profile] as const))('%s has every lamp that a vehicle of its kind has, each where it belongs', (_, { functions, measures }) => {
  const front = functions.filter(({ at }) => at.xMm > -measures.wheelbaseMm / 2);
  const rear = functions.filter((lamp) => !front.includes(lamp));
  const states = (lamps: typeof functions) => new Set(lamps.map(({ state }) => state));
  for (const state of ['dipped', 'main', 'parking', 'turn left', 'turn right'] as const) expect([state, states(front).has(state)]).toEqual([state, true]);
  for (const state of ['parking', 'stop pedal', 'turn left', 'turn right'] as const) expect([state, states(rear).has(state)]).toEqual([state, true]);
  expect(functions.some(({ id }) => id === 'plate')).toBe(true);
  // No lamp stands beside the vehicle, or under the road.
  for (const { id, at } of functions) {
    expect([id, at.xMm <= measures.frontOverhangMm && at.xMm >= measures.frontOverhangMm - measures.lengthMm - 10]).toEqual([id, true]);
    expect([id, Math.abs(at.yMm) <= measures.widthMm / 2, at.zMm > measures.groundClearanceMm && at.zMm < measures.heightMm]).toEqual([id, true, true]);
  }
  // A left lamp has a right one as far out and as high, unless there is only one of it.
  for (const lamp of functions.filter(({ side, id }) => side === 'left' && functions.some((other) => other.id === id.replace('left', 'right') && other.id !== id))) {
    const other = functions.find(({ id }) => id === lamp.id.replace('left', 'right'));
    expect([lamp.id, other?.at]).toEqual([lamp.id, { ...lamp.at, yMm: -lamp.at.yMm }]);
  }
});

test('bolts of a fitting step are in the box as long as the step has them', () => {
  for (const kit of kits) {
    for (const { stack, under, id } of kit.fitments.flatMap(({ fitSteps }) => fitSteps)) {
      if (!stack || under) continue;
      const size = `M${stack.threadMm}×${stack.boltMm} `;
      // A stud of the part itself takes nuts.
      const found = kit.contents.some(
        ({ name, kind }) => kind === 'fastener' && (name.startsWith(size) || (stack.into === 'nut' && name.startsWith(`M${stack.threadMm} `) && /nut/.test(name))),
      );
      expect([kit.slug, id, size, found]).toEqual([kit.slug, id, size, true]);
    }
  }
});

/** Light of a beam as wide and high as said, half of its peak over all of it, in lumen. */
const effectiveLm = (peakCd: number, widthDeg: number, heightDeg: number) => {
  const half = (degrees: number) => Math.sin((degrees * Math.PI) / 360);
  return (peakCd / 2) * 4 * Math.asin(half(widthDeg) * half(heightDeg));
};

test('no lamp of the demo gives more light for its watts than such lamps do', () => {
  expect(effectiveLm(1000, 90, 90)).toBeCloseTo(500 * 4 * Math.asin(0.5), 6);
  for (const { slug, lamps } of kits)
    for (const { id, optics, load } of lamps) {
      const perWatt = effectiveLm(optics.peakCd ?? NaN, optics.widthDeg ?? NaN, optics.heightDeg ?? NaN) / load.powerW;
      expect([slug, id, perWatt > 1 && perWatt <= 130]).toEqual([slug, id, true]);
    }
});

test('the last side marker sits within a metre of the rear end, none more than three metres from the next, and the run reaches', () => {
  const profile = profiles.find(({ slug }) => slug === 'dunmorrow-causeway-26');
  const tally = kits.find(({ slug }) => slug === 'tarn-tally-set');
  if (!profile || !tally) throw new Error('demo is incomplete');
  const { frontOverhangMm, lengthMm } = profile.measures;
  for (const side of ['left', 'right']) {
    const places = profile.mounts.filter(({ id }) => id.startsWith(`marker-${side}`)).map(({ at }) => at.xMm);
    expect(Math.min(...places) - (frontOverhangMm - lengthMm)).toBeLessThanOrEqual(1000);
    expect(frontOverhangMm - Math.max(...places)).toBeLessThanOrEqual(3000);
    for (const [place, xMm] of places.slice(1).entries()) expect((places[place] ?? 0) - xMm).toBeLessThanOrEqual(3000);
  }
  const context = jobContext(emptyJob(), { profile, kits: [tally], rules });
  expect(legRoutes(context)?.map(({ use }) => (use?.surplusMm ?? -1) >= 0)).toEqual([true, true]);
  expect(kitsOnVehicle(context)).toHaveLength(1);
});

test('what is reached from below on a vehicle that lies low is raised for, and raising has its own time', () => {
  for (const { slug, pieces, measures } of profiles) {
    if (measures.groundClearanceMm > 250) continue;
    for (const piece of pieces.filter(({ zone }) => zone === 'underneath'))
      for (const { ways } of piece.levels) expect([slug, piece.id, ways.map(({ position }) => position?.kind)]).toEqual([slug, piece.id, ways.map(() => 'raised')]);
  }
  expect(rules.sequence.positions?.some(({ kind, min }) => kind === 'raised' && min >= 1)).toBe(true);
});

test('a wheel comes off raised, its nuts go home by torque and are tightened once more', () => {
  const wheels = profiles.flatMap(({ pieces }) => pieces.filter(({ id }) => id.startsWith('wheel-')));
  expect(wheels.map(({ side }) => side)).toEqual(['left', 'right']);
  for (const { levels, fasteners } of wheels) {
    expect(levels.flatMap(({ ways }) => ways.map(({ position }) => position?.kind))).toEqual(['raised']);
    expect(fasteners.map(({ count, tighten }) => [count >= 4, (tighten.torqueNm ?? 0) > 80, tighten.recheckKm])).toEqual([[true, true, 50]]);
  }
});

test('what carries a radar either hangs or comes off, not both', () => {
  for (const { sensors, pieces } of profiles)
    for (const { on } of sensors.filter(({ kind }) => kind === 'radar')) {
      const levels = pieces.find(({ id }) => id === on)?.levels.map(({ level }) => level) ?? [];
      expect([on, levels.includes('hung') && levels.includes('off')]).toEqual([on, false]);
    }
});

test('torque fits the fastener: none for what is not screwed, little in plastic, more the thicker it is', () => {
  /** Newton metres at most by the size of the head, of bolts in steel of usual strength. */
  const MOST: Record<string, number> = { T25: 6, T30: 12, '8 mm': 5, '10 mm': 12, '13 mm': 30, '17 mm': 60, '21 mm': 200 };
  for (const { slug, pieces } of profiles)
    for (const { id, fasteners } of pieces)
      for (const { id: group, tighten, release, size = '' } of fasteners) {
        if (tighten.torqueNm === undefined) continue;
        expect([slug, id, group, release]).toEqual([slug, id, group, 'unscrew']);
        expect([slug, id, group, tighten.torqueNm <= (MOST[size] ?? 0)]).toEqual([slug, id, group, true]);
        expect([slug, id, group, tighten.snug]).toEqual([slug, id, group, undefined]);
      }
  // Of a kit: a bolt of eight millimetres through steel is never only snug.
  for (const { slug, contents, fitments } of kits)
    for (const { id, tool, tighten } of fitments.flatMap(({ fitSteps }) => fitSteps))
      if (tool.startsWith('13 mm') && contents.some(({ name }) => name.startsWith('M8×'))) expect([slug, id, /\d+ Nm/.test(tighten)]).toEqual([slug, id, true]);
});
