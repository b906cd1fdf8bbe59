import { checkWireTable, type WireTable } from '../rules/index.ts';
import fc from 'fast-check';
import { METRIC_MM2, outageCure, permittedA, seriesBelow, sizeCircuit, smallestFuseA, standingDrain, type NewCircuit, type OutageCase } from './index.ts';
import { ELECTRICS as rules } from '../test/electrics.ts';

const table: WireTable = {
  permitted: [
    { areaMm2: 0.5, ampere: 11 },
    { areaMm2: 1, ampere: 18 },
    { areaMm2: 1.5, ampere: 23 },
    { areaMm2: 2.5, ampere: 31 },
    { areaMm2: 25, ampere: 126 },
  ],
  atC: 30,
  mostC: 105,
  bundle: [
    { from: 2, share: 0.85 },
    { from: 4, share: 0.7 },
  ],
  surge: [
    { forMs: 20, times: 6 },
    { forMs: 100, times: 3 },
  ],
  source: 'test',
  certainty: 'to be confirmed',
};
const led = (powerW: number) => ({ powerW, atV: 13.2, kind: 'driven LED' as const });
/** Two lamps of 36 W, 4.5 m away, back over the body, in a bundle of three at 50 °C. */
const pair: NewCircuit = { loads: [led(36), led(36)], systemVoltageV: 12, use: 'lamp', lengthM: 4.5, contacts: 6, temperatureC: 50, bundle: 3 };

test('a wire carries less in a warm place and in a bundle, and between two sizes what lies between', () => {
  expect(permittedA(1.5, table, { temperatureC: 30, bundle: 1 })).toBe(23);
  // 23 A · √(45/75) · 0.7
  expect(permittedA(1.5, table, { temperatureC: 60, bundle: 5 })).toBeCloseTo(12.471, 3);
  expect(permittedA(1.309, table, { temperatureC: 30, bundle: 1 })).toBeCloseTo(21.182, 2);
  expect([permittedA(0.35, table, { temperatureC: 30, bundle: 1 }), permittedA(1.5, table, { temperatureC: 106, bundle: 1 })]).toEqual([0, 0]);
  expect(permittedA(35, table, { temperatureC: 30, bundle: 1 })).toBe(126);
});

test('a fuse bears a surge for as long as its table says, and no other one', () => {
  const fuse = (ampere: number, forMs: number) => smallestFuseA(6, { ampere, forMs }, table.surge);
  expect([smallestFuseA(6), fuse(40, 15), fuse(50, 20), fuse(50, 60), fuse(50, 900)]).toEqual([7.5, 7.5, 10, 20, undefined]);
});

test('12 V: 72 W over 4.5 m take a fuse of 10 A and 1.5 mm², or gauge 14', () => {
  const sized = sizeCircuit(pair, rules, table);
  expect(sized).toMatchObject({ fuseA: 10, reasons: [], dropLimitShare: 0.03 });
  expect([sized.worstA, sized.runningA]).toEqual([expect.closeTo(6.6667, 4), expect.closeTo(5.2174, 4)]);
  // 0.01724 · 4.5 · 1.1179 / 1.5 + 0.017 Ω at 5.2174 A
  expect(sized.metric).toEqual({
    size: 1.5,
    areaMm2: 1.5,
    permittedA: expect.closeTo(16.742, 3) as number,
    dropV: expect.closeTo(0.39036, 4) as number,
    dropShare: expect.closeTo(0.02829, 5) as number,
  });
  expect(sized.gauge).toMatchObject({ size: 14, dropV: expect.closeTo(0.3061, 3) as number });
  expect(sized.gauge?.areaMm2).toBeCloseTo(2.081, 3);
});

test('24 V: 120 W over 11.5 m and back on a wire of its own, at 45 °C, take 7.5 A exactly and 2.5 mm², or gauge 14', () => {
  const heater: NewCircuit = {
    loads: [{ powerW: 120, atV: 24, kind: 'resistive' }],
    systemVoltageV: 24,
    use: 'auxiliary',
    lengthM: 11.5,
    backM: 11.5,
    contacts: 4,
    temperatureC: 45,
    bundle: 1,
  };
  const sized = sizeCircuit(heater, rules, table);
  expect([sized.worstA, sized.runningA, sized.fuseA, sized.dropLimitShare]).toEqual([expect.closeTo(6, 9), expect.closeTo(5.75, 9), 7.5, 0.05]);
  expect(sized.metric).toMatchObject({ size: 2.5, dropV: expect.closeTo(1.0476, 4) as number, dropShare: expect.closeTo(0.03796, 5) as number });
  expect(sized.gauge).toMatchObject({ size: 14, dropShare: expect.closeTo(0.04527, 5) as number });
});

