import { bareGroup, barePiece, bareProfile } from '../test/bare-profile.ts';
import { RULES } from '../job/test/log.ts';
import type { FastenerGroup, LevelNeed, MountPosition, OpenLevel, Piece, VehicleProfile, Way } from '../vehicle/index.ts';
import { sumTaken } from '../schedule/index.ts';
import { tangled } from './test/generated.ts';
import {
  explainPlan,
  lookAlikeGroups,
  lookAlikeTools,
  planAccess,
  planChange,
  planOf,
  remainingPlan,
  requestedProblem,
  type AccessPlan,
  type AccessRequest,
  type AccessWay,
  type FurtherKit,
} from './index.ts';

const way = (id: string, needs: string[] = [], part: Partial<Way> = {}): Way => ({ id, needs: needs.map((piece) => ({ piece, level: 'off' })), extraMin: 0, ...part });
const off = (id: string, minutes: number, ways: Way[], part: Partial<Piece> = {}): Piece =>
  barePiece(id, { levels: [{ level: 'off', openMin: minutes, closeMin: minutes, people: 1, ways }], ...part });
const mount = (id: string, side: 'left' | 'right', reach: Way[]): MountPosition => ({ id, name: id, side, at: { xMm: 900, yMm: 0, zMm: 400 }, reach, hiddenBy: [] });

