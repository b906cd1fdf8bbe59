import fc from 'fast-check';
import type { VehicleState } from '../states/index.ts';
import { liveWith } from '../states/index.ts';
import {
  asPinFunction,
  asProbeFunctions,
  classChance,
  contradictions,
  continuityClass,
  continuityDoubts,
  goOn,
  isUnique,
  leftAlike,
  nextReadings,
  partsOf,
  PROBE_TIMES,
  probeChances,
  probeFound,
  readingChance,
  switchMinutes,
  usualEffect,
  VOLTAGE_CLASSES,
  voltageDoubts,
  withReading,
  type PinReading,
  type ProbeFunction,
  type ProbeRun,
} from './index.ts';

const rules = { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 };
const volts = (pin: string, state: VehicleState, lowV: number, highV = lowV, part: Partial<PinReading> = {}): PinReading =>
  ({ kind: 'voltage', pin, state, lowV, highV, ...part }) as PinReading;
const names = (...list: ProbeFunction[]) => list.map((name) => ({ function: name }));
const runOf = (pins: number, candidates: ProbeRun['candidates'], readings: PinReading[] = [], part: Partial<ProbeRun> = {}): ProbeRun => ({
  pins: Array.from({ length: pins }, (_, index) => ({ id: String(index + 1) })),
  candidates,
  readings,
  states: ['key off', 'ignition', 'parking', 'stop pedal', 'turn left', 'reverse'],
  systemV: 12,
  ...part,
});

/** The same chances by going through every assignment. */
function byBruteForce(run: ProbeRun): { pins: number[][]; absent: number[]; groundless: number } {
  const { parts, unique, absent } = partsOf(run);
  const weights = run.pins.map(({ id, hint }) =>
    parts.map((part) => {
      const hinted = hint && part.functions.length === 1 && part.functions[0] === hint.function ? hint.times : 1;
      return run.readings.filter(({ pin }) => pin === id).reduce((product, reading) => product * readingChance(part, reading, run, rules), part.weight * hinted);
    }),
  );
  const pins = run.pins.map(() => parts.map(() => 0));
  const gone = unique.map(() => 0);
  let [total, groundless] = [0, 0];
  const hasGround = parts.some(({ ground }) => ground);
  const go = (at: number, used: number, ground: boolean, weight: number, chosen: number[]): void => {
    if (at === run.pins.length) {
      let all = weight * (hasGround ? (ground ? (run.groundChance ?? 0.95) : 1 - (run.groundChance ?? 0.95)) : 1);
      unique.forEach((_, bit) => ((used & (1 << bit)) === 0 ? (all *= absent[bit]!) : undefined));
      total += all;
      if (!ground) groundless += all;
      chosen.forEach((part, pin) => (pins[pin]![part]! += all));
      unique.forEach((_, bit) => ((used & (1 << bit)) === 0 ? (gone[bit]! += all) : undefined));
      return;
    }
    parts.forEach((part, index) => {
      if ((used & part.bits) === 0) go(at + 1, used | part.bits, ground || part.ground, weight * weights[at]![index]!, [...chosen, index]);
    });
  };
  go(0, 0, false, 1, []);
  return { pins: pins.map((row) => row.map((value) => value / total)), absent: gone.map((value) => value / total), groundless: hasGround ? groundless / total : 1 };
}

const STATES: VehicleState[] = ['key off', 'ignition', 'parking', 'stop pedal', 'turn left'];
const FUNCTIONS: ProbeFunction[] = ['tail', 'stop pedal', 'turn left', 'constant supply', 'ground', 'empty', 'unknown'];

