import { factValues } from '../events/index.ts';
import { lampAims, suppliesNow, type JobDocuments } from '../job/index.ts';
import { jobNow, planMemory, planOpening, type JobNow } from '../plan/index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';
import { barePiece } from '../test/bare-profile.ts';
import type { Kit } from '../kit/index.ts';
import type { Supply, VehicleProfile } from '../vehicle/index.ts';
import { aim, checkIn, closeUp, consented, fit, gather, handOver, isRefused, match, openUp, probe, sense, wire, type Act } from './index.ts';

const AT = '2026-03-05T09:00:00Z';
const LATER = '2026-03-05T09:30:00Z';
const [fitment] = PAIR.fitments;
if (!fitment) throw new Error('no fitment');
const BATTERY: Supply = { id: 'low', name: 'Battery', piece: 'battery', level: 'off', waitMin: 5, liveMin: 1, by: 'anyone', before: [], forgets: ['Clock'] };
/** The test van with a battery that isolates its supply; the grille asks for nothing, the fitting step works dead. */
const POWERED: VehicleProfile = { ...VAN, pieces: [...VAN.pieces, barePiece('battery')], supplies: [BATTERY] };
const DEAD_STEP: Kit = {
  ...PAIR,
  fitments: [
    {
      ...fitment,
      fitSteps: fitment.fitSteps.map((step) => ({ ...step, needs: [{ piece: 'grille', level: 'off' as const }], asks: [{ supply: 'low' as const, is: 'dead' as const }] })),
    },
  ],
};

const documents = (part: Partial<JobDocuments> = {}): JobDocuments => ({ profile: VAN, kits: [PAIR], rules: RULES, year: 2022, ...part });
const powered = () => documents({ profile: POWERED, kits: [DEAD_STEP] });
const now = (log: TestLog, docs = documents()): JobNow => jobNow(log.events, docs, planMemory(planOpening));
const codes = (act: Act) => (isRefused(act) ? act.refused.map((refusal) => refusal.code) : act.events.map((event) => event.type));
/** Writes what an act records into the log. */
function write(log: TestLog, act: Act, at = AT): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events) {
    log.add(type, payload as never);
    Object.assign(log.events.at(-1) ?? {}, { at });
  }
}

/** Does the next step of opening. */
function openNext(log: TestLog, docs = documents(), at = AT, by?: string): Act {
  const { context, plan } = now(log, docs);
  const [step] = plan?.steps ?? [];
  if (!plan || !step) throw new Error('nothing to open');
  return openUp.moved(
    context,
    plan,
    step,
    step.fasteners.map((group) => ({ group: group.id, count: group.count })),
    at,
    by,
  );
}

/** Opens until the battery comes next. */
function openUntilBattery(log: TestLog, docs: JobDocuments): void {
  while (now(log, docs).plan?.steps[0]?.piece !== 'battery') write(log, openNext(log, docs));
}

function checkedIn(): TestLog {
  const log = openedLog();
  log.add('codes.read', { moment: 'before', count: 0 });
  log.add('warnings.read', { moment: 'before', lit: [] });
  for (const lamp of ['dipped', 'old-fog']) log.add('baseline.tried', { lamp, result: 'works' });
  return log;
}

