import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { OpenLevel, PieceLevel } from '../vehicle/index.ts';
import {
  closeUpList,
  followUps,
  leastWays,
  minutesFromFitted,
  planMinutesOf,
  proposedLevels,
  teachWays,
  withTaught,
  type ProposedWay,
  type SeenJob,
  type SeenMove,
  type SoundWay,
} from './index.ts';
import { taughtPlan } from './test/taught.ts';

const taughtMinutes = planMinutesOf();

const way = (id: string, needs: [string, OpenLevel][], extraMin = 0, more: Partial<ProposedWay> = {}): ProposedWay => ({
  id,
  needs: needs.map(([piece, level]) => ({ piece, level })),
  extraMin,
  confirmed: [],
  jobs: [id],
  ...more,
});
const ids = (ways: readonly ProposedWay[]) => ways.map(({ id }) => id);

test('a way is dropped for one that needs no more, unless it is quicker', () => {
  const few = way('few', [['grille', 'loosened']]);
  const many = way('many', [
    ['grille', 'off'],
    ['liner', 'off'],
  ]);
  expect([ids(leastWays([many, few])), ids(leastWays([few, many]))]).toEqual([['few'], ['few']]);
  expect(
    ids(
      leastWays([
        { ...many, extraMin: 0 },
        { ...few, extraMin: 3 },
      ]),
    ),
  ).toEqual(['many', 'few']);
  expect(
    ids(
      leastWays([
        { ...many, extraMin: 4 },
        { ...few, extraMin: 3 },
      ]),
    ),
  ).toEqual(['few']);
  expect(ids(leastWays([way('off', [['grille', 'off']]), way('loose', [['grille', 'loosened']])]))).toEqual(['loose']);
});

test('the same way gone twice is one, with both jobs and all that was confirmed; one that wants the wheels turned serves none that does not', () => {
  const [first, second] = [way('a', [['grille', 'off']], 0, { confirmed: ['grille'] }), way('b', [['grille', 'off']])];
  expect(leastWays([first, second])).toEqual([{ ...first, jobs: ['a', 'b'], confirmed: ['grille'] }]);
  expect(leastWays([second, first])).toEqual([{ ...second, jobs: ['b', 'a'], confirmed: ['grille'] }]);
  const turned = way('turned', [], 0, { position: { kind: 'wheels', place: 'left' } });
  expect([ids(leastWays([turned, first])), ids(leastWays([{ ...turned, needs: first.needs }, way('straight', [['grille', 'off']])]))]).toEqual([['turned', 'a'], ['straight']]);
});

const move = (event: string, piece: string, from: SeenMove['from'], level: OpenLevel, personMin?: number, people = 1): SeenMove => ({
  event,
  piece,
  from,
  level,
  open: [],
  people,
  ...(personMin === undefined ? {} : { personMin }),
});
const job = (name: string, moves: SeenMove[], more: Partial<SeenJob> = {}): SeenJob => ({ job: name, moves, targets: [], tried: [], closings: [], answers: [], ...more });

test('minutes count from fitted: a second move adds to the first; one that began at a level nobody timed has none', () => {
  const measured = minutesFromFitted([
    job('a', [move('1', 'skin', 'fitted', 'loosened', 2), move('2', 'lamp', 'fitted', 'off'), move('3', 'skin', 'loosened', 'off', 5), move('4', 'liner', 'loosened', 'off', 1)]),
  ]);
  expect([...measured]).toEqual([
    ['1', { personMin: 2, people: 1 }],
    ['3', { personMin: 7, people: 1 }],
  ]);
});

const seen = (event: string, level: OpenLevel, needs: SoundWay['needs'], more: Partial<SoundWay> = {}): SoundWay => ({
  piece: 'skin',
  level,
  needs,
  job: event,
  event,
  answers: [],
  confirmed: [],
  ...more,
});

test('a level has the minutes of its quickest way, another way what it takes beyond; of the same way the mean counts', () => {
  const grille = [{ piece: 'grille', level: 'off' as const }];
  const measured = new Map([
    ['a', { personMin: 4, people: 2 }],
    ['b', { personMin: 9, people: 2 }],
    ['c', { personMin: 8, people: 2 }],
  ]);
  const [off] = proposedLevels([seen('a', 'off', grille), seen('b', 'off', grille), seen('c', 'off', [{ piece: 'liner', level: 'off' }])], measured, new Map([['off', [8, 2]]]));
  // √(4·9) = 6 person-minutes by two people through the grille; 8 through the liner. Back √(8·2) = 4.
  expect(off).toMatchObject({ level: 'off', openMin: 3, closeMin: 2, people: 2, measured: 3 });
  expect(off?.ways.map(({ extraMin, jobs }) => [extraMin, jobs])).toEqual([
    [0, ['a', 'b']],
    [2, ['c']],
  ]);
});

