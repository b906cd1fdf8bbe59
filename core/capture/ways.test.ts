import fc from 'fast-check';
import { solveAccess } from '../access/index.ts';
import { generateVehicle } from '../access/test/generated.ts';
import type { LevelNeed, OpenLevel } from '../vehicle/index.ts';
import { holds, learnWays, lessAnswers, type CloseUpAnswer, type SeenJob, type SeenMove, type SoundWay } from './index.ts';
import { chanceFrom, HABITS, needsAt, openWay, toldTruly, toldWrongly, without, workOn, type Levels } from './test/simulated.ts';

const need = (piece: string, level: OpenLevel = 'off'): LevelNeed => ({ piece, level });
const said = (piece: string, enough: CloseUpAnswer['enough']): CloseUpAnswer => ({ event: `said-${piece}`, piece, enough });

/** A job in which pieces came off one after the other, as `skin` or `skin loosened`; each took two minutes. */
function jobOf(job: string, moves: string[], more: Partial<SeenJob> = {}): SeenJob {
  const open: LevelNeed[] = [];
  const seen = moves.map((text, index): SeenMove => {
    const [piece = '', level = 'off'] = text.split(' ') as [string, OpenLevel?];
    const before = open.find((entry) => entry.piece === piece);
    const move: SeenMove = { event: `${job}-${index}`, piece, from: before?.level ?? 'fitted', level, open: [...open], personMin: 2, people: 1 };
    if (before) open.splice(open.indexOf(before), 1);
    open.push({ piece, level });
    return move;
  });
  return { job, moves: seen, targets: [{ event: `${job}-fit`, target: 'fog-left', open: [...open] }], tried: [], closings: [], answers: [], ...more };
}
const waysTo = (ways: readonly SoundWay[], place: string, level: OpenLevel = 'off') =>
  ways.filter((way) => way.target === place || (way.piece === place && way.level === level)).map(({ needs }) => needs.map(({ piece, level: at }) => `${piece} ${at}`).sort());

test('each move shows a way: what was open before it; the first one through nothing', () => {
  const { ways, conflicts } = learnWays([jobOf('a', ['grille', 'liner loosened', 'skin'])]);
  expect([waysTo(ways, 'grille'), waysTo(ways, 'liner', 'loosened'), waysTo(ways, 'skin'), waysTo(ways, 'fog-left')]).toEqual([
    [[]],
    [['grille off']],
    [['grille off', 'liner loosened']],
    [['grille off', 'liner loosened', 'skin off']],
  ]);
  expect(conflicts).toEqual([]);
});

test('a piece that goes in two steps needs its own lower level for the second', () => {
  const { ways } = learnWays([jobOf('a', ['skin loosened', 'grille', 'skin off'])]);
  expect(waysTo(ways, 'skin')).toEqual([['grille off', 'skin loosened']]);
});

test('what could have stayed on is left out of what came after it, in that job alone; of its own move nothing is said', () => {
  const answered = jobOf('a', ['grille', 'liner', 'skin'], { answers: [said('grille', 'fitted')] });
  const { ways } = learnWays([answered, jobOf('b', ['grille', 'skin'])]);
  expect([waysTo(ways, 'liner'), waysTo(ways, 'skin'), waysTo(ways, 'fog-left')]).toEqual([
    [[]],
    [['liner off'], ['grille off']],
    [
      ['liner off', 'skin off'],
      ['grille off', 'skin off'],
    ],
  ]);
  const two = learnWays([jobOf('a', ['grille', 'liner', 'skin'], { answers: [said('grille', 'fitted'), said('liner', 'fitted')] })]);
  // Who says that the liner could have stayed on with the grille does not say that it comes off without.
  expect([waysTo(two.ways, 'liner'), waysTo(two.ways, 'skin')]).toEqual([[['grille off']], [[]]]);
});

test('what was open in different jobs is never put together', () => {
  const { ways } = learnWays([jobOf('a', ['grille', 'skin']), jobOf('b', ['liner', 'skin'])]);
  expect(waysTo(ways, 'skin')).toEqual([['grille off'], ['liner off']]);
});

test('a lower level that was enough counts as that level for what came after, and is a level of its own by the same way', () => {
  const { ways } = learnWays([jobOf('a', ['grille', 'skin off', 'lamp'], { answers: [said('grille', 'fitted'), said('skin', 'loosened')] })]);
  expect([waysTo(ways, 'lamp'), waysTo(ways, 'skin', 'loosened'), waysTo(ways, 'skin')]).toEqual([[['skin loosened']], [[]], [['grille off']]]);
  expect(ways.find(({ level }) => level === 'loosened')?.wentFurther).toBe(true);
  // It went no further than was enough: nothing changes.
  expect(lessAnswers([need('skin', 'loosened')], [said('skin', 'hung')])).toEqual({ needs: [need('skin', 'loosened')], used: [] });
  expect(lessAnswers([need('skin', 'loosened')], [said('skin', 'loosened')])).toEqual({ needs: [need('skin', 'loosened')], used: [] });
  // What had been loosened before is no new way to loosen it.
  const stages = learnWays([jobOf('b', ['skin loosened', 'grille', 'skin off'], { answers: [said('skin', 'loosened')] })]);
  expect([waysTo(stages.ways, 'skin', 'loosened'), waysTo(stages.ways, 'skin')]).toEqual([[[]], [['grille off', 'skin loosened']]]);
});

