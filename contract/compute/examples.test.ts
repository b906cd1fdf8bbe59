import { readdirSync } from 'node:fs';
import { COMPUTATIONS, findComputation } from './index.ts';
import { example, faultsOf, folder } from './test/examples.ts';

const run = (name: string, change: Record<string, unknown> = {}) => findComputation(name).run({ ...example(name), ...change });

test('every calculation has an example, and every example a calculation', () => {
  const named = readdirSync(folder).flatMap((file) => /^compute-(.*)\.json$/.exec(file)?.[1] ?? []);
  expect(named.sort()).toEqual(COMPUTATIONS.map((entry) => entry.name).sort());
});

test.each(COMPUTATIONS.map((entry) => entry.name))('%s names an unknown field of its input and takes nothing else', (name) => {
  expect(faultsOf(() => run(name, { surprise: 1 }))).toEqual(['surprise unknown-field']);
  expect(faultsOf(() => findComputation(name).run([]))).toEqual(['(document) type']);
});

test('the way through the arch, 3 + 1 + 3.5, is cheaper than grille and skin, 2 + 2.5 + 2·5 + 2·6', () => {
  expect(run('access-plan')).toMatchObject({ proved: true, gapPersonMin: 0, personMin: 7.5, targetWays: [{ target: 'fog-left', way: 'through-arch' }], tools: ['T20 six-lobe'] });
  const blocked = example('access-plan') as { mounts: { reach: object[] }[] };
  blocked.mounts[0]?.reach.pop();
  expect(findComputation('access-plan').run(blocked)).toMatchObject({ personMin: 26.5, mostPeople: 2 });
});

test('three times of 20 min against a profile of 10 move the median to √200, 14.14 min', () => {
  const learned = run('step-estimate') as { medianMin: number; taken: number };
  expect([learned.medianMin.toFixed(2), learned.taken]).toEqual(['14.14', 3]);
  expect(run('step-estimate', { takenMin: [] })).toMatchObject({ taken: 0, sigma: 0.35 });
  expect(faultsOf(() => run('step-estimate', { priorMin: -1 }))).toEqual(['priorMin range']);
});

test('an unknown target, a way that needs its own level, and falling minutes are refused with their paths', () => {
  expect(faultsOf(() => run('access-plan', { targets: ['nowhere'] }))).toEqual(['targets[0] unknown-id']);
  const own = example('access-plan') as { pieces: { levels: { ways: { needs: object[] }[]; openMin: number }[] }[] };
  own.pieces[0]?.levels[0]?.ways[0]?.needs.push({ piece: 'grille', level: 'off' });
  expect(faultsOf(() => findComputation('access-plan').run(own))).toEqual(['pieces[0].levels[0].ways[0].needs[0] own-level']);
  const negative = example('access-plan') as typeof own;
  if (negative.pieces[1]?.levels[0]) negative.pieces[1].levels[0].openMin = -1;
  expect(faultsOf(() => findComputation('access-plan').run(negative))).toEqual(['pieces[1].levels[0].openMin range']);
});

test('"LED or filament" is settled although the headlamp is not known; the adapter is not', () => {
  expect(run('match')).toMatchObject({ value: 'yes', ask: ['headlamp'], adapters: [], undecidedAdapters: ['adapter-led'] });
  expect(run('match', { facts: { headlamp: 'led' } })).toMatchObject({ value: 'yes', ask: [], adapters: ['adapter-led'] });
  expect(run('match', { year: 2018 })).toMatchObject({ value: 'no' });
  expect(run('match', { year: undefined })).toMatchObject({ value: 'unknown' });
});

test('one adapter is short, one screw is to spare', () => {
  expect(run('contents')).toMatchObject({ complete: false, troubles: [{ code: 'short', item: 'adapter-led', missing: 1 }] });
  expect(run('contents', { facts: { headlamp: 'filament' } })).toMatchObject({ complete: true, troubles: [] });
});

