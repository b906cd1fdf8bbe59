import { atStart, levelRank, solveAccess, type AccessLevel, type AccessProblem, type AccessWay } from '../../access/index.ts';
import type { Level, LevelNeed, OpenLevel } from '../../vehicle/index.ts';
import type { CloseUpAnswer, SeenJob, SeenMove } from '../index.ts';

/** Numbers from 0 up to 1, the same for the same seed. */
export type Chance = () => number;

/** A standard normal deviate (G. E. P. Box, M. E. Muller, 1958). */
export const normal = (chance: Chance): number => Math.sqrt(-2 * Math.log(1 - chance())) * Math.cos(2 * Math.PI * chance());

export type Levels = Readonly<Record<string, Level>>;
const rankAt = (levels: Levels, piece: string) => levelRank(levels[piece] ?? 'fitted');
export const needsAt = (needs: readonly LevelNeed[], levels: Levels) => needs.every((need) => rankAt(levels, need.piece) >= levelRank(need.level));

/** The cheapest way of some that holds. */
export function openWay(ways: readonly AccessWay[], levels: Levels): AccessWay | undefined {
  return ways.filter((way) => needsAt(way.needs, levels)).sort((a, b) => a.extra - b.extra)[0];
}

/** A piece taken to a level. */
export interface Taken {
  piece: string;
  level: OpenLevel;
}

export const levelOf = (truth: AccessProblem, piece: string, level: Level): AccessLevel | undefined =>
  truth.pieces.find((entry) => entry.id === piece)?.levels.find((entry) => levelRank(entry.level) >= levelRank(level));

/** What moves cost in the truth, in hundredths of a person-minute, and the move at which they jam, if they do. */
export function replay(truth: AccessProblem, moves: readonly Taken[]): { total: number; jams?: Taken; levels: Levels } {
  const levels: Record<string, Level> = {};
  let extra = 0;
  for (const { piece, level } of moves) {
    if (rankAt(levels, piece) >= levelRank(level)) continue;
    const entry = levelOf(truth, piece, level);
    const way = entry && openWay(entry.ways, levels);
    if (!entry || !way) return { total: 0, jams: { piece, level }, levels };
    levels[piece] = entry.level;
    extra += way.extra;
  }
  for (const target of truth.targets) {
    const way = openWay(target.ways, levels);
    if (!way) return { total: 0, jams: { piece: target.id, level: 'off' }, levels };
    extra += way.extra;
  }
  const costs = truth.pieces.map((piece) => {
    const own = piece.levels.find((entry) => entry.level === levels[piece.id]);
    return own ? own.open + own.close + Math.max(0, own.breakage - atStart(truth, piece).breakage) : 0;
  });
  return { total: extra + costs.reduce((sum, cost) => sum + cost, 0), levels };
}

/** How an installer who knows nothing of a kind of vehicle goes about it. */
export interface Habits {
  /** Spread of the logarithm by which he is wrong about what a piece costs. */
  sigma: number;
  /** Chance that he opens something needless before a move. */
  needless: number;
  /** Chance that he takes a piece further than he has to. */
  further: number;
  /** Spread of the logarithm of what the clock measures. */
  clock: number;
}

/** A vehicle as an installer believes it to be: what each piece costs is off by a factor of its own. */
function believed(truth: AccessProblem, sigma: number, chance: Chance): AccessProblem {
  const off = () => Math.exp(sigma * normal(chance));
  const ways = (list: readonly AccessWay[]) => list.map((way) => ({ ...way, extra: Math.round(way.extra * off()) }));
  return {
    ...truth,
    pieces: truth.pieces.map((piece) => {
      const factor = off();
      const scaled = (cost: number) => Math.round(cost * factor);
      return {
        ...piece,
        levels: piece.levels.map((level) => ({ ...level, open: scaled(level.open), close: scaled(level.close), breakage: scaled(level.breakage), ways: ways(level.ways) })),
      };
    }),
    targets: truth.targets.map((target) => ({ ...target, ways: ways(target.ways) })),
  };
}

const pick = <T>(list: readonly T[], chance: Chance): T | undefined => list[Math.floor(chance() * list.length)];
const openable = (truth: AccessProblem, levels: Levels, piece: string) =>
  (truth.pieces.find((entry) => entry.id === piece)?.levels ?? []).filter((entry) => levelRank(entry.level) > rankAt(levels, piece) && openWay(entry.ways, levels) !== undefined);
/** Everything that stands open. */
const openNow = (levels: Levels): LevelNeed[] => Object.entries(levels).map(([piece, level]) => ({ piece, level: level as OpenLevel }));

