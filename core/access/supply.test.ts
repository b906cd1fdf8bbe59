import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { LevelNeed, MountPosition, Piece, Side, Supply, SupplyAsk } from '../vehicle/index.ts';
import { cycleMin, idleOfOrder, planAccess, sequence, type AccessRequest, type SequenceStep } from './index.ts';

const DEAD: SupplyAsk[] = [{ supply: 'low', is: 'dead' }];
const off = (piece: string): LevelNeed => ({ piece, level: 'off' });
const piece = (id: string, openMin: number, part: Partial<Piece['levels'][number]> = {}, side: Side = 'centre'): Piece =>
  barePiece(id, { side, levels: [{ level: 'off', openMin, closeMin: openMin, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }], ...part }] });
const through = (...needs: string[]) => [{ id: 'w', needs: needs.map(off), extraMin: 0 }];
const mount = (id: string, side: Side, ...needs: string[]): MountPosition => ({
  id,
  name: id,
  side,
  at: { xMm: 0, yMm: 0, zMm: 0 },
  reach: [{ id: 'w', needs: needs.map(off), extraMin: 0 }],
  hiddenBy: [],
});
/** Five minutes until it is dead; two for what is forgotten. */
const BATTERY: Supply = { id: 'low', name: 'Battery', piece: 'battery', level: 'off', waitMin: 5, liveMin: 2, by: 'anyone', before: ['Keys out'], forgets: ['Clock'] };
/** Airbag trim that goes dead only, beside two panels of three minutes that ask for nothing. */
const CABIN = bareProfile({
  pieces: [piece('cover', 1), piece('battery', 1, { ways: through('cover') }), piece('trim', 2, { asks: DEAD }), piece('panel', 3), piece('console', 3)],
  mounts: [mount('roof', 'centre', 'trim', 'panel', 'console')],
  supplies: [BATTERY],
});
const ask = (part: Partial<AccessRequest> = {}): AccessRequest => ({
  profile: CABIN,
  facts: {},
  mounts: ['roof'],
  present: [],
  replaced: [],
  rules: { sequence: { sideMin: 0, zoneMin: 0, toolMin: 0, helperMin: 0, positionMin: 0 } },
  ...part,
});
const order = (request: AccessRequest) => planAccess(request).steps.map((step) => step.piece);

test('airbag trim comes off after the battery, which is counted once and marked as what isolates', () => {
  const plan = planAccess(ask());
  expect(plan.problems).toEqual([]);
  // Opening and closing of all five: 2·(1 + 1 + 2 + 3 + 3).
  expect(plan.personMin).toBe(20);
  expect(plan.steps.find((step) => step.piece === 'battery')).toMatchObject({ isolates: 'low', dead: [], prepare: [{ code: 'before-dead', what: 'Keys out' }] });
  expect(plan.steps.find((step) => step.piece === 'trim')).toMatchObject({ dead: ['low'] });
});

test('alone, the battery goes off first and the panels fill the wait: nothing is left to wait for', () => {
  expect(order(ask()).slice(0, 2)).toEqual(['cover', 'battery']);
  expect(order(ask()).at(-1)).toBe('trim');
  // 3 + 3 of panels against a wait of 5.
  expect(planAccess(ask())).toMatchObject({ waitMin: 0 });
  const short = { ...CABIN, supplies: [{ ...BATTERY, waitMin: 10 }] };
  // 10 less 6 minutes of panels are left to wait.
  expect(planAccess(ask({ profile: short }))).toMatchObject({ waitMin: 4 });
});

test('with two people the wait runs beside both lanes and occupies nobody: 1 + 1 + 5 + 2 minutes', () => {
  const plan = planAccess(ask({ people: 2 }));
  expect(plan.lanes?.elapsedMin).toBe(9);
  const at = (id: string) => plan.lanes?.entries[plan.steps.findIndex((step) => step.piece === id)];
  expect((at('trim')?.startMin ?? 0) - (at('battery')?.endMin ?? 0)).toBeGreaterThanOrEqual(5);
});

test('isolated already, it is dead from its moment on: what is left of the wait still counts', () => {
  const present: AccessRequest['present'] = [
    { piece: 'cover', level: 'off' },
    { piece: 'battery', level: 'off' },
  ];
  expect(order(ask({ present }))).not.toContain('battery');
  // 8 minutes left, 6 of them filled with the panels.
  expect(planAccess(ask({ present, untilDeadMin: { low: 8 } }))).toMatchObject({ waitMin: 2 });
});

test('an isolation that cannot be reached makes what asks for it unreachable, by name', () => {
  const locked = { ...CABIN, pieces: CABIN.pieces.map((entry) => (entry.id === 'cover' ? { ...entry, levels: entry.levels.map((level) => ({ ...level, ways: [] })) } : entry)) };
  expect(planAccess(ask({ profile: locked })).problems).toEqual([{ code: 'unreachable-target', target: 'roof' }]);
});