test('plugs, load, drop, currents and legs come out as worked by hand', () => {
  expect(run('plug-match')).toMatchObject({ value: 'mates', troubles: [], verdict: { value: 'works' } });
  // 43.2 W at the least voltage of 10.8 V is 4 A, four tenths of the fuse.
  expect(run('circuit-load')).toMatchObject({ afterA: 4, weakest: 'fuse', shareAfter: 0.4, verdict: 'carries' });
  // 8.4 m of 1.5 mm² at 8 A: 0.09654 Ω, 0.772 V, 5.6 % of 13.8 V.
  const drop = run('voltage-drop') as { resistanceOhm: number; dropV: number; dropShare: number };
  expect(drop).toMatchObject({ limitShare: 0.03, holds: false });
  expect([drop.resistanceOhm.toFixed(5), drop.dropV.toFixed(3), drop.dropShare.toFixed(3)]).toEqual(['0.09654', '0.772', '0.056']);
  expect(run('lamp-current')).toMatchObject({ leastVoltageA: 8, mostVoltageA: 6, worstA: 8, fuseA: 10 });
  expect(run('lamp-current', { powerW: 4000 })).toMatchObject({ fuseA: null });
  expect(run('harness-legs')).toMatchObject([
    { lamp: 'far', leg: 'b', surplusMm: 100 },
    { lamp: 'near', leg: 'a', surplusMm: 100 },
  ]);
});

test('a slot that behaves and bears a fuse of its own is better than the wire that is full; restraints are refused by name', () => {
  // 108 W at 10.8 V are 10 A; with 60 W of filament at 14.4 V, 5.527 A, that is 103.5 % of 15 A.
  const { sources, refused } = run('sources') as { sources: { kind: string; id: string; capacity: string; check?: { shareAfter: number } }[]; refused: object[] };
  expect(sources.map(({ kind, id, capacity }) => [kind, id, capacity])).toEqual([
    ['fuse tap', 'F22', 'carries'],
    ['battery with relay', 'F22', 'carries'],
    ['lamp circuit', 'main', 'does not carry'],
    ['switch output', 'output-2', 'carries'],
    ['fuse tap', 'F23', 'does not carry'],
  ]);
  expect(sources[2]?.check?.shareAfter).toBeCloseTo(1.0352, 3);
  expect(refused).toEqual([{ id: 'airbag', name: 'Restraints', why: 'restraint system' }]);
  expect(faultsOf(() => run('sources', { loads: [] }))).toEqual(['loads length']);
  expect(faultsOf(() => run('sources', { wanted: 'moonlight' }))).toEqual(['wanted choice']);
});

test('a cable is led round the heat, the long leg goes far, and what is short is told', () => {
  // 900 · 1.2 + 1500 against 1100 · 3; path, twice 150 mm of slack and 200 mm to lift the lamp out.
  const answer = run('route') as { lamps: { neededMm: number; paths: { costMm: number; segments: string[] }[] }[]; bundleMm: number };
  expect(answer).toMatchObject({
    lamps: [
      { lamp: 'fog-left', neededMm: 1400, paths: [{ costMm: 1080 }, { costMm: 4800 }] },
      {
        lamp: 'fog-right',
        neededMm: 2900,
        paths: [
          { costMm: 2580, segments: ['wing-channel', 'beam'] },
          { costMm: 3300, hazards: ['heat'] },
        ],
      },
    ],
    legs: [
      { lamp: 'fog-left', leg: 'leg-short', surplusMm: -200 },
      { lamp: 'fog-right', leg: 'leg-long', surplusMm: 100 },
    ],
    extensionMm: 200,
    loomMm: 4.5,
    shrinkMm: 4.5,
  });
  expect(answer.bundleMm).toBeCloseTo(4.3655, 3);
  expect(faultsOf(() => run('route', { from: 'moon' }))).toEqual(['from unknown-id']);
  expect(faultsOf(() => run('route', { lamps: [{ lamp: 'fog-left', at: 'moon', liftOutMm: 0 }] }))).toEqual(['lamps[0].at unknown-id']);
  expect(faultsOf(() => run('route', { legs: [] }))).toEqual(['legs length']);
});

test('a bolt of 25 mm through 6.6 mm holds by 18.4 mm, 6 wanted; its washer lies 7 mm over the hole', () => {
  expect(run('bolt-stack')).toMatchObject({ wantedMm: 6, value: 'enough', washerOverMm: 7, washerHolds: true });
  expect(faultsOf(() => run('bolt-stack', { partsMm: [3, -1] }))).toEqual(['partsMm range']);
  expect(faultsOf(() => run('bolt-stack', { boltIn: 1 }))).toEqual(['boltIn unit']);
});

test('on with its state and off without it is proved; on alone is not', () => {
  expect(run('wire-proof')).toMatchObject({ classes: ['on', 'off'], proof: { code: 'proved' } });
  const on = { state: 'front fog', lowV: 12.4, highV: 12.4 };
  expect((run('wire-proof', { readings: [on] }) as { proof: { code: string } }).proof.code).not.toBe('proved');
});

