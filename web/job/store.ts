import { defineStore } from 'pinia';
import { v7 } from 'uuid';
import { computed, ref, shallowRef, watch } from 'vue';
import { planChange, type AccessPlan, type AccessProgress, type Explanation, type PlanChange } from '@jade/core/access';
import {
  emptyJob,
  furtherKits,
  jobNow,
  liftEvent,
  newestVersion,
  planMemory,
  type EventType,
  type Happened,
  type JobDocuments,
  type JobEvent,
  type LoggedEvent,
  type Payloads,
} from '@jade/core/job';
import type { Appended, JobView } from '@jade/contract/job';
import { isRefused, standingOf, type Act, type Refusal } from '@jade/core/stations';
import { needsHold, type OpenLevel } from '@jade/core/vehicle';
import { namesOf, sayEvent } from '@jade/words/job';
import { explainInWorker, planInWorker } from '../workers/bridge.ts';
import { ask, Refused } from './api.ts';
import { forgetUnsent, keepUnsent, keepView, keptView, unsentOf } from './queue.ts';

interface Answer {
  id: string | null;
  status: 'stored' | 'already stored' | 'refused' | 'conflict';
  seq?: number;
  faults?: { message: string }[];
}

const WAITS_MS = [500, 1000, 2000, 4000];

