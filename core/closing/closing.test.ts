import fc from 'fast-check';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { Level, LevelNeed, Piece, Side, VehicleProfile } from '../vehicle/index.ts';
import { sumTaken } from '../schedule/index.ts';
import { key } from '../subject/index.ts';
import { piecesBack, planClosing, type ClosingRequest, type Gate, type MadeMove } from './index.ts';

const SET_UP = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
const move = (piece: string, level: Level = 'off', needs: LevelNeed[] = [], from: Level = 'fitted'): MadeMove => ({ piece, from, level, needs });
const need = (piece: string, level: LevelNeed['level'] = 'off'): LevelNeed => ({ piece, level });
const order = (pieces: Piece[], moves: MadeMove[], part: Partial<Parameters<typeof bareProfile>[0]> = {}, replaced: string[] = [], facts = {}) =>
  closed({ profile: bareProfile({ pieces, ...part }), facts, moves, replaced });
/** The way back with the steps that put a piece back only. */
function closed(request: Partial<ClosingRequest> & Pick<ClosingRequest, 'profile' | 'moves'>) {
  const plan = planClosing({ facts: {}, replaced: [], gates: [], setUp: SET_UP, ...request });
  return { ...plan, steps: piecesBack(plan.steps), all: plan.steps };
}
/** A gate that asks for no supply. */
const gate = (subject: Gate['subject'], coveredBy: LevelNeed[], part: Partial<Gate> = {}): Gate => ({
  subject,
  side: 'centre',
  coveredBy,
  after: [],
  asks: [],
  passed: false,
  ...part,
});

test('a move made through something is undone before that something moves back', () => {
  const pieces = ['bonnet', 'grille', 'skin'].map((id) => barePiece(id));
  const moves = [move('bonnet'), move('grille', 'off', [need('bonnet')]), move('skin', 'off', [need('grille')])];
  expect(order(pieces, moves).steps.map((step) => step.piece)).toEqual(['skin', 'grille', 'bonnet']);
});

test('each step says which pieces must be back before it', () => {
  const pieces = ['bonnet', 'grille', 'skin'].map((id) => barePiece(id));
  const moves = [move('bonnet'), move('grille', 'off', [need('bonnet')]), move('skin', 'off', [need('grille')])];
  expect(order(pieces, moves).steps.map((step) => step.first)).toEqual([[], ['skin'], ['grille']]);
  const rule = { id: 'r', first: 'bonnet', then: 'grille', why: 'it hooks in' };
  const ruled = order(pieces.slice(0, 2), [move('bonnet'), move('grille')], { refitRules: [rule] });
  expect(ruled.steps.map((step) => [step.piece, step.first])).toEqual([
    ['bonnet', []],
    ['grille', ['bonnet']],
  ]);
});

test('a piece that came off in stages goes back in stages', () => {
  const liner = barePiece('liner', {
    levels: [
      { level: 'loosened', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }] },
      { level: 'off', openMin: 3, closeMin: 4, people: 1, ways: [{ id: 'w', needs: [need('skin')], extraMin: 0 }] },
    ],
  });
  const moves = [move('liner', 'loosened'), move('skin', 'off', [need('liner', 'loosened')]), move('liner', 'off', [need('skin')], 'loosened')];
  const { steps } = order([liner, barePiece('skin')], moves);
  expect(steps.map((step) => `${step.piece} ${step.from} ${step.to}`)).toEqual(['liner off loosened', 'skin off fitted', 'liner loosened fitted']);
  expect(steps.map((step) => step.minutes)).toEqual([3, 2, 1]);
});

test('a refit rule turns the order of two pieces that do not need each other', () => {
  const pieces = [barePiece('plate'), barePiece('step')];
  const rule = { id: 'r', first: 'step', then: 'plate', why: 'the plate hides a pin' };
  expect(order(pieces, [move('plate'), move('step')], { refitRules: [rule] }).steps.map((step) => step.piece)).toEqual(['step', 'plate']);
  expect(order(pieces, [move('plate'), move('step')], { refitRules: [{ ...rule, first: 'plate', then: 'step' }] }).steps.map((step) => step.piece)).toEqual(['plate', 'step']);
});

test('a rule under a condition counts only where it is not ruled out', () => {
  const pieces = [barePiece('cover'), barePiece('frame')];
  const when = { fact: 'plough', is: 'present' };
  const refitRules = [{ id: 'r', first: 'frame', then: 'cover', why: 'x', when }];
  const first = (facts: Record<string, string>) => order(pieces, [move('cover'), move('frame')], { refitRules }, [], facts).steps[0]?.piece;
  expect([first({ plough: 'present' }), first({})]).toEqual(['frame', 'frame']);
  const against = [...refitRules, { id: 'q', first: 'cover', then: 'frame', why: 'y' }];
  const plan = (facts: Record<string, string>) => order(pieces, [move('cover'), move('frame')], { refitRules: against }, [], facts);
  expect(plan({ plough: 'absent' })).toMatchObject({ problems: [], steps: [{ piece: 'cover' }, { piece: 'frame' }] });
  expect(plan({ plough: 'present' }).problems).toHaveLength(1);
});

