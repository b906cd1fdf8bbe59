import { solveAccess, type AccessProblem } from '@jade/core/access';
import { followUps, learnWays, planMinutesOf, type SeenJob, type TriedMove } from '@jade/core/capture';
import { generateVehicle } from '../../core/access/test/generated.ts';
import { asAnswered, chanceFrom, enoughOf, HABITS, replay, toldTruly, toldWrongly, without, workOn, type Chance } from '../../core/capture/test/simulated.ts';
import { taughtPlan } from '../../core/capture/test/taught.ts';
import type { OpenLevel } from '@jade/core/vehicle';

const SEEDS = 40;
const PIECES = 30;
const TARGETS = 3;
/** Vehicles after which a plan is looked at. */
export const AFTER = [1, 2, 3, 5] as const;
const MOST_VEHICLES = 5;
/** One answer in so many is wrong. */
const WRONG_ONE_IN = 400;
/** So often a plan that jams is made anew before it counts as stuck. */
const MOST_TRIES = 20;

/** How a plan stands to the truth: one of a kind of vehicle after so many were worked on. */
export interface Outcome {
  after: number;
  /** To the least that anybody who knew all could do; to the best of the jobs as they were worked; to the best of them less what could have stayed on. */
  ofLeast: number;
  ofWorked: number;
  ofAnswered: number;
}

export interface Capture {
  outcomes: Outcome[];
  /** Plans that jammed with truthful answers, and plans that reach less than there is to reach. */
  infeasible: number;
  unreached: number;
  plans: number;
}

/** Generated vehicles that can be opened at all, by their seeds from 1 on. */
function vehicles(): AccessProblem[] {
  const found: AccessProblem[] = [];
  for (let seed = 1; found.length < SEEDS; seed++) {
    const truth = generateVehicle(PIECES, TARGETS, seed);
    const { problems, moves } = solveAccess(truth);
    if (problems.length === 0 && moves.length > 0) found.push(truth);
  }
  return found;
}

/** What two facts decide: pieces that vehicles without the one or the other do not have. */
function byTwoFacts(truth: AccessProblem, chance: Chance): string[][] {
  const some = () => [0, 1].map(() => truth.pieces[Math.floor(chance() * truth.pieces.length)]?.id ?? 'p0');
  return [some(), some()];
}

const worked = (truth: AccessProblem, { moves }: SeenJob) => replay(truth, moves).total;
/** What a job would have taken had it gone only as far as was said to be enough. */
const answered = (truth: AccessProblem, told: SeenJob) => replay(truth, asAnswered(told, enoughOf(told))).total;

const ask = (jobs: readonly SeenJob[]) => (told: SeenJob) => followUps([...jobs, told], told.job, planMinutesOf()).map(({ piece }) => piece);

/** Vehicles of one kind worked on one after the other, each by somebody who knows nothing of the others; the plan after 1, 2, 3 and 5. */
export function capture(clock: number, differing: boolean): Capture {
  const result: Capture = { outcomes: [], infeasible: 0, unreached: 0, plans: 0 };
  vehicles().forEach((truth, seed) => {
    const chance = chanceFrom(seed * 1009 + 7);
    const facts = differing ? byTwoFacts(truth, chance) : [];
    const jobs: SeenJob[] = [];
    const best = { worked: Infinity, answered: Infinity };
    for (let number = 1; number <= MOST_VEHICLES; number++) {
      const lacks = facts.flatMap((pieces) => (chance() < 0.5 ? pieces : []));
      const here = without(truth, lacks);
      if (solveAccess(here).problems.length > 0) continue;
      const told = toldTruly(here, workOn(here, `v${number}`, { ...HABITS, clock }, chance, lacks), ask(jobs));
      jobs.push(told);
      best.worked = Math.min(best.worked, worked(here, told));
      best.answered = Math.min(best.answered, answered(here, told));
      const after = AFTER.find((count) => count === number);
      if (after === undefined) continue;
      // With facts the next vehicle has everything or lacks what another fact says.
      for (const lacking of differing ? [[], ...facts, facts.flat()] : [[]]) {
        const next = without(truth, lacking);
        const least = solveAccess(next);
        if (least.problems.length > 0) continue;
        const plan = taughtPlan(jobs, lacking);
        result.plans++;
        if (plan.problems.length > 0) {
          result.unreached++;
          continue;
        }
        const { total, jams } = replay(next, plan.moves as { piece: string; level: OpenLevel }[]);
        if (jams) result.infeasible++;
        else result.outcomes.push({ after, ofLeast: total / (least.total || 1), ofWorked: total / best.worked, ofAnswered: total / best.answered });
      }
    }
  });
  return result;
}

export interface WrongAnswers {
  plans: number;
  jammed: number;
  /** Jams of which no answer was named, and plans that never came through. */
  unexplained: number;
  stuck: number;
}

/** The same with one answer in four hundred wrong: how many plans jam, whether the wrong answer is named, and whether the work goes on. */
export function captureWrongly(): WrongAnswers {
  const result: WrongAnswers = { plans: 0, jammed: 0, unexplained: 0, stuck: 0 };
  vehicles().forEach((truth, seed) => {
    const chance = chanceFrom(seed * 2003 + 11);
    let jobs: SeenJob[] = [];
    for (let number = 1; number <= MOST_VEHICLES; number++) {
      const told = toldTruly(truth, workOn(truth, `v${number}`, HABITS, chance), ask(jobs));
      jobs = [...jobs, toldWrongly(told, WRONG_ONE_IN, chance)];
      if (!AFTER.some((count) => count === number)) continue;
      result.plans++;
      let tries: TriedMove[] = [];
      for (let round = 0; ; round++) {
        const tried: SeenJob = { job: `next${number}`, moves: [], targets: [], tried: tries, closings: [], answers: [] };
        const plan = taughtPlan([...jobs, tried]);
        const { jams, levels } = replay(truth, plan.moves as { piece: string; level: OpenLevel }[]);
        if (!jams || plan.problems.length > 0) break;
        if (round === 0) result.jammed++;
        const open = Object.entries(levels).map(([piece, level]) => ({ piece, level: level as OpenLevel }));
        // A target that is not in reach is no piece that was tried: it is said of the last piece.
        tries = [...tries, { event: `tried-${number}-${round}`, ...jams, open }];
        const named = learnWays([...jobs, { ...tried, tried: tries }]).conflicts.filter(({ code }) => code === 'answer-withdrawn');
        if (named.length === 0 && round === 0) result.unexplained++;
        if (named.length === 0 || round === MOST_TRIES) {
          result.stuck++;
          break;
        }
      }
    }
  });
  return result;
}