/** A skin behind a grille, in front of both fog places; each place also through its own arch. */
const VAN: VehicleProfile = bareProfile({
  pieces: [
    off('grille', 2, [way('front')]),
    off('skin', 9, [way('front', ['grille'])], { painted: true, witness: 'the bracket slots' }),
    off('liner-left', 6, [way('arch', [], { position: { kind: 'wheels', place: 'right' } })], { side: 'left', zone: 'left-side' }),
    off('liner-right', 6, [way('arch', [], { position: { kind: 'wheels', place: 'left' } })], { side: 'right', zone: 'right-side' }),
  ],
  mounts: [
    mount('fog-left', 'left', [way('behind-skin', ['skin']), way('through-arch', ['liner-left'])]),
    mount('fog-right', 'right', [way('behind-skin', ['skin']), way('through-arch', ['liner-right'])]),
    mount('bar', 'left', [way('behind-grille', ['grille'])]),
  ],
});
const ask = (part: Partial<AccessRequest> = {}): AccessRequest => ({
  profile: VAN,
  facts: {},
  mounts: ['fog-left', 'fog-right'],
  present: [],
  replaced: [],
  rules: RULES,
  ...part,
});
const pieces = (plan: AccessPlan) => plan.steps.map((step) => step.piece);
function explained(request: AccessRequest, further: FurtherKit[] = []) {
  const search = explainPlan(request, planAccess(request), further);
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

test('grille and skin, 2·(2 + 9) = 22, are less than two liners, 2·2·6 = 24; a way chosen by hand is taken at its price', () => {
  expect(planAccess(ask())).toMatchObject({ personMin: 22, openMin: 11, closeMin: 11 });
  const chosen = planAccess(ask({ chosen: { 'fog-left': 'through-arch' } }));
  // The left liner 12, and for the right its liner 12.
  expect(chosen.personMin).toBe(24);
  expect(pieces(chosen).sort()).toEqual(['liner-left', 'liner-right']);
});

test('a level chosen by hand is opened although the least plan leaves it shut', () => {
  const plan = planAccess(ask({ chosen: { 'liner-left/off': 'arch' } }));
  // The liner 12 reaches the left place; the right one then costs 12 by its liner rather than 22.
  expect(plan.personMin).toBe(24);
  expect(pieces(plan)).toContain('liner-left');
});

test('a way chosen by hand that is none of the ways changes nothing; of several ways of a level the chosen one is taken', () => {
  expect(planAccess(ask({ chosen: { 'fog-left': 'by-magic' } }))).toEqual(planAccess(ask()));
  const two = { ...VAN, pieces: VAN.pieces.map((piece) => (piece.id === 'grille' ? off('grille', 2, [way('front'), way('below', [], { extraMin: 4 })]) : piece)) };
  const chosen = planAccess(ask({ profile: two, chosen: { 'grille/off': 'below' } }));
  expect(chosen.steps.find((step) => step.piece === 'grille')?.way).toBe('below');
  // It is paid for although the liners would now be 2 cheaper: the grille 4 + 4 and both liners 24 are more than skin and grille 26.
  expect(chosen.personMin).toBe(26);
  // Pieces opened by hand for themselves are named apart from the places.
  expect(
    planAccess(ask({ chosen: { 'liner-left/off': 'arch', 'grille/off': 'front' } }))
      .targetWays.map((entry) => entry.target)
      .sort(),
  ).toEqual(['chosen/grille/off', 'chosen/liner-left/off', 'fog-left', 'fog-right']);
});

test('where nothing is to be reached or replaced, a way chosen by hand opens nothing; where something is replaced it does', () => {
  const chosen = { 'liner-left/off': 'arch' };
  expect(pieces(planAccess(ask({ mounts: [], chosen })))).toEqual([]);
  expect(pieces(planAccess(ask({ mounts: [], replaced: ['grille'], chosen }))).sort()).toEqual(['grille', 'liner-left']);
  expect(pieces(planAccess(ask({ mounts: ['bar'], chosen }))).sort()).toEqual(['grille', 'liner-left']);
});

test('each piece says which places it is opened for, what it stands behind as well', () => {
  const plan = planAccess(ask({ mounts: ['fog-left', 'fog-right', 'bar'], replaced: ['liner-right'] }));
  // The right liner is replaced, so the right place is reached through its arch; the left one behind the skin would be 22, its own liner 12.
  expect(plan.neededBy).toEqual({ grille: ['bar'], 'liner-left': ['fog-left'], 'liner-right': ['fog-right'] });
  expect(planAccess(ask({ mounts: ['fog-left', 'fog-right', 'bar'] })).neededBy).toEqual({ grille: ['fog-left', 'fog-right', 'bar'], skin: ['fog-left', 'fog-right'] });
});

test('set-up stands at the step that it comes before, tools in the order first needed, and the most people at once', () => {
  const bolt = (size: string) => bareGroup(size, { size });
  const heavy = off('heavy', 3, [way('w', ['light'])], { side: 'right', zone: 'rear', fasteners: [bolt('10 mm'), bolt('13 mm')] });
  const two = { ...heavy, levels: heavy.levels.map((level) => ({ ...level, people: 3 })) };
  const profile = { ...VAN, pieces: [two, off('light', 1, [way('w')], { side: 'left', fasteners: [bolt('10 mm')] })], mounts: [mount('m', 'right', [way('w', ['heavy'])])] };
  const plan = planAccess(ask({ profile, mounts: ['m'] }));
  // The tool 0.2; then side 0.5, zone 0.3, the second tool 0.2, a helper 1.
  expect(plan.steps.map((step) => [step.piece, step.slot, step.setUpMin])).toEqual([
    ['light', 1, 0.2],
    ['heavy', 2, 2],
  ]);
  expect([plan.tools, plan.mostPeople, plan.setUpMin, plan.schools.leastSetUpMin]).toEqual([['10 mm hex', '13 mm hex'], 3, 2.2, 2.2]);
  expect(planAccess(ask({ mounts: [] }))).toMatchObject({ tools: [], mostPeople: 0, steps: [], problems: [], setUpMin: 0, personMin: 0 });
});

test('asked for the plain order it takes that, and the cheaper side where one side is to go first', () => {
  // Only the right side's piece is far: beginning there costs the same way there and back less often.
  const request = ask({ chosen: { 'fog-left': 'through-arch' } });
  expect([planAccess(request).proveAfter, planAccess({ ...request, people: 2, school: 'prove one side first' }).proveAfter]).toEqual([undefined, undefined]);
  expect(planAccess({ ...request, school: 'least set-up' })).toEqual(planAccess(request));
  // A turn of the wheels stands on the right side only: left, then right is 0.5 + 0.3 + 0.5; the other way about as much, and the left is taken.
  const far = {
    ...VAN,
    pieces: [...VAN.pieces, off('arch-right', 1, [way('w', ['liner-left'])], { side: 'right', zone: 'right-side' })],
    mounts: VAN.mounts.map((entry) => (entry.id === 'fog-right' ? { ...entry, reach: [way('far', ['arch-right'])] } : entry)),
  };
  const plan = planAccess(ask({ profile: far, chosen: { 'fog-left': 'through-arch' }, school: 'prove one side first' }));
  // The right place lies behind the left liner too, so everything is opened for it: the left side comes first with one step.
  expect([plan.proveAfter, plan.schools.oneSideFirst?.side, pieces(plan)]).toEqual([1, 'left', ['liner-left', 'arch-right']]);
});

test('steps that wait for each other are named with their levels', () => {
  const problem = requestedProblem(ask({ mounts: ['bar'] }));
  const request = ask({
    profile: { ...VAN, pieces: [off('grille', 2, [way('front', ['skin'])]), off('skin', 9, [way('front', ['grille'])]), off('liner-left', 6, [way('arch')])] },
  });
  const move = (piece: string, by: string) => ({ piece, from: 'fitted' as const, level: 'off' as const, way: by });
  const choice = {
    moves: [move('grille', 'front'), move('skin', 'front'), move('liner-left', 'arch')],
    targetWays: [],
    open: 0,
    close: 0,
    breakage: 0,
    closePresent: 0,
    proved: true,
    lowerBound: 0,
    total: 0,
    problems: [],
  };
  const plan = planOf(request, problem, choice);
  expect(pieces(plan)).toEqual(['liner-left']);
  expect(plan.problems).toEqual([
    {
      code: 'cannot-order',
      moves: [
        { piece: 'grille', level: 'off' },
        { piece: 'skin', level: 'off' },
      ],
    },
  ]);
});

test('whoever drives it is told how far it has come, and may stop it: the best plan so far then says that it is not proved', () => {
  const { pieces, targets, replaced } = tangled(24, 1);
  const ways = (list: AccessWay[]): Way[] => list.map(({ id, needs, extra }) => ({ id, needs, extraMin: extra / 100 }));
  const profile = bareProfile({
    pieces: pieces.map((piece) =>
      barePiece(piece.id, {
        levels: piece.levels.map((level) => ({ level: level.level as OpenLevel, openMin: level.open / 100, closeMin: level.close / 100, people: 1, ways: ways(level.ways) })),
      }),
    ),
    mounts: targets.map((target) => ({ ...mount(target.id, 'left', ways(target.ways)) })),
  });
  const request = ask({ profile, mounts: targets.map((target) => target.id), replaced });
  const looks: number[] = [];
  const least = planAccess(request, ({ looked }) => {
    looks.push(looked);
    return false;
  });
  const early = planAccess(request, ({ looked }) => looked >= (looks[2] ?? 0));
  expect([looks.slice(0, 3), least.proved, early.proved]).toEqual([[4, 8, 12], true, false]);
  expect(early.personMin).toBeGreaterThan(least.personMin);
  expect(early.leastPersonMin).toBeLessThanOrEqual(least.personMin);
  expect([least.problems, early.problems]).toEqual([[], []]);
});

test('why: leaving the skin shut costs 2 more, the arches are 2 more, and a bar behind the grille costs nothing while it is open', () => {
  const told = explained(ask(), [{ kit: 'bar', mounts: ['bar'], replaces: [] }]);
  expect(told.withoutPiece).toEqual({ grille: 2, skin: 2 });
  expect(told.alternatives).toEqual([
    {
      place: 'fog-left',
      way: 'through-arch',
      extraMin: 2,
      opens: [
        { piece: 'liner-left', level: 'off' },
        { piece: 'liner-right', level: 'off' },
      ],
      spares: ['grille', 'skin'],
    },
    {
      place: 'fog-right',
      way: 'through-arch',
      extraMin: 2,
      opens: [
        { piece: 'liner-left', level: 'off' },
        { piece: 'liner-right', level: 'off' },
      ],
      spares: ['grille', 'skin'],
    },
  ]);
  expect(told.furtherKits).toEqual([{ kit: 'bar', addsMin: 0, aloneMin: 4 }]);
});

test('where there is no other way in, that is said', () => {
  expect(explained(ask({ mounts: ['bar'] })).withoutPiece).toEqual({ grille: null });
});

test('what a way costs besides is in the minutes of its step, shared by those who work on it: (5 · 2 − 1.5 + 3) / 2', () => {
  const beside = (id: string, needs: LevelNeed[], extraMin: number) => ({ id, needs, extraMin });
  const tank = barePiece('tank', {
    levels: [
      { level: 'loosened', openMin: 1.5, closeMin: 1, people: 1, ways: [beside('ease', [], 0)] },
      { level: 'off', openMin: 5, closeMin: 4, people: 2, ways: [beside('lift', [{ piece: 'cap', level: 'off' }], 3)] },
    ],
  });
  const cap = barePiece('cap', { levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [beside('turn', [{ piece: 'tank', level: 'loosened' }], 0)] }] });
  const plan = planAccess(ask({ profile: { ...VAN, pieces: [tank, cap], mounts: [mount('tank-lamp', 'left', [way('behind', ['tank'])])] }, mounts: ['tank-lamp'] }));
  expect(plan.steps.map(({ piece, level, minutes }) => [piece, level, minutes])).toEqual([
    ['tank', 'loosened', 1.5],
    ['cap', 'off', 1],
    ['tank', 'off', 5.75],
  ]);
});