test('rules against each other are named by their pieces, and the rest is still ordered', () => {
  const pieces = ['a', 'b', 'c'].map((id) => barePiece(id));
  const refitRules = [
    { id: '1', first: 'a', then: 'b', why: 'x' },
    { id: '2', first: 'b', then: 'a', why: 'y' },
  ];
  const plan = order(pieces, [move('a'), move('b'), move('c')], { refitRules });
  expect(plan.problems).toEqual([{ code: 'refit-contradiction', pieces: expect.arrayContaining(['a', 'b']) }]);
  expect(plan.steps).toHaveLength(3);
});

test('what the kit replaces stays off', () => {
  expect(order([barePiece('old'), barePiece('cover')], [move('cover'), move('old', 'off', [need('cover')])], {}, ['old']).steps.map((step) => step.piece)).toEqual(['cover']);
});

test('a gate stands at every step that would cover what it proves, and person-minutes add up over people', () => {
  const heavy = barePiece('skin', { levels: [{ level: 'off', openMin: 2, closeMin: 3, people: 2, ways: [{ id: 'w', needs: [], extraMin: 0 }] }] });
  const fog = gate({ kind: 'test', kit: 'kit', test: 'fog' }, [need('skin')]);
  const plan = closed({ profile: bareProfile({ pieces: [heavy, barePiece('plate')] }), moves: [move('skin'), move('plate')], gates: [fog] });
  expect(Object.fromEntries(plan.steps.map((step) => [step.piece, step.gates.map((entry) => key(entry.subject))]))).toEqual({ skin: ['test:kit/fog'], plate: [] });
  expect(plan.personMin).toBe(2 * 3 + 2);
});

test('fasteners and sensors come back with the piece', () => {
  const group = {
    id: 'bolts',
    drive: 'hex' as const,
    size: '10 mm',
    lengthMm: 20,
    count: 3,
    place: 'top',
    side: 'centre' as Side,
    singleUse: false,
    release: 'unscrew' as const,
    tighten: { snug: 'plastic' as const },
    atLevel: 'off' as const,
  };
  const sensor = {
    id: 'radar',
    name: 'Radar',
    kind: 'radar' as const,
    on: 'grille',
    lock: 'slide',
    pose: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 },
    fieldOfView: { horizontalDeg: 20, verticalDeg: 8, rangeM: 100 },
    toleranceDeg: 1,
    calibration: 'required' as const,
    procedure: 'x',
  };
  const { steps } = order([barePiece('grille', { fasteners: [group] })], [move('grille')], { sensors: [sensor] });
  expect([steps[0]?.fasteners.map((entry) => entry.count), steps[0]?.tools, steps[0]?.sensors]).toEqual([[3], ['10 mm hex'], ['radar']]);
});

test('whatever was opened in order, the closing never puts a piece back before what was reached through it', () => {
  const size = 8;
  const chain = fc.array(fc.uniqueArray(fc.nat({ max: size - 1 }), { maxLength: 3 }), { minLength: size, maxLength: size });
  fc.assert(
    fc.property(chain, (needs) => {
      const pieces = needs.map((_, index) => barePiece(`p${index}`, { side: index % 2 === 0 ? 'left' : 'right' }));
      const moves = needs.map((list, index) =>
        move(
          `p${index}`,
          'off',
          list.filter((other) => other < index).map((other) => need(`p${other}`)),
        ),
      );
      const steps = order(pieces, moves).steps.map((step) => step.piece);
      return steps.length === size && moves.every((made) => made.needs.every((wanted) => steps.indexOf(made.piece) < steps.indexOf(wanted.piece)));
    }),
    { numRuns: 200, seed: 9 },
  );
});

