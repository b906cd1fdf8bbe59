import { bareGroup, barePiece, bareProfile } from '../test/bare-profile.ts';
import type { LevelNeed, PieceLevel, Supply, Way } from '../vehicle/index.ts';
import { fastenersBetween, moveNamed, openMinutes, planChange, precedence, remainingPlan, stepName, toolOf, toolsBetween, type AccessPlan, type OpenStep } from './index.ts';
import { turningTo } from './sequence.ts';
import { deadFor, isolatedBy, setUpOf, stepOf } from './step.ts';

const way = (id: string, part: Partial<Way> = {}): Way => ({ id, needs: [], extraMin: 0, ...part });
const level = (name: PieceLevel['level'], openMin: number, part: Partial<PieceLevel> = {}): PieceLevel => ({
  level: name,
  openMin,
  closeMin: openMin,
  people: 1,
  ways: [way('w')],
  ...part,
});
const LOW: Supply = { id: 'low', name: 'Battery', piece: 'skin', level: 'hung', waitMin: 3, liveMin: 1, by: 'anyone', before: ['windows shut', 'keys out'], forgets: [] };
const skin = barePiece('skin', {
  side: 'right',
  zone: 'rear',
  witness: 'skin to wing',
  painted: true,
  leashMm: 400,
  levels: [
    level('loosened', 1, { people: 2 }),
    level('hung', 3, { people: 4, ways: [way('w'), way('turned', { extraMin: 2, position: { kind: 'wheels', place: 'left' }, needs: [{ piece: 'liner', level: 'off' }] })] }),
    level('off', 4, { people: 4 }),
  ],
  fasteners: [
    bareGroup('pins', { drive: 'push-pin', size: '8 mm', atLevel: 'loosened' }),
    bareGroup('bolts', { atLevel: 'hung' }),
    bareGroup('nuts'),
    bareGroup('plug', { drive: 'plug lock', size: undefined }),
  ],
});
const profile = bareProfile({ pieces: [skin] });
const step = (part: Partial<Parameters<typeof stepOf>[0]> = {}, on: Parameters<typeof stepOf>[3] = {}, supplies: Supply[] = []) =>
  stepOf({ piece: 'skin', from: 'fitted', level: 'hung', way: 'turned', ...part }, skin, { ...profile, supplies }, on);

test('a move is named by its piece, from and to, and the way it went; what is no such name is none', () => {
  const there = { piece: 'skin', from: 'fitted' as const, level: 'off' as const, way: 'front/low' };
  expect([stepName(there), stepName({ piece: 'skin', from: 'off', level: 'fitted' })]).toEqual(['skin/fitted>off/front/low', 'skin/off>fitted']);
  expect([moveNamed('skin/fitted>off/front/low'), moveNamed('skin/off>fitted')]).toEqual([there, { piece: 'skin', from: 'off', level: 'fitted' }]);
  for (const odd of ['', 'skin', '/fitted>off', 'a/b/fitted>off', 'skin/open>off', 'skin/fitted>open', 'skin/fitted-off', 'skin/fitted>off/'])
    expect([odd, moveNamed(odd)]).toEqual([odd, undefined]);
});

test('a tool is size before drive, or the drive alone; what needs none has none', () => {
  expect([
    toolOf(bareGroup('a')),
    toolOf(bareGroup('b', { drive: 'hook', size: undefined })),
    toolOf(bareGroup('c', { drive: 'none' })),
    toolOf(bareGroup('d', { drive: 'plug lock' })),
  ]).toEqual(['10 mm hex', 'hook', undefined, undefined]);
});

test('between two levels come out the fasteners above the one up to the other', () => {
  const between = (from: 'fitted' | 'loosened' | 'hung', to: 'loosened' | 'hung' | 'off') => fastenersBetween(skin, from, to).map((entry) => entry.id);
  expect([between('fitted', 'loosened'), between('loosened', 'hung'), between('hung', 'off'), between('fitted', 'off')]).toEqual([
    ['pins'],
    ['bolts'],
    ['nuts', 'plug'],
    ['pins', 'bolts', 'nuts', 'plug'],
  ]);
  expect(toolsBetween(skin, 'fitted', 'off')).toEqual(['trim tool', '10 mm hex']);
});

