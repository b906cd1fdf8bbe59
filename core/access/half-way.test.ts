import fc from 'fast-check';
import { piecesBack, planClosing, type MadeMove } from '../closing/index.ts';
import { RULES } from '../job/test/log.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { levelRank, needsHold, type Level, type LevelNeed, type MountPosition, type Piece, type PieceLevel, type VehicleProfile } from '../vehicle/index.ts';
import { planAccess, setUpOf, type AccessPlan, type AccessRequest } from './index.ts';

const need = (piece: string, level: LevelNeed['level'] = 'off'): LevelNeed => ({ piece, level });
const level = (name: PieceLevel['level'], openMin: number, ...ways: LevelNeed[][]): PieceLevel => ({
  level: name,
  openMin,
  closeMin: openMin,
  people: 1,
  ways: ways.map((needs, index) => ({ id: `w${index}`, needs, extraMin: 0 })),
});
const mount = (...needs: LevelNeed[]): MountPosition => ({
  id: 'place',
  name: 'Place',
  side: 'left',
  at: { xMm: 0, yMm: 0, zMm: 0 },
  reach: [{ id: 'w', needs, extraMin: 0 }],
  hiddenBy: [],
});
const ask = (profile: VehicleProfile, part: Partial<AccessRequest> = {}): AccessRequest => ({
  profile,
  facts: {},
  mounts: ['place'],
  present: [],
  replaced: [],
  rules: RULES,
  ...part,
});
const said = (plan: AccessPlan) => plan.steps.map((step) => `${step.piece} ${step.level}`);

/** The liner is loosened, the skin taken off, then the liner taken off: each step rests on the one before it. */
const STAGED = bareProfile({
  pieces: [
    barePiece('liner', { levels: [level('loosened', 1, []), level('off', 3, [need('skin')])] }),
    barePiece('skin', { levels: [level('off', 4, [need('liner', 'loosened')])] }),
  ],
  mounts: [mount(need('liner'))],
});

describe('a piece that is eased before what it is taken off through', () => {
  test('is planned in its stages, and from each of them the rest is planned', () => {
    const whole = planAccess(ask(STAGED));
    expect([said(whole), whole.problems, whole.proved]).toEqual([['liner loosened', 'skin off', 'liner off'], [], true]);
    // Open 3 + 4, close the same.
    expect(whole.personMin).toBe(14);
    const from = (...present: AccessRequest['present']) => planAccess(ask(STAGED, { present }));
    expect(said(from({ piece: 'liner', level: 'loosened' }))).toEqual(['skin off', 'liner off']);
    expect(said(from({ piece: 'liner', level: 'loosened' }, { piece: 'skin', level: 'off' }))).toEqual(['liner off']);
    expect(said(from({ piece: 'liner', level: 'off' }, { piece: 'skin', level: 'off' }))).toEqual([]);
  });

  test('with two people too', () => {
    expect(said(planAccess(ask(STAGED, { people: 2, present: [{ piece: 'liner', level: 'loosened' }] })))).toEqual(['skin off', 'liner off']);
  });
});

describe('what was open at the start', () => {
  const brittle = (piece: Piece): Piece => ({ ...piece, levels: piece.levels.map((entry, index) => ({ ...entry, breakage: { chance: 0.1 * (index + 1), replaceMin: 10 } })) });
  const profile = { ...STAGED, pieces: STAGED.pieces.map(brittle) };

  test('is closed and shown apart, and what it could have broken is past: only the rise counts', () => {
    const whole = planAccess(ask(profile));
    // Skin 1 minute, liner 2 at off.
    expect(whole).toMatchObject({ breakageMin: 3, closePresentMin: 0, closeMin: 7 });
    const eased = planAccess(ask(profile, { present: [{ piece: 'liner', level: 'loosened' }] }));
    // Opening 4 + 2; the liner's rise from 1 to 2, the skin's 1; both close as what this plan opened.
    expect(eased).toMatchObject({ openMin: 6, breakageMin: 2, closeMin: 7, closePresentMin: 0, personMin: 15 });
    const open = planAccess(
      ask(profile, {
        present: [
          { piece: 'liner', level: 'off' },
          { piece: 'skin', level: 'off' },
        ],
      }),
    );
    expect(open).toMatchObject({ steps: [], breakageMin: 0, closeMin: 0, closePresentMin: 7, personMin: 7 });
  });

  test('counts at a level that the piece does not list too', () => {
    const hung = planAccess(ask(profile, { mounts: [], present: [{ piece: 'liner', level: 'hung' }] }));
    expect(hung).toMatchObject({ closePresentMin: 1, personMin: 1 });
    const below = planAccess(ask(profile, { mounts: [], present: [{ piece: 'skin', level: 'loosened' }] }));
    expect(below).toMatchObject({ closePresentMin: 4, personMin: 4 });
    // Hung answers a need for folded, although the liner lists neither.
    const folded = { ...profile, mounts: [mount(need('liner', 'folded'))] };
    expect(said(planAccess(ask(folded, { present: [{ piece: 'liner', level: 'hung' }] })))).toEqual([]);
  });
});

