import { levelRank, positionsOf, standIn, standingIn, stillToTake, type Level, type LevelNeed, type OpenLevel } from '../vehicle/index.ts';
import type { CloseUpAnswer, HeldThen, OpenThen, SeenJob, SeenMove, TriedMove } from './seen.ts';

/** What is reached: a piece at a level, or a target. */
export interface Reached {
  piece?: string;
  level?: OpenLevel;
  target?: string;
}

/** A way that was gone on a vehicle of the kind: what had to be open for it, as far as anybody knows. */
export interface SoundWay extends Reached, HeldThen {
  needs: LevelNeed[];
  /** The job and the event in which it was gone. */
  job: string;
  event: string;
  /** Answers that left something out of it. */
  answers: string[];
  /** Needs of which somebody said that they had to be; the others were only seen open. */
  confirmed: string[];
  /** The move went further than this level, so its minutes are not those of it. */
  wentFurther?: boolean;
}

/** What was said or seen that does not go together. */
export type CaptureConflict =
  /** An answer that is withdrawn, because something did not come with what it left. */
  | { code: 'answer-withdrawn'; job: string; answer: string; piece: string; tried: string }
  /** A piece did not come where another vehicle of the kind gave way: they differ by something that is not described. */
  | { code: 'gave-way-elsewhere'; job: string; tried: string; piece: string; level: OpenLevel; other: string };

export interface Learned {
  ways: SoundWay[];
  conflicts: CaptureConflict[];
}

/** Whether all needs hold with what was open. */
export function holds(needs: readonly LevelNeed[], open: OpenThen): boolean {
  return needs.every((need) => open.some((entry) => entry.piece === need.piece && levelRank(entry.level) >= levelRank(need.level)));
}

/** What was open less what a person said could have stayed on, or less far; and the answers that this rests on. */
export function lessAnswers(open: OpenThen, answers: readonly CloseUpAnswer[]): { needs: LevelNeed[]; used: string[] } {
  const used: string[] = [];
  const needs = open.flatMap((entry): LevelNeed[] => {
    const answer = answers.find(({ piece, enough }) => piece === entry.piece && enough !== 'needed');
    if (!answer || levelRank(answer.enough as Level) >= levelRank(entry.level)) return [entry];
    used.push(answer.event);
    return answer.enough === 'fitted' ? [] : [{ piece: entry.piece, level: answer.enough as OpenLevel }];
  });
  return { needs, used };
}

/**
 * The levels that a move shows, and whether the answers of its job speak of them. Who says that all could have been done with a piece at a lower level says
 * nothing of how it would have gone further.
 */
function levelsOf({ piece, from, level }: SeenMove, answers: readonly CloseUpAnswer[]): { level: OpenLevel; answered: boolean }[] {
  const enough = answers.find((answer) => answer.piece === piece)?.enough ?? 'needed';
  if (enough === 'needed' || levelRank(enough) >= levelRank(level)) return [{ level, answered: true }];
  const lower = enough !== 'fitted' && levelRank(enough) > levelRank(from) ? [{ level: enough, answered: true }] : [];
  return [...lower, { level, answered: false }];
}

function waysOfJob({ job, moves, targets, answers }: SeenJob): SoundWay[] {
  const needed = new Set(answers.filter(({ enough }) => enough !== 'fitted').map(({ piece }) => piece));
  const way = (reached: Reached, held: HeldThen & Pick<SeenMove, 'answers'>, event: string, open: OpenThen, answered: boolean): SoundWay => {
    // What was said of the move itself stands before what was said at the end.
    const own = held.answers ?? [];
    const said = new Set(own.map(({ piece }) => piece));
    const { needs, used } = lessAnswers(open, [...own, ...(answered ? answers.filter(({ piece }) => !said.has(piece)) : [])]);
    const had = new Set(own.filter(({ enough }) => enough === 'needed').map(({ piece }) => piece));
    return {
      ...reached,
      needs,
      job,
      event,
      answers: used,
      confirmed: needs.filter(({ piece }) => needed.has(piece) || had.has(piece)).map(({ piece }) => piece),
      ...standingIn(positionsOf(held)),
    };
  };
  return [
    ...moves
      .filter(({ broken }) => !broken)
      .flatMap((move) =>
        levelsOf(move, answers).map(({ level, answered }) => ({
          ...way({ piece: move.piece, level }, move, move.event, move.open, answered),
          ...(level === move.level ? {} : { wentFurther: true }),
        })),
      ),
    ...targets.map(({ target, event, open, later }) => way({ target }, {}, event, open, later !== true)),
  ];
}

