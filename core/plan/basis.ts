import { remainingPlan, type AccessPlan } from '../access/index.ts';
import type { ClosePlan, ClosingStep, Gate } from '../closing/index.ts';
import { key as subjectKey } from '../subject/index.ts';
import { levelRank, type Level } from '../vehicle/index.ts';
import { planClosingOf } from './way-back.ts';
import { jobContext, type JobContext, type JobDocuments } from '../job/index.ts';
import { plansAnew, type LoggedEvent } from '../events/index.ts';
import { foldJob, standingEvents } from '../log/index.ts';
import { gatesOf } from './gates.ts';
import { planOpening } from './opening.ts';

/** Events by which a plan is made anew: something learned, and a position that nothing was moved for, since a move takes its own as planned. */
function learnedIn(events: readonly LoggedEvent[]): (event: LoggedEvent) => boolean {
  const moving = new Set(events.flatMap(({ type, act }) => (type === 'piece.moved' && act !== undefined ? [act] : [])));
  return (event) => plansAnew(event) || (event.type === 'position.set' && (event.act === undefined || !moving.has(event.act)));
}
const setsSupply = (event: LoggedEvent) => event.type === 'supply.set';

/** Where a plan was made: the events that counted until then, as one short text. */
interface Basis {
  /** Number of standing events up to it. */
  count: number;
  key: string;
}

/** A short text of the ids of events: the same ids in the same order, the same text (FNV-1a, twice 32 bits). */
function textOf(events: readonly LoggedEvent[], count: number): string {
  let [one, two] = [0x811c9dc5, 0x01000193];
  for (let index = 0; index < count; index++) {
    const id = events[index]?.id ?? '';
    for (let place = 0; place < id.length; place++) {
      one = Math.imul(one ^ id.charCodeAt(place), 0x01000193);
      two = Math.imul(two ^ id.charCodeAt(place), 0x85ebca6b);
    }
  }
  return `${count}-${(one >>> 0).toString(36)}${(two >>> 0).toString(36)}`;
}

/** Plans that were made before, by where they were made; whoever holds it decides how many it keeps. */
export interface PlanMemory {
  opening: Map<string, AccessPlan>;
  closing: Map<string, ClosePlan>;
  /** Makes a way in that is not remembered; absent where that is done elsewhere and remembered later. */
  plan?: (context: JobContext) => AccessPlan;
}

/** Room for so many plans of each kind. */
const MOST_KEPT = 40;

export function planMemory(plan?: PlanMemory['plan']): PlanMemory {
  return { opening: new Map(), closing: new Map(), ...(plan ? { plan } : {}) };
}

function keep<T>(plans: Map<string, T>, at: string, plan: T): T {
  if (plans.size >= MOST_KEPT) plans.clear();
  plans.set(at, plan);
  return plan;
}

/** A job as it is now, with what is left of its plans. */
export interface JobNow {
  context: JobContext;
  /** What is left of the way in; undefined while it has to be made at `wanted`. */
  plan?: AccessPlan;
  closing: ClosePlan;
  /** A way in that is not made yet: under which key it is remembered, and the job at that moment. */
  wanted?: { key: string; context: JobContext };
  /** Where the way in was last made. */
  basis: string;
  /** The event that made it so, where something learned or done otherwise did. */
  because?: LoggedEvent;
}

/**
 * A job by its log, with its plans as they hold for everybody. A plan is made at the last event that was not the next step as planned:
 * something learned or chosen, or a move that the plan did not have. Steps done as planned are taken out of it, and the rest keeps its order.
 */
export function jobNow(log: readonly LoggedEvent[], documents: JobDocuments, memory: PlanMemory = planMemory(planOpening)): JobNow {
  const events = standingEvents(log);
  const context = jobContext(foldJob(log), documents);
  const { basis, ...opening } = openingNow(events, documents, memory);
  const closing = closingNow(events, documents, memory, context, opening.plan, basis);
  return { context, closing, basis: basis.key, ...opening };
}

const contextAt = (events: readonly LoggedEvent[], count: number, documents: JobDocuments) => jobContext(foldJob(events.slice(0, count)), documents);

function lastOf(events: readonly LoggedEvent[], is: (event: LoggedEvent) => boolean): number {
  for (let index = events.length - 1; index >= 0; index--) {
    const event = events[index];
    if (event && is(event)) return index + 1;
  }
  return 0;
}

function openingNow(events: readonly LoggedEvent[], documents: JobDocuments, memory: PlanMemory): Pick<JobNow, 'plan' | 'wanted' | 'because'> & { basis: Basis } {
  let basis: Basis = basisAt(events, lastOf(events, learnedIn(events)));
  for (;;) {
    const because = events[basis.count - 1];
    let plan = memory.opening.get(basis.key);
    const made = (): JobContext => contextAt(events, basis.count, documents);
    if (!plan) {
      const context = made();
      if (!memory.plan) return { wanted: { key: basis.key, context }, basis, ...(because ? { because } : {}) };
      plan = keep(memory.opening, basis.key, memory.plan(context));
    }
    const levels = new Map<string, Level>(plan.from.map((entry) => [entry.piece, entry.level]));
    const done = new Set<number>();
    const off = events.slice(basis.count).findIndex((event) => !followsOpening(event, plan, levels, done));
    if (off < 0) return { plan: remainingPlan(plan, done), basis, ...(because ? { because } : {}) };
    basis = basisAt(events, basis.count + off + 1);
  }
}

function basisAt(events: readonly LoggedEvent[], count: number): Basis {
  return { count, key: textOf(events, count) };
}

