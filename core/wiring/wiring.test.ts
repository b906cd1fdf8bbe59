import type { WireTable } from '../rules/index.ts';
import type { Circuit, CircuitWire } from '../vehicle/index.ts';
import {
  assignLegs,
  checkLoad,
  coilLoad,
  checkRelay,
  copperOhm,
  conductorOhm,
  mendDrop,
  gaugeAreaMm2,
  loadCurrentA,
  matePlugs,
  mateWire,
  smallestFuseA,
  worstCurrentA,
  voltageRange,
  type LegConductor,
} from './index.ts';
import { ELECTRICS as rules, faceOf as face } from '../test/electrics.ts';

test('8.4 m of 1.5 mm² copper is 0.09654 Ω, and 8 A drop 0.772 V', () => {
  expect(copperOhm(8.4, 1.5)).toBeCloseTo(0.09654, 5);
  expect(copperOhm(8.4, 1.5) * 8).toBeCloseTo(0.772, 3);
});

test('a 55 W filament at 13.2 V takes 4.167 A there; an LED takes most at the least voltage', () => {
  expect(loadCurrentA({ powerW: 55, atV: 13.2, kind: 'filament' }, 13.2)).toBeCloseTo(4.1667, 4);
  expect(worstCurrentA({ powerW: 21.6, atV: 13.2, kind: 'driven LED' }, voltageRange(12))).toBeCloseTo(2, 9);
  expect(loadCurrentA({ powerW: 12, atV: 12, kind: 'resistive' }, 24)).toBeCloseTo(2, 9);
  expect(voltageRange(24)).toEqual({ restV: 25.2, leastV: 21.6, runningV: 27.6, mostV: 28.8 });
});

test('gauge 16 is 1.31 mm², gauge 12 is 3.31 mm²', () => {
  expect(gaugeAreaMm2(16)).toBeCloseTo(1.309, 3);
  expect(gaugeAreaMm2(12)).toBeCloseTo(3.309, 3);
});

test('the fuse keeps a fifth in hand: 8 A fit a 10 A fuse exactly, 8.1 A want 15 A, 33 A none', () => {
  expect([smallestFuseA(8), smallestFuseA(8.1), smallestFuseA(33)]).toEqual([10, 15, undefined]);
});

const circuit: Circuit & { wire: CircuitWire } = {
  id: 'c',
  name: 'c',
  fuse: { slot: 'F1', ratedA: 10 },
  wire: { areaMm2: 1.5, lengthM: 4.2, permittedA: 16 },
  plugPermittedA: 12,
  loads: [],
  liveIn: [],
};
const led = (powerW: number) => ({ name: 'lamp', powerW, atV: 13.2, kind: 'driven LED' as const });

test('a full fuse passes, a watt more is refused, a switch can be the weakest', () => {
  expect(checkLoad(circuit, [led(86.4)], 12, rules)).toMatchObject({ afterA: 8, shareAfter: 0.8, verdict: 'carries', weakest: 'fuse' });
  expect(checkLoad(circuit, [led(108)], 12, rules).verdict).toBe('warn');
  expect(checkLoad(circuit, [led(109)], 12, rules).verdict).toBe('refuse');
  expect(checkLoad({ ...circuit, switchPermittedA: 5 }, [led(54)], 12, rules)).toMatchObject({
    weakest: 'switch',
    shareAfter: 1,
    troubles: ['fuse above', 'share'],
    verdict: 'refuse',
  });
  expect(checkLoad({ ...circuit, fuse: { slot: 'F1', ratedA: 5 }, switchPermittedA: 5 }, [led(54)], 12, rules)).toMatchObject({ weakest: 'fuse', shareAfter: 1, verdict: 'warn' });
  expect(checkLoad({ ...circuit, neverUse: 'brakes' }, [], 12, rules).verdict).toBe('never');
});

test('drop: 69 W at 13.8 V are 5 A over 0.04827 Ω of wire, 5 mΩ of chassis and four contacts of 2 mΩ', () => {
  expect(checkLoad(circuit, [led(69)], 12, rules).dropV).toBeCloseTo(5 * (0.048272 + 0.013), 5);
});

const roomy: Circuit = { ...circuit, fuse: { slot: 'F1', ratedA: 20 }, wire: { ...circuit.wire, permittedA: 20 }, plugPermittedA: 20 };