test('what had to be is confirmed, what was only open is not; what broke proves no way', () => {
  const job = jobOf('a', ['grille', 'liner', 'skin'], { answers: [said('grille', 'needed')] });
  const { ways } = learnWays([job]);
  expect(ways.find(({ piece }) => piece === 'skin')?.confirmed).toEqual(['grille']);
  const less = learnWays([jobOf('a', ['grille', 'liner', 'skin'], { answers: [said('grille', 'loosened'), said('liner', 'fitted')] })]);
  expect(less.ways.find(({ piece }) => piece === 'skin')?.confirmed).toEqual(['grille']);
  const broke = { ...job, moves: job.moves.map((move) => (move.piece === 'skin' ? { ...move, broken: true } : move)) };
  expect([waysTo(learnWays([broke]).ways, 'skin'), waysTo(learnWays([broke]).ways, 'fog-left')]).toEqual([[], [['grille off', 'liner off', 'skin off']]]);
});

test('what did not come withdraws the answers that it contradicts by name, and no others', () => {
  const job = jobOf('a', ['grille', 'liner', 'duct', 'skin'], { answers: [said('grille', 'fitted'), said('liner', 'fitted')] });
  const next: SeenJob = {
    job: 'b',
    moves: [],
    targets: [],
    tried: [{ event: 'stuck', piece: 'skin', level: 'off', open: [need('duct'), need('liner')] }],
    closings: [],
    answers: [],
  };
  const { ways, conflicts } = learnWays([job, next]);
  expect(conflicts).toEqual([{ code: 'answer-withdrawn', job: 'a', answer: 'said-grille', piece: 'grille', tried: 'stuck' }]);
  expect([waysTo(ways, 'skin'), waysTo(ways, 'duct')]).toEqual([[['duct off', 'grille off']], [['grille off']]]);
});

test('where no answer is at fault, the vehicles differ: that is said, and the way stays what it was', () => {
  const next: SeenJob = { job: 'b', moves: [], targets: [], tried: [{ event: 'stuck', piece: 'skin', level: 'loosened', open: [need('grille')] }], closings: [], answers: [] };
  const { ways, conflicts } = learnWays([jobOf('a', ['grille', 'skin']), next]);
  expect(conflicts).toEqual([{ code: 'gave-way-elsewhere', job: 'b', tried: 'stuck', piece: 'skin', level: 'loosened', other: 'a' }]);
  expect(waysTo(ways, 'skin')).toEqual([['grille off']]);
  // With less open than it needed it says nothing.
  const less = { ...next, tried: [{ event: 'stuck', piece: 'skin', level: 'off' as const, open: [need('grille', 'loosened')] }] };
  expect(learnWays([jobOf('a', ['grille', 'skin']), less]).conflicts).toEqual([]);
});

/** A kind of vehicle with two facts by which its vehicles differ, three of which were worked on; told by people who tell the truth. */
const KINDS = fc.integer({ min: 1, max: 4000 }).map((seed) => {
  const truth = generateVehicle(16, 2, seed);
  const chance = chanceFrom(seed);
  const facts = [0, 1].map(() => truth.pieces[Math.floor(chance() * truth.pieces.length)]?.id ?? 'p0');
  const jobs = [1, 2, 3].flatMap((number): SeenJob[] => {
    const lacks = facts.filter(() => chance() < 0.5);
    const here = without(truth, lacks);
    if (solveAccess(here).problems.length > 0) return [];
    return [
      toldTruly(here, workOn(here, `v${number}`, HABITS, chance, lacks), ({ moves, answers }) =>
        [...new Set(moves.map(({ piece }) => piece))].filter((piece) => !answers.some((answer) => answer.piece === piece)).slice(0, 2),
      ),
    ];
  });
  return { truth, facts, jobs, chance };
});

test('no way that truthful people teach is infeasible, on no vehicle of the kind, however its facts are', () => {
  fc.assert(
    fc.property(KINDS, ({ truth, facts, jobs }) => {
      const { ways, conflicts } = learnWays(jobs);
      expect(conflicts).toEqual([]);
      for (const lacks of [[], [facts[0] ?? ''], [facts[1] ?? ''], facts]) {
        const here = without(truth, lacks);
        for (const { piece, level, target, needs } of ways) {
          const entry = here.pieces.find(({ id }) => id === piece);
          if (piece !== undefined && !entry) continue;
          const levels: Levels = Object.fromEntries(needs.map((own) => [own.piece, own.level]));
          const offered =
            target === undefined
              ? (entry?.levels ?? []).filter((own) => own.level === level).flatMap((own) => own.ways)
              : here.targets.filter(({ id }) => id === target).flatMap((own) => own.ways);
          // A way to the level itself, or to one beyond it, which leads there too.
          expect({ piece, level, target, goes: openWay(offered, levels) !== undefined }).toEqual({ piece, level, target, goes: true });
        }
      }
    }),
    { numRuns: 60 },
  );
});