test('what is prepared comes by itself: marks, paint, wheels turned', () => {
  const skin = planAccess(ask()).steps.find((step) => step.piece === 'skin');
  expect(skin?.prepare).toEqual([{ code: 'mark', what: 'the bracket slots' }, { code: 'cover-paint' }]);
  const liner = planAccess(ask({ chosen: { 'fog-left': 'through-arch' } })).steps.find((step) => step.piece === 'liner-left');
  expect(liner?.prepare).toEqual([{ code: 'turn', kind: 'wheels', place: 'right' }]);
});

test('one side first keeps all that it needs before the other side; both orders are priced', () => {
  const request = ask({ chosen: { 'fog-left': 'through-arch' }, school: 'prove one side first' });
  const plan = planAccess(request);
  // Set-up either way: wheels turned 0.5, side 0.5, zone 0.3, wheels turned 0.5.
  expect(plan.schools).toEqual({ leastSetUpMin: 1.8, oneSideFirst: { setUpMin: 1.8, side: 'left', first: 1, cycleMin: 0 } });
  expect(plan.proveAfter).toBe(1);
  // Turned right already: the first of them costs nothing, in either order and step by step.
  const turned = planAccess({ ...request, stand: { wheels: 'right' } });
  expect([turned.schools.leastSetUpMin, turned.schools.oneSideFirst?.setUpMin, turned.steps.map(({ setUpMin }) => setUpMin)]).toEqual([1.3, 1.3, [0, 1.3]]);
  expect(pieces(plan)[0]).toBe('liner-left');
  expect(planAccess(ask({ mounts: ['fog-left'] })).schools.oneSideFirst).toBeUndefined();
});