describe('one side first', () => {
  const BOTH = bareProfile({
    pieces: [piece('battery', 1), piece('left', 2, { asks: DEAD }, 'left'), piece('right', 2, { asks: DEAD }, 'right')],
    mounts: [mount('left-place', 'left', 'left'), mount('right-place', 'right', 'right')],
    supplies: [BATTERY],
  });
  const both = (part: Partial<AccessRequest> = {}) => planAccess(ask({ profile: BOTH, mounts: ['left-place', 'right-place'], provedLive: ['low'], ...part }));

  test('is priced with its second cycle: battery back 1 and off 1, 2 for what is forgotten, 5 until it is dead', () => {
    expect(both().schools.oneSideFirst).toMatchObject({ cycleMin: 9, first: 2 });
    expect(both({ provedLive: [] }).schools.oneSideFirst).toMatchObject({ cycleMin: 0 });
  });

  test('has no second cycle where only one side works dead', () => {
    const one = { ...BOTH, pieces: BOTH.pieces.map((entry) => (entry.id === 'right' ? piece('right', 2, {}, 'right') : entry)) };
    expect(both({ profile: one }).schools.oneSideFirst).toMatchObject({ cycleMin: 0 });
  });

  test('is not offered where the test of that side could not run: what it opened must not be live', () => {
    const bare = (id: string, side: Side) => piece(id, 2, { asks: DEAD, deadWhileOpen: ['low'] }, side);
    const kept = { ...BOTH, pieces: [piece('battery', 1), bare('left', 'left'), bare('right', 'right')] };
    expect(both({ profile: kept }).schools.oneSideFirst).toBeUndefined();
  });

  test('is priced by the levels that are named: the right piece, its level, and minutes of that level', () => {
    const clamp = (id: string, openMin: number, closeMin: number): Piece =>
      barePiece(id, {
        levels: [
          { level: 'loosened', openMin, closeMin, people: 1, ways: through() },
          { level: 'off', openMin: 50, closeMin: 60, people: 1, ways: through() },
        ],
      });
    const profile = { pieces: [clamp('other', 11, 13), clamp('clamp', 3, 4)] };
    // 3 + 4, live 2, dead again after 5.
    expect(cycleMin({ ...BATTERY, piece: 'clamp', level: 'loosened' }, profile)).toBe(14);
    expect(cycleMin({ ...BATTERY, piece: 'clamp', level: 'off' }, profile)).toBe(117);
    expect(cycleMin({ ...BATTERY, piece: 'gone' }, profile)).toBe(7);
    expect(cycleMin({ ...BATTERY, piece: 'clamp', level: 'hung' }, profile)).toBe(7);
  });

  test('has a second cycle where the first side only opens past the isolation, and none where the later side asks for nothing', () => {
    // The battery is in the way of the left place, which itself is worked on live; the right side is worked on dead.
    const path = {
      ...BOTH,
      pieces: [piece('battery', 1), piece('left', 2, { ways: through('battery') }, 'left'), piece('right', 2, { asks: DEAD }, 'right')],
    };
    expect(both({ profile: path, provingSide: 'left' }).schools.oneSideFirst).toMatchObject({ side: 'left', cycleMin: 9, first: 2 });
    expect(both({ profile: path, provingSide: 'right' }).schools.oneSideFirst).toMatchObject({ side: 'right', cycleMin: 0, first: 2 });
    // The cheaper of both is the one without.
    expect(both({ profile: path }).schools.oneSideFirst).toMatchObject({ side: 'right', cycleMin: 0 });
  });

  test('is refused only for what it opens so far that the supply must stay dead, and only where a test wants that supply', () => {
    const bare = (level: 'loosened' | 'off') =>
      barePiece('left', {
        side: 'left',
        levels: [
          { level: 'loosened', openMin: 1, closeMin: 1, people: 1, ways: through(), ...(level === 'loosened' ? { deadWhileOpen: ['low' as const] } : {}) },
          { level: 'off', openMin: 2, closeMin: 2, people: 1, ways: through(), ...(level === 'off' ? { deadWhileOpen: ['low' as const] } : {}) },
        ],
      });
    const eased: MountPosition = { ...mount('left-place', 'left'), reach: [{ id: 'w', needs: [{ piece: 'left', level: 'loosened' }], extraMin: 0 }] };
    const sides = (level: 'loosened' | 'off', part: Partial<AccessRequest> = {}) => {
      const profile = { ...BOTH, pieces: [piece('battery', 1), bare(level), piece('right', 2, {}, 'right')], mounts: [eased, mount('right-place', 'right', 'right')] };
      return both({ profile, provingSide: 'left', ...part }).schools.oneSideFirst?.side;
    };
    expect([sides('loosened'), sides('off'), sides('loosened', { provedLive: [] }), sides('loosened', { provedLive: ['high'] })]).toEqual([undefined, 'left', 'left', 'left']);
    // The other side of it is not touched by that.
    expect(sides('loosened', { provingSide: 'right' })).toBe('right');
  });

  test('what serves both sides comes first, and a piece that no place needs goes by its own side', () => {
    const shared = bareProfile({
      pieces: [
        piece('skin', 4),
        piece('left', 2, { ways: through('skin') }, 'left'),
        piece('right', 2, { ways: through('skin') }, 'right'),
        piece('old', 1, {}, 'right'),
        piece('older', 1, {}, 'left'),
      ],
      mounts: [mount('left-place', 'left', 'left'), mount('right-place', 'right', 'right')],
    });
    const said = (side: 'left' | 'right') => {
      const plan = both({ profile: shared, school: 'prove one side first', provingSide: side, replaced: ['old', 'older'] });
      return [
        plan.proveAfter,
        plan.steps
          .slice(0, plan.proveAfter)
          .map((step) => step.piece)
          .sort(),
      ];
    };
    expect([said('left'), said('right')]).toEqual([
      [3, ['left', 'older', 'skin']],
      [3, ['old', 'right', 'skin']],
    ]);
  });

  test('stays with the side that was begun, also when the other would now be cheaper', () => {
    expect(both({ school: 'prove one side first', provingSide: 'right' })).toMatchObject({ proveAfter: 2, schools: { oneSideFirst: { side: 'right' } } });
    const begun = both({ school: 'prove one side first', provingSide: 'right', mounts: ['left-place'], present: [{ piece: 'right', level: 'off' }] });
    // Nothing more is to be opened for the right side: what is left waits for its proof.
    expect(begun).toMatchObject({ proveAfter: 0 });
  });
});