test('one degree at 100 m is 1.746 m; 1.2 % at 10 m is 120 mm below 700', () => {
  expect((run('sensor-error') as { errorM: number }).errorM).toBeCloseTo(1.746, 3);
  const aim = run('aim') as { marks: { wantedMm: number; error: { errorMm: number; within: boolean; direction: string } }[]; problems: object[] };
  expect(aim.marks[0]).toMatchObject({ error: { within: false, direction: 'up' } });
  expect(aim.marks[0]?.wantedMm).toBeCloseTo(580, 9);
  expect(aim.marks[0]?.error.errorMm).toBeCloseTo(40, 9);
  expect(aim.problems).toEqual([{ code: 'height-not-covered', lamp: 'high' }]);
});

test('seventeen ones is a valid vehicle number', () => {
  expect(run('vehicle-number')).toMatchObject({ remarks: [], years: [2001, 2031] });
  // A digit at place 7 is of the earlier thirty years.
  expect(run('vehicle-number', { yearByPlace7: true })).toMatchObject({ years: [2001] });
});

test('a broken screw is no longer outstanding but is counted; the folded liner is known', () => {
  expect(run('job-fold')).toMatchObject({ pieces: { 'arch-liner-left': 'folded' }, tray: { 'arch-liner-left': { 'liner-screws': { out: 5, back: 0, broken: 1, dropped: 0 } } } });
});

test('the standing of the example job: the way in is done, what is missing at check in is named', () => {
  const { standing, opening } = run('job-standing') as { standing: { stations: { station: string; state: string }[]; readyToSign: boolean }; opening: { steps: object[] } };
  expect(opening.steps).toEqual([]);
  expect(standing.readyToSign).toBe(false);
  expect(standing.stations.map((entry) => entry.station)).toEqual(['check-in', 'match', 'gather', 'open-up', 'wire', 'probe', 'sense', 'fit', 'close-up', 'aim', 'hand-over']);
});

test('a malformed event in a log is refused with its place in the log', () => {
  const { log } = example('job-fold') as { log: { payload: Record<string, unknown> }[] };
  if (log[2]) log[2].payload.level = 'half';
  expect(faultsOf(() => run('job-fold', { log }))).toEqual(['log[2].payload.level choice']);
  expect(faultsOf(() => run('job-fold', { log: [null] }))[0]).toMatch(/^log\[0\]\./);
});

test('what a calculation cannot mean is refused with its path, not believed', () => {
  expect(faultsOf(() => run('match', { facts: { headlamp: 'LED' } }))).toEqual(['facts.headlamp choice']);
  expect(faultsOf(() => run('match', { facts: { colour: 'red' } }))).toEqual(['facts.colour unknown-id']);
  expect(faultsOf(() => run('match', { options: { lens: 'green' } }))).toEqual(['options.lens choice']);
  expect(faultsOf(() => run('match', { options: { tint: 'clear' } }))).toEqual(['options.tint unknown-id']);
  expect(faultsOf(() => run('contents', { counts: { nothing: 1 } }))).toEqual(['counts.nothing unknown-id']);
  expect(faultsOf(() => run('contents', { counts: { 'adapter-led': 1.5 } }))).toEqual(['counts.adapter-led type']);
  expect(faultsOf(() => run('access-plan', { replaced: ['nothing'] }))).toEqual(['replaced[0] unknown-id']);
  expect(faultsOf(() => run('access-plan', { facts: { colour: 'red' } }))).toEqual(['facts.colour unknown-id']);
  expect(faultsOf(() => run('access-plan', { chosen: { 'fog-left': 'through-roof' } }))).toEqual(['chosen.fog-left unknown-id']);
  expect(faultsOf(() => run('access-plan', { chosen: { 'fog-right': 'through-arch' } }))).toEqual(['chosen.fog-right unknown-id']);
  expect(faultsOf(() => run('access-plan', { chosen: { 'fog-left': 'through-arch' } }))).toEqual([]);
  const { pieces } = example('access-plan') as { pieces: object[] };
  expect(faultsOf(() => run('access-plan', { pieces: [...pieces, pieces[0]] }))).toEqual([`pieces[${pieces.length}].id duplicate-id`]);
});

