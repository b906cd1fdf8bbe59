import { LEVELS, levelRank, OPEN_LEVELS, type Level } from '../vehicle/index.ts';
import type { CloseUpAnswer, SeenJob } from './seen.ts';

/** Chance that a piece which was opened could have stayed on, before anybody was asked of it; and after somebody said that it had to be. */
const SPARE_CHANCE = 0.2;
const SPARE_CHANCE_ONCE_NEEDED = 0.02;
/** Chance that a piece was taken further than was enough. */
const FURTHER_CHANCE = 1 / 3;
/** Questions after the list, at most. */
const MOST_FOLLOW_UPS = 2;

/** A piece of a job of which it is worth knowing whether it could have stayed on. */
export interface CloseUpEntry {
  piece: string;
  /** Highest level it was taken to. */
  level: Level;
  /** Person-minutes that asking is worth on the next vehicle of the kind: by chance, and by what a plan would save. */
  worthMin: number;
}

/** A piece of which it is worth knowing how far was enough. */
export interface FollowUp extends CloseUpEntry {
  /** Levels that could have been enough, lowest first. */
  levels: Level[];
}

/** Person-minutes of the least way in that jobs teach, over all targets that the shop works on; undefined where they teach none. */
export type PlanMinutes = (jobs: readonly SeenJob[]) => number | undefined;

const highest = ({ moves }: SeenJob, piece: string): Level =>
  moves.filter((move) => move.piece === piece).reduce<Level>((most, { level }) => (levelRank(level) > levelRank(most) ? level : most), 'fitted');
const piecesOf = ({ moves }: SeenJob) => [...new Set(moves.map(({ piece }) => piece))];

/** Jobs as they were, had one more answer been given in one of them. */
function withAnswer(jobs: readonly SeenJob[], job: string, answer: Pick<CloseUpAnswer, 'piece' | 'enough'>): SeenJob[] {
  return jobs.map((entry) =>
    entry.job === job ? { ...entry, answers: [...entry.answers.filter(({ piece }) => piece !== answer.piece), { event: `asked-${answer.piece}`, ...answer }] } : entry,
  );
}

function savedMin(jobs: readonly SeenJob[], job: string, answer: Pick<CloseUpAnswer, 'piece' | 'enough'>, now: number | undefined, plan: PlanMinutes): number {
  const then = plan(withAnswer(jobs, job, answer));
  return now === undefined || then === undefined ? 0 : Math.max(0, now - then);
}

/**
 * The list that is read at Close up: every piece that was opened in a job, what is worth most first. Worth is the chance that it could have stayed on times
 * what the next plan would save by that.
 */
export function closeUpList(jobs: readonly SeenJob[], job: string, plan: PlanMinutes): CloseUpEntry[] {
  const own = jobs.find((entry) => entry.job === job);
  if (!own) return [];
  const now = plan(jobs);
  const saidOf = ({ answers, moves }: SeenJob) => [...answers, ...moves.flatMap((move) => move.answers ?? [])];
  const onceNeeded = new Set(jobs.flatMap(saidOf).flatMap(({ piece, enough }) => (enough === 'fitted' ? [] : [piece])));
  return piecesOf(own)
    .map((piece): CloseUpEntry => {
      const chance = onceNeeded.has(piece) ? SPARE_CHANCE_ONCE_NEEDED : SPARE_CHANCE;
      return { piece, level: highest(own, piece), worthMin: chance * savedMin(jobs, job, { piece, enough: 'fitted' }, now, plan) };
    })
    .sort((a, b) => b.worthMin - a.worthMin);
}

/**
 * The questions after the list has been answered, two of a job at most, those that were answered counted, and only where they are worth something: how far was enough, of pieces that had to be opened
 * and went further than they can be opened at least.
 * @param levelsOf levels that a piece is known to have; where none are, all of them
 */
export function followUps(jobs: readonly SeenJob[], job: string, plan: PlanMinutes, levelsOf: (piece: string) => readonly Level[] = () => []): FollowUp[] {
  const own = jobs.find((entry) => entry.job === job);
  if (!own) return [];
  const now = plan(jobs);
  const said = new Set(own.answers.filter(({ enough }) => enough !== 'needed').map(({ piece }) => piece));
  const asked = own.answers.filter(({ enough }) => enough !== 'needed' && enough !== 'fitted').length;
  return piecesOf(own)
    .filter((piece) => !said.has(piece))
    .flatMap((piece): FollowUp[] => {
      const level = highest(own, piece);
      const known = levelsOf(piece);
      const levels = LEVELS.filter((each) => (known.length > 0 ? known.includes(each) : each === OPEN_LEVELS[0]) && levelRank(each) > 0 && levelRank(each) < levelRank(level));
      const [lowest] = levels;
      if (lowest === undefined) return [];
      const worthMin = FURTHER_CHANCE * savedMin(jobs, job, { piece, enough: lowest }, now, plan);
      return worthMin > 0 ? [{ piece, level, levels, worthMin }] : [];
    })
    .sort((a, b) => b.worthMin - a.worthMin)
    .slice(0, Math.max(0, MOST_FOLLOW_UPS - asked));
}