test('what stands against a circuit is said, with its numbers', () => {
  const reasons = (change: Partial<NewCircuit>) => sizeCircuit({ ...pair, ...change }, rules, table).reasons;
  expect(reasons({ loads: [led(500)] })).toMatchObject([{ code: 'load-over-fuses', worstA: expect.closeTo(46.296, 3) as number }, { code: 'drop-too-great' }]);
  expect(reasons({ surge: { ampere: 90, forMs: 900 } })).toEqual([{ code: 'surge-over-fuses', surgeA: 90 }]);
  expect(reasons({ plugPermittedA: 7.5, switchPermittedA: 10 })).toEqual([{ code: 'fuse-over', part: 'plug', fuseA: 10, limitA: 7.5 }]);
  expect([reasons({ batteryToFuseMm: 180 }), reasons({ batteryToFuseMm: 181 })]).toEqual([[], [{ code: 'fuse-too-far', mm: 181, limitMm: 180 }]]);
  expect(reasons({ temperatureC: 104.9 })[0]).toMatchObject({ code: 'wire-too-hot', fuseA: 10 });
  expect(reasons({ lengthM: 190 })).toEqual([{ code: 'drop-too-great', share: expect.closeTo(0.0616, 3) as number, limitShare: 0.03 }]);
  expect(sizeCircuit({ ...pair, lengthM: 190 }, rules, table)).toMatchObject({ metric: null, gauge: null, fuseA: 10 });
});

test('no fuse is above its wire, its load is within four fifths of it, and nothing thinner would do', () => {
  const circuits = fc.record({
    powerW: fc.double({ min: 1, max: 450, noNaN: true }),
    kind: fc.constantFrom('driven LED' as const, 'filament' as const, 'resistive' as const),
    systemVoltageV: fc.constantFrom(12 as const, 24 as const),
    lengthM: fc.double({ min: 0.2, max: 40, noNaN: true }),
    temperatureC: fc.integer({ min: -20, max: 100 }),
    bundle: fc.integer({ min: 1, max: 9 }),
    own: fc.boolean(),
  });
  fc.assert(
    fc.property(circuits, ({ powerW, kind, own, ...rest }) => {
      const circuit: NewCircuit = { ...rest, loads: [{ powerW, atV: rest.systemVoltageV * 1.1, kind }], use: 'lamp', contacts: 4, ...(own ? { backM: rest.lengthM } : {}) };
      const { fuseA, worstA, runningA, metric, gauge, dropLimitShare, reasons } = sizeCircuit(circuit, rules, table);
      if (fuseA === null) return reasons.some(({ code }) => code === 'load-over-fuses') && metric === null && gauge === null;
      for (const size of [metric, gauge]) {
        if (!size) continue;
        expect(size.permittedA).toBeGreaterThanOrEqual(fuseA - 1e-9);
        expect(size.dropShare).toBeLessThanOrEqual(dropLimitShare + 1e-9);
      }
      expect(fuseA * 0.8).toBeGreaterThanOrEqual(worstA - 1e-9);
      const thinner = METRIC_MM2[METRIC_MM2.findIndex((size) => size === metric?.size) - 1];
      if (!metric || thinner === undefined) return true;
      // What is not wire: four contacts of 2 mΩ, and 5 mΩ of the body where no wire goes back.
      const restOhm = own ? 0.008 : 0.013;
      const wireOhm = (metric.dropV / runningA - restOhm) * (metric.areaMm2 / thinner);
      const share = (runningA * (wireOhm + restOhm)) / (rest.systemVoltageV * 1.15);
      return permittedA(thinner, table, circuit) < fuseA || share > dropLimitShare;
    }),
    { numRuns: 300 },
  );
});