test('a wrong answer that makes something not come is always among those that are withdrawn', () => {
  let found = 0;
  fc.assert(
    fc.property(KINDS, ({ truth, jobs, chance }) => {
      const wrong = jobs.map((job) => toldWrongly(job, 8, chance));
      for (const way of learnWays(wrong).ways) {
        const entry = truth.pieces.find(({ id }) => id === way.piece)?.levels.find(({ level }) => level === way.level);
        const levels: Levels = Object.fromEntries(way.needs.map((own) => [own.piece, own.level]));
        const known = way.answers.some((answer) => answer.includes('-wrong-'));
        if (!entry || way.piece === undefined || way.level === undefined || !known || entry.ways.some(({ needs }) => needsAt(needs, levels))) continue;
        const tried: SeenJob = { job: 'next', moves: [], targets: [], tried: [{ event: 'stuck', piece: way.piece, level: way.level, open: way.needs }], closings: [], answers: [] };
        const { conflicts, ways } = learnWays([...wrong, tried]);
        const named = conflicts.filter(({ code }) => code === 'answer-withdrawn').map((conflict) => ('answer' in conflict ? conflict.answer : ''));
        expect(named.some((answer) => answer.includes('-wrong-'))).toBe(true);
        expect(ways.filter(({ piece, level, answers }) => piece === way.piece && level === way.level && answers.length > 0).some(({ needs }) => holds(needs, way.needs))).toBe(
          false,
        );
        found++;
      }
    }),
    { numRuns: 60, seed: 11 },
  );
  expect(found).toBeGreaterThan(5);
});

/** One answer of a move itself, as its event and the piece name it. */
const atOnce = (event: string, piece: string, enough: 'fitted' | 'needed'): CloseUpAnswer => ({ event: `${event}/${piece}`, piece, enough });
function withAtOnce(job: SeenJob, index: number, ...answers: ['fitted' | 'needed', string][]): SeenJob {
  return { ...job, moves: job.moves.map((move, place) => (place === index ? { ...move, answers: answers.map(([enough, piece]) => atOnce(move.event, piece, enough)) } : move)) };
}

test('what was said at once is of that move alone, stands before what was said at the end, and confirms what had to be', () => {
  const job = jobOf('a', ['grille', 'liner', 'skin', 'lamp']);
  const { ways } = learnWays([withAtOnce(job, 2, ['fitted', 'grille'], ['needed', 'liner'])]);
  expect([waysTo(ways, 'skin'), waysTo(ways, 'lamp')]).toEqual([[['liner off']], [['grille off', 'liner off', 'skin off']]]);
  expect(ways.find(({ piece }) => piece === 'skin')).toMatchObject({ answers: ['a-2/grille'], confirmed: ['liner'] });
  // At the end somebody said that the liner could have stayed on: of the skin it was said to be needed.
  const later = learnWays([withAtOnce({ ...job, answers: [said('liner', 'fitted')] }, 2, ['needed', 'liner'])]);
  expect([waysTo(later.ways, 'skin'), waysTo(later.ways, 'lamp')]).toEqual([[['grille off', 'liner off']], [['grille off', 'skin off']]]);
});

test('an answer of a move that something contradicts is withdrawn by name; the others of it stand', () => {
  const job = withAtOnce(jobOf('a', ['grille', 'liner', 'skin']), 2, ['fitted', 'grille'], ['fitted', 'liner']);
  const tried = jobOf('b', ['liner'], { tried: [{ event: 'b-tried', piece: 'skin', level: 'off', open: [need('liner')] }] });
  const { ways, conflicts } = learnWays([job, tried]);
  expect(conflicts).toEqual([{ code: 'answer-withdrawn', job: 'a', answer: 'a-2/grille', piece: 'grille', tried: 'b-tried' }]);
  expect(waysTo(ways, 'skin')).toEqual([['grille off']]);
});

test('what did not come contradicts only what was told of a vehicle that stood so', () => {
  const raised = { position: { kind: 'raised', place: 'front' } };
  const gone = jobOf('a', ['grille', 'skin']);
  const told = { ...gone, answers: [said('grille', 'fitted')], moves: gone.moves.map((move) => (move.piece === 'skin' ? { ...move, ...raised } : move)) };
  const tried = (held: object) => jobOf('b', [], { tried: [{ event: 'b-tried', piece: 'skin', level: 'off', open: [], ...held }] });
  const codes = (held: object) => learnWays([told, tried(held)]).conflicts.map(({ code }) => code);
  expect([
    codes({}),
    codes({ position: { kind: 'raised', place: 'rear' } }),
    codes(raised),
    codes({ position: { kind: 'wheels', place: 'left' }, also: [raised.position] }),
  ]).toEqual([[], [], ['answer-withdrawn'], ['answer-withdrawn']]);
});
