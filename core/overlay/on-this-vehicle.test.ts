import { sumTaken } from '../schedule/index.ts';
import { emptyJob } from '../events/index.ts';
import { gatesOf, openingRequest, schoolOf, planOpening, planClosingOf, furtherKits } from '../plan/index.ts';
import { jobContext, partsToOrder, type JobContext } from '../job/index.ts';
import { onThisVehicle, type Accessory } from './index.ts';
import { piecesBack } from '../closing/index.ts';
import { standingOf } from '../stations/index.ts';
import { key } from '../subject/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';

const contextOf = (log: TestLog): JobContext => jobContext(log.state, { profile: VAN, kits: [PAIR], rules: RULES, year: 2022 });
const WINCH: Accessory = {
  accessory: 'found-winch',
  name: 'Winch plate',
  side: 'centre',
  zone: 'front',
  holds: ['grille'],
  openMin: 6,
  closeMin: 8,
  people: 2,
  drive: 'hex',
  size: '16 mm',
  count: 4,
};
const steps = (log: TestLog) => planOpening(contextOf(log)).steps.map((step) => step.piece);

test('without anything found the profile is the very same', () => {
  expect(onThisVehicle(VAN, openedLog().state)).toBe(VAN);
});

test('an accessory comes off before the pieces it holds and goes back after them, at its own minutes', () => {
  const log = openedLog();
  const before = planOpening(contextOf(log)).personMin;
  log.add('accessory.found', WINCH);
  expect(steps(log)).toEqual(['found-winch', 'grille', 'old-lamp']);
  const plan = planOpening(contextOf(log));
  // Two people: 2·6 to open and 2·8 to close.
  expect(plan.personMin).toBe(before + 28);
  expect(piecesBack(planClosingOf(contextOf(log), plan).steps).map((step) => step.piece)).toEqual(['grille', 'found-winch']);
  expect(contextOf(log).profile.pieces.at(-1)).toMatchObject({ name: 'Winch plate', box: VAN.pieces[0]?.box });
});

test('a blocked way is gone; where it was the only one the target is named and the rest is planned', () => {
  const log = openedLog();
  const blocked = log.add('way.blocked', { place: 'grille', level: 'off', way: 'front', why: 'bent' });
  const plan = planOpening(contextOf(log));
  expect(plan.problems.map((problem) => problem.code)).toContain('unreachable-target');
  expect(standingOf(contextOf(log), plan).stations.find((entry) => entry.station === 'open-up')?.state).toBe('blocked');
  log.add('undone', { event: blocked });
  expect(steps(log)).toEqual(['grille', 'old-lamp']);
});

test('a seized bolt costs its minutes and is ordered new', () => {
  const log = openedLog();
  const before = planOpening(contextOf(log)).openMin;
  log.add('fastener.seized', { piece: 'grille', group: 'bolts', count: 1, addMin: 6 });
  expect(planOpening(contextOf(log)).openMin).toBe(before + 6);
  expect(partsToOrder(contextOf(log), undefined)).toMatchObject([{ piece: 'grille', count: 1, why: 'seized' }]);
});

test('times taken elsewhere do not talk a seized bolt away', () => {
  const log = openedLog();
  const [way] = VAN.pieces[0]?.levels[0]?.ways ?? [];
  const taken = { [`grille/fitted>off/${way?.id ?? ''}`]: sumTaken([1, 1, 1]), 'grille/off>fitted': sumTaken([9]), 'old-lamp/fitted>off/w': sumTaken([2, 2]) };
  const median = (piece = 'grille') => planOpening({ ...contextOf(log), taken }).steps.find((step) => step.piece === piece)?.estimate;
  expect([median()?.taken, median('old-lamp')?.taken]).toEqual([3, 2]);
  log.add('fastener.seized', { piece: 'grille', group: 'bolts', count: 1, addMin: 6 });
  const own = VAN.pieces[0]?.levels[0]?.openMin ?? 0;
  expect(median()).toMatchObject({ taken: 0 });
  expect(median()?.medianMin).toBeCloseTo(own + 6, 9);
  // The others' times stand.
  expect(median('old-lamp')?.taken).toBe(2);
});