test('96 W lose 3.09 % on the way: too much for a lamp of the road, within what an auxiliary one may lose', () => {
  const lamp = checkLoad(roomy, [led(96)], 12, rules);
  expect([lamp.verdict, lamp.troubles, lamp.dropShare]).toEqual(['warn', ['drop'], expect.closeTo(0.030887, 6)]);
  // 0.03 · 13.8 V / 6.9565 A − 0.013 Ω are left for the wire: 1.556 mm² at least, or 4.05 m.
  expect(lamp.mend).toEqual({ of: 'wire', areaMm2: 2.5, mostLengthM: expect.closeTo(4.0469, 3) as number });
  const auxiliary = checkLoad(roomy, [led(96)], 12, rules, 'auxiliary');
  expect([auxiliary.verdict, auxiliary.troubles, auxiliary.dropLimitShare, auxiliary.mend]).toEqual(['carries', [], 0.05, undefined]);
});

test('at 10.8 V the same lamps have 10.26 V left, which one that needs 10.3 V is told of', () => {
  const needing = (leastV: number) =>
    checkLoad(
      roomy,
      [
        { ...led(48), leastV },
        { ...led(48), leastV: 9 },
      ],
      12,
      rules,
      'auxiliary',
    );
  expect(needing(10.2)).toMatchObject({ atLeastV: expect.closeTo(10.2554, 3) as number, neededV: 10.2, troubles: [], verdict: 'carries' });
  expect(needing(10.3)).toMatchObject({ neededV: 10.3, troubles: ['least voltage'], verdict: 'warn' });
  expect(checkLoad(roomy, [led(48)], 12, rules).neededV).toBeUndefined();
  // A lamp of the vehicle that hangs on the same circuit counts as well.
  expect(checkLoad({ ...roomy, loads: [{ ...led(48), leastV: 10.3 }] }, [led(48)], 12, rules, 'auxiliary')).toMatchObject({ neededV: 10.3, troubles: ['least voltage'] });
});

test('a fuse above what lies behind it refuses, whatever hangs on it, and says how large it may be', () => {
  const fused = (ratedA: number) => checkLoad({ ...circuit, fuse: { slot: 'F1', ratedA } }, [led(10.8)], 12, rules);
  // The wire carries 16 A, the plug 12 A.
  expect(fused(12)).toMatchObject({ troubles: [], verdict: 'carries' });
  expect(fused(12).fuseMostA).toBeUndefined();
  expect(fused(15)).toMatchObject({ troubles: ['fuse above'], verdict: 'refuse', fuseMostA: 12 });
});

test('a main fuse farther from the battery than the rule set allows refuses; equality passes', () => {
  const fed = (batteryToFuseMm: number) => checkLoad({ ...circuit, batteryToFuseMm }, [led(10.8)], 12, rules);
  expect([fed(180).verdict, fed(181).verdict, fed(181).troubles]).toEqual(['carries', 'refuse', ['fuse far']]);
});

test('a wire of its own on the way back is reckoned in place of the body', () => {
  // 5 A · (0.048272 + 2.1 m · 0.01149333 Ω/m + four contacts of 2 mΩ).
  expect(checkLoad({ ...circuit, wire: { ...circuit.wire, backM: 2.1 } }, [led(69)], 12, rules).dropV).toBeCloseTo(5 * (0.048272 + 0.024136 + 0.008), 5);
});

