import { definitionOf, emptyJob, flagsOf, isEventType, type Definition, type EventType, type JobState, type LoggedEvent, type Payloads } from '../events/index.ts';
import { describedFurther, NOTHING_DESCRIBED } from '../overlay/index.ts';
import { asOnePiece } from './as-one-piece.ts';
import { contradictions } from './contradictions.ts';

/** What an event does to the state; one of a type that this version does not know does nothing. */
function apply<T extends EventType>(state: JobState, event: LoggedEvent<T>): void {
  if (!isEventType(event.type)) return;
  const { type, payload } = event as LoggedEvent<T> & { type: T; payload: Payloads[T] };
  (definitionOf(type) as Definition<Payloads[T]>).does(state, payload, event);
}

/** Ids of events that are skipped: undone by an event that is not itself undone, together with all that the same act recorded. */
export function undoneEvents(log: readonly LoggedEvent[]): Set<string> {
  const undone = new Set<string>();
  const actOf = new Map<string, string>();
  const ofAct = new Map<string, string[]>();
  for (const { id, act } of log) {
    if (act === undefined) continue;
    actOf.set(id, act);
    ofAct.set(act, [...(ofAct.get(act) ?? []), id]);
  }
  for (const event of [...log].reverse()) {
    if (event.type !== 'undone' || undone.has(event.id)) continue;
    const { event: target = '', act = actOf.get(target) } = event.payload;
    for (const id of act === undefined ? [target] : (ofAct.get(act) ?? [])) undone.add(id);
  }
  return undone;
}

/** The last so many events of a log, the newest first, without those that only take another back. */
export function lastEvents(log: readonly LoggedEvent[], most: number): LoggedEvent[] {
  const last: LoggedEvent[] = [];
  for (let place = log.length - 1; place >= 0 && last.length < most; place--) {
    const event = log[place];
    if (event && event.type !== 'undone') last.push(event);
  }
  return last;
}

/** Events of a log that count: those not taken back; only those of some types where such are named. */
export function standingEvents(log: readonly LoggedEvent[], types?: readonly EventType[]): LoggedEvent[] {
  const asked = types ? log.filter((event) => types.includes(event.type)) : [...log];
  if (!log.some((event) => event.type === 'undone')) return asked;
  const undone = undoneEvents(log);
  return asked.filter((event) => !undone.has(event.id));
}

/**
 * Reads entries as of the pieces and places that they are of, where two devices described one; undefined of one that says nothing new by it.
 * @param standing the entries of the log that count; they are read in the order in which they are given, each once
 */
export function readOnce(standing: readonly LoggedEvent[]): (event: LoggedEvent) => LoggedEvent | undefined {
  const told = standing.flatMap((event) => (event.type === 'kind.described' ? [event.payload] : []));
  return asOnePiece(told.some(({ same, samePlaces }) => same !== undefined || samePlaces !== undefined) ? told.reduce(describedFurther, NOTHING_DESCRIBED) : NOTHING_DESCRIBED);
}

/**
 * Folds a log to what the job is. Events count in order of `seq`, those not yet taken by the server last; an event undone later
 * is skipped. What does not fit is kept and becomes an open question; nothing is refused here.
 */
export function foldJob(log: readonly LoggedEvent[]): JobState {
  const state = emptyJob();
  const undone = undoneEvents(log);
  const asKept = readOnce(log.filter(({ id }) => !undone.has(id)));
  for (const event of log) {
    state.eventCount++;
    state.lastSeq = Math.max(state.lastSeq, event.seq ?? 0);
    if (undone.has(event.id)) continue;
    state.at = event.at;
    if (!state.opened && event.type !== 'job.opened') state.questions.push({ code: 'event-before-opening', event: event.id });
    const { touches, orders, afterSigning, clock } = flagsOf(event);
    if (state.signed && !afterSigning) state.questions.push({ code: 'late-event', event: event.id });
    // The customer signed for what there was then.
    if (!state.signed && (touches || orders)) delete state.signature;
    if (touches) {
      state.touched = true;
      // Whoever works on it is there.
      delete state.night;
    }
    const kept = asKept(event);
    if (kept) apply(state, kept);
    // Whoever works on it is back; the next step begins here. What is taken back was none.
    if (clock === 'goes on' || (state.pause && clock === 'goes on in a pause')) continue;
    delete state.pause;
    state.begun = { at: event.at, restMin: 0 };
  }
  state.questions.push(...contradictions(log.filter(({ id }) => !undone.has(id))));
  return state;
}