test('a need for a piece that this vehicle does not have is gone for every reader of the plan', () => {
  const facts = { trim: 'plain' };
  const radar = barePiece('radar', { when: { fact: 'trim', is: 'guard' } });
  const profile = bareProfile({ pieces: [radar, barePiece('grille', { levels: [level('off', 2, [need('radar')])] })], mounts: [mount(need('grille'), need('radar'))] });
  const plan = planAccess(ask(profile, { facts }));
  expect(plan.steps.map((step) => [step.piece, step.needs])).toEqual([['grille', []]]);
  expect(said(planAccess(ask(profile)))).toEqual(['radar off', 'grille off']);
});

/** A small vehicle of staged pieces, each level with one to three ways through levels of the others, some free. */
const vehicles = fc
  .array(
    fc.array(fc.array(fc.array(fc.record({ piece: fc.nat({ max: 6 }), off: fc.boolean() }), { maxLength: 2 }), { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 2 }),
    { minLength: 7, maxLength: 7 },
  )
  .map((list) =>
    bareProfile({
      pieces: list.map((levels, index) =>
        barePiece(`p${index}`, {
          side: index % 2 === 0 ? 'left' : 'right',
          levels: levels.map((ways, stage) => {
            const name = levels.length === 1 || stage === 1 ? ('off' as const) : ('loosened' as const);
            const needs = (way: { piece: number; off: boolean }[]) =>
              way.filter((entry) => entry.piece !== index).map((entry) => need(`p${entry.piece}`, entry.off ? 'off' : 'loosened'));
            return level(name, 1 + stage * 2 + (index % 3), ...ways.map(needs), ...(index < 2 && stage === 0 ? [[]] : []));
          }),
        }),
      ),
      mounts: [mount(need('p6'), need('p5', 'loosened'))],
    }),
  );

/** Makes the steps of a plan one after the other; gives back the levels, or undefined where one could not be made. */
function carryOut(plan: Pick<AccessPlan, 'steps'>, from: Record<string, Level>): Record<string, Level> | undefined {
  const levels = { ...from };
  for (const step of plan.steps) {
    if (!needsHold(step.needs, levels)) return undefined;
    levels[step.piece] = step.level;
  }
  return levels;
}

const presentOf = (levels: Record<string, Level>) => Object.entries(levels).map(([piece, at]) => ({ piece, level: at }));

test('after every single step of every plan the rest reaches the end, alone and with two, and never costs more than going on', () => {
  fc.assert(
    fc.property(vehicles, fc.constantFrom(1 as const, 2 as const), (profile, people) => {
      const whole = planAccess(ask(profile, { people }));
      if (whole.problems.length > 0) return whole.problems.every((problem) => problem.code === 'unreachable-target');
      const levels: Record<string, Level> = {};
      let spent = 0;
      for (let done = 0; done <= whole.steps.length; done++) {
        const rest = planAccess(ask(profile, { people, present: presentOf(levels) }));
        const reached = carryOut(rest, levels);
        if (!reached || rest.problems.length > 0 || !needsHold(profile.mounts[0]?.reach[0]?.needs ?? [], reached)) return false;
        if (rest.personMin > whole.personMin - spent + 1e-9) return false;
        const step = whole.steps[done];
        if (!step) return true;
        if (!needsHold(step.needs, levels)) return false;
        levels[step.piece] = step.level;
        spent += step.minutes * step.people;
      }
      return true;
    }),
    { numRuns: 150, seed: 3 },
  );
});

test('and closing goes back the way it came, from every half-way state of that too: what was made through something is undone before that something moves back', () => {
  fc.assert(
    fc.property(vehicles, (profile) => {
      const plan = planAccess(ask(profile));
      if (plan.problems.length > 0) return true;
      let made: MadeMove[] = plan.steps.map(({ piece, from, level: to, way, needs }) => ({ piece, from, level: to, way, needs }));
      for (;;) {
        const { steps, problems } = planClosing({ profile, facts: {}, moves: made, replaced: [], gates: [], setUp: setUpOf(RULES) });
        const back = piecesBack(steps);
        if (problems.length > 0 || back.length !== made.length) return false;
        const at = (move: MadeMove) => back.findIndex((step) => step.piece === move.piece && step.from === move.level);
        const held = made.every((move) =>
          move.needs.every((wanted) =>
            made
              .filter((other) => other.piece === wanted.piece && levelRank(other.from) < levelRank(wanted.level) && levelRank(other.level) >= levelRank(wanted.level))
              .every((other) => at(move) < at(other)),
          ),
        );
        if (!held) return false;
        const [first] = back;
        if (!first) return true;
        made = made.filter((move) => !(move.piece === first.piece && move.level === first.from));
      }
    }),
    { numRuns: 150, seed: 5 },
  );
});