test('what the profile says moves by the weight of three times; its ways stay, and what was only seen does not replace them', () => {
  const known: PieceLevel[] = [{ level: 'off', openMin: 4, closeMin: 3, people: 1, ways: [{ id: 'front', needs: [{ piece: 'grille', level: 'loosened' }], extraMin: 0 }] }];
  const [off] = proposedLevels([seen('a', 'off', [{ piece: 'grille', level: 'off' }]), seen('b', 'off', [])], new Map([['b', { personMin: 1, people: 1 }]]), new Map(), known);
  // (3·ln 4 + ln 1)/4: 4^0.75 = 2.83 through nothing; what was gone through the grille needs more and is no quicker.
  expect(off).toMatchObject({ openMin: 2.83, closeMin: 3, measured: 1 });
  expect(off?.ways.map(({ id, needs }) => [id, needs.length])).toEqual([['seen-b', 0]]);
});

test('who goes further is not quicker: where the clock says so, both take the same', () => {
  const levels = proposedLevels(
    [seen('a', 'loosened', []), seen('b', 'off', [])],
    new Map([
      ['a', { personMin: 5, people: 1 }],
      ['b', { personMin: 3, people: 1 }],
    ]),
    new Map(),
  );
  expect(levels.map(({ openMin }) => openMin)).toEqual([5, 5]);
});

test('for three people it takes no less in all than for one below it, rounded as it is', () => {
  const levels = proposedLevels(
    [
      { event: 'e1', job: 'a', piece: 'p', level: 'folded', needs: [], confirmed: [], answers: [] },
      { event: 'e2', job: 'a', piece: 'p', level: 'off', needs: [], confirmed: [], answers: [] },
    ],
    new Map([
      ['e1', { personMin: 3.31, people: 1 }],
      ['e2', { personMin: 3.31, people: 3 }],
    ]),
    new Map(),
  );
  expect(levels.map(({ openMin, people }) => [openMin, people])).toEqual([
    [3.31, 1],
    [1.11, 3],
  ]);
});

test('a level that nobody timed takes no longer than the one beyond it', () => {
  const levels = proposedLevels(
    [seen('a', 'loosened', [], { wentFurther: true }), seen('a', 'off', [{ piece: 'grille', level: 'off' }])],
    new Map([['a', { personMin: 5, people: 1 }]]),
    new Map([['off', [6]]]),
  );
  expect(levels.map(({ level, openMin, closeMin, measured }) => [level, openMin, closeMin, measured])).toEqual([
    ['loosened', 4.99, 5.99, 0],
    ['off', 5, 6, 1],
  ]);
});

/** Grille two minutes, then a duct of six that nobody needed, then the skin of four; the lamp's place is behind the skin. */
const VAN = job('a', [move('1', 'grille', 'fitted', 'off', 2), { ...move('2', 'duct', 'fitted', 'off', 6), open: [{ piece: 'grille', level: 'off' }] }], {});
const WHOLE: SeenJob = {
  ...VAN,
  moves: [
    ...VAN.moves,
    {
      ...move('3', 'skin', 'fitted', 'off', 4),
      open: [
        { piece: 'grille', level: 'off' },
        { piece: 'duct', level: 'off' },
      ],
    },
  ],
  targets: [
    {
      event: '4',
      target: 'fog-left',
      open: [
        { piece: 'grille', level: 'off' },
        { piece: 'duct', level: 'off' },
        { piece: 'skin', level: 'off' },
      ],
    },
  ],
};

test('a question is worth its chance times what the next plan would save; what once had to be counts little', () => {
  expect(taughtMinutes([WHOLE])).toBe(24);
  const worth = (jobs: SeenJob[]) => closeUpList(jobs, 'a', taughtMinutes).map(({ piece, level, worthMin }) => [piece, level, Math.round(worthMin * 1000) / 1000]);
  // Without the skin 16 of 24 are left, so 8 saved; the duct 12; the grille 4, each in one job of five.
  expect(worth([WHOLE])).toEqual([
    ['duct', 'off', 2.4],
    ['skin', 'off', 1.6],
    ['grille', 'off', 0.8],
  ]);
  const needed = { ...WHOLE, answers: [{ event: 'x', piece: 'duct', enough: 'needed' as const }] };
  expect(worth([needed])).toEqual([
    ['skin', 'off', 1.6],
    ['grille', 'off', 0.8],
    ['duct', 'off', 0.24],
  ]);
  const [first, ...others] = WHOLE.moves;
  const atOnce = { ...WHOLE, moves: [...(first ? [{ ...first, answers: [{ event: 'x', piece: 'duct', enough: 'needed' as const }] }] : []), ...others] };
  expect(worth([atOnce]).find(([piece]) => piece === 'duct')).toEqual(['duct', 'off', 0.24]);
  expect(closeUpList([WHOLE], 'nobody', taughtMinutes)).toEqual([]);
});