test('wires, fuses, relays, outages and standing come out as worked by hand', () => {
  // Gauge 16 is 1.309 mm²: 8.4 m are 0.11064 Ω, and 8 A lose 0.8851 V, 6.4 % of 13.8 V.
  expect(run('voltage-drop', { areaMm2: undefined, gauge: 16 })).toMatchObject({
    resistanceOhm: expect.closeTo(0.11064, 4) as number,
    dropShare: expect.closeTo(0.06414, 4) as number,
  });
  expect(run('voltage-drop', { ohmPerM: 0.0127, contactsMohm: 13, currentA: 2.5, use: 'auxiliary' })).toEqual({
    resistanceOhm: expect.closeTo(0.11968, 5) as number,
    dropV: expect.closeTo(0.2992, 5) as number,
    dropShare: expect.closeTo(0.02168, 5) as number,
    limitShare: 0.05,
    holds: true,
  });
  expect(run('circuit-load', { added: [{ name: 'Bar', powerW: 100, atV: 13.2, kind: 'driven LED' }] })).toMatchObject({
    verdict: 'warn',
    troubles: ['share', 'drop'],
    mend: { areaMm2: 2.5 },
  });
  expect(run('circuit-load', { added: [{ name: 'Bar', powerW: 100, atV: 13.2, kind: 'driven LED' }], use: 'auxiliary' })).toMatchObject({ troubles: ['share'] });
  expect(run('size-circuit')).toMatchObject({ fuseA: 10, metric: { size: 1.5 }, gauge: { size: 14 }, reasons: [] });
  expect(run('size-circuit', { surge: { ampere: 70, forMs: 15 } })).toMatchObject({ fuseA: 15, metric: { size: 1.5 } });
  // The coil takes 13.8 V / 85 Ω; 118 W at 10.8 V are 10.93 A of the 30 A that the contact carries.
  expect(run('relay')).toMatchObject({ coilA: expect.closeTo(0.16235, 5) as number, closes: true, contactShare: expect.closeTo(0.3642, 4) as number, feed: { fuseA: 15 } });
  expect(run('outage-cure')).toMatchObject({ seen: 'flashes fast', cures: [{ cure: 'resistor', ohm: 8.2, ratingW: expect.closeTo(50.58, 2) as number }] });
  expect(run('outage-cure', { series: 'E6', tolerance: 0 })).toMatchObject({ cures: [{ ohm: 6.8, mostOhm: expect.closeTo(8.6429, 4) as number }] });
  expect(run('drain')).toEqual({ beforeMa: 25, afterMa: 35, hoursBefore: 700, hoursAfter: 500 });
  expect(run('drain', { usableShare: 0.2 })).toMatchObject({ hoursAfter: 400 });
  expect(run('gauge')).toEqual({
    areaMm2: expect.closeTo(1.309, 3) as number,
    diameterMm: expect.closeTo(1.291, 3) as number,
    ohmPerM: expect.closeTo(0.01317, 5) as number,
    metricMm2: 1.5,
    gauge: 16,
  });
  expect(run('gauge', { gauge: undefined, areaMm2: 2.5 })).toMatchObject({ metricMm2: 2.5, gauge: 12, diameterMm: expect.closeTo(1.784, 3) as number });
  expect(run('gauge', { gauge: 2 })).toMatchObject({ metricMm2: null, gauge: null });
});

test('a calculation answers to the name that it had before', () => {
  expect(findComputation('wire-drop').name).toBe('voltage-drop');
  expect(findComputation('plugs').name).toBe('plug-match');
  const names = COMPUTATIONS.flatMap((entry) => [entry.name, ...entry.aliases]);
  expect(new Set(names).size).toBe(names.length);
});