test('chances equal those of going through every assignment, for up to 7 pins, with hints, combined circuits and every kind of reading', () => {
  const reading = (pins: number) =>
    fc.oneof(
      fc.record({
        kind: fc.constant('voltage' as const),
        pin: fc.integer({ min: 1, max: pins }).map(String),
        state: fc.constantFrom(...STATES),
        lowV: fc.constantFrom(0, 5, 12),
        highV: fc.constantFrom(0, 5, 12),
        floating: fc.boolean(),
      }),
      fc.record({ kind: fc.constant('continuity' as const), pin: fc.integer({ min: 1, max: pins }).map(String), ohm: fc.constantFrom(0.4, 12, 5000) }),
      fc.record({ kind: fc.constant('load' as const), pin: fc.integer({ min: 1, max: pins }).map(String), dropV: fc.constantFrom(0.05, 3) }),
    );
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 7 }).chain((pins) =>
        fc.record({
          pins: fc.constant(pins),
          functions: fc.subarray(FUNCTIONS, { minLength: pins > 5 ? 2 : 1, maxLength: pins > 5 ? 4 : 7 }),
          readings: fc.array(reading(pins), { maxLength: 10 }),
          both: fc.boolean(),
          hinted: fc.boolean(),
          groundChance: fc.constantFrom(0.95, 0.3),
        }),
      ),
      ({ pins, functions, readings, both, hinted, groundChance }) => {
        const combined =
          both && functions.includes('tail') && functions.includes('stop pedal')
            ? [{ functions: ['tail' as const, 'stop pedal' as const], does: { parking: 'dimmed' as const } }]
            : [];
        const first = functions[0];
        // Somewhere a pin that carries none of the unique ones must be possible.
        const run = runOf(pins, names(...functions, 'empty'), readings as PinReading[], { combined, groundChance });
        if (hinted && first) run.pins[0] = { id: '1', hint: { function: first, times: 5 } };
        const [ours, theirs] = [probeChances(run, rules), byBruteForce(run)];
        ours.pins.forEach((row, pin) => row.forEach((chance, part) => expect(chance).toBeCloseTo(theirs.pins[pin]![part]!, 9)));
        ours.absent.forEach((chance, bit) => expect(chance).toBeCloseTo(theirs.absent[bit]!, 9));
        expect(ours.groundless).toBeCloseTo(theirs.groundless, 9);
      },
    ),
    { numRuns: 60 },
  );
});

test('two pins, one function, by hand: which of them it is', () => {
  // Weights: stop 0.9 or absent 0.1, empty 0.4. Before a reading: stop on 1, on 2 (0.9·0.4 each), on none (0.1·0.16).
  const start = probeChances(runOf(2, names('stop pedal', 'empty')), rules);
  const all = 2 * 0.36 + 0.016;
  expect(start.pins[0]).toEqual([expect.closeTo(0.36 / all, 9), expect.closeTo(0.376 / all, 9)]);
  expect(start.absent).toEqual([expect.closeTo(0.016 / all, 9)]);
  // On with the pedal at pin 1: 0.99 + 0.01/3 where it is stop, 0.01/3 where nothing is behind it.
  const read = probeChances(runOf(2, names('stop pedal', 'empty'), [volts('1', 'stop pedal', 12)]), rules);
  const [is, isNot] = [0.99 + 0.01 / 3, 0.01 / 3];
  const sum = 0.36 * is + 0.36 * isNot + 0.016 * isNot;
  expect(read.pins[0]?.[0]).toBeCloseTo((0.36 * is) / sum, 9);
  expect(read.pins[1]?.[0]).toBeCloseTo((0.36 * isNot) / sum, 9);
});

test('sixteen pins and thirteen functions are told exactly', () => {
  const many: ProbeFunction[] = ['tail', 'position', 'plate', 'stop pedal', 'turn left', 'turn right', 'hazard', 'reverse', 'front fog', 'rear fog', 'dipped', 'main', 'daytime'];
  const found = probeChances(runOf(16, names(...many, 'ground', 'empty')), rules);
  found.pins.forEach((row) => expect(row.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9));
  // Each function sits on one of the pins or is absent: all alike.
  many.forEach((_, bit) => expect(found.pins.reduce((sum, row) => sum + row[bit]!, 0) + found.absent[bit]!).toBeCloseTo(1, 9));
});