describe('open up', () => {
  test('a step done unplugs its sensors, once, and moves the piece with its fasteners', () => {
    const log = openedLog();
    expect(codes(openNext(log))).toEqual(['sensor.unplugged', 'piece.moved']);
    log.add('sensor.unplugged', { sensor: 'radar' });
    expect(codes(openNext(log))).toEqual(['piece.moved']);
  });

  test('a step whose needs are not open names them; fasteners that it does not have are refused, and as many as came out are taken', () => {
    const { context, plan } = now(openedLog());
    const lamp = plan?.steps.find((step) => step.piece === 'old-lamp');
    const grille = plan?.steps.find((step) => step.piece === 'grille');
    if (!plan || !lamp || !grille) throw new Error('no plan');
    expect(openUp.moved(context, plan, lamp, [], AT)).toEqual({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
    for (const count of [1, 3]) {
      expect(openUp.moved(context, plan, grille, [{ group: 'bolts', count }], AT)).toMatchObject({
        events: [{ type: 'sensor.unplugged' }, { type: 'piece.moved', payload: { piece: 'grille', fasteners: [{ group: 'bolts', count }] } }],
      });
    }
    expect(openUp.moved(context, plan, grille, [{ group: 'nuts', count: 1 }], AT)).toEqual({ refused: [{ code: 'unknown', what: 'fastener group', id: 'nuts' }] });
  });

  test('before a supply is first isolated the fault codes are read, the warning lamps are looked at and every lamp is tried; then it is dead with the act', () => {
    const log = openedLog();
    openUntilBattery(log, powered());
    expect(openNext(log, powered())).toEqual({ refused: [{ code: 'before-dead', what: ['codes', 'warnings', 'baseline'] }] });
    log.add('codes.read', { moment: 'before', count: 0 });
    expect(openNext(log, powered())).toEqual({ refused: [{ code: 'before-dead', what: ['warnings', 'baseline'] }] });
    // What was left open with a reason on arrival is not asked for; a reason for leaving is none for arriving.
    const excused = openedLog();
    openUntilBattery(excused, powered());
    excused.add('codes.read', { moment: 'before', count: 0 });
    excused.add('exception.named', { about: 'warnings:after', note: 'panel out' });
    expect(openNext(excused, powered())).toEqual({ refused: [{ code: 'before-dead', what: ['warnings', 'baseline'] }] });
    excused.add('exception.named', { about: 'warnings:before', note: 'panel out' });
    expect(openNext(excused, powered())).toEqual({ refused: [{ code: 'before-dead', what: ['baseline'] }] });
    log.add('warnings.read', { moment: 'before', lit: ['engine'] });
    expect(openNext(log, powered())).toEqual({ refused: [{ code: 'before-dead', what: ['baseline'] }] });
    for (const lamp of ['dipped', 'old-fog']) log.add('baseline.tried', { lamp, result: 'works' });
    const act = openNext(log, powered());
    expect(codes(act)).toEqual(['piece.moved', 'supply.set']);
    write(log, act);
    expect(suppliesNow(now(log, powered()).context)).toMatchObject([{ is: 'dead', deadAt: '2026-03-05T09:05:00.000Z', forgotten: ['Clock'] }]);
  });

  test('a high-voltage isolation is one for qualified people: it asks who and by which procedure, and keeps it', () => {
    const docs = documents({ profile: { ...POWERED, supplies: [{ ...BATTERY, by: 'qualified people' }] }, kits: [DEAD_STEP] });
    const log = checkedIn();
    openUntilBattery(log, docs);
    expect(openNext(log, docs)).toEqual({ refused: [{ code: 'qualified-first', supply: 'low' }] });
    expect(codes(openNext(log, docs, AT, '  '))).toEqual(['qualified-first']);
    expect(openNext(log, docs, AT, 'x'.repeat(207))).toEqual({ refused: [{ code: 'too-long', over: 7, most: 200 }] });
    write(log, openNext(log, docs, AT, 'Slate, by the book'));
    expect(log.state.supplies.low).toMatchObject({ is: 'dead', by: 'Slate, by the book' });
  });
});

/** All is open and the supply is dead since nine. */
function isolated(): TestLog {
  const log = checkedIn();
  for (let step = 0; step < 3; step++) write(log, openNext(log, powered()));
  return log;
}

describe('work that asks for a supply', () => {
  test('dead work waits until it is dead, and is refused while it is live', () => {
    const log = isolated();
    const pass = (at: string) => fit.passed(now(log, powered()).context, 'test-kit', 'screw', 'start', at);
    expect(pass('2026-03-05T09:04:59Z')).toEqual({ refused: [{ code: 'supply-waits', supply: 'low', until: '2026-03-05T09:05:00.000Z' }] });
    expect(codes(pass('2026-03-05T09:05:00Z'))).toEqual(['step.passed']);
    log.add('piece.moved', { piece: 'battery', level: 'fitted', fasteners: [] });
    log.add('supply.set', { supply: 'low', is: 'live' });
    expect(pass(LATER)).toEqual({ refused: [{ code: 'supply-live', supply: 'low', piece: 'battery' }] });
  });

  test('tests, readings, lamps and codes are refused while it is dead', () => {
    const log = isolated();
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    log.add('reference.checked', { groundV: 0.02, feedV: 12.6 });
    const { context } = now(log, powered());
    const reading = { state: 'front fog' as const, lowV: 12, highV: 12 };
    const acts = [
      fit.tested(context, 'test-kit', 'lights', true, LATER),
      probe.take(context, 'fog-plug', '2', reading, LATER),
      handOver.tryAgain(context, 'dipped', 'works', LATER),
      checkIn.tryLamp(context, 'dipped', 'works', LATER),
      checkIn.warningsRead(context, 'after', [], LATER),
      handOver.codesReadAfter(context, LATER),
    ];
    expect(acts.map((act) => codes(act)[0])).toEqual(acts.map(() => 'supply-dead'));
    // Of a lamp that is not there nothing has to light.
    expect(codes(checkIn.tryLamp(context, 'dipped', 'not fitted', LATER))).toEqual(['baseline.tried']);
  });

  test('is live for good only after dead work, and what was forgotten comes before the codes are read again', () => {
    const log = isolated();
    const back = () => {
      const { context, closing } = now(log, powered());
      const step = closing.steps.find((entry) => entry.kind === 'piece' && entry.piece === 'battery');
      if (step?.kind !== 'piece') throw new Error('no battery to put back');
      return closeUp.putBack(context, closing, step, { counts: {}, renewed: {}, lengthsMm: {} }, LATER);
    };
    expect(back()).toEqual({ refused: [{ code: 'dead-work-first', subjects: [{ kind: 'fit', kit: 'test-kit', step: 'screw' }] }] });
    for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'screw', pass });
    expect(codes(back())).toEqual(['piece.moved', 'supply.set']);
    write(log, back(), LATER);
    const after = () => handOver.codesReadAfter(now(log, powered()).context, LATER);
    expect(after()).toEqual({ refused: [{ code: 'settings-first', settings: ['Clock'] }] });
    write(log, closeUp.settingRestored(now(log, powered()).context, 'low', 'Clock', LATER));
    expect(codes(closeUp.settingRestored(now(log, powered()).context, 'low', 'Clock', LATER))).toEqual(['already']);
    expect(codes(after())).toEqual(['codes.read']);
  });
});