test('single-use fasteners are ordered as soon as they are planned to come out, broken ones when they break', () => {
  const log = openedLog();
  const single: JobContext = {
    ...contextOf(log),
    profile: { ...VAN, pieces: VAN.pieces.map((piece) => ({ ...piece, fasteners: piece.fasteners.map((group) => ({ ...group, singleUse: true })) })) },
  };
  expect(partsToOrder(single, undefined)).toEqual([]);
  expect(partsToOrder(single, planOpening(single))).toMatchObject([{ piece: 'grille', count: 2, why: 'single use' }]);
  log.add('fastener.broken', { piece: 'grille', group: 'bolts', count: 1 });
  expect(partsToOrder(contextOf(log), undefined)).toMatchObject([{ piece: 'grille', count: 1, why: 'broken' }]);
});

test('given up half way nothing more is opened, no kit is asked for, and what was replaced goes back too', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  log.add('opening.left', { why: 'kit went back' });
  const context = contextOf(log);
  const plan = planOpening(context);
  expect(plan.steps).toEqual([]);
  expect(piecesBack(planClosingOf(context, plan).steps).map((step) => step.piece)).toEqual(['old-lamp', 'grille']);
  const standing = standingOf(context, plan);
  expect(standing.missing.filter((hold) => ['wire', 'fit', 'aim', 'match', 'gather'].includes(hold.station))).toEqual([]);
  expect(standing.missing.map((hold) => hold.code)).toContain('piece-open');
  log.add('opening.resumed', { why: 'kit came' });
  expect(contextOf(log).state.left).toBeUndefined();
});

test('a way chosen by hand stands in the state until it is given back', () => {
  const log = openedLog();
  log.add('way.chosen', { place: 'grille', level: 'off', way: 'front' });
  expect(log.state.waysChosen).toEqual({ 'grille/off': 'front' });
  log.add('way.chosen', { place: 'grille', level: 'off' });
  expect(log.state.waysChosen).toEqual({});
  log.add('order.chosen', { school: 'prove one side first', people: 2 });
  expect(log.state.order).toEqual({ school: 'prove one side first', people: 2 });
});

test('kits of the library that also go on this vehicle are offered, those ruled out and those on the job are not', () => {
  const other = { ...PAIR, slug: 'other' };
  const never = { ...PAIR, slug: 'never', fitments: PAIR.fitments.map((fitment) => ({ ...fitment, years: { from: 1990, to: 1991 } })) };
  const elsewhere = { ...PAIR, slug: 'elsewhere', fitments: PAIR.fitments.map((fitment) => ({ ...fitment, vehicle: 'x' })) };
  expect(furtherKits(contextOf(openedLog()), [PAIR, other, never, elsewhere])).toEqual([{ kit: 'other', mounts: ['place'], replaces: ['old-lamp'] }]);
});

test('an adjuster behind the grille makes aiming a gate before the grille goes back; in, by others or named it is behind', () => {
  const profile = { ...VAN, mounts: VAN.mounts.map((mount) => ({ ...mount, adjusterHiddenBy: [{ piece: 'grille', level: 'off' as const }] })) };
  const log = openedLog();
  const context = () => jobContext(log.state, { profile, kits: [PAIR], rules: RULES, year: 2022 });
  const open = () =>
    piecesBack(planClosingOf(context(), undefined).steps)
      .find((step) => step.piece === 'grille')
      ?.gates.filter((gate) => !gate.passed)
      .map((gate) => key(gate.subject));
  const aimed = () => gatesOf(context(), undefined).find((gate) => gate.subject.kind === 'aim')?.passed;
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  expect(open()).toEqual(['joint:test-kit/joint', 'test:test-kit/lights', 'aim:test-kit/lamp']);
  expect(aimed()).toBe(false);
  // The mark of a lamp whose lower edge is at 374 mm lies at 374 − 175 = 199 mm at 10 m, 25 mm either way.
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: 0 });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'before', heightMm: 199, referenceMm: 374 });
  expect(aimed()).toBe(false);
  const out = log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 230, referenceMm: 374 });
  expect(aimed()).toBe(false);
  const named = log.add('exception.named', { about: 'aim:test-kit/lamp', note: 'agreed' });
  expect(aimed()).toBe(true);
  log.add('undone', { event: named });
  log.add('undone', { event: out });
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [] });
  const codes = () =>
    standingOf(context(), planOpening(context()))
      .stations.find((entry) => entry.station === 'close-up')
      ?.holds.map((hold) => hold.code);
  expect(codes()).toEqual(expect.arrayContaining(['covered-untested', 'covered-unaimed']));
  const others = log.add('aim.by-others', { lamp: 'test-kit/lamp', by: 'test lane' });
  expect(aimed()).toBe(true);
  expect(codes()).not.toContain('covered-unaimed');
  log.add('undone', { event: others });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 205, referenceMm: 374 });
  expect(aimed()).toBe(true);
});