const reaches = (way: SoundWay, { piece, level }: Pick<TriedMove, 'piece' | 'level'>) => way.piece === piece && way.level !== undefined && levelRank(way.level) >= levelRank(level);

/**
 * The ways that the jobs of a kind of vehicle show: for every move what was open at that moment, less what a person said of that very job could have
 * stayed on. An answer holds for its own job alone, and what was open in different jobs is never put together. What did not come withdraws the answers
 * that it contradicts.
 * Source: since more open never hinders, each of these sets was enough, or is by the word of who did it.
 */
export function learnWays(jobs: readonly SeenJob[]): Learned {
  const conflicts: CaptureConflict[] = [];
  let told = jobs.map((job) => ({ ...job, answers: [...job.answers] }));
  const tries = jobs.flatMap(({ job, tried }) => tried.map((entry) => ({ ...entry, job })));
  for (;;) {
    const ways = told.flatMap(waysOfJob);
    const withdrawn = new Map<string, { piece: string; tried: string; job: string }>();
    for (const entry of tries) {
      for (const way of ways) {
        if (!contradicts(entry, way)) continue;
        for (const { event, piece, enough } of answersFor(told, way)) {
          // What was left out and was not open when it was tried may have been what held it.
          const open = entry.open.find((other) => other.piece === piece)?.level ?? 'fitted';
          const had = openFor(told, way).find((other) => other.piece === piece)?.level ?? 'fitted';
          if (way.answers.includes(event) && enough !== 'needed' && levelRank(open) < levelRank(had)) withdrawn.set(event, { piece, tried: entry.event, job: way.job });
        }
      }
    }
    if (withdrawn.size === 0) {
      for (const entry of tries) {
        const other = ways.find((way) => contradicts(entry, way));
        if (other) conflicts.push({ code: 'gave-way-elsewhere', job: entry.job, tried: entry.event, piece: entry.piece, level: entry.level, other: other.job });
      }
      return { ways, conflicts };
    }
    for (const [answer, { piece, tried, job }] of withdrawn) conflicts.push({ code: 'answer-withdrawn', job, answer, piece, tried });
    const left = (answers: readonly CloseUpAnswer[]) => answers.filter(({ event }) => !withdrawn.has(event));
    told = told.map((job) => ({ ...job, answers: left(job.answers), moves: job.moves.map((move) => (move.answers ? { ...move, answers: left(move.answers) } : move)) }));
  }
}

/** Whether something did not come though all held that a way needs: what was open, and how the vehicle stood. */
const contradicts = (entry: TriedMove, way: SoundWay) =>
  reaches(way, entry) && holds(way.needs, entry.open) && stillToTake(positionsOf(way), standIn({}, positionsOf(entry))).length === 0;

/** What was said that can have left something out of a way: of its job, and of its move. */
function answersFor(jobs: readonly Pick<SeenJob, 'job' | 'moves' | 'answers'>[], { job, event }: SoundWay): readonly CloseUpAnswer[] {
  const own = jobs.find((entry) => entry.job === job);
  return [...(own?.answers ?? []), ...(own?.moves.find((move) => move.event === event)?.answers ?? [])];
}

/** What was open when a way was gone. */
function openFor(jobs: readonly Pick<SeenJob, 'job' | 'moves' | 'targets'>[], { job, event }: SoundWay): OpenThen {
  const own = jobs.find((entry) => entry.job === job);
  return (own?.moves.find((move) => move.event === event) ?? own?.targets.find((target) => target.event === event))?.open ?? [];
}