describe('proof', () => {
  const REAR = names('tail', 'stop pedal', 'reverse', 'constant supply', 'ground', 'empty', 'unknown');
  const found = (...readings: PinReading[]) => probeFound(runOf(3, REAR, readings), rules);
  const status = (pin: number, ...readings: PinReading[]) => found(...readings).pins[pin - 1]?.status;
  const twice = (reading: PinReading) => [reading, { ...reading }];

  test('a switched wire is on with its state and off without it, and rivals are a thousandth at most', () => {
    expect(status(1, volts('1', 'reverse', 12))).toMatchObject({ code: 'open' });
    expect(status(1, volts('1', 'reverse', 12), volts('1', 'ignition', 0))).toMatchObject({ code: 'open' });
    const enough = [...twice(volts('1', 'reverse', 12)), ...twice(volts('1', 'ignition', 0))];
    expect(status(1, ...enough)).toEqual({ code: 'proved', functions: ['reverse'] });
    // As likely, but never seen off.
    expect(status(1, ...twice(volts('1', 'reverse', 12)))?.code).not.toBe('proved');
  });

  test('what remains is likely, not proved', () => {
    const two = probeFound(
      runOf(
        2,
        [
          { function: 'stop pedal', chance: 0.9999 },
          { function: 'reverse', chance: 0.9999 },
        ],
        [...twice(volts('1', 'reverse', 12)), ...twice(volts('1', 'ignition', 0))],
      ),
      rules,
    );
    expect(two.pins.map(({ status: { code } }) => code)).toEqual(['proved', 'by elimination']);
  });

  test('a ground by continuity or under load, a constant supply by every state and a load', () => {
    expect(status(2, { kind: 'continuity', pin: '2', ohm: 0.3 }, { kind: 'load', pin: '2', dropV: 0.05 })).toEqual({ code: 'proved', functions: ['ground'] });
    const dark = (['key off', 'ignition', 'parking', 'stop pedal', 'reverse', 'turn left'] as const).flatMap((state) => [...twice(volts('2', state, 0)), volts('2', state, 0)]);
    expect(status(2, ...dark)).toMatchObject({ code: 'indistinguishable', among: [['ground'], ['empty']], by: ['continuity', 'load'] });
    const steady = [volts('3', 'key off', 12), volts('3', 'ignition', 12), volts('3', 'stop pedal', 12), volts('3', 'parking', 12)];
    expect(status(3, ...steady)).toMatchObject({ code: 'by elimination', functions: ['constant supply'] });
    expect(status(3, ...steady, volts('3', 'key off', 12, 12, { underLamp: 'holds' } as Partial<PinReading>))).toEqual({ code: 'proved', functions: ['constant supply'] });
  });

  test('a constant supply that was not read with the key off is not proved, nor one that was not under a load', () => {
    const held = { underLamp: 'holds' } as Partial<PinReading>;
    const lit = (['ignition', 'parking', 'stop pedal', 'reverse'] as const).map((state) => volts('3', state, 12, 12, held));
    expect(status(3, ...lit)?.code).not.toBe('proved');
    expect(status(3, ...lit, volts('3', 'key off', 12))?.code).toBe('proved');
  });

  test('a wanted function that no pin shows is settled as absent', () => {
    const dark = (pin: string) => [...twice(volts(pin, 'reverse', 0)), volts(pin, 'reverse', 0)];
    const all = runOf(2, names('reverse', 'ground'), [...dark('1'), ...dark('2')], { wanted: ['reverse'] });
    expect(probeFound(all, rules)).toMatchObject({ done: true, functions: [{ function: 'reverse', absent: expect.closeTo(1, 3) as number }] });
    expect(probeFound({ ...all, readings: dark('1') }, rules).done).toBe(false);
  });

  test('lamps that share every state cannot be told apart by states: it is said, and by what they can', () => {
    const run = runOf(2, names('tail', 'plate', 'ground'), [...twice(volts('1', 'parking', 12)), ...twice(volts('1', 'key off', 0))]);
    expect(probeFound(run, rules).pins[0]?.status).toEqual({ code: 'indistinguishable', among: [['tail'], ['plate']], by: ['which lamp lights'] });
    expect(probeFound({ ...run, wanted: ['tail'] }, rules).done).toBe(true);
  });

  test('a circuit of two levels is shown at both', () => {
    const combined = [{ functions: ['tail' as const, 'stop pedal' as const], does: { parking: 'dimmed' as const, 'stop pedal': 'on' as const }, chance: 0.5 }];
    const run = (...readings: PinReading[]) => probeFound(runOf(2, names('tail', 'stop pedal', 'ground'), readings, { combined }), rules).pins[0]?.status;
    const both = [...twice(volts('1', 'parking', 5, 5, { underLamp: 'holds' } as Partial<PinReading>)), ...twice(volts('1', 'stop pedal', 12))];
    expect(run(...both)).toMatchObject({ code: 'by elimination', functions: ['tail', 'stop pedal'] });
    expect(run(...both, volts('1', 'key off', 0))).toEqual({ code: 'proved', functions: ['tail', 'stop pedal'] });
  });

  test('a contradiction never yields a proof, and names the readings that cannot both be true', () => {
    const against = [...twice(volts('1', 'reverse', 12)), ...twice(volts('1', 'ignition', 0)), volts('1', 'stop pedal', 12)];
    expect(status(1, ...against)).toMatchObject({ code: 'contradictory', readings: [{ state: 'reverse' }, { state: 'ignition' }, { state: 'stop pedal' }] });
    const twin = probeFound(
      runOf(2, names('reverse', 'ground'), [...twice(volts('1', 'reverse', 12)), volts('1', 'key off', 0), ...twice(volts('2', 'reverse', 12)), volts('2', 'key off', 0)]),
      rules,
    );
    expect(twin.pins.map(({ status: { code } }) => code)).toEqual(['contradictory', 'contradictory']);
    // Any of them alone would mend it: it is reverse, stop, or a supply that never goes off.
    const suspects = (readings: PinReading[]) => contradictions(runOf(3, REAR, readings), rules).get('1')?.suspects;
    expect([...new Set(suspects(against)?.map((reading) => reading.kind === 'voltage' && reading.state))]).toEqual(['reverse', 'ignition', 'stop pedal']);
    const odd = [...twice(volts('1', 'reverse', 12)), volts('1', 'ignition', 0), volts('1', 'turn left', 0, 12)];
    expect(suspects(odd)).toEqual([odd[3]]);
  });

  test('what a wire does on this vehicle counts before what is usual, and what nobody knows says nothing', () => {
    const does = { ignition: 'on' as const, reverse: 'on' as const };
    const own = probeFound(runOf(2, [{ function: 'reverse', does }, { function: 'ground' }], [...twice(volts('1', 'ignition', 12)), ...twice(volts('1', 'key off', 0))]), rules);
    expect(own.pins[0]?.status).toMatchObject({ code: 'proved', functions: ['reverse'] });
    const dark = (effect: 'unknown' | 'off') =>
      probeChances(runOf(1, [{ function: 'tail', does: { parking: effect } }, { function: 'empty' }], [volts('1', 'parking', 12)]), rules).pins[0]?.[0] ?? 0;
    expect(dark('unknown')).toBeGreaterThan(0.99);
    // Neither can be on: what was likelier before still is.
    expect(dark('off')).toBeCloseTo(0.9 / (0.9 + 0.1 * 0.4), 9);
  });

  test('with the engine on the battery stands higher: what is on is held against what was measured', () => {
    const at = (stateV?: ProbeRun['stateV']) =>
      probeChances(runOf(1, names('reverse', 'empty'), [volts('1', 'reverse', 12.2)], { systemV: 12, ...(stateV ? { stateV } : {}) }), rules).pins[0]?.[0] ?? 0;
    expect(at()).toBeGreaterThan(0.99);
    // 12.2 of 14.4 V is 0.847, below 0.85: a middle value, which a lit wire shows by mistake alone, a bare contact in 15 of 1 000.
    const wrong = 0.01 / 3;
    expect(at({ reverse: 14.4 })).toBeCloseTo((0.9 * wrong) / (0.9 * wrong + 0.1 * 0.4 * (0.99 * 0.015 + wrong)), 9);
  });
});