test('two people share what can be shared, and the time on the clock is that of the longer lane', () => {
  const plan = planAccess(ask({ chosen: { 'fog-left': 'through-arch' }, people: 2 }));
  // Wheels 0.5, liner 6, wheels 0.5, liner 6: the wheels cannot stand both ways at once.
  expect(plan.lanes?.elapsedMin).toBe(13);
  expect(plan.estimate.medianMin).toBeGreaterThan(12);
});

test('a plan that only goes on as planned has no news; a way blocked has', () => {
  const before = planAccess(ask());
  const onward = planAccess(ask({ present: [{ piece: 'grille', level: 'off' }] }));
  expect(planChange(before, onward, new Set(['grille/off']))).toBeUndefined();
  const blocked = { ...VAN, pieces: VAN.pieces.map((piece) => (piece.id === 'skin' ? off('skin', 9, []) : piece)) };
  const again = planAccess(ask({ profile: blocked, present: [{ piece: 'grille', level: 'off' }] }));
  const change = planChange(before, again, new Set(['grille/off']));
  // Left of the old plan 22 − 2; now the grille closes for 2 and the liners cost 24.
  expect(change).toEqual({
    dropped: [{ piece: 'skin', level: 'off' }],
    added: [
      { piece: 'liner-right', level: 'off' },
      { piece: 'liner-left', level: 'off' },
    ],
    rerouted: [],
    personMin: 6,
  });
});