/** One vehicle worked on by somebody who plans it by what he believes: what the log shows of it. `lacks` are pieces that this vehicle does not have. */
export function workOn(truth: AccessProblem, job: string, habits: Habits, chance: Chance, lacks: readonly string[] = []): SeenJob {
  const levels: Record<string, Level> = {};
  const moves: SeenMove[] = [];
  const open = () => [...lacks.map((piece): LevelNeed => ({ piece, level: 'off' })), ...openNow(levels)];
  const onClock = () => Math.exp(habits.clock * normal(chance));
  const take = (piece: string, entry: AccessLevel) => {
    const from = levels[piece] ?? 'fitted';
    const way = openWay(entry.ways, levels);
    const before = from === 'fitted' ? 0 : (levelOf(truth, piece, from)?.open ?? 0);
    const personMin = ((entry.open - before + (way?.extra ?? 0)) / 100) * onClock();
    moves.push({ event: `${job}-${moves.length}`, piece, from, level: entry.level as OpenLevel, open: open(), personMin, people: 1 });
    levels[piece] = entry.level;
  };
  const planned = solveAccess(believed(truth, habits.sigma, chance)).moves;
  const wanted = new Set(planned.map(({ piece }) => piece));
  for (const { piece, level } of planned) {
    if (chance() < habits.needless) {
      const other = pick(
        truth.pieces.filter(({ id }) => !wanted.has(id) && levels[id] === undefined && openable(truth, levels, id).length > 0),
        chance,
      );
      const entry = other && pick(openable(truth, levels, other.id), chance);
      if (other && entry) take(other.id, entry);
    }
    const possible = openable(truth, levels, piece).filter((entry) => levelRank(entry.level) >= levelRank(level));
    const further = chance() < habits.further ? pick(possible.slice(1), chance) : undefined;
    const entry = further ?? possible[0];
    if (entry) take(piece, entry);
  }
  const closings = Object.entries(levels).map(([piece, from]) => ({
    event: `${job}-back-${piece}`,
    piece,
    from,
    personMin: ((levelOf(truth, piece, from)?.close ?? 0) / 100) * onClock(),
  }));
  return { job, moves, targets: truth.targets.map(({ id }) => ({ event: `${job}-${id}`, target: id, open: open() })), tried: [], closings, answers: [] };
}

/** The moves of a job, had pieces gone only as far as some answers say. */
export function asAnswered({ moves }: Pick<SeenJob, 'moves'>, enough: ReadonlyMap<string, Level>): Taken[] {
  return moves.flatMap(({ piece, level }): Taken[] => {
    const most = enough.get(piece);
    if (most === undefined || levelRank(most) >= levelRank(level)) return [{ piece, level }];
    return most === 'fitted' ? [] : [{ piece, level: most as OpenLevel }];
  });
}

/** How far was enough, by piece, as was said of a job. */
export const enoughOf = ({ answers }: Pick<SeenJob, 'answers'>): Map<string, Level> =>
  new Map(answers.flatMap(({ piece, enough }): [string, Level][] => (enough === 'needed' ? [] : [[piece, enough]])));

const goes = (truth: AccessProblem, seen: SeenJob, enough: ReadonlyMap<string, Level>) => replay(truth, asAnswered(seen, enough)).jams === undefined;
const toldOf = (seen: SeenJob, enough: ReadonlyMap<string, Level>): CloseUpAnswer[] =>
  [...enough].map(([piece, level]) => ({ event: `${seen.job}-said-${piece}`, piece, enough: level }));

/** What could have stayed on, as somebody says who knows: everything that could all together, begun with what was opened last. */
export function couldHaveStayed(truth: AccessProblem, seen: SeenJob): CloseUpAnswer[] {
  const enough = new Map<string, Level>();
  for (const piece of [...new Set(seen.moves.map((move) => move.piece))].reverse()) {
    enough.set(piece, 'fitted');
    if (!goes(truth, seen, enough)) enough.delete(piece);
  }
  return toldOf(seen, enough);
}

/** How far a piece had to go, given what was said before. */
export function wasEnough(truth: AccessProblem, seen: SeenJob, piece: string): CloseUpAnswer {
  const before = enoughOf(seen);
  const levels = truth.pieces.find(({ id }) => id === piece)?.levels.map(({ level }) => level) ?? [];
  const level = levels.find((candidate) => goes(truth, seen, new Map(before).set(piece, candidate)));
  return { event: `${seen.job}-far-${piece}`, piece, enough: level ?? 'needed' };
}

/** A vehicle of the kind that lacks some of its pieces: nothing waits for what is not there. */
export function without(truth: AccessProblem, lacks: readonly string[]): AccessProblem {
  const ways = (list: readonly AccessWay[]) => list.map((way) => ({ ...way, needs: way.needs.filter(({ piece }) => !lacks.includes(piece)) }));
  return {
    ...truth,
    pieces: truth.pieces.filter(({ id }) => !lacks.includes(id)).map((piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: ways(level.ways) })) })),
    targets: truth.targets.map((target) => ({ ...target, ways: ways(target.ways) })),
  };
}

/** Numbers from 0 up to 1, the same for the same seed (the mulberry generator of 32 bits). */
export function chanceFrom(seed: number): Chance {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** One installer in three takes it further than he has to, one piece in five is needless, and what a piece costs he knows by a factor of e. */
export const HABITS: Habits = { sigma: 1, needless: 0.2, further: 1 / 3, clock: 0.35 };

/** A job with all that its installer says of it at Close up: the list, and the two questions after it that are worth most. */
export function toldTruly(truth: AccessProblem, seen: SeenJob, ask: (told: SeenJob) => readonly string[]): SeenJob {
  let told: SeenJob = { ...seen, answers: couldHaveStayed(truth, seen) };
  for (const piece of ask(told)) told = { ...told, answers: [...told.answers.filter((answer) => answer.piece !== piece), wasEnough(truth, told, piece)] };
  return told;
}

/** A job of which one answer in so many is wrong: a piece that had to come off is tapped, or one that could have stayed is not. */
export function toldWrongly(told: SeenJob, oneIn: number, chance: Chance): SeenJob {
  const pieces = [...new Set(told.moves.map(({ piece }) => piece))];
  const flipped = new Set(pieces.filter(() => chance() < 1 / oneIn));
  const spare = new Set(told.answers.filter(({ enough }) => enough === 'fitted').map(({ piece }) => piece));
  const tapped = pieces
    .filter((piece) => flipped.has(piece) && !spare.has(piece))
    .map((piece): CloseUpAnswer => ({ event: `${told.job}-wrong-${piece}`, piece, enough: 'fitted' }));
  return { ...told, answers: [...told.answers.filter(({ piece }) => !flipped.has(piece)), ...tapped] };
}