test('a level takes what it takes beyond the one below, by its own people, with the extra of its way', () => {
  const minutes = (from: 'fitted' | 'loosened' | 'hung', to: 'loosened' | 'hung' | 'off' | 'folded', by = 'w') => openMinutes(skin, { from, level: to, way: by });
  // 3 by four less 1 by two, by four; with 2 person-minutes more by the other way.
  expect([minutes('fitted', 'loosened'), minutes('loosened', 'hung'), minutes('loosened', 'hung', 'turned'), minutes('hung', 'off'), minutes('fitted', 'folded')]).toEqual([
    1,
    10 / 4,
    12 / 4,
    1,
    0,
  ]);
});

test('a step says all that comes before it, in that order, and no mark where the piece never returns', () => {
  expect(step({}, {}, [LOW])).toMatchObject({
    piece: 'skin',
    from: 'fitted',
    level: 'hung',
    way: 'turned',
    side: 'right',
    zone: 'rear',
    people: 4,
    minutes: 14 / 4,
    setUpMin: 0,
    needs: [{ piece: 'liner', level: 'off' }],
    tools: ['trim tool', '10 mm hex'],
    positions: [{ kind: 'wheels', place: 'left' }],
    dead: [],
    isolates: 'low',
    prepare: [
      { code: 'before-dead', what: 'windows shut' },
      { code: 'before-dead', what: 'keys out' },
      { code: 'turn', kind: 'wheels', place: 'left' },
      { code: 'mark', what: 'skin to wing' },
      { code: 'cover-paint' },
      { code: 'support', leashMm: 400 },
    ],
  });
  expect(step({ way: 'w' }, { replaced: true }).prepare).toEqual([{ code: 'cover-paint' }, { code: 'support', leashMm: 400 }]);
  expect(step({ level: 'off', way: 'w' }).prepare.map((entry) => entry.code)).toEqual(['mark', 'cover-paint']);
  const plain = stepOf({ piece: 'x', from: 'fitted', level: 'hung', way: 'w' }, barePiece('x', { levels: [level('hung', 1)] }), profile);
  expect(plain.prepare).toEqual([{ code: 'support' }]);
  expect([plain, step({ way: 'w' })].map((entry) => 'positions' in entry || 'isolates' in entry)).toEqual([false, false]);
});

test('a supply is isolated by the move that brings its piece to its level or past it, and by no other', () => {
  const by = (from: 'fitted' | 'loosened' | 'hung', to: 'loosened' | 'hung' | 'off', piece = 'skin') => isolatedBy([LOW], { piece, from, level: to })?.id;
  expect([by('fitted', 'loosened'), by('fitted', 'hung'), by('loosened', 'off'), by('hung', 'off'), by('fitted', 'off', 'other')]).toEqual([
    undefined,
    'low',
    'low',
    undefined,
    undefined,
  ]);
});

test('dead is asked for by a level or its way, each supply once; live is no need', () => {
  const dead = { supply: 'low' as const, is: 'dead' as const };
  const asking = (ofLevel?: Way['asks'], ofWay?: Way['asks']) =>
    deadFor({ ...level('off', 1), ...(ofLevel ? { asks: ofLevel } : {}) }, { ...way('w'), ...(ofWay ? { asks: ofWay } : {}) });
  expect([asking([dead], [dead, { supply: 'high', is: 'dead' }]), asking(undefined, [{ supply: 'low', is: 'live' }]), asking(), deadFor(undefined, undefined)]).toEqual([
    ['low', 'high'],
    [],
    [],
    [],
  ]);
});