describe('what to read next', () => {
  const run = runOf(4, names('tail', 'stop pedal', 'reverse', 'turn left', 'ground', 'empty'), [], { wanted: ['reverse'] });

  test('a state that tells what is wanted, and once it is found the proof of it; nothing when it is done', () => {
    const first = nextReadings(run, rules).step;
    expect(first.now?.state).toBe('reverse');
    expect(first.batch?.readings.every(({ state }) => state === 'reverse')).toBe(true);
    expect(first.leftMin).toBeGreaterThan(0.5);
    const seen = { ...run, readings: [volts('2', 'reverse', 12), volts('2', 'reverse', 12)] };
    const { now } = nextReadings(seen, rules, 'reverse').step;
    expect(now).toMatchObject({ pin: '2', why: 'shows it off' });
    const proved = { ...run, readings: [...seen.readings, volts('2', 'ignition', 0), volts('2', 'ignition', 0)] };
    expect(nextReadings(proved, rules, 'ignition')).toMatchObject({ found: { done: true }, batches: [], step: { leftMin: 0 } });
    expect(nextReadings(proved, rules).step.now).toBeUndefined();
  });

  test('the helper stays in a state that does, and an awkward pin comes late', () => {
    const both = { ...run, wanted: ['reverse', 'stop pedal'] as ProbeFunction[] };
    expect(nextReadings(both, rules, 'reverse').step.now?.state).toBe('reverse');
    expect(nextReadings(both, rules, 'stop pedal').step.now?.state).toBe('stop pedal');
    const hard = { ...run, pins: run.pins.map((pin) => (pin.id === '1' ? { ...pin, awkward: true } : pin)) };
    expect(nextReadings(hard, rules).step.now?.pin).not.toBe('1');
    expect(nextReadings(run, rules).step.now?.pin).toBe('1');
  });

  test('running a wire is better where it takes less than what is left, and never once all is settled', () => {
    const first = nextReadings(run, rules);
    expect([goOn(first), goOn(first, first.step.leftMin + 0.1), goOn(first, first.step.leftMin - 0.1)]).toEqual(['probe', 'probe', 'run a wire']);
    expect(goOn({ found: { ...first.found, done: true }, step: first.step }, 0)).toBe('settled');
    expect(goOn({ found: first.found, step: { leftMin: 3 } }, 9)).toBe('nothing more to read');
  });

  test('what the listed states leave alike is named before anything is read, with what would part it', () => {
    const alike = (states: VehicleState[]) => {
      const short = { ...runOf(2, names('tail', 'plate', 'stop pedal', 'ground')), states };
      const chances = probeChances(short, rules);
      return leftAlike(short, probeFound(short, rules, chances), chances)[0];
    };
    expect(alike(['parking', 'stop pedal'])).toEqual({ pin: '1', among: [['tail'], ['plate']], by: ['which lamp lights'] });
    expect(alike(['parking'])).toMatchObject({ among: [['tail'], ['plate']] });
    expect(alike(['key off'])).toMatchObject({ among: [['tail'], ['plate'], ['stop pedal'], ['ground']], by: ['continuity', 'load', 'which lamp lights'] });
  });

  test('what nobody knows of a function on this vehicle tells it from nothing', () => {
    const short = { ...runOf(1, [{ function: 'tail', does: { parking: 'unknown' as const } }, { function: 'stop pedal' }]), states: ['parking' as const] };
    const chances = probeChances(short, rules);
    expect(leftAlike(short, probeFound(short, rules, chances), chances)).toMatchObject([{ among: [['tail'], ['stop pedal']] }]);
  });

  test('the helper switches each thing that a state needs, the engine takes its own time', () => {
    // Accessory, ignition, engine; then the engine alone, and back to the key off.
    expect([switchMinutes('key off', 'engine', PROBE_TIMES), switchMinutes('ignition', 'engine', PROBE_TIMES), switchMinutes('engine', 'key off', PROBE_TIMES)]).toEqual([
      1.5, 1, 1.5,
    ]);
    expect([switchMinutes(undefined, 'parking', PROBE_TIMES), switchMinutes('parking', 'parking', PROBE_TIMES)]).toEqual([0.25, 0]);
  });

  test('a pin in a state is read three times at most; what it is worth is what it says of what is wanted, and a little of every pin', () => {
    const vague = Array.from({ length: 3 }, () => volts('3', 'turn left', 6));
    const offered = (readings: PinReading[], wanted: ProbeFunction[]) =>
      nextReadings({ ...run, readings, wanted }, rules, 'turn left').batches.flatMap((batch) => batch.readings.filter(({ pin, state }) => pin === '3' && state === 'turn left'));
    expect([offered(vague.slice(1), ['turn left']).length, offered(vague, ['turn left']).length]).toEqual([1, 0]);
    // One pin, stop or nothing: what a reading says of it, and a tenth of that for what every pin is. Source: mutual information, Σ p·log2.
    const one = { ...runOf(1, [{ function: 'stop pedal', chance: 0.2 }, { function: 'empty' }], [], { wanted: ['stop pedal'] }), states: ['stop pedal' as const] };
    const { parts } = partsOf(one);
    const chances = probeChances(one, rules).pins[0]!;
    const log = (value: number) => (value > 0 ? value * Math.log2(value) : 0);
    const seen = VOLTAGE_CLASSES.map((found) => parts.map((part, index) => chances[index]! * classChance(part, 'stop pedal', found, 0.01)));
    const after = seen.reduce((sum, row) => sum + row.reduce((own, value) => own + log(value), 0) - log(row.reduce((own, value) => own + value, 0)), 0);
    const told = after - chances.reduce((sum, value) => sum + log(value), 0);
    expect(nextReadings(one, rules).step.now?.bits).toBeCloseTo(1.1 * told, 9);
  });

  test('what contradicts is read again, a middle value closely', () => {
    const against = { ...run, readings: [volts('1', 'reverse', 12), volts('1', 'stop pedal', 12), volts('1', 'key off', 0)] };
    expect(nextReadings(against, rules).step.now).toMatchObject({ pin: '1', why: 'read again' });
    const vague = { ...run, wanted: ['turn left'] as ProbeFunction[], readings: [volts('3', 'turn left', 6)] };
    expect(nextReadings(vague, rules, 'turn left').step.now).toMatchObject({ pin: '3', state: 'turn left', why: 'read again', vague: true });
  });
});

