import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { liftEvent } from '@jade/core/log';
import type { JobEvent, LoggedEvent } from '@jade/core/events';
import { ask, Refused } from '../ask/index.ts';
import { useSession } from '../session/index.ts';
import { Outbox, type Answer, type Sent } from './outbox.ts';
import { allWaiting, forgetWaiting, keepWaiting } from './shelf.ts';

export * from './outbox.ts';
export { keepView, keptView, type Waiting } from './shelf.ts';

async function send(job: string, events: readonly JobEvent[], session: string | undefined): Promise<Sent> {
  try {
    return await ask<{ answers: Answer[] }>(`/api/jobs/${encodeURIComponent(job)}/events`, { events, ...(session === undefined ? {} : { session }) });
  } catch (error) {
    if (error instanceof Refused && error.status === 401) return { noPerson: true };
    if (error instanceof Refused && error.status < 500 && error.status !== 429) return { refused: error.message };
    return { away: true };
  }
}

/** An event as its newest version says it, whichever version of the page kept it. */
const lifted = (event: JobEvent): JobEvent => liftEvent(event as JobEvent & { payload: Record<string, unknown> }) as JobEvent;

type Stored = (job: string, events: readonly LoggedEvent[]) => void;

/** What this device recorded and the server does not have yet, of all jobs, and whether the server answers. */
export const useOutbox = defineStore('outbox', () => {
  const session = useSession();
  /** Counts changes, so that what is read from the outbox is read again. */
  const changes = ref(0);
  const listeners = new Set<{ stored: Stored; refused: Stored }>();
  const outbox = shallowRef(
    new Outbox({
      send,
      keep: keepWaiting,
      all: allWaiting,
      forget: forgetWaiting,
      changed: () => void changes.value++,
      stored: (job, events) => listeners.forEach((listener) => listener.stored(job, events)),
      refused: (job, entry) => listeners.forEach((listener) => listener.refused(job, [entry.event])),
    }),
  );
  const read = <T>(value: () => T) =>
    computed(() => {
      void changes.value;
      return value();
    });

  const count = read(() => outbox.value.count());
  const online = read(() => outbox.value.online);
  const needsPerson = read(() => outbox.value.needsPerson);
  const keepsNothing = read(() => outbox.value.keepsNothing);
  const stuck = read(() => outbox.value.stuck());
  const refusals = read(() => outbox.value.refusals().map((entry) => ({ ...entry, event: lifted(entry.event) })));
  const loaded = outbox.value.load();
  window.addEventListener('online', () => outbox.value.kick());
  // What another page of this device recorded and could not send is taken up by the one that is looked at.
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && void outbox.value.load());

  /** Hears of everything that is stored or refused, whatever job it belongs to. */
  function listen(listener: { stored: Stored; refused: Stored }): void {
    listeners.add(listener);
  }

  const put = (job: string, events: readonly JobEvent[]) => outbox.value.put(job, events, session.session?.id ?? undefined);
  const pending = (job: string) => {
    void changes.value;
    return outbox.value.pending(job).map(lifted);
  };

  return {
    count,
    online,
    needsPerson,
    keepsNothing,
    stuck,
    refusals,
    loaded,
    listen,
    put,
    pending,
    kick: () => outbox.value.kick(),
    again: (job: string) => outbox.value.again(job),
    dismiss: (ids: readonly string[]) => outbox.value.dismiss(ids),
    seen: (value: boolean) => outbox.value.seen(value),
  };
});
