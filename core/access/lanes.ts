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
  done: Uint8Array;
  end: Float64Array;
  /** Person-time of the steps that are not done. */
  left: number;
  free: [number, number];
  last: [SequenceStep | undefined, SequenceStep | undefined];
  /** Place of each kind of position, since when it stands so, and when the last step that needed it ends. */
  stand: Readonly<Record<string, { place: string; since: number; until: number }>>;
  /** The step that was done last, and what was done before it. */
  entry: LaneEntry | undefined;
  earlier: Work | undefined;
  setUp: number;
}

/** Places looked at before the best plan so far is taken. */
const MOST_PLACES = 4_000;

/** When all that a step comes after, or waits for, is behind it. */
function readyAt({ before, waits, notBefore = 0 }: SequenceStep, end: Float64Array, least: number): number {
  let ready = Math.max(least, notBefore);
  for (const earlier of before) ready = Math.max(ready, end[earlier] ?? 0);
  if (waits) for (const { step, lag } of waits) ready = Math.max(ready, (end[step] ?? 0) + lag);
  return ready;
}

/** Person-time of a step. */
const workOf = (step: LaneStep) => step.duration * Math.min(2, step.people);

/** Both people are there from the start, so nobody has to be called. */
const present = (setUp: SetUp): SetUp => ({ ...setUp, helper: 0 });

function putNext(steps: readonly LaneStep[], work: Work, index: number, lane: 0 | 1 | 'both', setUp: SetUp): Work | undefined {
  const step = steps[index];
  if (!step) return undefined;
  const lanes = lane === 'both' ? ([0, 1] as const) : ([lane] as const);
  const ready = readyAt(step, work.end, 0);
  const preparing = lanes.map((place) => setUpBetween(work.last[place], step, setUp));
  const standing = (step.positions ?? []).map((position) => {
    const held = work.stand[position.kind];
    return { position, held, stays: held?.place === position.place };
  });
  const turning = standing.reduce((sum, { position, stays }) => sum + (stays ? 0 : turningTo(position, setUp)), 0);
  const standsFrom = standing.reduce((latest, { held, stays }) => Math.max(latest, held ? (stays ? held.since : held.until) : 0), 0);
  const arrive = Math.max(...lanes.map((place, order) => work.free[place] + (preparing[order] ?? 0)));
  const start = Math.max(ready, arrive, standsFrom) + turning;
  const end = start + step.duration;
  const free: [number, number] = [...work.free];
  const last: Work['last'] = [...work.last];
  for (const place of lanes) {
    free[place] = end;
    last[place] = step;
  }
  const stand = { ...work.stand };
  for (const { position, held, stays } of standing) {
    stand[position.kind] = { place: position.place, ...(held && stays ? { since: held.since, until: Math.max(end, held.until) } : { since: start, until: end }) };
  }
  const done = work.done.slice();
  done[index] = 1;
  const ends = work.end.slice();
  ends[index] = end;
  return {
    done,
    end: ends,
    left: work.left - workOf(step),
    free,
    last,
    stand,
    entry: { step: index, lane, start, end },
    earlier: work,
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
    const most = elapsed(best);
    const tooLate = (low: number) => low > most || (low === most && work.setUp >= (best?.setUp ?? 0));
    if (tooLate(Math.max((work.free[0] + work.free[1] + work.left) / 2, elapsed(work)))) return true;
    const soonest = Math.min(work.free[0], work.free[1]);
    return steps.some((step, index) => !work.done[index] && tooLate(readyAt(step, work.end, soonest) + (tail[index] ?? 0)));
  };
  const visit = (work: Work) => {
    places++;
    const ready: number[] = [];
    steps.forEach((step, index) => {
      if (!work.done[index] && step.before.every((earlier) => work.done[earlier])) ready.push(index);
    });
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
      .sort((a, b) => (a.entry?.start ?? 0) - (b.entry?.start ?? 0) || a.setUp - b.setUp);
    for (const candidate of next) {
      if (places > mostPlaces && best) return;
      visit(candidate);
    }
  };
  visit({
    done: new Uint8Array(steps.length),
    end: new Float64Array(steps.length),
    left: steps.reduce((sum, step) => sum + workOf(step), 0),
    free: [0, 0],
    last: [undefined, undefined],
    stand: Object.fromEntries(Object.entries(start).map(([kind, place]) => [kind, { place, since: 0, until: 0 }])),
    entry: undefined,
    earlier: undefined,
    setUp: 0,
  });
  const found = best as Work | undefined;
  return {
    entries: entriesOf(found),
    elapsed: found ? elapsed(found) : 0,
    setUp: found?.setUp ?? 0,
    proved: places <= mostPlaces,
    leftOver: steps.map((_, index) => index).filter((index) => !found?.done[index]),
  };
}

/** All that was done, first to last. */
function entriesOf(work: Work | undefined): LaneEntry[] {
  const entries: LaneEntry[] = [];
  for (let at = work; at?.entry; at = at.earlier) entries.unshift(at.entry);
  return entries;
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
