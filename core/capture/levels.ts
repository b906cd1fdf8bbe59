import { hundredthsToMinutes, minutesEach, minutesToHundredths } from '../units/index.ts';
import { levelRank, positionsOf, standIn, standingIn, stillToTake, type Level, type OpenLevel, type PieceLevel, type Way } from '../vehicle/index.ts';
import { estimateStep, sumTaken } from '../schedule/index.ts';
import type { SeenJob } from './seen.ts';
import { holds, type SoundWay } from './ways.ts';

/** A way of the proposal: `confirmed` names the needs of which somebody said that they had to be; `jobs` those that went it. */
export interface ProposedWay extends Way {
  confirmed: string[];
  jobs: string[];
}

export interface ProposedLevel extends Omit<PieceLevel, 'ways'> {
  ways: ProposedWay[];
  /** How often it was measured; a level that never was has the minutes of the next one that was, or of nobody. */
  measured: number;
}

/** Person-minutes from fitted that moves took, by the event of the move: a move that began at a lower level counts with what led there in its job. */
export function minutesFromFitted(jobs: readonly SeenJob[]): Map<string, { personMin: number; people: number }> {
  const known = new Map<string, { personMin: number; people: number }>();
  for (const { moves } of jobs) {
    const at = new Map<string, { level: Level; personMin: number }>();
    for (const { event, piece, from, level, personMin, people } of moves) {
      const before = from === 'fitted' ? 0 : at.get(piece)?.level === from ? at.get(piece)?.personMin : undefined;
      if (personMin === undefined || before === undefined) {
        at.delete(piece);
        continue;
      }
      known.set(event, { personMin: before + personMin, people });
      at.set(piece, { level, personMin: before + personMin });
    }
  }
  return known;
}

/** Person-minutes of putting back, by piece and the level that it was put back from. */
export function closingMinutes(jobs: readonly SeenJob[], piece: string): Map<Level, number[]> {
  const minutes = new Map<Level, number[]>();
  for (const closing of jobs.flatMap(({ closings }) => closings)) {
    if (closing.piece === piece) minutes.set(closing.from, [...(minutes.get(closing.from) ?? []), closing.personMin]);
  }
  return minutes;
}

/** Whether a way asks for no more than another of how the vehicle stands. */
export const standsFree = (way: Pick<Way, 'position' | 'also'>, other: Pick<Way, 'position' | 'also'>): boolean =>
  stillToTake(positionsOf(way), standIn({}, positionsOf(other))).length === 0;

/** Whether a way serves wherever another does, and takes no longer. */
const serves = (way: ProposedWay, other: ProposedWay) => holds(way.needs, other.needs) && standsFree(way, other) && way.extraMin <= other.extraMin;

/** Ways without those of which another needs no more and takes no longer; what was gone and confirmed of the same needs is put together. */
export function leastWays(ways: readonly ProposedWay[]): ProposedWay[] {
  const kept = ways.filter((way, index) => !ways.some((other, place) => place !== index && serves(other, way) && (place < index || !serves(way, other))));
  return kept.map((way) => {
    const same = ways.filter((other) => holds(other.needs, way.needs) && holds(way.needs, other.needs));
    return { ...way, jobs: [...new Set(same.flatMap(({ jobs }) => jobs))], confirmed: [...new Set(same.flatMap(({ confirmed }) => confirmed))] };
  });
}

/** A name for the way of an event; another one where the profile has a way of that name, as it was told before answers changed. */
function wayId(event: string, known: readonly Way[]): string {
  const own = `seen-${event.replaceAll('-', '').slice(-8)}`;
  const taken = new Set(known.map(({ id }) => id));
  let id = own;
  for (let number = 2; taken.has(id); number++) id = `${own}-${number}`;
  return id;
}

function proposedWay({ needs, event, job, confirmed, position, also }: SoundWay, extraMin: number, known: readonly Way[]): ProposedWay {
  const order = [...needs].sort((a, b) => a.piece.localeCompare(b.piece));
  return { id: wayId(event, known), needs: order, extraMin, confirmed, jobs: [job], ...standingIn(positionsOf({ position, also })) };
}

/** A way of the profile: what it needs was described, so it was said, but for what was only seen when it was kept. */
const describedWay = (way: Way): ProposedWay => ({ ...way, confirmed: way.needs.flatMap(({ piece, seen }) => (seen ? [] : [piece])), jobs: [] });

/** A way as a profile holds it: a need that nobody confirmed is said to be one that was seen. */
export const asWay = ({ confirmed, jobs: _jobs, ...way }: ProposedWay): Way => ({
  ...way,
  needs: way.needs.map(({ piece, level }) => ({ piece, level, ...(confirmed.includes(piece) ? {} : { seen: true }) })),
});

