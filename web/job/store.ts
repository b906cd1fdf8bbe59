import { defineStore } from 'pinia';
import { v7 } from 'uuid';
import { computed, ref, shallowRef, watch } from 'vue';
import { planChange, restOfPlan, type AccessPlan, type AccessProgress, type Explanation, type PlanChange } from '@jade/core/access';
import {
  foldJob,
  furtherKits,
  jobContext,
  planClosingOf,
  planKey,
  standingOf,
  type EventType,
  type JobContext,
  type JobEvent,
  type LoggedEvent,
  type Payloads,
} from '@jade/core/job';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { TakenBySteps } from '@jade/core/schedule';
import type { CustomerVehicle } from '@jade/core/shop';
import type { VehicleProfile } from '@jade/core/vehicle';
import { namesOf, sayEvent } from '@jade/words/job';
import { explainInWorker, planInWorker } from '../workers/bridge.ts';
import { ask, Refused } from './api.ts';
import { forgetUnsent, keepUnsent, keepView, keptView, unsentOf } from './queue.ts';

/** A job as the server shows it. */
export interface JobView {
  id: string;
  bay: string | null;
  openedAt: string;
  promisedAt: string | null;
  vehicle: CustomerVehicle;
  customer: string;
  profile: VehicleProfile;
  kits: Kit[];
  rules: RuleSet;
  /** Documents of which a newer version is published. */
  newer: { kind: string; slug: string; version: number }[];
  /** Kits of the library that also go on this vehicle. */
  otherKits: Kit[];
  /** Whether one of the job's kits has not yet left the shop on another job. */
  newKit: boolean;
  /** Times that steps took at this shop on vehicles of this kind. */
  taken: TakenBySteps;
  events: LoggedEvent[];
}

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
  const logged = shallowRef<LoggedEvent[]>([]);
  const unsent = shallowRef<JobEvent[]>([]);
  const failed = ref('');
  const loading = ref(false);
  const online = ref(true);
  const needsPerson = ref(false);
  const refused = ref<string[]>([]);
  const lastDone = ref<{ id: string; type: EventType; payload: unknown } | undefined>();
  const made = shallowRef<AccessPlan>();
  /** How far a plan has come that takes long; undefined where none is being worked out. */
  const planning = shallowRef<AccessProgress | true>();
  const explanation = shallowRef<Explanation>();
  /** What the last event changed in the plan, and which event it was. */
  const changed = shallowRef<{ change: PlanChange; because: string }>();
  let stopSearch: (() => void) | undefined;
  let stream: EventSource | undefined;
  let sending = false;
  let attempt = 0;

  const log = computed<LoggedEvent[]>(() => {
    const known = new Set(logged.value.map((event) => event.id));
    return [...logged.value, ...unsent.value.filter((event) => !known.has(event.id))];
  });
  const state = computed(() => foldJob(log.value));
  /** The plan as it was last made, without the steps done since: the next one is there at once, and the plan made anew takes its place. */
  const plan = computed(() => made.value && restOfPlan(made.value, state.value.pieces));
  const context = computed<JobContext | undefined>(
    () =>
      view.value &&
      jobContext(state.value, {
        profile: view.value.profile,
        kits: view.value.kits,
        rules: view.value.rules,
        year: view.value.vehicle.year ?? undefined,
        newKit: view.value.newKit,
        taken: view.value.taken,
      }),
  );
  const names = computed(() => (context.value ? namesOf(context.value) : undefined));
  const closing = computed(() => context.value && planClosingOf(context.value, plan.value));
  const standing = computed(() => context.value && standingOf(context.value, plan.value, closing.value));

  /** What the plan depends on, so that it is worked out again only when one of these changes. */
  const dependsOn = computed(() => (view.value ? `${view.value.id} ${JSON.stringify(state.value.opened)} ${planKey(state.value)}` : ''));
  watch(dependsOn, async (key) => {
    if (!context.value) return;
    planning.value = true;
    explanation.value = undefined;
    const search = planInWorker(context.value, (progress) => void (planning.value = progress));
    stopSearch = search.stop;
    const found = await search.plan;
    if (key !== dependsOn.value) return;
    note(made.value, found);
    made.value = found;
    planning.value = undefined;
    if (found.steps.length === 0) return;
    const told = await explainInWorker(context.value, found, furtherKits(context.value, view.value?.otherKits ?? []));
    if (key === dependsOn.value) explanation.value = told;
  });

  /** Keeps what changed from the plan before, unless it only went on as planned. */
  function note(before: AccessPlan | undefined, after: AccessPlan): void {
    if (!before || !names.value) return;
    const done = new Set(state.value.moves.map((move) => `${move.piece}/${move.level}`));
    const change = planChange(before, after, done);
    const last = log.value.at(-1);
    const undone = last?.type === 'undone' ? log.value.find((event) => event.id === last.payload.event) : undefined;
    const because = undone ? `taken back: ${sayEvent(undone, names.value)}` : last && sayEvent(last, names.value);
    changed.value = change && because ? { change, because } : undefined;
  }

  /** Takes the best way in found so far. */
  const stopPlanning = () => stopSearch?.();

  function merge(events: readonly LoggedEvent[]): void {
    const byId = new Map(logged.value.map((event) => [event.id, event]));
    for (const event of events) byId.set(event.id, event);
    logged.value = [...byId.values()].sort((a, b) => (a.seq ?? 0) - (b.seq ?? 0));
    const taken = unsent.value.filter((event) => byId.has(event.id)).map((event) => event.id);
    if (taken.length > 0) drop(taken);
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

  function follow(id: string): void {
    stream?.close();
    stream = new EventSource(`/api/jobs/${encodeURIComponent(id)}/stream?since=${logged.value.at(-1)?.seq ?? 0}`);
    stream.onopen = () => {
      online.value = true;
      void send();
    };
    stream.onerror = () => void (online.value = false);
    stream.addEventListener('appended', (message) => {
      const events = JSON.parse(message.data as string) as LoggedEvent[];
      merge(events);
      if (events.some((event) => event.type === 'job.repinned')) void refresh();
    });
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
    unsent.value = await unsentOf(id);
    follow(id);
    void send();
  }

  function show(fresh: JobView): void {
    made.value = undefined;
    changed.value = undefined;
    explanation.value = undefined;
    logged.value = fresh.events;
    view.value = fresh;
  }

  function close(): void {
    stream?.close();
    stream = undefined;
    view.value = undefined;
    logged.value = [];
    unsent.value = [];
    failed.value = '';
    refused.value = [];
    lastDone.value = undefined;
    made.value = undefined;
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
      }
    });
    merge(stored);
  }

  /** Records something that happened. It counts here at once and goes to the server when it can. */
  async function record<T extends EventType>(type: T, payload: Payloads[T]): Promise<void> {
    const id = view.value?.id;
    if (!id) return;
    // As it will be sent: a list out of a form still wears the page's wrappers, which neither the queue nor the worker can take.
    const event = JSON.parse(JSON.stringify({ id: v7(), type, v: 1, at: new Date().toISOString(), payload })) as JobEvent;
    unsent.value = [...unsent.value, event];
    if (type !== 'undone') lastDone.value = { id: event.id, type, payload };
    await keepUnsent(id, event).catch(() => undefined);
    void send();
  }

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
    record,
    undo,
    send,
    repin,
  };
});
