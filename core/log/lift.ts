import { stateWritten } from '../states/index.ts';

interface Versioned {
  type: string;
  v: number;
  payload: Record<string, unknown>;
}

/** Lifts the payload of an event by one version, by type and the version it is of. */
const LIFTS: Readonly<Record<string, Readonly<Record<number, (payload: Record<string, unknown>) => Record<string, unknown>>>>> = {
  // States of the vehicle were free text; one that is not in the list is left as it was, and refused where it is checked.
  'reading.taken': { 1: ({ state, ...rest }) => ({ ...rest, state: typeof state === 'string' ? (stateWritten(state) ?? state) : state }) },
};

/** Newest version of a type of event. */
export function newestVersion(type: string): number {
  return 1 + Object.keys(Object.hasOwn(LIFTS, type) ? (LIFTS[type] ?? {}) : {}).length;
}

/** An event as its newest version says it; one that is new already is given back as it is. */
export function liftEvent<T extends Versioned>(event: T): T {
  const lift = Object.hasOwn(LIFTS, event.type) ? LIFTS[event.type]?.[event.v] : undefined;
  return lift ? liftEvent({ ...event, v: event.v + 1, payload: lift(event.payload) }) : event;
}
