import type { CATALOGUE } from './catalogue.ts';
import type { Definition } from './definition.ts';

type Catalogue = typeof CATALOGUE;

export type EventType = keyof Catalogue;

/** What happens to a job: the payload of every type of event. Ids and values only, never names of customers. */
export type Payloads = { [T in EventType]: Catalogue[T] extends Definition<infer P> ? P : never };

/** An event as the client makes it. What one act of a person records shares an `act`: it is taken back together. */
export type JobEvent<T extends EventType = EventType> = {
  [K in T]: { id: string; type: K; v: number; at: string; act?: string; payload: Payloads[K] };
}[T];

/** What happened, before it is an event with an id and a time. */
export type Happened = { [K in EventType]: { type: K; payload: Payloads[K] } }[EventType];

/** An event as it stands in the log; one not yet taken by the server has no seq. */
export type LoggedEvent<T extends EventType = EventType> = JobEvent<T> & { seq?: number; person?: string; device?: string };