describe('gates that can only run when something is back', () => {
  const piece = (id: string, needs: string[] = []) =>
    barePiece(id, {
      levels: [{ level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'w', needs: needs.map((need) => ({ piece: need, level: 'off' as const })), extraMin: 0 }] }],
    });
  const move = (id: string, needs: string[] = []) => ({
    piece: id,
    from: 'fitted' as const,
    level: 'off' as const,
    needs: needs.map((need) => ({ piece: need, level: 'off' as const })),
  });
  const aim = gate({ kind: 'aim', kit: 'kit', lamp: 'lamp' }, [need('liner')], { after: ['skin'] });
  const close = (profile: VehicleProfile, moves: MadeMove[], only = aim) => closed({ profile, moves, gates: [only] });
  const gatesOf = (plan: ReturnType<typeof close>) => plan.steps.map((step) => [step.piece, step.gates.map((entry) => key(entry.subject))]);

  test('the liner that hides the adjuster waits until the skin that carries the lamp is back and aimed', () => {
    const profile = bareProfile({ pieces: [piece('liner'), piece('skin')] });
    const plan = close(profile, [move('skin'), move('liner')]);
    expect(plan.problems).toEqual([]);
    expect(gatesOf(plan)).toEqual([
      ['skin', []],
      ['liner', ['aim:kit/lamp']],
    ]);
  });

  test('where the skin can only go back after the liner the aim cannot come first: it is named with what is left to do', () => {
    const profile = bareProfile({ pieces: [piece('liner', ['skin']), piece('skin')] });
    const plan = close(profile, [move('skin'), move('liner', ['skin'])]);
    expect(plan.problems).toEqual([{ code: 'gate-cannot-run', subject: aim.subject, pieces: ['liner'], offers: ['aim after closing'] }]);
    expect(gatesOf(plan)).toEqual([
      ['liner', []],
      ['skin', []],
    ]);
  });

  test('a lamp carried by the very skin that covers it can be tested with the skin hung, where it hangs', () => {
    const hung = barePiece('skin', { levels: [{ level: 'hung', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }] }] });
    const lights = gate({ kind: 'test', kit: 'kit', test: 'lights' }, [need('skin', 'hung')], { after: ['skin'] });
    const plan = close(bareProfile({ pieces: [hung] }), [{ ...move('skin'), level: 'hung' }], lights);
    expect(plan.problems).toEqual([{ code: 'gate-cannot-run', subject: lights.subject, pieces: ['skin'], offers: ['test with the piece hung', 'test after closing'] }]);
  });

  test('pieces that are not open do not hold a gate back', () => {
    const profile = bareProfile({ pieces: [piece('liner'), piece('skin')] });
    expect([close(profile, [move('liner')]).problems, gatesOf(close(profile, [move('liner')]))]).toEqual([[], [['liner', ['aim:kit/lamp']]]]);
  });
});

test('two people close side by side, and the time on the clock is that of the longer lane', () => {
  const pieces = ['left-liner', 'right-liner', 'skin'].map((id) => barePiece(id));
  const moves = [move('skin'), move('left-liner', 'off', [need('skin')]), move('right-liner', 'off', [need('skin')])];
  const profile = bareProfile({ pieces });
  const [one, two] = [closed({ profile, moves }), closed({ profile, moves, people: 2 })];
  // Both liners of 2 min at once, then the skin of 2 min.
  expect(two.lanes).toMatchObject({ elapsedMin: 4, proved: true });
  expect(two.steps.map((step) => step.piece).at(-1)).toBe('skin');
  expect(two.estimate.medianMin).toBeLessThan(one.estimate.medianMin);
  expect(one.lanes).toBeUndefined();
});

test('a liner that came out with the wheels turned goes back with them turned, and the turning counts', () => {
  const way = { id: 'arch', needs: [], extraMin: 0, position: { kind: 'wheels', place: 'right' } };
  const turned = barePiece('left-liner', { levels: [{ level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [way, { ...way, id: 'wheel-off', position: undefined }] }] });
  const [arch, off] = ['arch', 'wheel-off'].map((id) => order([turned], [{ ...move('left-liner'), way: id }]));
  expect(arch?.steps[0]?.positions).toEqual([{ kind: 'wheels', place: 'right' }]);
  expect(off?.steps[0]?.positions).toBeUndefined();
  const fixed = 2 * Math.exp(0.35 ** 2 / 2);
  const mean = ({ medianMin, sigma }: { medianMin: number; sigma: number }) => medianMin * Math.exp(sigma ** 2 / 2);
  expect(mean(arch?.estimate ?? { medianMin: 0, sigma: 0 })).toBeCloseTo(fixed + 0.5, 9);
  expect(mean(off?.estimate ?? { medianMin: 0, sigma: 0 })).toBeCloseTo(fixed, 9);
});

test('times taken move the estimate of closing, not the profile’s minutes', () => {
  const taken = { 'skin/off>fitted': sumTaken([8, 8, 8]) };
  const plan = closed({ profile: bareProfile({ pieces: [barePiece('skin')] }), moves: [move('skin')], taken });
  // √(2·8) = 4.
  expect(plan.steps[0]?.estimate.medianMin).toBeCloseTo(4, 9);
  expect(plan).toMatchObject({ personMin: 2, steps: [{ minutes: 2, estimate: { taken: 3 } }], estimate: { taken: 3 } });
});
