import loadHighs from 'highs';
import { accessProblem, searchAccess, solveAccess, type AccessChoice, type AccessProblem } from '@jade/core/access';
import { emptyJob } from '@jade/core/events';
import { planOpening } from '@jade/core/plan';
import type { JobContext } from '@jade/core/job';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { VehicleProfile } from '@jade/core/vehicle';
import { compare, summarise, time, type Line } from '../measure.ts';
import { formulate } from './formulation.ts';
import { generateVehicle } from '../../core/access/test/generated.ts';

type Highs = Awaited<ReturnType<typeof loadHighs>>;
/** Longest that either side may take over one generated vehicle. */
const MOST_S = 60;
const OWN_MOST_MS = 10_000;

function optimum(highs: Highs, text: string): { value: number; proved: boolean } {
  const answer = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false, time_limit: MOST_S });
  return { value: Math.round(answer.ObjectiveValue), proved: answer.Status === 'Optimal' };
}

/** Our own search as the worker runs it: stopped after ten seconds with the gap that is left. */
function ownWithin(problem: AccessProblem): AccessChoice {
  const start = performance.now();
  const search = searchAccess(problem);
  let step = search.next();
  while (!step.done) step = search.next(performance.now() - start > OWN_MOST_MS);
  return step.value;
}

function measured<T>(work: () => T): { ms: number; result: T } {
  const start = performance.now();
  const result = work();
  return { ms: performance.now() - start, result };
}

interface Case {
  textMs: number;
  ownMs: number;
  otherMs: number;
  own: AccessChoice;
  other: { value: number; proved: boolean };
}

function compareCase(highs: Highs, problem: AccessProblem): Case {
  const text = measured(() => formulate(problem));
  const own = measured(() => ownWithin(problem));
  const other = measured(() => optimum(highs, text.result));
  process.stderr.write(`  ${problem.pieces.length} pieces: ${own.ms.toFixed(0)} ms against ${other.ms.toFixed(0)} ms\n`);
  return { textMs: text.ms, ownMs: own.ms, otherMs: other.ms, own: own.result, other: other.result };
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Generated vehicles of one size, each solved once by both after both are warm. */
function benchSize(highs: Highs, size: number, seeds: number): Line {
  const problems = Array.from({ length: seeds }, (_, seed) => generateVehicle(size, 3, 1000 + seed)).filter((problem) => solveAccess(problem, 1).problems.length === 0);
  const cases = problems.map((problem) => compareCase(highs, problem));
  const both = cases.filter((entry) => entry.own.proved && entry.other.proved);
  const same = both.filter((entry) => entry.own.total === entry.other.value).length;
  const open = cases.filter((entry) => !entry.own.proved).map((entry) => `${(((entry.own.total - entry.own.lowerBound) / entry.own.total) * 100).toFixed(0)} %`);
  const unproved = cases.filter((entry) => !entry.other.proved).length;
  const said = [
    `${cases.length} seeds`,
    `same value in ${same} of the ${both.length} that both proved`,
    ...(open.length > 0 ? [`ours stopped at 10 s in ${open.length} with a gap of ${open.join(', ')}`] : []),
    ...(unproved > 0 ? [`highs stopped at ${MOST_S} s in ${unproved}`] : []),
    `times faster at the median case: ${median(cases.map((entry) => entry.otherMs / entry.ownMs)).toFixed(1)}`,
    `text for highs ${median(cases.map((entry) => entry.textMs)).toFixed(1)} ms apart`,
  ];
  return compare(
    `Generated vehicles of ${size} pieces (${said.join('; ')})`,
    summarise(cases.map((entry) => entry.ownMs)),
    'a straight formulation in highs',
    summarise(cases.map((entry) => entry.otherMs)),
  );
}

/** The demo van's plan, and generated vehicles of four sizes, against a straight formulation in a general solver. */
export async function benchPlans(profile: VehicleProfile, kit: Kit, rules: RuleSet): Promise<Line[]> {
  const highs = await loadHighs();
  const facts = { trim: 'guard', headlamp: 'led', 'front-fog': 'blank' };
  const state = emptyJob();
  for (const [fact, value] of Object.entries(facts)) state.facts[fact] = { certainty: 'known', value };
  const context: JobContext = { state, profile, kits: [kit], rules };
  const problem = accessProblem(profile, facts, ['fog-left', 'fog-right'], [], []);
  const text = formulate(problem);
  const same = solveAccess(problem).total === optimum(highs, text).value;
  const other = await time(20, () => optimum(highs, text), 1);
  const half = planOpening(context).steps.slice(0, 5);
  const later: JobContext = { ...context, state: { ...state, pieces: Object.fromEntries(half.map((step) => [step.piece, step.level])) } };
  const lines = [
    compare(
      `The van’s least-labour way in (${problem.pieces.length} pieces; same value: ${same ? 'yes' : 'no'})`,
      await time(20, () => solveAccess(problem), 2),
      'a straight formulation in highs',
      other,
    ),
    compare('The van’s whole plan: way in, order, tools, slots', await time(20, () => planOpening(context), 2), 'the way in alone in highs', other),
    compare(`The van planned again with ${half.length} pieces open`, await time(20, () => planOpening(later), 2), 'the way in alone in highs', other),
  ];
  for (const warm of [2000, 2001, 2002]) compareCase(highs, generateVehicle(20, 3, warm));
  for (const [size, seeds] of [
    [10, 15],
    [30, 15],
    [60, 15],
    [120, 9],
  ] as const)
    lines.push(benchSize(highs, size, seeds));
  return lines;
}