test('a reading taken again counts; one that says the same stands beside the first; a middle value takes the place of none', () => {
  const run = withReading(runOf(1, names('tail')), volts('1', 'parking', 12), rules);
  const said = (next: ProbeRun) => next.readings.map((reading) => reading.kind === 'voltage' && reading.highV);
  expect(said(withReading(run, volts('1', 'parking', 12.2), rules))).toEqual([12, 12.2]);
  expect(said(withReading(run, volts('1', 'parking', 0), rules))).toEqual([0]);
  expect(said(withReading(run, volts('1', 'parking', 6), rules))).toEqual([12, 6]);
  expect(said(withReading(withReading(runOf(1, names('tail')), volts('1', 'parking', 6), rules), volts('1', 'parking', 12), rules))).toEqual([12]);
});

test('a reading that cannot be is refused, an odd one asked about, nothing is guessed', () => {
  expect(voltageDoubts(12, 12, 12.6, rules)).toEqual({ refused: [], asked: [] });
  expect(voltageDoubts(Number.NaN, 12, 12.6, rules).refused).toEqual(['not a number']);
  expect(voltageDoubts(-31, 12, 12.6, rules).refused).toEqual(['outside what a meter shows']);
  expect(voltageDoubts(0, 61, 12.6, rules)).toMatchObject({ refused: ['outside what a meter shows'] });
  expect(voltageDoubts(12, 3, 12.6, rules).refused).toEqual(['lowest above highest']);
  expect(voltageDoubts(-12.4, -12.4, 12.6, rules)).toEqual({ refused: [], asked: ['probes swapped'] });
  expect(voltageDoubts(0, 24, 12.6, rules)).toEqual({ refused: [], asked: ['above the system'] });
  expect([continuityDoubts(0.4, true), continuityDoubts(-1, false), continuityDoubts(3, false)]).toEqual([['powered'], ['outside what a meter shows'], []]);
});

