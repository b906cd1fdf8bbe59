import { cpus } from 'node:os';
import loadHighs from 'highs';
import { solveAccess } from '@jade/core/access';
import { closeUpList, planMinutesOf, taughtProblem, type PlanMinutes, type SeenJob } from '@jade/core/capture';
import { generateVehicle } from '../../core/access/test/generated.ts';
import { chanceFrom, HABITS, toldTruly, workOn } from '../../core/capture/test/simulated.ts';
import { formulate } from '../access/formulation.ts';
import { compare, time, type Line } from '../measure.ts';
import { AFTER, capture, captureWrongly, type Outcome } from './capture.ts';

/** What a plan may cost of the least, in the median, after so many vehicles. */
const MOST: Record<number, number> = { 1: 1.25, 2: 1.1, 3: 1.04, 5: 1.02 };

function part(values: number[], share: number): string {
  const sorted = [...values].sort((a, b) => a - b);
  return (sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0).toFixed(3);
}

const rowOf = (after: number, outcomes: readonly Outcome[]) => {
  const here = outcomes.filter((outcome) => outcome.after === after);
  const [least, worked, answered] = [here.map(({ ofLeast }) => ofLeast), here.map(({ ofWorked }) => ofWorked), here.map(({ ofAnswered }) => ofAnswered)];
  return `| ${after} | ${MOST[after]} | ${part(least, 0.5)} | ${part(least, 0.9)} | ${part(worked, 0.5)} (${part(worked, 1)}) | ${part(answered, 0.9)} (${part(answered, 1)}) |`;
};

/** The list of a job at Close up, with the worth of each line, against the same with its plans made by a general solver. */
async function listTimed(): Promise<Line> {
  const highs = await loadHighs();
  const byHighs: PlanMinutes = (jobs) => highs.solve(formulate(taughtProblem(jobs)), { mip_rel_gap: 0, mip_abs_gap: 0, output_flag: false }).ObjectiveValue / 100;
  const truth = [...Array(200).keys()]
    .map((seed) => generateVehicle(30, 3, seed + 1))
    .find((problem) => solveAccess(problem).problems.length === 0 && solveAccess(problem).moves.length > 6);
  if (!truth) throw new Error('no vehicle to work on');
  const chance = chanceFrom(5);
  const jobs: SeenJob[] = [1, 2, 3].map((number) => toldTruly(truth, workOn(truth, `v${number}`, HABITS, chance), () => []));
  const same = closeUpList(jobs, 'v3', planMinutesOf()).every(
    ({ piece, worthMin }) => Math.abs((closeUpList(jobs, 'v3', byHighs).find((entry) => entry.piece === piece)?.worthMin ?? -1) - worthMin) < 0.01,
  );
  const ours = await time(20, () => closeUpList(jobs, 'v3', planMinutesOf()));
  const other = await time(5, () => closeUpList(jobs, 'v3', byHighs), 1);
  return compare(
    `The list at Close up of a third vehicle (${closeUpList(jobs, 'v3', planMinutesOf()).length} pieces; same worth: ${same ? 'yes' : 'no'})`,
    ours,
    'its plans by highs',
    other,
  );
}

/** What the logs of generated vehicles teach, as a section of the figures. */
export async function captureReport(): Promise<string> {
  const { what, ours, against, other, ratio } = await listTimed();
  const sections = [0, HABITS.clock].map((clock) => {
    const { outcomes, infeasible, unreached, plans } = capture(clock, false);
    return `Clock exact to a spread of ${clock}: ${plans} plans, ${infeasible} infeasible, ${unreached} that did not reach all.

| vehicles | may be | median | nine of ten within | of the best as worked, median (most) | of the best less what could have stayed on, nine of ten (most) |
| --- | --- | --- | --- | --- | --- |
${AFTER.map((after) => rowOf(after, outcomes)).join('\n')}`;
  });
  const differing = capture(HABITS.clock, true);
  const wrong = captureWrongly();
  return `Made by \`npm run bench -- capture\` on ${cpus().length} cores: 40 generated kinds of vehicle of 30 pieces, nothing of them described. Each vehicle is worked on by somebody
who knows what a piece costs by a factor of e (σ 1), opens one needless piece in five and takes one in three further than he has to, and says truly what could have
stayed on, with two questions after it. Planned labour, replayed in the truth, ÷ the least there is.

${sections.join('\n\n')}

Vehicles of a kind that differ by two facts of two pieces each: ${differing.plans} plans for every combination of them, ${differing.infeasible} infeasible; ${differing.unreached} say that a way is not known.

One answer in 400 wrong: ${wrong.jammed} of ${wrong.plans} plans jam (5 may), ${wrong.unexplained} of them without an answer being named, ${wrong.stuck} never came through.

| what | ours | against | ratio |
| --- | --- | --- | --- |
| ${what} | ${ours} | ${against}: ${other} | ${ratio} |
`;
}
