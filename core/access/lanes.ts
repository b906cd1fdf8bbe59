import { setUpBetween, turningTo, type SequenceStep, type SetUp, type Stand } from './sequence.ts';

/** A step for two people: `minutes` on the clock, in hundredths; a step of two people is done by both together. */
export interface LaneStep extends SequenceStep {
  duration: number;
}

/** When a step is done and by whom; times in hundredths of a minute from the start. A joint step stands in both lanes. */
export interface LaneEntry {
  step: number;
  lane: 0 | 1 | 'both';
  start: number;
  end: number;
}

export interface LanePlan {
  entries: LaneEntry[];
  /** On the clock from the first step to the last. */
  elapsed: number;
  /** Set-up of both lanes together. */
  setUp: number;
  /** True where no other order and division is shorter. */
  proved: boolean;
  leftOver: number[];
}

interface Work {
  done: boolean[];
  end: number[];
  free: [number, number];
  last: [SequenceStep | undefined, SequenceStep | undefined];
  /** Place of each kind of position, with when the last step that needed it ends. */
  stand: Readonly<Record<string, { place: string; until: number }>>;
  entries: LaneEntry[];
  setUp: number;
}

/** Places looked at before the best plan so far is taken. */
const MOST_PLACES = 4_000;

/** When all that a step comes after, or waits for, is behind it. */
function readyAt({ before, waits = [], notBefore = 0 }: SequenceStep, end: readonly number[], least: number): number {
  const after = before.reduce((latest, earlier) => Math.max(latest, end[earlier] ?? 0), Math.max(least, notBefore));
  return waits.reduce((latest, wait) => Math.max(latest, (end[wait.step] ?? 0) + wait.lag), after);
}

/** Both people are there from the start, so nobody has to be called. */
const present = (setUp: SetUp): SetUp => ({ ...setUp, helper: 0 });

function putNext(steps: readonly LaneStep[], work: Work, index: number, lane: 0 | 1 | 'both', setUp: SetUp): Work | undefined {
  const step = steps[index];
  if (!step) return undefined;
  const lanes = lane === 'both' ? ([0, 1] as const) : ([lane] as const);
  const ready = readyAt(step, work.end, 0);
  const preparing = lanes.map((place) => setUpBetween(work.last[place], step, setUp));
  const { position } = step;
  const held = position && work.stand[position.kind];
  const turning = position && held?.place !== position.place ? turningTo(position, setUp) : 0;
  const turnFrom = position && held && held.place !== position.place ? held.until : 0;
  const arrive = Math.max(...lanes.map((place, order) => work.free[place] + (preparing[order] ?? 0)));
  const start = Math.max(ready, arrive, turnFrom) + turning;
  const end = start + step.duration;
  const free: [number, number] = [...work.free];
  const last: Work['last'] = [...work.last];
  for (const place of lanes) {
    free[place] = end;
    last[place] = step;
  }
  const until = Math.max(end, held?.place === position?.place ? (held?.until ?? 0) : 0);
  return {
    done: work.done.map((done, place) => done || place === index),
    end: work.end.map((was, place) => (place === index ? end : was)),
    free,
    last,
    stand: position ? { ...work.stand, [position.kind]: { place: position.place, until } } : work.stand,
    entries: [...work.entries, { step: index, lane, start, end }],
    setUp: work.setUp + preparing.reduce((sum, cost) => sum + cost, 0) + turning,
  };
}

/**
 * Two people at one vehicle: which of them does what, in which order, so that it is done soonest, ties to the least set-up. Joint
 * steps begin when both are free. Depth-first branch and bound from the step that can begin soonest; exact where it ends before
 * `mostPlaces`, otherwise the best found, which is never later than always taking the step that can begin soonest.
 */
export function twoLanes(steps: readonly LaneStep[], setUpTimes: SetUp, { start = {}, mostPlaces = MOST_PLACES }: { start?: Stand; mostPlaces?: number } = {}): LanePlan {
  const setUp = present(setUpTimes);
  const tail = tails(steps);
  let best: Work | undefined;
  let places = 0;
  const elapsed = (work: Work) => Math.max(work.free[0], work.free[1]);
  const better = (work: Work) => !best || elapsed(work) < elapsed(best) || (elapsed(work) === elapsed(best) && work.setUp < best.setUp);
  const hopeless = (work: Work) => {
    if (!best) return false;
    const left = steps.reduce((sum, step, index) => sum + (work.done[index] ? 0 : step.duration * Math.min(2, step.people)), 0);
    const shared = (work.free[0] + work.free[1] + left) / 2;
    const chain = steps.reduce((most, step, index) => {
      if (work.done[index]) return most;
      return Math.max(most, readyAt(step, work.end, Math.min(work.free[0], work.free[1])) + (tail[index] ?? 0));
    }, 0);
    const low = Math.max(shared, chain, elapsed(work));
    return low > elapsed(best) || (low === elapsed(best) && work.setUp >= best.setUp);
  };
  const visit = (work: Work) => {
    places++;
    const ready = steps.map((_, index) => index).filter((index) => !work.done[index] && (steps[index]?.before ?? []).every((earlier) => work.done[earlier]));
    if (ready.length === 0) {
      if (better(work)) best = work;
      return;
    }
    if (hopeless(work)) return;
    const same = work.last[0] === undefined && work.last[1] === undefined;
    const next = ready
      .flatMap((index) => {
        const lanes = (steps[index]?.people ?? 1) > 1 ? (['both'] as const) : same ? ([0] as const) : ([0, 1] as const);
        return lanes.flatMap((lane) => putNext(steps, work, index, lane, setUp) ?? []);
      })
      .sort((a, b) => (a.entries.at(-1)?.start ?? 0) - (b.entries.at(-1)?.start ?? 0) || a.setUp - b.setUp);
    for (const candidate of next) {
      if (places > mostPlaces && best) return;
      visit(candidate);
    }
  };
  visit({
    done: steps.map(() => false),
    end: steps.map(() => 0),
    free: [0, 0],
    last: [undefined, undefined],
    stand: Object.fromEntries(Object.entries(start).map(([kind, place]) => [kind, { place, until: 0 }])),
    entries: [],
    setUp: 0,
  });
  const found = best as Work | undefined;
  return {
    entries: found?.entries ?? [],
    elapsed: found ? elapsed(found) : 0,
    setUp: found?.setUp ?? 0,
    proved: places <= mostPlaces,
    leftOver: steps.map((_, index) => index).filter((index) => !found?.done[index]),
  };
}

/** For every step how long it and what must follow it take at least. */
function tails(steps: readonly LaneStep[]): number[] {
  const after = steps.map((_, index) => steps.flatMap((step, place) => (step.before.includes(index) ? [place] : [])));
  const known = new Map<number, number>();
  const visit = (index: number, trail: readonly number[]): number => {
    const seen = known.get(index);
    if (seen !== undefined) return seen;
    if (trail.includes(index)) return 0;
    const length = (steps[index]?.duration ?? 0) + Math.max(0, ...(after[index] ?? []).map((place) => visit(place, [...trail, index])));
    known.set(index, length);
    return length;
  };
  return steps.map((_, index) => visit(index, []));
}
