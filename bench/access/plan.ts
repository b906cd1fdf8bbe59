import loadHighs from 'highs';
import { accessProblem, solveAccess, type AccessProblem } from '@jade/core/access';
import { emptyJob, planOpening, type JobContext } from '@jade/core/job';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { VehicleProfile } from '@jade/core/vehicle';
import { compare, time, type Line, type Timing } from '../measure.ts';
import { formulate } from './formulation.ts';
import { generateVehicle } from './generate.ts';

type Highs = Awaited<ReturnType<typeof loadHighs>>;

function optimum(highs: Highs, text: string): number {
  const answer = highs.solve(text, { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false });
  return Math.round(answer.ObjectiveValue);
}

async function against(highs: Highs, problem: AccessProblem, runs: number): Promise<{ ours: Timing; other: Timing; same: boolean }> {
  const text = formulate(problem);
  const same = solveAccess(problem).total === optimum(highs, text);
  return { ours: await time(runs, () => solveAccess(problem), 2), other: await time(runs, () => optimum(highs, text), 1), same };
}

/** The demo van's plan, and generated vehicles of two sizes, against a straight formulation in a general solver. */
export async function benchPlans(profile: VehicleProfile, kit: Kit, rules: RuleSet): Promise<Line[]> {
  const highs = await loadHighs();
  const state = emptyJob();
  for (const [fact, value] of Object.entries({ trim: 'guard', headlamp: 'led', 'front-fog': 'blank' })) state.facts[fact] = { certainty: 'known', value };
  const context: JobContext = { state, profile, kits: [kit], rules };
  const facts = { trim: 'guard', headlamp: 'led', 'front-fog': 'blank' };
  const problem = accessProblem(profile, facts, ['fog-left', 'fog-right'], [], []);
  const van = await against(highs, problem, 20);
  const whole = await time(20, () => planOpening(context), 2);
  const lines = [
    compare(`The van’s least-labour way in (${problem.pieces.length} pieces; same value: ${van.same ? 'yes' : 'no'})`, van.ours, 'a straight formulation in highs', van.other),
    compare('The van’s whole plan: way in, order, tools, slots', whole, 'the way in alone in highs', van.other),
  ];
  for (const size of [10, 30, 60]) {
    const problems = Array.from({ length: 7 }, (_, seed) => generateVehicle(size, 3, 1000 + seed)).filter((candidate) => solveAccess(candidate).problems.length === 0);
    const results: Awaited<ReturnType<typeof against>>[] = [];
    for (const candidate of problems) results.push(await against(highs, candidate, 3));
    const median = (pick: (entry: (typeof results)[number]) => Timing): Timing => {
      const times = results.map((entry) => pick(entry).medianMs).sort((a, b) => a - b);
      return { medianMs: times[Math.floor(times.length / 2)] ?? 0, leastMs: times[0] ?? 0, mostMs: times.at(-1) ?? 0 };
    };
    const same = results.filter((entry) => entry.same).length;
    lines.push(
      compare(
        `Generated vehicles of ${size} pieces (${results.length} seeds; same value: ${same})`,
        median((entry) => entry.ours),
        'a straight formulation in highs',
        median((entry) => entry.other),
      ),
    );
  }
  return lines;
}