/** One job: its log as known here, what is folded from it, and the queue towards the server. */
export const useJob = defineStore('job', () => {
  const view = shallowRef<JobView>();
  /** The log in order; it is another list only where other events are in it or their order changed, so that what follows from it is worked out once a tap. */
  const log = shallowRef<LoggedEvent[]>([]);
  const unsent = shallowRef<JobEvent[]>([]);
  const failed = ref('');
  const loading = ref(false);
  const online = ref(true);
  const needsPerson = ref(false);
  const refused = ref<string[]>([]);
  /** Why the last act could not be recorded. */
  const refusals = shallowRef<readonly Refusal[]>([]);
  const lastDone = ref<{ id: string; type: EventType; payload: unknown } | undefined>();
  /** How far a plan has come that takes long; undefined where none is being worked out. */
  const planning = shallowRef<AccessProgress | true>();
  const explanation = shallowRef<Explanation>();
  /** What the last event changed in the plan, and which event it was. */
  const changed = shallowRef<{ change: PlanChange; because: string }>();
  let stopSearch: (() => void) | undefined;
  let stream: EventSource | undefined;
  let sending = false;
  let attempt = 0;
  let memory = planMemory();
  /** Counts the plans that were made, so that the job is read again with a new one. */
  const plansMade = ref(0);

  const documents = computed<JobDocuments | undefined>(
    () =>
      view.value && {
        profile: view.value.profile,
        kits: view.value.kits,
        rules: view.value.rules,
        year: view.value.vehicle.year ?? undefined,
        newKit: view.value.newKit,
        taken: view.value.taken,
      },
  );
  const now = computed(() => (plansMade.value >= 0 && documents.value ? jobNow(log.value, documents.value, memory) : undefined));
  const context = computed(() => now.value?.context);
  const state = computed(() => now.value?.context.state ?? emptyJob());
  /** The last plan that was made: what is left of it is shown until the one that takes its place is there. */
  const before = shallowRef<AccessPlan>();
  const plan = computed(() => {
    if (now.value?.plan) return now.value.plan;
    const steps = before.value?.steps.filter((step) => !needsHold([{ piece: step.piece, level: step.level as OpenLevel }], state.value.pieces));
    return before.value && steps && { ...before.value, steps };
  });
  const names = computed(() => (context.value ? namesOf(context.value) : undefined));
  const closing = computed(() => now.value?.closing);
  const standing = computed(() => context.value && standingOf(context.value, plan.value, closing.value));
  const lastSeq = () => log.value.reduce((most, event) => Math.max(most, event.seq ?? 0), 0);

  watch(
    () => now.value?.wanted?.key,
    async (key) => {
      const asked = now.value?.wanted;
      if (!asked || key === undefined) return;
      planning.value = true;
      explanation.value = undefined;
      const own = memory;
      const search = planInWorker(asked.context, (progress) => void (planning.value = progress));
      stopSearch = search.stop;
      const found = await search.plan;
      if (own !== memory) return;
      own.opening.set(key, found);
      plansMade.value++;
      if (now.value?.wanted) return;
      planning.value = undefined;
    },
  );
  watch(
    () => (now.value?.plan ? now.value.basis : undefined),
    async (basis) => {
      const { plan: made, because } = now.value ?? {};
      if (basis === undefined || !made) return;
      note(before.value, made, because);
      before.value = made;
      if (!context.value || made.steps.length === 0) return;
      const told = await explainInWorker(context.value, made, furtherKits(context.value, view.value?.otherKits ?? []));
      if (basis === now.value?.basis) explanation.value = told;
    },
  );

  /** Keeps what something learned, or a move that was not planned, changed in the plan before. */
  function note(earlier: AccessPlan | undefined, after: AccessPlan, because: LoggedEvent | undefined): void {
    if (!earlier || !names.value) return;
    const done = new Set(state.value.moves.map((move) => `${move.piece}/${move.level}`));
    const change = planChange(earlier, after, done);
    const last = log.value.at(-1);
    const undone = last?.type === 'undone' ? log.value.find((event) => event.id === last.payload.event) : undefined;
    const said = undone ? `taken back: ${sayEvent(undone, names.value)}` : because && sayEvent(because, names.value);
    changed.value = change && said ? { change, because: said } : undefined;
  }

  /** Takes the best way in found so far. */
  const stopPlanning = () => stopSearch?.();

  /** Puts events into the log: those that the server has by their number, those it has not yet last. */
  function settle(taken: readonly LoggedEvent[]): void {
    const known = new Map(log.value.map((event) => [event.id, event]));
    for (const event of taken) {
      const own = known.get(event.id);
      // Known events keep their place in memory: only their number is new.
      if (own) Object.assign(own, { seq: event.seq, person: event.person ?? own.person, device: event.device ?? own.device });
      else known.set(event.id, event);
    }
    const rank = (event: LoggedEvent) => event.seq ?? Infinity;
    const ordered = [...known.values()]
      .map((event, place) => ({ event, place }))
      .sort((a, b) => (rank(a.event) === rank(b.event) ? a.place - b.place : rank(a.event) - rank(b.event)));
    if (ordered.length !== log.value.length || ordered.some(({ event }, place) => event.id !== log.value[place]?.id)) log.value = ordered.map(({ event }) => event);
    const sent = unsent.value.filter((event) => known.get(event.id)?.seq !== undefined).map((event) => event.id);
    if (sent.length > 0) drop(sent);
  }

  /** Newer documents were taken over, here or elsewhere: everything is read anew with them. */
  async function refresh(): Promise<void> {
    const id = view.value?.id;
    if (!id) return;
    const fresh = await ask<JobView>(`/api/jobs/${encodeURIComponent(id)}`);
    void keepView(id, fresh);
    if (view.value?.id === id) show(fresh);
  }

  /** Takes over the newest versions of the job's documents. */
  async function repin(): Promise<void> {
    const id = view.value?.id;
    if (id) await ask(`/api/jobs/${encodeURIComponent(id)}/pins`, { id: v7() });
    await refresh();
  }

  function drop(ids: readonly string[]): void {
    unsent.value = unsent.value.filter((event) => !ids.includes(event.id));
    void forgetUnsent(ids);
  }

  let losses = 0;
  function follow(id: string): void {
    stream?.close();
    stream = new EventSource(`/api/jobs/${encodeURIComponent(id)}/stream?since=${lastSeq()}`);
    const own = stream;
    stream.onopen = () => {
      online.value = true;
      losses = 0;
      void send();
    };
    stream.onerror = () => {
      online.value = false;
      // The browser comes back by itself after a line that broke, not after a refusal such as that the database is away.
      if (own.readyState !== EventSource.CLOSED) return;
      const wait = WAITS_MS[Math.min(losses++, WAITS_MS.length - 1)] ?? 4000;
      setTimeout(() => stream === own && view.value?.id === id && follow(id), wait);
    };
    stream.addEventListener('appended', (message) => {
      const { after, events } = JSON.parse(message.data as string) as Appended;
      // What is told follows what is here; where something is missing between, all since is fetched.
      if (after > lastSeq()) void fetchGap(id);
      settle(events);
      if (events.some((event) => event.type === 'job.repinned')) void refresh();
    });
  }

  /** Fetches what came between what is here and what was told of. */
  async function fetchGap(id: string): Promise<void> {
    const since = log.value.findIndex((event, place) => event.seq !== undefined && event.seq !== place + 1);
    const { events } = await ask<{ events: LoggedEvent[] }>(`/api/jobs/${encodeURIComponent(id)}/events?since=${since < 0 ? lastSeq() : since}`);
    if (view.value?.id === id) settle(events);
  }

  async function load(id: string): Promise<void> {
    if (view.value?.id === id && !failed.value) return;
    close();
    loading.value = true;
    try {
      const fresh = await ask<JobView>(`/api/jobs/${encodeURIComponent(id)}`);
      void keepView(id, fresh);
      show(fresh);
    } catch (error) {
      const kept = error instanceof Refused ? undefined : await keptView<JobView>(id);
      if (kept) {
        online.value = false;
        show(kept);
      } else failed.value = error instanceof Refused ? `${error.message}.` : 'The server cannot be reached and this job was not opened on this device before.';
    }
    loading.value = false;
    if (!view.value) return;
    unsent.value = (await unsentOf(id)).map((event) => liftEvent(event as JobEvent & { payload: Record<string, unknown> }));
    settle(unsent.value);
    follow(id);
    void send();
  }

  function show(fresh: JobView): void {
    const waiting = unsent.value;
    memory = planMemory();
    before.value = undefined;
    changed.value = undefined;
    explanation.value = undefined;
    log.value = fresh.events;
    view.value = fresh;
    settle(waiting);
  }

  function close(): void {
    stream?.close();
    stream = undefined;
    view.value = undefined;
    log.value = [];
    unsent.value = [];
    failed.value = '';
    refused.value = [];
    refusals.value = [];
    lastDone.value = undefined;
    before.value = undefined;
  }

  /** Sends what is unsent, in order, until all is taken; waits and tries again while the server is away. */
  async function send(): Promise<void> {
    const id = view.value?.id;
    if (sending || !id || unsent.value.length === 0) return;
    sending = true;
    const batch = unsent.value.slice(0, 100);
    try {
      const { answers } = await ask<{ answers: Answer[] }>(`/api/jobs/${encodeURIComponent(id)}/events`, { events: batch });
      take(batch, answers);
      online.value = true;
      needsPerson.value = false;
      attempt = 0;
    } catch (error) {
      if (error instanceof Refused && error.status === 401) needsPerson.value = true;
      else if (error instanceof Refused && error.status < 500) refused.value = [...refused.value, error.message];
      else online.value = false;
      const wait = WAITS_MS[Math.min(attempt++, WAITS_MS.length - 1)] ?? 4000;
      setTimeout(() => void send(), wait);
      sending = false;
      return;
    }
    sending = false;
    if (unsent.value.length > 0) void send();
  }

  function take(batch: readonly JobEvent[], answers: readonly Answer[]): void {
    const stored: LoggedEvent[] = [];
    answers.forEach((answer, place) => {
      const event = batch[place];
      if (!event) return;
      if (answer.seq !== undefined) stored.push({ ...event, seq: answer.seq });
      else {
        refused.value = [...refused.value, ...(answer.faults ?? []).map((fault) => fault.message)];
        drop([event.id]);
        log.value = log.value.filter((entry) => entry.id !== event.id);
      }
    });
    settle(stored);
  }

  /**
   * Records what one act of a person did. It counts here at once and goes to the server when it can. An act that cannot be recorded
   * leaves everything as it is, and says why.
   */
  async function perform(act: Act): Promise<void> {
    const id = view.value?.id;
    if (!id) return;
    refusals.value = isRefused(act) ? act.refused : [];
    if (isRefused(act) || act.events.length === 0) return;
    const shared = act.events.length > 1 ? { act: v7() } : {};
    // As it will be sent: a list out of a form still wears the page's wrappers, which neither the queue nor the worker can take.
    const events = act.events.map(
      ({ type, payload }) => JSON.parse(JSON.stringify({ id: v7(), type, v: newestVersion(type), at: new Date().toISOString(), ...shared, payload })) as JobEvent,
    );
    unsent.value = [...unsent.value, ...events];
    settle(events);
    const done = events.findLast((event) => event.type !== 'undone');
    if (done) lastDone.value = { id: done.id, type: done.type, payload: done.payload };
    for (const event of events) await keepUnsent(id, event).catch(() => undefined);
    void send();
  }

  /** As `perform`, for an act of one event that no rule of a station stands against. */
  const record = <T extends EventType>(type: T, payload: Payloads[T]): Promise<void> => perform({ events: [{ type, payload } as Happened] });

  async function undo(event: string): Promise<void> {
    if (lastDone.value?.id === event) lastDone.value = undefined;
    await record('undone', { event });
  }

  return {
    view,
    log,
    state,
    context,
    names,
    standing,
    plan,
    planning,
    stopPlanning,
    explanation,
    changed,
    closing,
    loading,
    failed,
    online,
    unsent,
    refused,
    needsPerson,
    lastDone,
    load,
    close,
    perform,
    record,
    refusals,
    lastSeq,
    undo,
    send,
    repin,
  };
});