test('with a kit that is new to the shop one side is proved first, until another order is chosen', () => {
  const log = openedLog();
  expect([schoolOf(contextOf(log)), schoolOf({ ...contextOf(log), newKit: true })]).toEqual(['least set-up', 'prove one side first']);
  expect(openingRequest({ ...contextOf(log), newKit: true })).toMatchObject({ school: 'prove one side first', people: 1 });
  log.add('order.chosen', { school: 'least set-up', people: 2 });
  expect(openingRequest({ ...contextOf(log), newKit: true })).toMatchObject({ school: 'least set-up', people: 2 });
});

test('aged clips break more often: at 0.1 a year beyond four, a van of 2020 opened in 2026 has 1.2 times the allowance', () => {
  const log = openedLog();
  const brittle = { ...VAN, pieces: VAN.pieces.map((piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, breakage: { chance: 0.1, replaceMin: 10 } })) })) };
  const plan = (year: number | undefined, ageing = true) => {
    const rules = ageing ? { ...RULES, ageing: { fromYears: 4, perYear: 0.1 } } : RULES;
    return planOpening(jobContext(log.state, { profile: brittle, kits: [PAIR], rules, year }));
  };
  expect(log.state.openedYear).toBe(2026);
  // Grille and old lamp, a minute of allowance each.
  expect(plan(2020).breakageMin).toBeCloseTo(2.4, 9);
  expect([plan(2024).breakageMin, plan(undefined).breakageMin, plan(2020, false).breakageMin]).toEqual([2, 2, 2]);
});

test('a way of a mount position is blocked alone, and a way blocked to a level is so to the higher levels that go by it', () => {
  const log = openedLog();
  log.add('way.blocked', { place: 'place', way: 'w', why: 'a bracket stands there' });
  const lost = planOpening(contextOf(log));
  expect(lost.problems).toEqual([{ code: 'unreachable-target', target: 'place' }]);
  const ways = (level: 'loosened' | 'off') => ({ level, openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'below', needs: [], extraMin: 0 }] });
  const staged = { ...VAN, pieces: VAN.pieces.map((piece) => (piece.id === 'grille' ? { ...piece, levels: [ways('loosened'), ways('off')] } : piece)) };
  const open = (level: 'loosened' | 'off') => {
    const blocked = [{ place: 'grille', level, way: 'below', why: 'bent' }];
    return onThisVehicle(staged, { described: emptyJob().described, reached: {}, came: {}, accessories: {}, seized: [], populated: {}, plugsFound: {}, colours: {}, blocked })
      .pieces.find((piece) => piece.id === 'grille')
      ?.levels.map((entry) => entry.ways.length);
  };
  expect([open('loosened'), open('off')]).toEqual([
    [0, 0],
    [1, 0],
  ]);
});