describe('what nobody measured', () => {
  // 108 W at 10.8 V are 10 A; at 13.8 V 7.826 A over four contacts of 2 mΩ alone.
  const bare: Circuit = { id: 'c', name: 'c', fuse: { slot: 'F1', ratedA: 20 }, loads: [], undescribed: ['loads'], liveIn: [] };

  test('is named and counts as the least that it can be: what carries so far is not said to carry', () => {
    const check = checkLoad(bare, [led(108)], 12, rules);
    expect(check).toMatchObject({ verdict: 'not known', unknown: ['loads', 'wire', 'contacts'], weakest: 'fuse', shareAfter: 0.5, troubles: [] });
    expect(check.dropV).toBeCloseTo((108 / 13.8) * 0.008, 6);
    // With its wire and its contacts known the rest is still open.
    expect(checkLoad({ ...circuit, undescribed: ['loads'] }, [led(10)], 12, rules)).toMatchObject({ verdict: 'not known', unknown: ['loads'] });
    expect(checkLoad(circuit, [led(10)], 12, rules)).toMatchObject({ verdict: 'carries', unknown: [] });
    expect(checkLoad({ ...circuit, plugPermittedA: undefined }, [led(10)], 12, rules).unknown).toEqual(['contacts']);
  });

  test('and what is too much already is so whatever the rest is', () => {
    expect(checkLoad(bare, [led(216.1)], 12, rules)).toMatchObject({ verdict: 'refuse', weakest: 'fuse', unknown: ['loads', 'wire', 'contacts'] });
    expect(checkLoad(bare, [led(180)], 12, rules).verdict).toBe('warn');
    expect(checkLoad({ ...bare, batteryToFuseMm: 181 }, [], 12, rules)).toMatchObject({ verdict: 'refuse', troubles: ['fuse far'] });
  });

  test('a coil of which it is not known what it draws, or what it needs', () => {
    const named = (relay: Parameters<typeof coilLoad>[0]) => checkLoad(circuit, [coilLoad(relay, 'coil', 12)], 12, rules).unknown;
    expect([named({ coilOhm: 92, pullInV: 8.4 }), named({ coilOhm: 92 }), named({ pullInV: 8.4 }), named({})]).toEqual([[], ['coil'], ['coil'], ['coil']]);
    expect(coilLoad({ pullInV: 8.4 }, 'coil', 12)).toMatchObject({ powerW: 0, leastV: 8.4 });
    expect(coilLoad({ coilOhm: 92, pullInV: 8.4 }, 'coil', 12)).toEqual({ name: 'coil', powerW: 13.8 ** 2 / 92, atV: 13.8, kind: 'resistive', leastV: 8.4 });
  });
});

describe('a leg of the kit', () => {
  const leg = (part: Partial<LegConductor> = {}): LegConductor => ({ id: 'leg', lengthM: 1.5, backM: 1.5, areaMm2: 0.75, permittedA: 12, loads: [led(69)], ...part });
  const on = (part: Partial<LegConductor> = {}, base = circuit) => checkLoad(base, [led(69)], 12, rules, 'auxiliary', [leg(part)]);
  // 69 W are 5 A running and 6.3889 A at 10.8 V; 4.2 m of 1.5 mm² and the body lose 5 · (0.048272 + 0.013) V.
  const circuitV = 5 * 0.061272;

  test('carries its lamp out and back, and what is lost on it is lost to the lamp', () => {
    // 3 m of 0.75 mm² are 0.06896 Ω.
    expect(on()).toMatchObject({ fullestLeg: { ampere: expect.closeTo(6.3889, 4) as number, share: expect.closeTo(0.53241, 5) as number }, verdict: 'carries' });
    expect(on().longestLeg?.dropV).toBeCloseTo(0.3448, 6);
    expect(on().dropV).toBeCloseTo(circuitV + 0.3448, 5);
    expect(on().atLeastV).toBeCloseTo(10.8 - 6.38889 * (0.061272 + 0.06896), 4);
    expect(on({ backM: 0 }).dropV).toBeCloseTo(circuitV + 0.1724, 5);
    // Only the leg on which most is lost counts: the other one goes elsewhere.
    expect(checkLoad(circuit, [led(69)], 12, rules, 'auxiliary', [leg({ loads: [led(34.5)] }), leg({ id: 'far', lengthM: 3, backM: 0, loads: [led(34.5)] })])).toMatchObject({
      longestLeg: { id: 'leg', dropV: expect.closeTo(0.1724, 6) as number },
    });
  });

  test('its ground carries all that comes back at one time', () => {
    const two = on({ backLoads: [led(69), led(34.5)] });
    expect(two.fullestLeg?.ampere).toBeCloseTo(9.58333, 4);
    // 5 A out and 7.5 A back over 0.03448 Ω each.
    expect(two.longestLeg?.dropV).toBeCloseTo(12.5 * 0.03448, 5);
    // Grounded where it stands, that ground is none of the leg's.
    expect(on({ backM: 0, backLoads: [led(69), led(34.5)] }).fullestLeg?.ampere).toBeCloseTo(6.38889, 4);
  });

  test('more than it may carry refuses, little in hand warns, a fuse above it refuses', () => {
    const fused = { ...circuit, fuse: { slot: 'F1', ratedA: 7.5 } };
    expect(on({ permittedA: 8 }, fused)).toMatchObject({ troubles: ['share'], verdict: 'warn' });
    expect(on({ permittedA: 7.5 }, fused)).toMatchObject({ troubles: ['share', 'leg share'], verdict: 'warn' });
    const { fuse: _, ...open } = circuit;
    const output = { slot: 'O1', limitA: 12, surge: { ampere: 30, forMs: 50 }, standbyMostMa: 5 };
    expect(on({ permittedA: 6 }, { ...open, output })).toMatchObject({ troubles: ['leg share'], verdict: 'refuse' });
    expect(on({ permittedA: 9 })).toMatchObject({ troubles: ['fuse above'], fuseMostA: 9, verdict: 'refuse' });
  });

  test('where the circuit alone loses little enough, the leg is what is mended', () => {
    const long = on({ lengthM: 4, backM: 4 });
    // 8 m of 0.75 mm² lose 0.91947 V; 0.05 · 13.8 V less 0.30636 V are left, 0.076728 Ω: 1.7975 mm², or 3.338 m there and back.
    expect(long).toMatchObject({ troubles: ['drop'], mend: { of: 'leg', areaMm2: 2.5, mostLengthM: expect.closeTo(3.338, 3) as number } });
    const both = checkLoad(circuit, [led(69)], 12, rules, 'lamp', [leg({ lengthM: 4, backM: 4 })]);
    expect(both.mend?.of).toBe('leg');
    expect(checkLoad(circuit, [led(98)], 12, rules, 'lamp', [leg({ loads: [led(98)] })]).mend?.of).toBe('wire');
  });
});