test('each supply is waited for by its own time from its own isolation, which may be the very first step', () => {
  const high: Supply = { id: 'high', name: 'High voltage', piece: 'switch', level: 'off', waitMin: 7, liveMin: 1, by: 'qualified people', before: [], forgets: [] };
  const cabin = bareProfile({
    pieces: [
      piece('battery', 1),
      piece('switch', 1),
      piece('trim', 2, { asks: DEAD }),
      piece('box', 2, { asks: [{ supply: 'high', is: 'dead' }] }),
      piece('plain', 2, { asks: [{ supply: 'low', is: 'live' }] }),
    ],
    mounts: [mount('box-place', 'centre', 'box'), mount('trim-place', 'centre', 'trim'), mount('plain-place', 'centre', 'plain')],
    supplies: [BATTERY, high],
  });
  const waits = (mounts: string[]) => planAccess(ask({ profile: cabin, mounts })).waitMin;
  expect([waits(['trim-place']), waits(['box-place']), waits(['plain-place'])]).toEqual([5, 7, 0]);
  // Both: the switch, the battery 1 after it; the trim at 1 + 1 + 5, two minutes; the box at 1 + 7 is through by then: 5 to wait.
  expect(waits(['trim-place', 'box-place'])).toBe(5);
  const alone = planAccess(ask({ profile: cabin, mounts: ['trim-place'], people: 2 }));
  expect([alone.waitMin, alone.lanes?.elapsedMin, alone.steps.map((step) => step.setUpMin)]).toEqual([0, 8, [0, 0]]);
});

test('what is not dead yet by the time that is left waits for that supply only', () => {
  const present: AccessRequest['present'] = [
    { piece: 'cover', level: 'off' },
    { piece: 'battery', level: 'off' },
  ];
  expect(planAccess(ask({ present, untilDeadMin: { low: 10 } })).waitMin).toBe(4);
  expect(planAccess(ask({ present, untilDeadMin: { high: 10 } })).waitMin).toBe(0);
  expect(planAccess(ask({ present })).waitMin).toBe(0);
});

test('an order with waits is as short as any, on all orders of five steps', () => {
  const set = { side: 0, zone: 0, tool: 50, helper: 0, position: 0 };
  const step = (duration: number, tool: string, part: Partial<SequenceStep> = {}): SequenceStep => ({
    side: 'centre',
    zone: 'front',
    tools: [tool],
    people: 1,
    before: [],
    duration,
    ...part,
  });
  const steps = [step(100, 'a'), step(100, 'b', { before: [0] }), step(300, 'c'), step(200, 'a', { before: [1], waits: [{ step: 1, lag: 400 }] }), step(150, 'b')];
  const spent = (list: number[]) => {
    const tools = list.reduce((sum, index, place) => sum + (place > 0 && steps[list[place - 1] ?? 0]?.tools[0] === steps[index]?.tools[0] ? 0 : 50), 0);
    return tools + idleOfOrder(steps, list, set);
  };
  const permute = (rest: number[]): number[][] =>
    rest.length === 0 ? [[]] : rest.flatMap((index) => permute(rest.filter((other) => other !== index)).map((list) => [index, ...list]));
  const valid = permute([0, 1, 2, 3, 4]).filter((list) => list.every((index, place) => (steps[index]?.before ?? []).every((earlier) => list.indexOf(earlier) < place)));
  expect(spent(sequence(steps, set).order)).toBe(Math.min(...valid.map(spent)));
});