/** Whether an event leaves a plan as it is: no move at all, or one of its own steps, which is then done. */
function followsOpening(event: LoggedEvent, plan: AccessPlan, levels: Map<string, Level>, done: Set<number>): boolean {
  if (setsSupply(event)) return plan.steps.length === done.size || plan.steps.some((step, index) => done.has(index) && step.isolates !== undefined);
  if (event.type !== 'piece.moved') return true;
  const { piece, level, way } = event.payload;
  const from = levels.get(piece) ?? 'fitted';
  levels.set(piece, level);
  if (levelRank(level) === levelRank(from)) return true;
  const index = plan.steps.findIndex((step, place) => !done.has(place) && step.piece === piece && step.from === from && step.level === level && step.way === way);
  if (index >= 0) {
    done.add(index);
    return true;
  }
  return levelRank(level) < levelRank(from) && plan.steps.length === done.size;
}

function closingNow(events: readonly LoggedEvent[], documents: JobDocuments, memory: PlanMemory, context: JobContext, plan: AccessPlan | undefined, opened: Basis): ClosePlan {
  if (!plan) return planClosingOf(context, undefined);
  // While something is still to be opened the way back is that of all that is open and planned: the same whether a planned step is done or not.
  if (plan.steps.length > 0) {
    const at = `opening ${opened.key}`;
    const whole = memory.closing.get(at) ?? keep(memory.closing, at, planClosingOf(contextAt(events, opened.count, documents), memory.opening.get(opened.key)));
    return remainingClosing(whole, new Set(), context);
  }
  const levels = new Map<string, Level>();
  const opens = new Set<LoggedEvent>();
  for (const event of events) {
    if (event.type !== 'piece.moved') continue;
    if (levelRank(event.payload.level) > levelRank(levels.get(event.payload.piece) ?? 'fitted')) opens.add(event);
    levels.set(event.payload.piece, event.payload.level);
  }
  const isolating = new Set(context.profile.supplies.map((supply) => supply.piece));
  const learned = learnedIn(events);
  const restarts = (event: LoggedEvent) =>
    learned(event) ||
    event.type === 'exception.named' ||
    (event.type === 'piece.moved' && opens.has(event) && !(isolating.has(event.payload.piece) && switchesBack(events, event)));
  let basis = basisAt(events, lastOf(events, restarts));
  for (;;) {
    let whole = memory.closing.get(basis.key);
    if (!whole) whole = keep(memory.closing, basis.key, planClosingOf(contextAt(events, basis.count, documents), undefined));
    const done = new Set<number>();
    const off = events.slice(basis.count).findIndex((event) => !followsClosing(event, whole, done));
    if (off < 0) return remainingClosing(whole, done, context);
    basis = basisAt(events, basis.count + off + 1);
  }
}

/** Whether an isolating piece was opened again after it had been put back: a change of the supply on the way back, not a step of opening. */
function switchesBack(events: readonly LoggedEvent[], opened: LoggedEvent): boolean {
  if (opened.type !== 'piece.moved') return false;
  const { piece } = opened.payload;
  const before = events.slice(0, events.indexOf(opened));
  return before.some((event) => event.type === 'piece.moved' && event.payload.piece === piece && event.payload.level === 'fitted');
}

/** Whether an event leaves the way back as it is; a step of it that is done is marked. */
function followsClosing(event: LoggedEvent, { steps }: ClosePlan, done: Set<number>): boolean {
  if (event.type === 'supply.set') {
    const { supply, is } = event.payload;
    // The piece that isolates it went before and marked the step; the word of it comes after.
    const last = steps.findLast((step, place) => done.has(place) && (step.kind === 'supply' ? step.supply === supply : step.kind === 'piece' && step.enlivens === supply));
    if (last && (last.kind === 'supply' ? last.to : 'live') === is) return true;
    return mark(
      steps,
      done,
      (step) => step.kind === 'supply' && step.supply === supply,
      (step) => step.kind === 'supply' && step.to === is,
    );
  }
  if (event.type !== 'piece.moved') return true;
  const { piece, level } = event.payload;
  const switches = (step: ClosingStep) => step.kind === 'supply' && step.piece === piece;
  if (mark(steps, done, switches, (step) => step.kind === 'supply' && (step.to === 'dead') === (level !== 'fitted'))) return true;
  return mark(
    steps,
    done,
    (step) => step.kind === 'piece' && step.piece === piece && step.to === level,
    () => true,
  );
}

/** Marks the next step of a kind as done, where it is the one meant. */
function mark(steps: readonly ClosingStep[], done: Set<number>, next: (step: ClosingStep) => boolean, meant: (step: ClosingStep) => boolean): boolean {
  const index = steps.findIndex((step, place) => !done.has(place) && next(step));
  const step = steps[index];
  if (!step || !meant(step)) return false;
  done.add(index);
  return true;
}

/** What is left of a way back: steps not done, with gates as they stand now; the moment for a gate that is passed is over. */
function remainingClosing(plan: ClosePlan, done: ReadonlySet<number>, context: JobContext): ClosePlan {
  const now = new Map(gatesOf(context, undefined).map((gate) => [subjectKey(gate.subject), gate]));
  // What was taken out is no longer asked for.
  const gateNow = (gate: Gate): Gate => now.get(subjectKey(gate.subject)) ?? (gate.subject.kind === 'out' ? { ...gate, passed: true } : gate);
  const steps = plan.steps.flatMap((step, index): ClosingStep[] => {
    if (done.has(index)) return [];
    if (step.kind === 'gate') {
      const gate = gateNow(step.gate);
      return gate.passed ? [] : [{ ...step, gate }];
    }
    if (step.kind === 'supply') return [step];
    return [{ ...step, gates: step.gates.map((gate) => ({ ...gate, passed: gateNow(gate).passed })) }];
  });
  const { lanes, ...rest } = plan;
  return { ...rest, steps, ...(lanes && done.size === 0 ? { lanes } : {}) };
}