test('an output that guards itself: its limit, what it bears for a moment, and what it takes for a fault while off', () => {
  const { fuse: _, ...open } = circuit;
  const output = { slot: 'O3', limitA: 5, surge: { ampere: 14, forMs: 50 }, standbyMostMa: 4 };
  const on = (...added: Parameters<typeof checkLoad>[1]) => checkLoad({ ...open, output }, added, 12, rules);
  const lamp = (ampere: number, forMs = 20, standbyMa = 1) => ({ ...led(21.6), surge: { ampere, forMs }, standbyMa });
  // 21.6 W at 10.8 V are 2 A each.
  expect(on(lamp(7), lamp(7))).toMatchObject({
    weakest: 'output',
    limitA: 5,
    shareAfter: 0.8,
    surge: { ampere: 14, mostA: 14 },
    standby: { mA: 2, mostMa: 4 },
    verdict: 'carries',
  });
  expect(on(led(56.7))).toMatchObject({ shareAfter: 1.05, verdict: 'refuse' });
  expect([on(led(56.7)).surge, on(led(56.7)).standby]).toEqual([undefined, undefined]);
  expect(on(lamp(7), lamp(7.1))).toMatchObject({ troubles: ['surge'], verdict: 'refuse' });
  // Longer than it bears counts against its limit.
  expect(on(lamp(5, 51))).toMatchObject({ surge: { ampere: 5, mostA: 5 }, verdict: 'carries' });
  expect(on(lamp(5.1, 51))).toMatchObject({ troubles: ['surge'], verdict: 'refuse' });
  expect(on(lamp(1, 20, 4.5))).toMatchObject({ troubles: ['standby'], verdict: 'warn' });
});

test('a wire is tapped for what the lead wants, and for nothing else', () => {
  const lead = { ...face('pins', ['main']), rows: 1, columns: 1, pins: [{ id: '1', row: 1, column: 1, carries: 'main' as const }] };
  const wire = (carries: 'main' | 'dipped' | 'empty') => mateWire({ id: '3', row: 2, column: 1, carries }, lead);
  expect(wire('main')).toEqual({
    value: 'mates',
    pairs: [{ row: 1, column: 1, vehiclePin: '3', kitPin: '1', vehicleCarries: 'main', kitWants: 'main', verdict: 'meets' }],
    troubles: [],
  });
  expect([wire('dipped').value, wire('dipped').pairs[0]?.verdict]).toEqual(['mates with pins wrong', 'swapped']);
  expect([wire('empty').value, wire('empty').pairs[0]?.verdict]).toEqual(['mates with pins wrong', 'nothing there']);
});