test('a table whose values do not rise or fall as they have to is named', () => {
  const paths = (change: Partial<WireTable>) => checkWireTable({ ...table, ...change }, 'wires').map(({ path, code }) => `${path} ${code}`);
  expect(paths({})).toEqual([]);
  expect(paths({ permitted: [] })).toEqual(['wires.permitted length']);
  expect(
    paths({
      permitted: [
        { areaMm2: 1, ampere: 18 },
        { areaMm2: 1, ampere: 17 },
      ],
    }),
  ).toEqual(['wires.permitted[1].areaMm2 span-order', 'wires.permitted[1].ampere span-order']);
  expect(paths({ mostC: 30 })).toEqual(['wires.mostC span-order']);
  expect(paths({ bundle: [{ from: 4, share: 0.7 }, ...table.bundle.slice(0, 1)] })).toEqual(['wires.bundle[1].from span-order', 'wires.bundle[1].share span-order']);
  expect(paths({ surge: [...table.surge].reverse() })).toEqual(['wires.surge[1].forMs span-order', 'wires.surge[1].times span-order']);
});

const turn: OutageCase = {
  kind: 'steady',
  thresholdW: 18,
  lampW: 4,
  flashes: true,
  flasherChangeable: false,
  codable: false,
  leastV: 11,
  mostV: 14.4,
  series: 'E12',
  tolerance: 0.05,
};

test('a turn signal of 4 W where 18 W are expected: 8.2 Ω, 25.3 W while on, half of it on average', () => {
  const { seen, cures, noCures } = outageCure(turn);
  expect(seen).toBe('flashes fast');
  // 121 / 14 / 1.05 Ω; 14.4² / 8.2 W
  expect(cures).toEqual([
    {
      cure: 'resistor',
      ohm: 8.2,
      mostOhm: expect.closeTo(8.2313, 4) as number,
      neededW: 14,
      onW: expect.closeTo(25.288, 3) as number,
      averageW: expect.closeTo(12.644, 3) as number,
      ratingW: expect.closeTo(50.576, 3) as number,
    },
  ]);
  expect(noCures).toEqual([
    { cure: 'flasher', because: 'not changeable' },
    { cure: 'coding', because: 'not codable' },
  ]);
  expect(outageCure({ ...turn, tolerance: 0.1 }).cures).toMatchObject([{ ohm: 6.8 }]);
});

test('24 V and steady: 18 Ω, all of the heat all the time', () => {
  const plate = outageCure({ ...turn, thresholdW: 21, lampW: 3.2, flashes: false, codable: true, leastV: 20, mostV: 28.8 });
  expect(plate.seen).toBe('reported');
  expect(plate.cures).toMatchObject([{ cure: 'coding' }, { cure: 'resistor', ohm: 18, onW: expect.closeTo(46.08, 9) as number, averageW: expect.closeTo(46.08, 9) as number }]);
  expect(plate.noCures).toEqual([{ cure: 'flasher', because: 'not flashing' }]);
});

test('where pulses or a chopped supply are looked at no resistor is offered; where the lamp takes enough nothing is', () => {
  for (const kind of ['pulses when off', 'modulated'] as const) {
    const { cures, noCures } = outageCure({ ...turn, kind, flasherChangeable: true });
    expect(cures).toEqual([{ cure: 'flasher' }, { cure: 'decoder' }]);
    expect(noCures).toContainEqual({ cure: 'resistor', because: 'kind' });
  }
  expect(outageCure({ ...turn, lampW: 18 })).toEqual({ seen: 'nothing', cures: [], noCures: [] });
});

test('the next value down of a series, in any decade', () => {
  expect([
    seriesBelow(8.2, 'E12'),
    seriesBelow(8.19, 'E12'),
    seriesBelow(0.99, 'E12'),
    seriesBelow(1, 'E12'),
    seriesBelow(119, 'E12'),
    seriesBelow(5.59, 'E24'),
    seriesBelow(67, 'E6'),
  ]).toEqual([8.2, 6.8, 0.82, 1, 100, 5.1, 47]);
});

test('a battery of 70 Ah stands 700 h at 25 mA, and 500 h with 10 mA more', () => {
  const still = { capacityAh: 70, usableShare: 0.25, vehicleStandbyMa: 25, addedMa: 10 };
  expect(standingDrain(still)).toEqual({ beforeMa: 25, afterMa: 35, hoursBefore: 700, hoursAfter: 500 });
  expect(standingDrain({ ...still, vehicleStandbyMa: 0 })).toMatchObject({ hoursBefore: null, hoursAfter: 1750 });
});