test('what no wire, plug or battery can be is refused with its path', () => {
  expect(faultsOf(() => run('voltage-drop', { gauge: 16 }))).toEqual(['areaMm2 one-of']);
  expect(faultsOf(() => run('gauge', { gauge: undefined }))).toEqual(['gauge one-of']);
  expect(faultsOf(() => run('voltage-drop', { runningV: 0 }))).toEqual(['runningV range']);
  expect(faultsOf(() => run('outage-cure', { leastV: 15 }))).toEqual(['mostV span-order']);
  expect(faultsOf(() => run('size-circuit', { loads: [] }))).toEqual(['loads length']);
  expect(faultsOf(() => run('size-circuit', { wires: { permitted: [], atC: 30, mostC: 20, bundle: [], surge: [], source: 'x', certainty: 'confirmed' } }))).toEqual([
    'wires.permitted length',
    'wires.surge length',
    'wires.mostC span-order',
  ]);
  const { feed, trigger } = example('relay') as { feed: object; trigger: { fuse?: object } };
  expect(faultsOf(() => run('relay', { feed: { ...feed, loads: [] } }))).toEqual(['feed.loads length']);
  const { fuse: _, ...unprotected } = trigger;
  expect(faultsOf(() => run('relay', { trigger: unprotected }))).toEqual(['trigger circuit-unprotected']);
  const { circuit } = example('circuit-load') as { circuit: { fuse?: object } };
  const { fuse: _fuse, ...bare } = circuit;
  expect(faultsOf(() => run('circuit-load', { circuit: bare }))).toEqual(['circuit circuit-unprotected']);
  const { legs } = example('harness-legs') as { legs: object[] };
  expect(faultsOf(() => run('harness-legs', { legs: legs.slice(0, 1) }))).toEqual(['legs length']);
  const { kit } = example('plug-match') as { kit: { pins: object[] } };
  expect(faultsOf(() => run('plug-match', { kit: { ...kit, pins: [...kit.pins, { id: '9', row: 1, column: 9, carries: 'ground' }] } }))).toEqual(['kit.pins[2] pin-outside-face']);
});

test('pins, legs, lamps and events that stand twice, and bands with a hole, are refused with their paths', () => {
  const { vehicle } = example('plug-match') as { vehicle: { pins: { id: string; column: number }[] } };
  const twice = (part: object) => run('plug-match', { vehicle: { ...vehicle, pins: [...vehicle.pins.slice(0, 1), { ...vehicle.pins[0], ...part }] } });
  expect(faultsOf(() => twice({ column: 2 }))).toEqual(['vehicle.pins[1].id duplicate-id']);
  expect(faultsOf(() => twice({ id: '9' }))).toEqual(['vehicle.pins[1] pin-place-twice']);
  const legs = example('harness-legs') as { lamps: object[]; legs: object[] };
  expect(faultsOf(() => run('harness-legs', { legs: [...legs.legs, legs.legs[0]] }))).toEqual([`legs[${legs.legs.length}].id duplicate-id`]);
  expect(faultsOf(() => run('harness-legs', { lamps: [legs.lamps[0], legs.lamps[0]] }))).toEqual(['lamps[1].lamp duplicate-id']);
  const { rule, lamps } = example('aim') as { rule: { bands: object[] }; lamps: object[] };
  const [band] = rule.bands;
  expect(faultsOf(() => run('aim', { rule: { ...rule, bands: [{ ...band, fromMm: 800, toMm: 400 }] } }))).toEqual(['rule.bands[0].toMm span-order']);
  expect(faultsOf(() => run('aim', { rule: { ...rule, bands: [band, { ...band, fromMm: 900, toMm: 1200 }] } }))).toEqual(['rule.bands[1].fromMm bands']);
  expect(faultsOf(() => run('aim', { lamps: [lamps[0], lamps[0]] }))).toEqual(['lamps[1].lamp duplicate-id']);
  const { log } = example('job-fold') as { log: object[] };
  expect(faultsOf(() => run('job-fold', { log: [...log, log[1]] }))).toEqual([`log[${log.length}].id duplicate-id`]);
});

test('an event of a log that speaks of what the documents do not have is refused with its place', () => {
  const { log } = example('job-standing') as { log: { payload: object }[] };
  const odd = log.map((event, index) => (index === 1 ? { ...event, payload: { ...event.payload, value: 'LED' } } : event));
  expect(faultsOf(() => run('job-standing', { log: odd }))).toEqual(['log[1].payload.value choice']);
});

test('an unknown calculation is answered with the names there are', () => {
  expect(faultsOf(() => findComputation('tea'))).toEqual(['name unknown-name']);
});