describe('fit', () => {
  test('a step cannot be started on a closed vehicle, nor a pass before the one before it on that side', () => {
    const closed = documents({
      kits: [{ ...DEAD_STEP, fitments: DEAD_STEP.fitments.map((entry) => ({ ...entry, fitSteps: entry.fitSteps.map(({ asks: _, ...step }) => step) })) }],
    });
    const log = openedLog();
    expect(fit.passed(now(log, closed).context, 'test-kit', 'screw', 'start', AT)).toEqual({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
    log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
    expect(fit.passed(now(log, closed).context, 'test-kit', 'screw', 'align', AT)).toEqual({ refused: [{ code: 'pass-first', pass: 'start', steps: ['screw'] }] });
    write(log, fit.passed(now(log, closed).context, 'test-kit', 'screw', 'start', AT));
    expect(codes(fit.passed(now(log, closed).context, 'test-kit', 'screw', 'start', AT))).toEqual(['already']);
    expect(codes(fit.passed(now(log, closed).context, 'test-kit', 'screw', 'align', AT))).toEqual(['step.passed']);
  });

  test('a test is tried once its plug is joined, and what failed is noted', () => {
    const log = openedLog();
    expect(fit.tested(now(log).context, 'test-kit', 'lights', true, AT)).toEqual({ refused: [{ code: 'join-first', connections: ['joint'] }] });
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    expect(fit.tested(now(log).context, 'test-kit', 'lights', false, AT, ' dark ')).toEqual({
      events: [{ type: 'test.tried', payload: { kit: 'test-kit', test: 'lights', passed: false, note: 'dark' } }],
    });
  });
});

describe('close up', () => {
  function opened(): TestLog {
    const log = openedLog();
    write(log, openNext(log));
    write(log, openNext(log));
    return log;
  }
  const grille = (log: TestLog) => {
    const { context, closing } = now(log);
    const step = closing.steps.find((entry) => entry.kind === 'piece' && entry.piece === 'grille');
    if (step?.kind !== 'piece') throw new Error('no grille');
    return { context, closing, step };
  };

  test('a piece waits for the gates that it would cover and for its sensor, which is plugged in by a tap of its own; then it goes back with its fasteners', () => {
    const log = opened();
    const put = (counts = {}) => {
      const { context, closing, step } = grille(log);
      return closeUp.putBack(context, closing, step, { counts, renewed: {}, lengthsMm: {} }, AT);
    };
    expect(put()).toMatchObject({ refused: [{ code: 'gate-first', subjects: [{ kind: 'joint' }, { kind: 'test' }] }, { code: 'sensor-first' }] });
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
    expect(put()).toEqual({ refused: [{ code: 'sensor-first', sensors: ['radar'] }] });
    write(log, sense.reconnected(now(log).context, 'radar'));
    expect(put({ bolts: 3 })).toEqual({ refused: [{ code: 'count', group: 'bolts', most: 2 }] });
    expect(put()).toEqual({ events: [{ type: 'piece.moved', payload: { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] } }] });
  });

  test('what is used once only goes back once somebody says whether new ones went in, and only those count as new', () => {
    const profile = {
      ...VAN,
      pieces: VAN.pieces.map((piece) => (piece.id === 'grille' ? { ...piece, fasteners: piece.fasteners.map((group) => ({ ...group, singleUse: true })) } : piece)),
    };
    const docs = documents({ profile });
    const log = opened();
    for (const [type, payload] of [
      ['plug.joined', { kit: 'test-kit', connection: 'joint' }],
      ['test.tried', { kit: 'test-kit', test: 'lights', passed: true }],
      ['sensor.reconnected', { sensor: 'radar' }],
    ] as const)
      log.add(type, payload);
    const put = (counts: Record<string, number>, renewed: Record<string, number>) => {
      const { context, closing } = now(log, docs);
      const step = closing.steps.find((entry) => entry.kind === 'piece' && entry.piece === 'grille');
      if (step?.kind !== 'piece') throw new Error('no grille');
      return closeUp.putBack(context, closing, step, { counts, renewed, lengthsMm: {} }, AT);
    };
    const moved = (count: number) => ({ type: 'piece.moved', payload: { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count }] } });
    expect(put({}, {})).toEqual({ refused: [{ code: 'new-or-old', piece: 'grille', groups: ['bolts'] }] });
    const { context, closing } = now(log, docs);
    const step = closing.steps.find((entry) => entry.kind === 'piece' && entry.piece === 'grille');
    const group = step?.kind === 'piece' ? step.fasteners[0] : undefined;
    if (step?.kind !== 'piece' || !group) throw new Error('no grille');
    expect([closeUp.filled(context, step, group, 'new'), closeUp.filled(context, step, group, 'old')]).toEqual([
      { old: 0, fresh: 2 },
      { old: 2, fresh: 0 },
    ]);
    expect(closeUp.countedAll(context, step, { counts: { bolts: 0 }, renewed: { bolts: 1 } })).toEqual({ old: 0, fresh: 1, places: 2 });
    expect(put({ bolts: 1 }, { bolts: 2 })).toEqual({ refused: [{ code: 'count', group: 'bolts', most: 2 }] });
    expect(put({ bolts: 0 }, { bolts: 2 })).toEqual({ events: [moved(0), { type: 'fastener.renewed', payload: { piece: 'grille', group: 'bolts', count: 2 } }] });
    write(log, put({ bolts: 2 }, { bolts: 0 }));
    // The old ones again: nothing is said to be new, and the lead is asked.
    expect([log.events.at(-1)?.type, log.state.tray.grille?.bolts?.renewed]).toEqual(['piece.moved', 0]);
    expect(closeUp.asked(now(log, docs).context, undefined).filter(({ code }) => code === 'used-again')).toMatchObject([
      { kind: 'question', data: { piece: 'grille', group: 'bolts', count: 2 }, about: 'again:grille/bolts' },
    ]);
  });

  test('a broken fastener leaves its place empty until a new one is in, with the piece or after it', () => {
    const log = opened();
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
    log.add('sensor.reconnected', { sensor: 'radar' });
    log.add('fastener.broken', { piece: 'grille', group: 'bolts', count: 1 });
    const { context, closing, step } = grille(log);
    const [group] = step.fasteners;
    if (!group) throw new Error('no bolts');
    expect([closeUp.readyOf(context, 'grille', group), closeUp.placesOf(context, 'grille', group)]).toEqual([1, 2]);
    expect([closeUp.filled(context, step, group, 'new'), closeUp.filled(context, step, group, 'old')]).toEqual([
      { old: 0, fresh: 2 },
      { old: 1, fresh: 0 },
    ]);
    const both = closeUp.putBack(context, closing, step, { counts: {}, renewed: { bolts: 1 }, lengthsMm: {} }, AT);
    expect(both).toMatchObject({ events: [{ payload: { fasteners: [{ group: 'bolts', count: 1 }] } }, { type: 'fastener.renewed', payload: { count: 1 } }] });
    write(log, closeUp.putBack(context, closing, step, { counts: {}, renewed: {}, lengthsMm: {} }, AT));
    const wanted = () => closeUp.asked(now(log).context, undefined).filter(({ code }) => code === 'fastener-wanting');
    expect(wanted()).toMatchObject([{ kind: 'question', data: { piece: 'grille', group: 'bolts', count: 1 }, about: 'wanting:grille/bolts' }]);
    const put = (old: number, fresh: number) => closeUp.putIn(now(log).context, 'grille', 'bolts', { old, fresh });
    expect(closeUp.emptyPlaces(now(log).context)).toEqual([{ piece: 'grille', group: 'bolts', ready: 0, places: 1, onceOnly: false }]);
    expect(put(1, 0)).toEqual({ refused: [{ code: 'count', group: 'bolts', most: 0 }] });
    expect(put(0, 2)).toEqual({ refused: [{ code: 'count', group: 'bolts', most: 1 }] });
    expect(codes(put(0, 0))).toEqual(['nothing']);
    write(log, put(0, 1));
    expect([wanted(), codes(put(0, 1))]).toEqual([[], ['already']]);
  });

  test('what was left out goes in later, without the piece being opened again', () => {
    const log = opened();
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
    log.add('sensor.reconnected', { sensor: 'radar' });
    const { context, closing, step } = grille(log);
    write(log, closeUp.putBack(context, closing, step, { counts: { bolts: 0 }, renewed: {}, lengthsMm: {} }, AT));
    const put = closeUp.putIn(now(log).context, 'grille', 'bolts', { old: 1, fresh: 1 });
    expect(put).toEqual({
      events: [
        { type: 'piece.moved', payload: { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 1 }] } },
        { type: 'fastener.renewed', payload: { piece: 'grille', group: 'bolts', count: 1 } },
      ],
    });
    write(log, put);
    // The whole one that a new one took the place of is not missed.
    expect([closeUp.emptyPlaces(now(log).context), now(log).context.state.tray.grille?.bolts]).toEqual([[], expect.objectContaining({ back: 1, renewed: 1, spent: 1 })]);
  });

  test('where look-alikes lie in the tray each place is asked, and only its own length is taken', () => {
    const [bolts] = VAN.pieces[0]?.fasteners ?? [];
    if (!bolts) throw new Error('no bolts');
    const pieces = VAN.pieces.map((piece) =>
      piece.id === 'grille'
        ? {
            ...piece,
            fasteners: [
              { ...bolts, lengthMm: 20 },
              { ...bolts, id: 'long', lengthMm: 30 },
            ],
          }
        : piece,
    );
    const docs = documents({ profile: { ...VAN, pieces } });
    const log = openedLog();
    write(log, openNext(log, docs));
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
    log.add('sensor.reconnected', { sensor: 'radar' });
    const put = (lengthsMm: Record<string, number>) => {
      const { context, closing } = now(log, docs);
      const step = closing.steps.find((entry) => entry.kind === 'piece' && entry.piece === 'grille');
      if (step?.kind !== 'piece') throw new Error('no grille');
      return codes(closeUp.putBack(context, closing, step, { counts: {}, renewed: {}, lengthsMm }, AT))[0];
    };
    expect([put({}), put({ bolts: 30, long: 20 }), put({ bolts: 20, long: 30 })]).toEqual(['bolts-asked', 'bolts-asked', 'piece.moved']);
  });

  test('what a kit takes the place of is bagged once it is off, once', () => {
    const log = openedLog();
    expect(codes(closeUp.bagged(now(log).context, 'old-lamp', 'box'))).toEqual(['already']);
    write(log, openNext(log));
    write(log, openNext(log));
    expect(codes(closeUp.bagged(now(log).context, 'old-lamp', ' '))).toEqual(['nothing']);
    write(log, closeUp.bagged(now(log).context, 'old-lamp', 'box'));
    expect(closeUp.toBag(now(log).context)).toEqual([]);
  });
});