test('continuity: the body below an ohm, a filament up to 200, nothing above', () => {
  expect([0.99, 1, 200, 201].map((ohm) => continuityClass(ohm, rules))).toEqual(['body', 'lamp', 'lamp', 'open']);
});

test('a combined circuit does what its functions do on this vehicle, the stronger where both do something', () => {
  const { parts } = partsOf({
    candidates: [{ function: 'tail', does: { parking: 'dimmed', 'stop pedal': 'dimmed' } }, { function: 'stop pedal' }],
    combined: [{ functions: ['tail', 'stop pedal'] }],
  });
  expect((['parking', 'stop pedal', 'key off'] as const).map((state) => parts[2]?.effect(state))).toEqual(['dimmed', 'on', 'off']);
});

test('functions do what is usual, and are put in the words of pins', () => {
  expect(usualEffect('tail', 'dipped')).toBe('on');
  expect(usualEffect('hazard', 'turn right')).toBe('flashing');
  expect(usualEffect('turn left', 'turn right')).toBe('off');
  expect(usualEffect('constant supply', 'key off')).toBe('on');
  expect(usualEffect('switched supply', 'parking')).toBe('off');
  expect(usualEffect('switched supply', 'dipped')).toBe('on');
  expect([asPinFunction('tail'), asPinFunction('position'), asPinFunction('stop pedal'), asProbeFunctions('parking')]).toEqual([
    'parking',
    'parking',
    'stop pedal',
    ['tail', 'position', 'plate'],
  ]);
  expect([isUnique('ground'), isUnique('data'), isUnique('plate')]).toEqual([false, false, true]);
  expect(liveWith(['parking'], 'dipped')).toBe(true);
});