test('look-alike drives are warned of, and fasteners of one drive with two lengths are told apart', () => {
  const group = (id: string, part: Partial<FastenerGroup>) => bareGroup(id, { drive: 'six-lobe', size: 'T25', ...part });
  expect(lookAlikeTools([group('a', {}), group('b', { drive: 'six-lobe plus' }), group('c', { size: 'T30' })])).toEqual([{ one: 'T25 six-lobe', other: 'T25 six-lobe plus' }]);
  expect(lookAlikeTools([group('a', {}), group('b', { size: 'T30' })])).toEqual([]);
  const [long, short, other] = [group('long', { lengthMm: 25 }), group('short', { lengthMm: 16 }), group('other', { size: 'T30', lengthMm: 25 })];
  expect(lookAlikeGroups([long, short, other])).toEqual([[long, short]]);
  expect(lookAlikeGroups([long, { ...long, id: 'again' }])).toEqual([]);
});

test('times taken by one way move the estimate of that way only, and never the choice', () => {
  const taken = { 'grille/fitted>off/front': sumTaken([18, 18, 18]), 'skin/fitted>off/other': sumTaken([1, 1, 1]) };
  const [before, learned] = [planAccess(ask()), planAccess(ask({ taken }))];
  const median = (plan: AccessPlan, id: string) => plan.steps.find((step) => step.piece === id)?.estimate.medianMin;
  // √(2·18) = 6.
  expect(median(learned, 'grille')).toBeCloseTo(6, 9);
  expect(median(learned, 'skin')).toBeCloseTo(9, 9);
  expect(learned.personMin).toBe(before.personMin);
  expect(learned.steps.map((step) => step.minutes)).toEqual(before.steps.map((step) => step.minutes));
  expect(learned.estimate.medianMin - before.estimate.medianMin).toBeGreaterThan(3.9);
});

test('what is left of a plan once a step is done, until it is made anew', () => {
  const request = ask({ mounts: ['fog-left', 'fog-right', 'bar'], chosen: { 'fog-left': 'through-arch', 'fog-right': 'through-arch' }, school: 'prove one side first' });
  const plan = planAccess(request);
  expect(remainingPlan(plan, new Set())).toBe(plan);
  const rest = remainingPlan(plan, new Set([0]));
  expect(rest.steps.map((step) => [step.piece, step.slot])).toEqual(plan.steps.slice(1).map((step, index) => [step.piece, index + 1]));
  expect(rest.proveAfter).toBe((plan.proveAfter ?? 0) - 1);
  // A step taken out of turn leaves the others as they stood; its minutes are spent.
  const third = remainingPlan(plan, new Set([2]));
  expect(third.steps.map((step) => step.piece)).toEqual(plan.steps.filter((_, index) => index !== 2).map((step) => step.piece));
  expect(third.personMin).toBeCloseTo(plan.personMin - (plan.steps[2]?.minutes ?? 0), 9);
  // The mark stays before the first step of the other side once all before it is done.
  expect(remainingPlan(plan, new Set(plan.steps.slice(0, plan.proveAfter).map((_, index) => index))).proveAfter).toBe(0);
  expect(remainingPlan(planAccess({ ...request, people: 2 }), new Set([0])).lanes).toBeUndefined();
});