test('a mend is a size or a way; where contacts and body lose all of it there is none', () => {
  expect(mendDrop(8, { lengthM: 4.2, areaMm2: 1.5 }, 0.013, 13.8, 0.03)).toEqual({ areaMm2: 2.5, mostLengthM: expect.closeTo(3.3715, 3) as number });
  expect(mendDrop(40, { lengthM: 4.2, areaMm2: 1.5 }, 0.013, 13.8, 0.03)).toEqual({});
});

test('what its maker says of a wire stands in place of pure copper, and grows with its heat', () => {
  expect(conductorOhm({ lengthM: 3, areaMm2: 1.5, ohmPerM: 0.0127 })).toBeCloseTo(0.0381, 9);
  expect(conductorOhm({ lengthM: 3, areaMm2: 1.5, ohmPerM: 0.0127, temperatureC: 70 })).toBeCloseTo(0.045587, 6);
});

const table: WireTable = {
  permitted: [
    { areaMm2: 0.5, ampere: 11 },
    { areaMm2: 25, ampere: 126 },
  ],
  atC: 30,
  mostC: 105,
  bundle: [],
  surge: [{ forMs: 20, times: 6 }],
  source: 'test',
  certainty: 'to be confirmed',
};

test('a relay: 0.16 A of coil on the trigger, the lamps on their own feed, a share of the contact', () => {
  const feed = { loads: [led(72)], systemVoltageV: 12 as const, use: 'auxiliary' as const, lengthM: 3, contacts: 4, temperatureC: 20, bundle: 1 };
  const relay = checkRelay({ coilOhm: 85, contactA: 30, pullInV: 8 }, circuit, feed, rules, table);
  expect([relay.coilA, relay.trigger.addedA, relay.contactShare]).toEqual([expect.closeTo(0.16235, 5), expect.closeTo(0.16941, 5), expect.closeTo(0.2222, 4)]);
  expect(relay).toMatchObject({ closes: true, contactHolds: true, feed: { fuseA: 10 }, trigger: { dropLimitShare: 0.05 } });
  // 4 A of factory load leave the coil 10.55 V of 10.8 V.
  const loaded = { ...circuit, loads: [led(43.2)] };
  expect(checkRelay({ coilOhm: 85, contactA: 6, pullInV: 10.6 }, loaded, feed, rules, table)).toMatchObject({ closes: false, contactHolds: false });
  expect(checkRelay({ coilOhm: 85, contactA: 6.67, pullInV: 10.5 }, loaded, feed, rules, table)).toMatchObject({ closes: true, contactHolds: true });
});

test('plugs meet pin by pin; a swapped pair is seen, an empty cavity too', () => {
  expect(matePlugs(face('pins', ['ground', 'front fog']), face('sockets', ['ground', 'front fog'])).value).toBe('mates');
  const swapped = matePlugs(face('pins', ['front fog', 'ground']), face('sockets', ['ground', 'front fog']));
  expect(swapped.value).toBe('mates with pins wrong');
  expect(swapped.pairs.map((pair) => pair.verdict)).toEqual(['swapped', 'swapped']);
  expect(matePlugs(face('pins', ['ground', 'empty', 'parking']), face('sockets', ['ground', 'front fog', 'empty'])).pairs.map((pair) => pair.verdict)).toEqual([
    'meets',
    'nothing there',
    'left over',
  ]);
});

test('other family, same gender: does not mate, and says both', () => {
  const verdict = matePlugs(face('pins', ['ground']), face('pins', ['ground'], { family: 'LB-9' }));
  expect(verdict.value).toBe('does not mate');
  expect(verdict.troubles.map((trouble) => trouble.code)).toEqual(['family', 'gender']);
});

test('the long leg goes to the far lamp; what is too short says by how much', () => {
  const legs = [
    { id: 'a', lengthMm: 600 },
    { id: 'b', lengthMm: 1500 },
  ];
  expect(
    assignLegs(
      [
        { lamp: 'far', neededMm: 1400 },
        { lamp: 'near', neededMm: 500 },
      ],
      legs,
    ).map((use) => [use.lamp, use.leg, use.surplusMm]),
  ).toEqual([
    ['far', 'b', 100],
    ['near', 'a', 100],
  ]);
  expect(assignLegs([{ lamp: 'far', neededMm: 1700 }], legs)[0]?.surplusMm).toBe(-200);
});