describe('a measure that makes one wonder', () => {
  test('is kept with a word and not without one; the word goes where the measure goes', () => {
    const log = openedLog();
    expect(checkIn.batteryMeasured(now(log).context, 24.6)).toEqual({ refused: [{ code: 'doubtful', doubts: [{ code: 'other system', systemV: 12 }] }] });
    expect(checkIn.batteryMeasured(now(log).context, 12.5, ' not needed ')).toEqual({ events: [{ type: 'battery.measured', payload: { restV: 12.5 } }] });
    write(log, checkIn.batteryMeasured(now(log).context, 11.4, ' stood for a month '));
    expect([log.state.restV, log.state.measureWhy]).toEqual([11.4, { battery: 'stood for a month' }]);
    write(log, checkIn.batteryMeasured(now(log).context, 12.6));
    expect(log.state.measureWhy).toEqual({});
    expect(codes(checkIn.batteryMeasured(now(log).context, 11.4, 'x'.repeat(301)))).toEqual(['too-long']);
  });

  test('a gap leaving is held against how it came', () => {
    const log = openedLog();
    expect(codes(checkIn.gapMeasured(now(log).context, 'nowhere', 'before', 5))).toEqual(['unknown']);
    write(log, checkIn.gapMeasured(now(log).context, 'wing', 'before', 4.3));
    expect(checkIn.gapMeasured(now(log).context, 'wing', 'after', 5.6)).toEqual({ refused: [{ code: 'doubtful', doubts: [{ code: 'changed', beforeMm: 4.3 }] }] });
    write(log, checkIn.gapMeasured(now(log).context, 'wing', 'after', 5.6, 'clip was bent on arrival'));
    expect([log.state.gaps.after, log.state.measureWhy]).toEqual([{ wing: 5.6 }, { 'wing/after': 'clip was bent on arrival' }]);
  });
});