test('before a move come its own lower levels and the lowest that brings each need far enough, unless that is open', () => {
  const move = (piece: string, to: 'loosened' | 'hung' | 'off', ...needs: LevelNeed[]) => ({ piece, level: to, needs });
  const need = (piece: string, to: LevelNeed['level']): LevelNeed => ({ piece, level: to });
  const moves = [
    move('liner', 'off', need('skin', 'loosened')),
    move('skin', 'hung', need('liner', 'loosened')),
    move('skin', 'loosened'),
    move('liner', 'loosened', need('liner', 'loosened'), need('gone', 'off')),
  ];
  expect(precedence(moves)).toEqual([[2, 3], [3, 2], [], []]);
  expect(precedence(moves, new Map([['skin', 'hung' as const]]))).toEqual([[3], [3, 2], [], []]);
});

describe('from one plan to the next', () => {
  const made = (steps: Partial<OpenStep>[], personMin: number): AccessPlan => ({
    ...({} as AccessPlan),
    steps: steps.map((entry) => ({ ...step(), slot: 0, people: 1, minutes: 1, level: 'off' as const, way: 'w', ...entry })),
    personMin,
    openMin: personMin / 2,
    leastPersonMin: personMin - 3,
  });

  test('what was dropped, added and rerouted is named, without what was done; the minutes are those still to be spent', () => {
    const before = made([{ piece: 'a', minutes: 2, people: 3 }, { piece: 'b' }, { piece: 'c' }], 30);
    const after = made([{ piece: 'c', way: 'other' }, { piece: 'd' }], 25);
    expect(planChange(before, after, new Set(['a/off']))).toEqual({
      dropped: [{ piece: 'b', level: 'off' }],
      added: [{ piece: 'd', level: 'off' }],
      rerouted: [{ piece: 'c', level: 'off', from: 'w', to: 'other' }],
      // 30 less 2 min by three that are spent is 24: one more now.
      personMin: 1,
    });
  });

  test('nothing is named where nothing changed, and each change alone is enough', () => {
    const plan = made([{ piece: 'a' }, { piece: 'b' }], 10);
    const change = (steps: Partial<OpenStep>[], personMin = 10) => planChange(plan, made(steps, personMin), new Set());
    expect(change([{ piece: 'a' }, { piece: 'b' }])).toBeUndefined();
    expect(change([{ piece: 'a' }])).toMatchObject({ dropped: [{ piece: 'b' }], added: [], rerouted: [], personMin: 0 });
    expect(change([{ piece: 'a' }, { piece: 'b' }, { piece: 'c' }])).toMatchObject({ dropped: [], added: [{ piece: 'c' }] });
    expect(change([{ piece: 'a' }, { piece: 'b', way: 'x' }])).toMatchObject({ rerouted: [{ piece: 'b' }] });
    expect(change([{ piece: 'a' }, { piece: 'b' }], 10.5)).toEqual({ dropped: [], added: [], rerouted: [], personMin: 0.5 });
  });

  test('of what is left the minutes of what was done are gone, people counted', () => {
    const rest = remainingPlan(
      made(
        [
          { piece: 'a', minutes: 2, people: 3, setUpMin: 0.5 },
          { piece: 'b', setUpMin: 0.7 },
          { piece: 'c', setUpMin: 0.2 },
        ],
        30,
      ),
      new Set([0]),
    );
    expect(rest).toMatchObject({
      personMin: 24,
      openMin: 9,
      leastPersonMin: 21,
      steps: [
        { piece: 'b', slot: 1 },
        { piece: 'c', slot: 2 },
      ],
    });
    expect(rest.setUpMin).toBeCloseTo(0.9, 9);
    expect(rest).not.toHaveProperty('proveAfter');
  });
});

test('a position with a time of its own costs that, another what any change costs', () => {
  const setUp = setUpOf({
    sequence: {
      sideMin: 0.5,
      zoneMin: 0.3,
      toolMin: 0.2,
      helperMin: 1,
      positions: [
        { kind: 'raised', place: 'front', min: 2 },
        { kind: 'raised', place: 'rear', min: 3 },
      ],
    },
  });
  expect([turningTo({ kind: 'raised', place: 'front' }, setUp), turningTo({ kind: 'raised', place: 'rear' }, setUp), turningTo({ kind: 'wheels', place: 'left' }, setUp)]).toEqual([
    200, 300, 50,
  ]);
});
