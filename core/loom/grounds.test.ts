import type { Kit } from '../kit/index.ts';
import { wire } from '../stations/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { bestGround, circuitLoads, groundsAsked, jointList, rankedGrounds } from './index.ts';
import { jobContext, type JobContext } from '../job/index.ts';

const [fitment] = PAIR.fitments;
const [joint] = fitment?.connections ?? [];
if (!fitment || !joint) throw new Error('no joint');
const laid = (backM?: number): Kit => ({
  ...PAIR,
  lamps: PAIR.lamps.map((lamp) => ({ ...lamp, load: { powerW: 69, atV: 13.2, kind: 'driven LED' as const, standbyMa: 0 } })),
  feeds: [
    {
      id: 'laid',
      name: 'Feed',
      fuseA: 10,
      batteryToFuseMm: 100,
      wire: { areaMm2: 2.5, lengthM: 2, permittedA: 22, ...(backM === undefined ? {} : { backM }) },
      plugPermittedA: 12,
    },
  ],
  fitments: [{ ...fitment, connections: [{ ...joint, feed: { circuit: 'laid' } }] }],
});
const ground = (id: string) => ({ id, name: `Stud ${id}`, at: { xMm: 0, yMm: 0, zMm: 0 }, whereToLook: 'behind the trim' });
const van: VehicleProfile = { ...VAN, grounds: ['sill', 'wing', 'dash', 'floor'].map(ground) };
const on = (log: TestLog, kit = laid(), profile = van): JobContext => jobContext(log.state, { ...contextOf(log), profile, kits: [kit] });

test('ground points stand by what was measured: the least resistance first, then what nobody measured, last what loses too much', () => {
  const log = openedLog();
  // 30 mV at 2 A are 15 mΩ, 40 mV at 5 A are 8 mΩ; 201 mV are over 0.2 V, 200 mV are not.
  log.add('ground.measured', { ground: 'wing', dropMv: 30, ampere: 2 });
  log.add('ground.measured', { ground: 'dash', dropMv: 40, ampere: 5 });
  log.add('ground.measured', { ground: 'sill', dropMv: 201, ampere: 30 });
  expect(rankedGrounds(on(log))?.map(({ ground: { id }, holds }) => [id, holds])).toEqual([
    ['dash', true],
    ['wing', true],
    ['floor', undefined],
    ['sill', false],
  ]);
  log.add('ground.measured', { ground: 'sill', dropMv: 200, ampere: 30 });
  expect(bestGround(on(log))?.ground.id).toBe('sill');
  expect(rankedGrounds(on(openedLog(), laid(), VAN))).toBeUndefined();
  expect(bestGround(on(openedLog()))).toBeUndefined();
});

test('what was measured stands in place of the usual resistance of the body, where a feed returns over it', () => {
  const dropV = (log: TestLog, kit?: Kit) => circuitLoads(on(log, kit)).find(({ circuit }) => circuit.id === 'test-kit.laid')?.check.dropV;
  // 5 A · (2 m · 6.896 mΩ + 5 mΩ + four contacts of 2 mΩ).
  expect(dropV(openedLog())).toBeCloseTo(5 * 0.026792, 5);
  const log = openedLog();
  log.add('ground.measured', { ground: 'wing', dropMv: 30, ampere: 2 });
  expect(dropV(log)).toBeCloseTo(5 * 0.036792, 5);
  // A circuit of the vehicle goes back as it always did.
  expect(circuitLoads(on(log, PAIR)).map(({ circuit }) => circuit.wire?.chassisMohm)).toEqual([undefined]);
  // With a wire of its own it is none of its business.
  expect([groundsAsked(on(log)), groundsAsked(on(log, laid(1.5)))]).toEqual([true, false]);
  expect(dropV(log, laid(1.5))).toBeCloseTo(5 * (0.013792 + 0.010344 + 0.008), 5);
  expect(jointList(on(log)).at(-1)?.place).toEqual({ at: 'ground', point: 'wing' });
  expect(jointList(on(openedLog())).at(-1)?.place).toEqual({ at: 'ground' });
});

test('a reading without a current, or of a point that the vehicle does not have, is refused', () => {
  expect(wire.measureGround(on(openedLog()), 'wing', 30, 0)).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(wire.measureGround(on(openedLog()), 'roof', 30, 2)).toMatchObject({ refused: [{ code: 'unknown' }] });
  expect(wire.measureGround(on(openedLog()), 'wing', 30, 2)).toEqual({ events: [{ type: 'ground.measured', payload: { ground: 'wing', dropMv: 30, ampere: 2 } }] });
});