test('an answer that is given makes the next plan the shorter by it', () => {
  const told = { ...WHOLE, answers: [{ event: 'x', piece: 'duct', enough: 'fitted' as const }] };
  expect([taughtMinutes([told]), taughtPlan([told]).moves.map(({ piece }) => piece)]).toEqual([12, ['grille', 'skin']]);
});

test('a way in that leads not everywhere has no minutes', () => {
  const lost = { ...WHOLE, moves: WHOLE.moves.map((entry) => (entry.piece === 'skin' ? { ...entry, broken: true } : entry)) };
  expect([taughtMinutes([lost]), closeUpList([lost], 'a', taughtMinutes).map(({ worthMin }) => worthMin)]).toEqual([undefined, [0, 0, 0]]);
});

test('two questions follow at most, of pieces that had to be opened and can be opened less far, none where nothing is to be saved', () => {
  const ask = (jobs: SeenJob[], levels?: (piece: string) => readonly OpenLevel[]) => followUps(jobs, 'a', () => (jobs.length === 1 ? 20 : undefined), levels);
  expect(ask([WHOLE])).toEqual([]);
  const plan = (jobs: readonly SeenJob[]) => 24 - jobs.flatMap(({ answers }) => answers).reduce((sum, { piece }) => sum + ({ grille: 1, duct: 6, skin: 3 }[piece] ?? 0), 0);
  expect(followUps([WHOLE], 'a', plan).map(({ piece, levels, worthMin }) => [piece, levels, worthMin])).toEqual([
    ['duct', ['loosened'], 2],
    ['skin', ['loosened'], 1],
  ]);
  // One that was answered counts: of two one is left; of an answer to the list none.
  const answered = { ...WHOLE, answers: [{ event: 'x', piece: 'skin', enough: 'off' as const }] };
  expect(followUps([answered], 'a', plan).map(({ piece }) => piece)).toEqual(['duct']);
  const both = { ...WHOLE, answers: [...answered.answers, { event: 'y', piece: 'grille', enough: 'off' as const }] };
  expect(followUps([both], 'a', plan)).toEqual([]);
  const told = { ...WHOLE, answers: [{ event: 'x', piece: 'duct', enough: 'fitted' as const }] };
  expect(followUps([told], 'a', plan, (piece) => (piece === 'skin' ? ['folded', 'hung', 'off'] : ['off'])).map(({ piece, levels }) => [piece, levels])).toEqual([
    ['skin', ['folded', 'hung']],
  ]);
});

test('what is taught goes into the profile; a way through what nobody described is left out; what no job moved stays the very same', () => {
  const profile = bareProfile({
    pieces: [barePiece('grille'), barePiece('skin', { levels: [] }), barePiece('roof')],
    mounts: [{ id: 'fog-left', name: 'Fog', side: 'left', at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [], hiddenBy: [] }],
  });
  const taught = teachWays([{ ...WHOLE, answers: [{ event: 'x', piece: 'duct', enough: 'fitted' }] }], profile);
  const after = withTaught(profile, taught);
  expect(after.pieces.find(({ id }) => id === 'skin')?.levels).toEqual([
    { level: 'off', openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen-3', needs: [{ piece: 'grille', level: 'off', seen: true }], extraMin: 0 }] },
  ]);
  expect(after.pieces.find(({ id }) => id === 'roof')).toBe(profile.pieces[2]);
  expect(after.mounts[0]?.reach.map(({ needs }) => needs.map(({ piece }) => piece))).toEqual([['grille', 'skin']]);
  expect(withTaught(profile, teachWays([WHOLE], profile)).mounts[0]?.reach).toEqual([]);
  // Without the answer the way leads through the duct, of which the profile knows nothing.
  expect(withTaught(profile, teachWays([WHOLE], profile)).pieces.find(({ id }) => id === 'skin')?.levels[0]?.ways).toEqual([]);
});

test('what nobody confirmed is kept as only seen, and stays so when the kept way is read again', () => {
  const profile = bareProfile({ pieces: [barePiece('grille'), barePiece('duct'), barePiece('skin', { levels: [] })] });
  const answers = [{ event: 'x', piece: 'duct', enough: 'needed' as const }];
  const way = (after: typeof profile) => after.pieces.find(({ id }) => id === 'skin')?.levels[0]?.ways[0]?.needs;
  const kept = withTaught(profile, teachWays([{ ...WHOLE, answers }], profile));
  const needs = [
    { piece: 'duct', level: 'off' },
    { piece: 'grille', level: 'off', seen: true },
  ];
  expect(way(kept)).toEqual(needs);
  expect(teachWays([], kept).levels.size).toBe(0);
  expect(way(withTaught(kept, teachWays([WHOLE], kept)))).toEqual(needs);
});