describe('what nobody saw is not written down', () => {
  test('a height measured at the lamp is no reading on the wall', () => {
    const log = openedLog();
    expect(codes(aim.measured(now(log, documents()).context, 'test-kit/lamp', 'before', 230, AT))).toEqual(['wall-first']);
    write(log, aim.referenced(now(log).context, 'test-kit/lamp', 381));
    expect(log.state.aims).toEqual({});
    expect(lampAims(now(log).context)[0]?.referenceMm).toBe(381);
    log.add('wall.set', { rule: 'fog', distanceMm: 10_000 });
    write(log, aim.measured(now(log).context, 'test-kit/lamp', 'before', 230, AT));
    write(log, aim.referenced(now(log).context, 'test-kit/lamp', 390));
    // The reading stays what it was; what it counts with is the height as it was measured last.
    expect(log.state.aims['test-kit/lamp']).toEqual({ before: { heightMm: 230, referenceMm: 381 } });
    expect(lampAims(now(log).context)[0]).toMatchObject({ referenceMm: 390, before: { errorMm: expect.closeTo(230 - (390 - 175), 6) } });
    expect(codes(aim.referenced(now(log).context, 'test-kit/lamp', 390))).toEqual(['already']);
  });

  test('the wall is not read before the height of the lamp is measured on this vehicle', () => {
    const log = openedLog();
    log.add('wall.set', { rule: 'fog', distanceMm: 10_000 });
    expect(codes(aim.measured(now(log).context, 'test-kit/lamp', 'after', 200, AT))).toEqual(['height-first']);
  });

  test('no wall is set by choosing a rule, and no floor by setting the wall', () => {
    const log = openedLog();
    expect(codes(aim.setWall(now(log).context, { rule: 'fog' }))).toEqual(['wall-first']);
    expect(codes(aim.measured(now(log).context, 'test-kit/lamp', 'after', 200, AT))).toEqual(['wall-first']);
    write(log, aim.setWall(now(log).context, { distanceMm: 7620 }));
    expect(log.state.wall).toEqual({ rule: 'fog', distanceMm: 7620 });
    write(log, aim.setWall(now(log).context, { floorAtWallMm: -12 }));
    expect(log.state.wall).toEqual({ rule: 'fog', distanceMm: 7620, floorAtWallMm: -12 });
  });

  test('as on arrival is said only of lamps that were tried on arrival', () => {
    const log = openedLog();
    expect(codes(handOver.othersAsOnArrival(now(log).context, AT))).toEqual(['nothing']);
    log.add('baseline.tried', { lamp: 'dipped', result: 'dim' });
    expect(handOver.othersAsOnArrival(now(log).context, AT)).toEqual({ events: [{ type: 'final.tried', payload: { lamp: 'dipped', result: 'dim' } }] });
  });
});

