import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { key } from '../subject/index.ts';
import type { Level, LevelNeed, Piece, PieceLevel, Supply, SupplyAsk } from '../vehicle/index.ts';
import { piecesBack, planClosing, type ClosingRequest, type ClosingStep, type Gate, type MadeMove } from './index.ts';
import { closeMinutes, ends, keptDeadAt, supplyStep, withSupplies } from './steps.ts';

const SET_UP = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
const asks = (supply: 'low' | 'high', is: SupplyAsk['is']): SupplyAsk[] => [{ supply, is }];
const off = (piece: string): LevelNeed => ({ piece, level: 'off' });
const move = (piece: string, ...needs: string[]): MadeMove => ({ piece, from: 'fitted', level: 'off', needs: needs.map(off) });
const level = (name: PieceLevel['level'], openMin: number, closeMin: number, part: Partial<PieceLevel> = {}): PieceLevel => ({
  level: name,
  openMin,
  closeMin,
  people: 1,
  ways: [{ id: 'w', needs: [], extraMin: 0 }],
  ...part,
});
const piece = (id: string, part: Partial<PieceLevel> = {}, whole: Partial<Piece> = {}): Piece => barePiece(id, { levels: [level('off', 2, 2, part)], ...whole });
const way = (...needs: string[]) => [{ id: 'open', needs: needs.map(off), extraMin: 0 }];
const LOW: Supply = { id: 'low', name: 'Battery', piece: 'battery', level: 'off', waitMin: 3, liveMin: 2, by: 'anyone', before: [], forgets: ['Clock'] };
const HIGH: Supply = { ...LOW, id: 'high', name: 'Lever', piece: 'lever', waitMin: 10, liveMin: 4, forgets: [] };
/** Loosened from anywhere, off only with its cover off. */
const battery = barePiece('battery', { levels: [level('loosened', 0.2, 0.3), level('off', 0.5, 0.8, { ways: way('cover') })] });
const lever = piece('lever', { openMin: 1, closeMin: 1.5, ways: way('hatch') });
const gate = (subject: Gate['subject'], covered: string[], part: Partial<Gate> = {}): Gate => ({
  subject,
  side: 'centre',
  coveredBy: covered.map(off),
  after: [],
  asks: [],
  passed: false,
  ...part,
});
const trying = (id: string, kit = 'kit') => ({ kind: 'test' as const, kit, test: id });
const fitting = (id: string, kit = 'kit') => ({ kind: 'fit' as const, kit, step: id });
function close(pieces: Piece[], moves: MadeMove[], gates: Gate[] = [], part: Partial<ClosingRequest> & { rules?: [string, string][] } = {}) {
  const { rules = [], ...request } = part;
  const profile = bareProfile({
    pieces: [piece('cover'), battery, piece('hatch'), lever, ...pieces],
    supplies: [LOW, HIGH],
    refitRules: rules.map(([first, then], index) => ({ id: `r${index}`, first, then, why: 'x' })),
  });
  return planClosing({ profile, facts: {}, moves, replaced: [], gates, setUp: SET_UP, ...request });
}
const said = (step: ClosingStep) => (step.kind === 'piece' ? step.piece : step.kind === 'supply' ? `${step.supply} ${step.to}` : key(step.gate.subject));
const order = (...request: Parameters<typeof close>) => close(...request).steps.map(said);
/** Mean of a time that nothing was learned of. */
const mean = (medianMin: number) => medianMin * Math.exp(0.35 ** 2 / 2);
const meanOf = ({ medianMin, sigma }: { medianMin: number; sigma: number }) => medianMin * Math.exp(sigma ** 2 / 2);