test('a whole plug is probed at once: proved, grounded, still open, with what to read next and whether a wire from the lamp is quicker', () => {
  const found = run('probe') as {
    pins: { pin: string; status: { code: string; functions?: string[] } }[];
    next: { state: string; readings: { pin: string; why: string }[] }[];
    leftMin: number;
    go: string;
    questions: unknown[];
  };
  expect(found.pins.map(({ pin, status: { code, functions } }) => [pin, code, functions])).toEqual([
    ['1', 'proved', ['ground']],
    ['2', 'proved', ['stop pedal']],
    ['3', 'open', ['tail']],
    ['4', 'open', expect.anything()],
  ]);
  // The tail is still wanted: its state, at the pin that the diagram points to.
  expect([found.next[0]?.state, found.next[0]?.readings[0]?.pin, found.go, found.questions]).toEqual(['parking', '3', 'probe', []]);
  expect(run('probe', { wireMin: 0 })).toMatchObject({ go: 'run a wire' });
  expect(run('probe', { wanted: ['stop pedal'] })).toMatchObject({ go: 'settled', next: [], leftMin: 0 });
  const candidates = (example('probe') as { candidates: object[] }).candidates;
  expect(run('probe', { candidates: [...candidates, { function: 'plate' }], batches: 1 })).toMatchObject({
    alike: expect.arrayContaining([{ pin: '3', among: [['tail'], ['plate']], by: ['which lamp lights'] }]) as object[],
    next: [{ state: 'parking' }],
  });
});

test('readings that cannot be are refused with the path, odd ones are asked about', () => {
  const volts = (part: object) => run('probe', { volts: [{ pin: '2', state: 'parking', lowV: 12, highV: 12, ...part }] });
  expect(faultsOf(() => volts({ pin: '9' }))).toEqual(['volts[0].pin unknown-id']);
  expect(faultsOf(() => volts({ highV: 3 }))).toEqual(['volts[0].highV span-order']);
  expect(faultsOf(() => volts({ lowV: -60, highV: 12 }))).toEqual(['volts[0] range']);
  expect(faultsOf(() => volts({ highV: '12,4' }))).toEqual(['volts[0].highV type']);
  expect(volts({ lowV: -12.4, highV: -12.4 })).toMatchObject({ questions: [{ path: 'volts[0]', about: 'probes swapped' }] });
  expect(volts({ lowV: 24, highV: 24 })).toMatchObject({ questions: [{ path: 'volts[0]', about: 'above the system' }] });
  expect(run('probe', { volts: [{ pin: '2', state: 'parking', lowV: 15.9, highV: 15.9 }], stateV: [{ state: 'parking', volts: 14.4 }] })).toMatchObject({ questions: [] });
  expect(faultsOf(() => run('probe', { ohms: [{ pin: '1', ohm: 0.4, powered: true }] }))).toEqual(['ohms[0].powered choice']);
  expect(faultsOf(() => run('probe', { wanted: ['main'] }))).toEqual(['wanted[0] unknown-id']);
  expect(faultsOf(() => run('probe', { candidates: [{ function: 'tail' }, { function: 'tail' }], wanted: ['tail'], pins: [{ id: '1' }], volts: [], ohms: [] }))).toEqual([
    'candidates[1].function duplicate-id',
  ]);
});

test('slots are held against what is wanted; what is never used comes first', () => {
  expect(run('fuse-finder')).toMatchObject({
    slots: [
      { slot: 'F9', value: 'not yet measured', untested: ['ignition'] },
      { slot: 'F12', value: 'otherwise', conflicts: [{ state: 'key off' }, { state: 'ignition' }] },
    ],
    refused: [{ slot: 'F3', why: 'restraint system' }],
    next: { slot: 'F9', state: 'ignition' },
  });
  expect(run('fuse-finder', { neverUse: [{ slot: 'F9' }] })).toMatchObject({ slots: [{ slot: 'F12' }] });
  expect(faultsOf(() => run('fuse-finder', { wanted: [{ state: 'parking', is: 'off' }] }))).toEqual(['wanted length']);
});

test('a practice is worth what was done in it; an act without its state or its function is refused', () => {
  const read = { kind: 'read', pin: '1', state: 'parking' };
  expect(run('practice', { acts: [read, read] })).toMatchObject({ done: false, readings: [{ pin: '1', state: 'parking' }, { pin: '1' }], claims: [], score: { readings: 2 } });
  const { score } = run('practice') as { score: { bestMin: number; minutes: number } };
  expect(score.bestMin).toBeGreaterThan(score.minutes);
  expect(
    faultsOf(() =>
      run('practice', {
        acts: [
          { kind: 'read', pin: '1' },
          { kind: 'claim', pin: '1', state: 'parking' },
        ],
      }),
    ),
  ).toEqual(['acts[0].state missing', 'acts[1].function missing']);
  expect(faultsOf(() => run('practice', { seed: 0 }))).toEqual(['seed range']);
});