describe('this one vehicle', () => {
  const [grille, lamp] = VAN.pieces;
  if (!grille || !lamp) throw new Error('no pieces');
  const boxed: VehicleProfile = {
    ...VAN,
    pieces: [
      { ...grille, box: { xMm: [10, 50], yMm: [-300, -100], zMm: [200, 260] } },
      { ...lamp, box: { xMm: [40, 90], yMm: [-150, 20], zMm: [180, 250] } },
    ],
  };
  const on = (part: Partial<Parameters<typeof onThisVehicle>[1]>, profile = boxed) =>
    onThisVehicle(profile, {
      described: emptyJob().described,
      reached: {},
      came: {},
      accessories: {},
      blocked: [],
      seized: [],
      populated: {},
      plugsFound: {},
      colours: {},
      ...part,
    });
  const found = (accessory: Accessory) => on({ accessories: { [accessory.accessory]: accessory } });

  test('an accessory is a piece around those it holds, with its own fixings, that says what to note first', () => {
    expect(found({ ...WINCH, holds: ['grille', 'old-lamp'] }).pieces.at(-1)).toEqual({
      id: 'found-winch',
      name: 'Winch plate',
      side: 'centre',
      zone: 'front',
      box: { xMm: [10, 90], yMm: [-300, 20], zMm: [180, 260] },
      levels: [{ level: 'off', openMin: 6, closeMin: 8, people: 2, ways: [{ id: 'by-itself', needs: [], extraMin: 0 }] }],
      fasteners: [
        {
          id: 'fixings',
          drive: 'hex',
          size: '16 mm',
          count: 4,
          place: 'as found',
          side: 'centre',
          singleUse: false,
          release: 'unscrew',
          tighten: { snug: 'steel' },
          atLevel: 'off',
        },
      ],
      cautions: [{ text: 'Found on this vehicle: note how it was fitted and wired before it comes off.' }],
    });
    expect(found({ ...WINCH, holds: [], count: 0 }).pieces.at(-1)).toMatchObject({ fasteners: [], box: { xMm: [0, 100], yMm: [-100, 100], zMm: [300, 400] } });
  });

  test('only what it holds waits for it', () => {
    const needs = found(WINCH).pieces.map((piece) => [piece.id, piece.levels[0]?.ways[0]?.needs.map((need) => `${need.piece} ${need.level}`)]);
    expect(needs).toEqual([
      ['grille', ['found-winch off']],
      ['old-lamp', ['grille off']],
      ['found-winch', []],
    ]);
  });

  const level = (name: 'loosened' | 'folded' | 'off', ways: string[], people = 1) => ({
    level: name,
    openMin: 1,
    closeMin: 1,
    people,
    ways: ways.map((id) => ({ id, needs: [], extraMin: 0 })),
  });
  const staged = { ...VAN, pieces: [{ ...grille, levels: [level('loosened', ['a', 'b'], 2), level('off', ['a', 'b'], 4)] }, lamp] };
  const waysOf = (blocked: Parameters<typeof onThisVehicle>[1]['blocked']) => on({ blocked }, staged).pieces[0]?.levels.map((entry) => entry.ways.map((way) => way.id).join(''));

  test('a way is blocked at its own place, by its own name, from its own level on', () => {
    const block = (part: object) => waysOf([{ place: 'grille', way: 'a', why: 'x', level: 'off', ...part }]);
    expect(block({})).toEqual(['ab', 'b']);
    expect(block({ level: 'loosened' })).toEqual(['b', 'b']);
    expect(block({ place: 'old-lamp' })).toEqual(['ab', 'ab']);
    expect(block({ way: 'c' })).toEqual(['ab', 'ab']);
    // Without a level it is the way to a place, not to a piece.
    expect(block({ level: undefined })).toEqual(['ab', 'ab']);
    const place = (blocked: object) => on({ blocked: [{ place: 'place', way: 'w', why: 'x', ...blocked }] }).mounts[0]?.reach.length;
    expect([place({}), place({ level: 'off' }), place({ way: 'other' }), place({ place: 'grille' })]).toEqual([0, 1, 1, 1]);
  });

  test('seized bolts add to the levels at which they come out, shared by the people of the step; those of other pieces add nothing', () => {
    const bolts = grille.fasteners[0];
    if (!bolts) throw new Error('no bolts');
    const piece = {
      ...grille,
      levels: staged.pieces[0]?.levels ?? [],
      fasteners: [
        { ...bolts, atLevel: 'off' as const },
        { ...bolts, id: 'nuts', atLevel: 'loosened' as const },
      ],
    };
    const minutes = (seized: { piece: string; group: string }[]) =>
      on({ seized: seized.map((entry) => ({ ...entry, count: 1, addMin: 6 })) }, { ...VAN, pieces: [piece, lamp] }).pieces[0]?.levels.map((entry) => entry.openMin);
    expect(minutes([{ piece: 'grille', group: 'bolts' }])).toEqual([1, 1 + 6 / 4]);
    expect(minutes([{ piece: 'grille', group: 'nuts' }])).toEqual([1 + 6 / 2, 1 + 6 / 4]);
    expect(
      minutes([
        { piece: 'grille', group: 'nuts' },
        { piece: 'grille', group: 'bolts' },
      ]),
    ).toEqual([1 + 6 / 2, 1 + 12 / 4]);
    expect(
      minutes([
        { piece: 'old-lamp', group: 'bolts' },
        { piece: 'grille', group: 'rivets' },
      ]),
    ).toEqual([1, 1]);
  });

  test('a plug that was found stands beside the others, its wires not known; a profile that has learned it since has it once', () => {
    const lead = { plug: 'found-lead', name: 'Lead', where: 'behind', side: 'left' as const, may: [], rows: 1, columns: 1, pins: [{ id: '1', row: 1, column: 1, colour: 'red' }] };
    const { plugs } = on({ plugsFound: { 'found-lead': lead } });
    expect(plugs.slice(0, -1)).toEqual(boxed.plugs);
    expect(plugs.at(-1)).toMatchObject({ id: 'found-lead', name: 'Lead', whereToLook: 'behind', side: 'left', pins: [{ id: '1', carries: 'unknown', colour: 'red' }] });
    expect(on({ plugsFound: { 'found-lead': lead } }, { ...boxed, plugs }).plugs).toEqual(plugs);
  });
});