test('a match is confirmed with its options as they stand, once it is settled', () => {
  const log = openedLog();
  const optioned = { ...PAIR, options: [{ id: 'lens', label: 'Lens', default: 'clear', choices: [{ id: 'clear', label: 'Clear', consequence: 'x' }] }] };
  const docs = documents({ kits: [optioned] });
  expect(codes(match.confirm(now(log, { ...docs, year: undefined }).context, 'test-kit'))).toEqual(['year-first']);
  expect(codes(match.confirm(now(log, { ...docs, year: 2030 }).context, 'test-kit'))).toEqual(['does-not-fit']);
  expect(codes(match.confirm(now(log, docs).context, 'test-kit'))).toEqual(['option.chosen', 'match.confirmed']);
  expect(codes(match.choose(now(log, docs).context, 'test-kit', 'lens', 'green'))).toEqual(['unknown']);
});

test('gather counts only what is on the list, and the rest as listed only what was not counted', () => {
  const log = openedLog();
  expect(codes(gather.count(now(log).context, 'test-kit', 'nothing', 1))).toEqual(['unknown']);
  expect(gather.restAsListed(now(log).context, 'test-kit')).toEqual({ events: [{ type: 'content.counted', payload: { kit: 'test-kit', item: 'lamp', count: 1 } }] });
  log.add('content.counted', { kit: 'test-kit', item: 'lamp', count: 0 });
  expect(codes(gather.restAsListed(now(log).context, 'test-kit'))).toEqual(['nothing']);
});