describe('minutes of putting back', () => {
  const staged = barePiece('liner', { levels: [level('loosened', 1, 1.5, { people: 2 }), level('off', 3, 4, { people: 2 })] });

  test('a level costs what it takes beyond the one below, by its own people', () => {
    expect([closeMinutes(staged, 'loosened', 'fitted'), closeMinutes(staged, 'off', 'fitted'), closeMinutes(staged, 'off', 'loosened')]).toEqual([1.5, 4, 2.5]);
    expect(closeMinutes(staged, 'fitted', 'fitted')).toBe(0);
    const odd = barePiece('odd', { levels: [level('loosened', 1, 1, { people: 3 }), level('off', 3, 4, { people: 1 })] });
    // 4 by one, less 1 by three: 1 person-minute for the one who does it.
    expect(closeMinutes(odd, 'off', 'loosened')).toBe(1);
    const more = barePiece('more', { levels: [level('loosened', 1, 5), level('off', 3, 4)] });
    expect(closeMinutes(more, 'off', 'loosened')).toBe(0);
    // A level that it does not list is its next lower one.
    expect(closeMinutes(staged, 'hung', 'fitted')).toBe(1.5);
  });

  test('a piece that the profile does not have goes back in no time, in the middle, by one', () => {
    expect(piecesBack(close([], [move('gone')]).steps)).toMatchObject([
      { piece: 'gone', side: 'centre', zone: 'front', people: 1, minutes: 0, tools: [], fasteners: [], sensors: [], gates: [], first: [], dead: [] },
    ]);
  });

  test('a supply takes its isolating piece and, once live, what the vehicle forgot; dead it takes its wait', () => {
    const two = [piece('battery', { openMin: 0.5, closeMin: 0.8, people: 2 })];
    expect(supplyStep(LOW, 'live', two)).toEqual({ kind: 'supply', supply: 'low', to: 'live', piece: 'battery', people: 2, minutes: 2.8, waitMin: 0 });
    expect(supplyStep(LOW, 'dead', two)).toEqual({ kind: 'supply', supply: 'low', to: 'dead', piece: 'battery', people: 2, minutes: 0.5, waitMin: 3 });
    expect([supplyStep(LOW, 'live', []).minutes, supplyStep(LOW, 'dead', []).minutes, supplyStep(LOW, 'dead', []).people]).toEqual([2, 0, 1]);
    // In hundredths of a person-minute: 2.8 by two; 0.5 by two and the wait of 3.
    const cost = withSupplies({ ...SET_UP, places: { wheels: { left: 70 } } }, { supplies: [LOW], pieces: two });
    expect(cost).toEqual({ ...SET_UP, places: { wheels: { left: 70 }, 'supply low': { live: 560, dead: 400 } } });
    expect(withSupplies(SET_UP, { supplies: [], pieces: two })).toBe(SET_UP);
  });

  test('what keeps a supply dead does so from its level on, and a need ends only below its level', () => {
    const plug = barePiece('plug', { levels: [level('loosened', 1, 1), level('folded', 2, 2, { deadWhileOpen: ['low'] }), level('off', 3, 3, { deadWhileOpen: ['high'] })] });
    expect((['fitted', 'loosened', 'folded', 'hung', 'off'] as const).map((at) => keptDeadAt(plug, at))).toEqual([[], [], ['low'], ['low'], ['low', 'high']]);
    expect(keptDeadAt(undefined, 'off')).toEqual([]);
    const need: LevelNeed = { piece: 'plug', level: 'folded' };
    const step = (from: Level, to: Level, of = 'plug') => ends(need, { piece: of, from, to });
    expect([step('off', 'loosened'), step('folded', 'fitted'), step('off', 'folded'), step('loosened', 'fitted'), step('off', 'fitted', 'other')]).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('one lane', () => {
  test('the time is that of the pieces, the set-up between them, and every change of a supply with its wait', () => {
    const trim = piece('trim', { asks: asks('low', 'dead'), openMin: 3, closeMin: 3 }, { side: 'left' });
    const plan = close([trim], [move('cover'), move('battery', 'cover'), move('trim')], [gate(trying('bar'), ['trim'], { asks: asks('low', 'live') })], {
      supplyNow: { low: 'dead' },
    });
    expect(plan.steps.map(said)).toEqual(['low live', 'test:kit/bar', 'low dead', 'trim', 'battery', 'cover']);
    // Live 0.8 + 2, dead 0.5 and 3 of wait; from the middle to the left and back 0.5 each.
    expect(meanOf(plan.estimate)).toBeCloseTo(mean(3) + mean(0.8) + mean(2) + 2.8 + 3.5 + 1, 9);
    expect(plan.personMin).toBeCloseTo(2.8 + 0.5 + 3 + 0.8 + 2, 9);
  });

  test('a piece in stages keeps its order and does not wait for itself; a rule waits for the last stage', () => {
    const liner = barePiece('liner', { side: 'left', levels: [level('loosened', 1, 1), level('off', 3, 4)] });
    const plate = piece('plate', {}, { side: 'right' });
    const moves: MadeMove[] = [{ ...move('liner'), level: 'loosened' }, move('plate'), { ...move('liner'), from: 'loosened' }];
    const steps = (rules: [string, string][]) => piecesBack(close([liner, plate], moves, [], { rules }).steps).map((step) => [step.piece, step.to, step.first]);
    expect(steps([['liner', 'plate']])).toEqual([
      ['liner', 'loosened', []],
      ['liner', 'fitted', []],
      ['plate', 'fitted', ['liner']],
    ]);
    expect(steps([['plate', 'liner']])).toEqual([
      ['plate', 'fitted', []],
      ['liner', 'loosened', []],
      ['liner', 'fitted', ['plate']],
    ]);
  });

  test('a rule about a piece that was not opened asks nothing', () => {
    expect(
      order([piece('a'), piece('b')], [move('a')], [], {
        rules: [
          ['b', 'a'],
          ['a', 'b'],
        ],
      }),
    ).toEqual(['a']);
  });

  test('of rules in a circle the pieces that go round are named in turn, not what merely comes after them', () => {
    const pieces = ['e', 'a', 'b', 'c'].map((id) => piece(id));
    const rules: [string, string][] = [
      ['a', 'e'],
      ['a', 'b'],
      ['b', 'c'],
      ['c', 'a'],
    ];
    const plan = close(
      pieces,
      pieces.map(({ id }) => move(id)),
      [],
      { rules },
    );
    expect(plan.problems).toEqual([{ code: 'refit-contradiction', pieces: ['a', 'c', 'b'] }]);
    expect(plan.steps.map(said).sort()).toEqual(['a', 'b', 'c', 'e']);
  });
});

describe('work and tests among the supplies', () => {
  const work = (part: Partial<Gate> = {}) => gate(fitting('feed'), ['panel'], { asks: asks('low', 'dead'), side: 'left', ...part });
  const bar = (part: Partial<Gate> = {}) => gate(trying('bar'), ['panel'], { asks: asks('low', 'live'), side: 'left', ...part });
  const begin = (own: Gate, test: Gate) => order([piece('panel')], [move('panel')], [test, own], { supplyNow: { low: 'live' } }).slice(0, 2);
  const WAITS = ['low dead', 'fit:kit/feed'];
  const TESTS = ['test:kit/bar', 'low dead'];

  test('a live test waits for the work of its own kit and side, or where either is of both sides', () => {
    expect(begin(work(), bar())).toEqual(WAITS);
    expect(begin(work({ side: 'centre' }), bar())).toEqual(WAITS);
    expect(begin(work(), bar({ side: 'centre' }))).toEqual(WAITS);
    expect(begin(work({ subject: { kind: 'joint', kit: 'kit', connection: 'feed' } }), bar())).toEqual(['low dead', 'joint:kit/feed']);
  });

  test('it does not wait for the other side, for another kit, or for what is a test itself', () => {
    expect(begin(work({ side: 'right' }), bar())).toEqual(TESTS);
    expect(begin(work({ subject: fitting('feed', 'other') }), bar())).toEqual(TESTS);
    expect(begin(work({ subject: trying('dark') }), bar())).toEqual(TESTS);
  });

  test('what leads to the place of isolation stays open until the supply is live for good, each supply by itself', () => {
    const panel = piece('panel', { asks: asks('low', 'dead') });
    const duct = piece('duct', { asks: asks('high', 'dead') });
    const lines = order(
      [panel, duct],
      ['cover', 'hatch', 'panel', 'duct'].map((id) => move(id)),
    );
    const at = (line: string) => lines.indexOf(line);
    expect(lines).toHaveLength(8);
    for (const [supply, work, lead] of [
      ['low', 'panel', 'cover'],
      ['high', 'duct', 'hatch'],
    ] as const) {
      const turn = [at(`${supply} dead`), at(work), at(`${supply} live`), at(lead)];
      expect([supply, turn]).toEqual([supply, [...turn].sort((a, b) => a - b)]);
      expect(turn[0]).toBeGreaterThanOrEqual(0);
    }
  });

  test('it stays open also where closing it at once would save a walk round the vehicle; what does not lead there is closed on the way', () => {
    const behind = { side: 'left' as const, zone: 'rear' as const };
    const back = (supply: Supply, isolating: Piece) =>
      planClosing({
        profile: bareProfile({ pieces: [piece('cover', {}, behind), isolating, piece('panel', { asks: asks(supply.id, 'dead') }, behind)], supplies: [supply] }),
        facts: {},
        moves: [move('cover'), move('panel')],
        replaced: [],
        gates: [],
        setUp: SET_UP,
      }).steps.map(said);
    expect(back(LOW, battery)).toEqual(['low dead', 'panel', 'low live', 'cover']);
    // The battery is loosened without the cover: with a supply that is dead from there on, the cover is on the way to nothing.
    expect(back({ ...LOW, level: 'loosened' }, battery)).toEqual(['low dead', 'panel', 'cover', 'low live']);
    const two = barePiece('battery', { levels: [level('off', 0.5, 0.8, { ways: way('clamp', 'cover') })] });
    expect(back(LOW, two)).toEqual(['low dead', 'panel', 'low live', 'cover']);
  });

  test('a supply that nothing wants dead is left as it is', () => {
    const panel = piece('panel', { asks: asks('high', 'dead') });
    expect(order([panel], [move('panel'), move('cover')]).filter((line) => line.startsWith('low'))).toEqual([]);
  });

  test('the piece that isolates a supply brings it back for good as soon as nothing more wants that supply dead, whatever another one waits for', () => {
    const panel = piece('panel', { asks: asks('low', 'dead') });
    const duct = piece('duct', { asks: asks('high', 'dead') });
    const moves = [move('cover'), move('battery', 'cover'), move('hatch'), move('lever', 'hatch'), move('panel'), move('duct')];
    const lines = order([panel, duct], moves, [gate(trying('bar'), ['duct'], { asks: asks('low', 'live') })], { supplyNow: { low: 'dead', high: 'dead' } });
    expect(lines.filter((line) => / (live|dead)$/.test(line))).toEqual([]);
    const at = (line: string) => lines.indexOf(line);
    expect([at('panel') < at('battery'), at('battery') < at('test:kit/bar'), at('test:kit/bar') < at('duct'), at('duct') < at('lever'), at('lever') < at('hatch')]).toEqual(
      Array(5).fill(true),
    );
  });
});

describe('a gate that cannot run', () => {
  test('names of what covers it only the pieces in its way', () => {
    const pieces = ['liner', 'skin', 'grille'].map((id) => piece(id));
    const aim = gate({ kind: 'aim', kit: 'kit', lamp: 'lamp' }, ['grille', 'liner'], { after: ['skin'] });
    const plan = close(pieces, [move('skin'), move('liner', 'skin'), move('grille')], [aim]);
    expect(plan.problems).toEqual([{ code: 'gate-cannot-run', subject: aim.subject, pieces: ['liner'], offers: ['aim after closing'] }]);
  });

  test('can be tried on a bench supply where what keeps the supply dead goes back only after what covers it', () => {
    const plug = piece('airbag-plug', { deadWhileOpen: ['low'] });
    const lights = gate(trying('bar'), ['trim'], { asks: asks('low', 'live') });
    const plan = close([plug, piece('trim')], [move('airbag-plug'), move('trim', 'airbag-plug')], [lights], { supplyNow: { low: 'dead' } });
    expect(plan.problems).toEqual([{ code: 'gate-cannot-run', subject: lights.subject, pieces: ['trim'], offers: ['test on a bench supply', 'test after closing'] }]);
    // What keeps another supply dead is not in its way.
    const other = close([piece('airbag-plug', { deadWhileOpen: ['high'] }), piece('trim')], [move('airbag-plug'), move('trim', 'airbag-plug')], [lights], {
      supplyNow: { low: 'dead' },
    });
    expect(other.problems).toEqual([]);
  });

  test('can be tried hung where one of the pieces in its way hangs; fitting has nothing left', () => {
    const hung = barePiece('hung', { levels: [level('loosened', 1, 1), level('hung', 2, 2)] });
    const moves: MadeMove[] = [{ ...move('hung'), level: 'hung' }, move('lid')];
    const covers: Partial<Gate> = { coveredBy: [off('lid'), { piece: 'hung', level: 'hung' }], after: ['hung', 'lid'] };
    const offers = (subject: Gate['subject']) =>
      close([hung, piece('lid')], moves, [gate(subject, [], covers)]).problems.flatMap((problem) => ('offers' in problem ? [problem.offers] : []));
    expect(offers(trying('bar'))).toEqual([['test with the piece hung', 'test after closing']]);
    expect(offers({ kind: 'aim', kit: 'kit', lamp: 'lamp' })).toEqual([['test with the piece hung', 'aim after closing']]);
    expect([offers(fitting('bracket')), offers({ kind: 'joint', kit: 'kit', connection: 'plug' })]).toEqual([[[]], [[]]]);
  });
});

test('two people: every line of the lanes is that of the step with its number, also with stages and a supply between', () => {
  const liner = barePiece('liner', { levels: [level('loosened', 1, 1), level('off', 3, 4)] });
  const pieces = [
    liner,
    piece('left', { closeMin: 5 }, { side: 'left' }),
    piece('right', { closeMin: 7, asks: asks('low', 'dead') }, { side: 'right' }),
    piece('skin', { closeMin: 6 }),
  ];
  const moves: MadeMove[] = [{ ...move('liner'), level: 'loosened' }, move('skin'), move('left', 'skin'), move('right', 'skin'), { ...move('liner'), from: 'loosened' }];
  const plan = close(pieces, moves, [gate(trying('bar'), ['skin'], { asks: asks('low', 'live') })], { people: 2 });
  const steps = piecesBack(plan.steps);
  expect(steps).toHaveLength(5);
  expect(plan.lanes?.entries.map(({ step }) => step)).toEqual([0, 1, 2, 3, 4]);
  expect(plan.lanes?.entries.map(({ startMin, endMin }) => Math.round((endMin - startMin) * 100) / 100)).toEqual(steps.map((step) => step.minutes));
  const end = (piece: string) => plan.lanes?.entries[steps.findIndex((step) => step.piece === piece)]?.endMin ?? 0;
  const start = (piece: string) => plan.lanes?.entries[steps.findIndex((step) => step.piece === piece)]?.startMin ?? 0;
  expect(start('skin')).toBeGreaterThanOrEqual(Math.max(end('left'), end('right')));
  const starts = plan.lanes?.entries.map(({ startMin }) => startMin) ?? [];
  expect(starts).toEqual([...starts].sort((a, b) => a - b));
});
