import { standingEvents } from '../log/index.ts';
import type { EventType, LoggedEvent, Payloads } from '../events/index.ts';
import type { JobContext } from '../job/index.ts';

/** Looks up which entries of a log say something: only those that count. */
export interface Entries {
  /** Ids of all entries of a type of which something holds. */
  all: <T extends EventType>(type: T, is?: (payload: Payloads[T]) => boolean) => string[];
  /** The last of them, where what is said later takes the place of what was said before. */
  last: <T extends EventType>(type: T, is?: (payload: Payloads[T]) => boolean) => string[];
  /** Who made entries of some types, each person once in the order of the log, with the entries. */
  people: (types: readonly EventType[]) => { people: string[]; from: string[] };
}

/** A job with the entries of its log. */
export type With = JobContext & { said: Entries };

/** The entries of a log by what they say. */
export function entriesOf(log: readonly LoggedEvent[]): Entries {
  const byType = new Map<EventType, LoggedEvent[]>();
  const standing = standingEvents(log);
  for (const event of standing) byType.set(event.type, [...(byType.get(event.type) ?? []), event]);
  const all: Entries['all'] = (type, is = () => true) => (byType.get(type) ?? []).filter(({ payload }) => is(payload as Payloads[typeof type])).map(({ id }) => id);
  return {
    all,
    last: (type, is) => all(type, is).slice(-1),
    people: (types) => {
      const own = standing.filter(({ type, person }) => types.includes(type) && person !== undefined);
      return { people: [...new Set(own.flatMap(({ person }) => person ?? []))], from: own.map(({ id }) => id) };
    },
  };
}