test('a fact is one of its choices or not known; a plug is joined where it mates and a hand gets to it', () => {
  const log = openedLog();
  expect(codes(checkIn.recordFact(now(log).context, 'trim', 'known', 'gold'))).toEqual(['unknown']);
  write(log, checkIn.recordFact(now(log).context, 'trim', 'known', 'plain'));
  expect(codes(checkIn.recordFact(now(log).context, 'trim', 'known', 'plain'))).toEqual(['already']);
  const behind = documents({
    profile: { ...VAN, plugs: VAN.plugs.map((plug) => ({ ...plug, reach: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' as const }], extraMin: 0 }] })) },
  });
  expect(wire.join(now(log, behind).context, 'test-kit', 'joint', AT)).toEqual({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  expect(codes(wire.join(now(log, behind).context, 'test-kit', 'joint', AT))).toEqual(['plug.joined']);
  const other = documents({ kits: [{ ...PAIR, plugs: PAIR.plugs.map((plug) => ({ ...plug, keying: 'Z' })) }] });
  expect(codes(wire.join(now(log, other).context, 'test-kit', 'joint', AT))).toEqual(['does-not-mate']);
});

test('of a fact that is not known choices are ruled out one by one, never the last; of two there is nothing to rule out', () => {
  const three = documents({ profile: { ...VAN, facts: [...VAN.facts, { id: 'letter', label: 'Letter', choices: ['a', 'b', 'c'], howToSee: 'look', lookMin: 1 }] } });
  const log = openedLog();
  expect(checkIn.canRuleOut(now(log, three).context, 'letter')).toEqual([]);
  expect(codes(checkIn.ruleOut(now(log, three).context, 'letter', 'a'))).toEqual(['unknown']);
  write(log, checkIn.recordFact(now(log, three).context, 'letter', 'unknown'));
  write(log, checkIn.recordFact(now(log, three).context, 'trim', 'unknown'));
  expect([checkIn.canRuleOut(now(log, three).context, 'letter'), checkIn.canRuleOut(now(log, three).context, 'trim')]).toEqual([['a', 'b', 'c'], []]);
  for (const value of ['a', 'c']) write(log, checkIn.ruleOut(now(log, three).context, 'letter', value));
  expect(log.state.facts.letter).toEqual({ certainty: 'unknown', not: ['a', 'c'] });
  expect(codes(checkIn.ruleOut(now(log, three).context, 'letter', 'b'))).toEqual(['nothing']);
  write(log, checkIn.ruleOut(now(log, three).context, 'letter', 'a'));
  expect(factValues(log.state)).toEqual({ '!letter': 'c' });
  write(log, checkIn.recordFact(now(log, three).context, 'letter', 'known', 'a'));
  expect(log.state.facts.letter).toEqual({ certainty: 'known', value: 'a' });
});

test('a change of a supply says the fasteners that it counts: those of the piece that isolates it, what lies ready on the way back, none where it stands so already', () => {
  const [bolts] = VAN.pieces[0]?.fasteners ?? [];
  if (!bolts) throw new Error('no bolts');
  const terminal = { ...bolts, id: 'terminal', count: 3 };
  const docs = documents({ profile: { ...POWERED, pieces: POWERED.pieces.map((piece) => (piece.id === 'battery' ? { ...piece, fasteners: [terminal] } : piece)) } });
  const log = openedLog();
  const change = (to: 'dead' | 'live') => {
    const { context, closing } = now(log, docs);
    const step = closeUp.supplySwitch(context, 'low', to);
    if (!step) throw new Error('no supply');
    return { counts: closeUp.switchCounts(context, step), act: () => closeUp.switchSupply(context, closing, step) };
  };
  expect([change('dead').counts, change('live').counts]).toEqual([[{ group: 'terminal', count: 3 }], []]);
  expect(change('dead').act()).toMatchObject({
    events: [{ type: 'piece.moved', payload: { piece: 'battery', level: 'off', fasteners: [{ group: 'terminal', count: 3 }] } }, { type: 'supply.set' }],
  });
  write(log, change('dead').act());
  log.add('fastener.broken', { piece: 'battery', group: 'terminal', count: 1 });
  expect([change('dead').counts, change('live').counts]).toEqual([[], [{ group: 'terminal', count: 2 }]]);
  expect(change('live').act()).toMatchObject({ events: [{ payload: { level: 'fitted', fasteners: [{ group: 'terminal', count: 2 }] } }, { type: 'supply.set' }] });
});

test('a fault code is kept as the scanner shows it; one that is too long is not cut', () => {
  expect(checkIn.codeFound('before', ' b1a22 ')).toEqual({ events: [{ type: 'code.recorded', payload: { moment: 'before', code: 'B1A22' } }] });
  expect([checkIn.codeFound('before', ' '), checkIn.codeFound('after', 'x'.repeat(23))]).toEqual([
    { refused: [{ code: 'nothing' }] },
    { refused: [{ code: 'too-long', over: 3, most: 20 }] },
  ]);
});

describe('what cannot be undone', () => {
  const about = { kind: 'fit' as const, kit: 'test-kit', step: 'screw' };
  const drilled = documents({
    kits: [{ ...PAIR, fitments: PAIR.fitments.map((fitment) => ({ ...fitment, fitSteps: fitment.fitSteps.map((step) => ({ ...step, irreversible: true })) })) }],
  });

  test('a fitting step waits for a consent with a name, and is done with it', () => {
    const log = openedLog();
    const start = () => fit.passed(now(log, drilled).context, 'test-kit', 'screw', 'start', AT);
    expect(start()).toEqual({ refused: [{ code: 'consent-first', about }] });
    expect(codes(consented(now(log, drilled).context, about, '  '))).toEqual(['missing']);
    expect(consented(now(log, drilled).context, about, 'x'.repeat(161))).toEqual({ refused: [{ code: 'too-long', over: 1, most: 160 }] });
    write(log, consented(now(log, drilled).context, about, ' The owner, by telephone '));
    expect(log.state.consents).toEqual({ 'fit:test-kit/screw': 'The owner, by telephone' });
    expect(codes(consented(now(log, drilled).context, about, 'The owner, by telephone'))).toEqual(['already']);
    expect(codes(start())).toEqual(['step.passed']);
  });

  test('so does a piece by a way that cannot be undone, and another level of it still waits', () => {
    const cut = documents({
      profile: {
        ...VAN,
        pieces: VAN.pieces.map((piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: level.ways.map((way) => ({ ...way, irreversible: true })) })) })),
      },
    });
    const log = openedLog();
    const { context, plan } = now(log, cut);
    const step = plan?.steps[0];
    if (!plan || !step) throw new Error('no plan');
    const bars = () => openUp.against(now(log, cut).context, plan, step, AT).filter(({ code }) => code === 'consent-first');
    expect(bars()).toEqual([{ code: 'consent-first', about: { kind: 'piece', piece: step.piece, level: step.level } }]);
    write(log, consented(context, { kind: 'piece', piece: step.piece, level: 'loosened' }, 'the owner'));
    expect(bars()).toHaveLength(1);
    write(log, consented(context, { kind: 'piece', piece: step.piece, level: step.level }, 'the owner'));
    expect(bars()).toEqual([]);
  });
});

test('a signature has a line in it, and is given before the job is signed off', () => {
  const log = openedLog();
  const sign = (...points: number[][]) =>
    handOver.customerSigned(
      now(log).context,
      points.map((list) => ({ points: list })),
    );
  expect([codes(sign()), codes(sign([10, 20]))]).toEqual([['nothing'], ['nothing']]);
  expect(sign([10, 20], [5, 6, 90, 40])).toEqual({ events: [{ type: 'customer.signed', payload: { strokes: [{ points: [5, 6, 90, 40] }] } }] });
  log.add('job.signed', { atSeq: 1 });
  expect(codes(sign([5, 6, 90, 40]))).toEqual(['already']);
});

test('a calibration left to others says who and until when', () => {
  const log = openedLog();
  expect(sense.calibratedByOthers('radar', ' ', '')).toEqual({ refused: [{ code: 'missing', count: 2 }] });
  write(log, sense.calibratedByOthers('radar', ' the radar bench ', '2026-03-09'));
  expect(log.state.calibrated.radar).toEqual({ how: 'by others', by: 'the radar bench', dueOn: '2026-03-09' });
});