/** By so much a level that nobody measured takes less than the one beyond it: no longer than that, and nobody goes further than he has to. */
const LESS_MIN = 0.01;

interface LevelTimes {
  /** Person-minutes from fitted, and back; absent where nothing says so. */
  open: number | undefined;
  close: number | undefined;
  people: number;
  measured: number;
  /** Person-minutes of a way, by the event in which it was gone. */
  byEvent: Map<string, number>;
}

function timesOf(
  ways: readonly SoundWay[],
  measuredFrom: ReadonlyMap<string, { personMin: number; people: number }>,
  backs: readonly number[],
  before: PieceLevel | undefined,
): LevelTimes {
  const prior = before && before.openMin * before.people;
  const taken = (of: readonly SoundWay[]) => of.flatMap(({ event }) => measuredFrom.get(event) ?? []);
  const minutesOf = (of: readonly SoundWay[]) =>
    meanOf(
      taken(of).map(({ personMin }) => personMin),
      prior,
    );
  const byEvent = new Map(
    ways.flatMap((way): [string, number][] => {
      const own = minutesOf(ways.filter((other) => holds(other.needs, way.needs) && holds(way.needs, other.needs)));
      return own === undefined ? [] : [[way.event, own]];
    }),
  );
  return {
    open: byEvent.size > 0 ? Math.min(...byEvent.values()) : prior,
    close: meanOf(backs, before && before.closeMin * before.people),
    people: Math.max(1, before?.people ?? 0, ...taken(ways).map(({ people }) => people)),
    measured: taken(ways).length,
    byEvent,
  };
}

/** Minutes as those taken have moved a prior; without one the mean of their logarithms. */
function meanOf(minutes: readonly number[], prior: number | undefined): number | undefined {
  const taken = sumTaken(minutes);
  if (prior !== undefined && prior > 0) return estimateStep(prior, taken).medianMin;
  return taken.count > 0 ? Math.exp(taken.sumLn / taken.count) : prior;
}

/**
 * Levels of a piece as the jobs of its kind show them, lowest first: their ways, and minutes as estimated from those that were measured, shrunk to the
 * profile's where it has some. What a way takes beyond the quickest of its level is its extra.
 * @param known what the profile says of it already
 * @param measuredFrom person-minutes from fitted by event, as `minutesFromFitted` has them
 */
export function proposedLevels(
  ways: readonly SoundWay[],
  measuredFrom: ReadonlyMap<string, { personMin: number; people: number }>,
  closed: ReadonlyMap<Level, readonly number[]>,
  known: readonly PieceLevel[] = [],
): ProposedLevel[] {
  const names = [...new Set<OpenLevel>([...known.map(({ level }) => level), ...ways.flatMap(({ level }) => level ?? [])])].sort((a, b) => levelRank(a) - levelRank(b));
  const of = new Map(
    names.map((level) => [
      level,
      timesOf(
        ways.filter((way) => way.level === level && !way.wentFurther),
        measuredFrom,
        closed.get(level) ?? [],
        known.find((entry) => entry.level === level),
      ),
    ]),
  );
  let beyond: Pick<LevelTimes, 'open' | 'close'> = { open: undefined, close: undefined };
  for (const level of [...names].reverse()) {
    const own = of.get(level);
    if (!own) continue;
    own.open ??= beyond.open === undefined ? undefined : Math.max(0, beyond.open - LESS_MIN);
    own.close ??= beyond.close === undefined ? own.open : Math.max(0, beyond.close - LESS_MIN);
    beyond = own;
  }
  let least = 0;
  let below = 0;
  return names.map((level): ProposedLevel => {
    const before = known.find((entry) => entry.level === level);
    const { open = 0, close = 0, people = 1, measured = 0, byEvent = new Map<string, number>() } = of.get(level) ?? {};
    least = Math.max(least, open);
    const openMin = minutesEach(least, people, below);
    below = openMin * people;
    const described = before?.ways ?? [];
    const proposed = ways.filter((way) => way.level === level).map((way) => proposedWay(way, roundedMin(Math.max(0, (byEvent.get(way.event) ?? least) - least)), described));
    return {
      ...(before ?? {}),
      level,
      openMin,
      closeMin: minutesEach(close, people),
      people,
      ways: leastWays([...described.map(describedWay), ...proposed]),
      measured,
    };
  });
}

const roundedMin = (minutes: number) => hundredthsToMinutes(minutesToHundredths(minutes));

/** Ways to a target as the jobs of its kind show them. */
export function proposedReach(ways: readonly SoundWay[], known: readonly Way[] = []): ProposedWay[] {
  return leastWays([...known.map(describedWay), ...ways.map((way) => proposedWay(way, 0, known))]);
}
