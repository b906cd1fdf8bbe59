import { defineStore } from 'pinia';
import { v7 } from 'uuid';
import { computed, ref, shallowRef, watch } from 'vue';
import { planChange, type AccessPlan, type AccessProgress, type Explanation, type PlanChange } from '@jade/core/access';
import { emptyJob, type EventType, type Happened, type JobEvent, type LoggedEvent, type Payloads } from '@jade/core/events';
import { furtherKits, jobNow, planMemory } from '@jade/core/plan';
import { newestVersion, undoTargets } from '@jade/core/log';
import type { JobDocuments } from '@jade/core/job';
import type { Appended, JobView } from '@jade/contract/job';
import type { NewKit } from '@jade/core/kit';
import { isRefused, standingOf, type Act, type Refusal } from '@jade/core/stations';
import { needsHold, type OpenLevel } from '@jade/core/vehicle';
import { sayEvent } from '@jade/words/events';
import { namesOf } from '@jade/words/names';
import { JOB_KEPT } from '@jade/words/shell';
import { explainInWorker, planInWorker } from '../workers/bridge.ts';
import { follow } from '../stream/index.ts';
import { ask, Refused } from '../ask/index.ts';
import { keepView, keptView, useOutbox } from '../outbox/index.ts';

/** One job: its log as known here, what is folded from it, and the queue towards the server. */
export const useJob = defineStore('job', () => {
  const outbox = useOutbox();
  const view = shallowRef<JobView>();
  /** The log in order; it is another list only where other events are in it or their order changed, so that what follows from it is worked out once a tap. */
  const log = shallowRef<LoggedEvent[]>([]);
  const failed = ref('');
  const loading = ref(false);
  /** Why the last act could not be recorded. */
  const refusals = shallowRef<readonly Refusal[]>([]);
  const lastDone = ref<{ id: string; type: EventType; payload: unknown } | undefined>();
  /** How far a plan has come that takes long; undefined where none is being worked out. */
  const planning = shallowRef<AccessProgress | true>();
  const explanation = shallowRef<Explanation>();
  /** What the last event changed in the plan, and which event it was. */
  const changed = shallowRef<{ change: PlanChange; because: string }>();
  let stopSearch: (() => void) | undefined;
  /** Ends the stream of the job that is open. */
  let stop: (() => void) | undefined;
  /** The job that is to be open, also while its answer is awaited. */
  let wanted: string | undefined;
  let memory = planMemory();
  /** Counts the plans that were made, so that the job is read again with a new one. */
  const plansMade = ref(0);

  const documents = computed<JobDocuments | undefined>(
    () =>
      view.value && {
        profile: view.value.profile,
        kits: view.value.kits,
        ...(view.value.fitted ? { fitted: view.value.fitted } : {}),
        rules: view.value.rules,
        plugs: view.value.plugs,
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
    const undone = last ? undoTargets(log.value, last).at(-1) : undefined;
    const said = undone ? JOB_KEPT.takenBack(sayEvent(undone, names.value)) : because && sayEvent(because, names.value);
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
  }

  /** Newer documents were taken over, here or elsewhere: everything is read anew with them. */
  async function refresh(): Promise<void> {
    const id = view.value?.id;
    if (!id) return;
    const fresh = await ask<JobView>(`/api/jobs/${encodeURIComponent(id)}`);
    void keepView(id, fresh);
    if (view.value?.id !== id) return;
    // What was told of while the answer was on its way is not lost with it.
    const told = log.value.filter(({ seq }) => seq !== undefined);
    show(fresh);
    settle(told);
  }

  /** Takes over the newest versions of the job's documents. */
  async function repin(): Promise<void> {
    const id = view.value?.id;
    if (id) await ask(`/api/jobs/${encodeURIComponent(id)}/pins`, { id: v7() });
    await refresh();
  }

  /** Adds a kit to the job, in its newest version. */
  async function addKit(kit: string, make?: NewKit): Promise<void> {
    const id = view.value?.id;
    if (id) await ask(`/api/jobs/${encodeURIComponent(id)}/kits`, { id: v7(), kit, ...(make ? { make } : {}) });
    await refresh();
  }

  function followJob(id: string): void {
    stop?.();
    stop = follow({
      address: () => `/api/jobs/${encodeURIComponent(id)}/stream?since=${lastSeq()}`,
      opened: () => {
        outbox.seen(true);
        outbox.kick();
      },
      lost: () => outbox.seen(false),
      told: {
        appended: (data) => {
          const { after, events } = data as Appended;
          // What is told follows what is here; where something is missing between, all since is fetched.
          if (after > lastSeq()) void fetchGap(id).catch(() => undefined);
          settle(events);
          if (events.some(({ type }) => type === 'job.repinned' || type === 'kit.added')) void refresh();
        },
      },
    });
  }

  /** Fetches what came between what is here and what was told of. */
  async function fetchGap(id: string): Promise<void> {
    const since = log.value.findIndex((event, place) => event.seq !== undefined && event.seq !== place + 1);
    const { events } = await ask<{ events: LoggedEvent[] }>(`/api/jobs/${encodeURIComponent(id)}/events?since=${since < 0 ? lastSeq() : since}`);
    if (view.value?.id === id) settle(events);
  }

  async function load(id: string): Promise<void> {
    if (wanted === id && !failed.value) return;
    close();
    wanted = id;
    loading.value = true;
    let fresh: JobView | undefined;
    let why = '';
    try {
      fresh = await ask<JobView>(`/api/jobs/${encodeURIComponent(id)}`);
      void keepView(id, fresh).catch(() => undefined);
    } catch (error) {
      if (error instanceof Refused) why = `${error.message}.`;
      else {
        outbox.seen(false);
        fresh = await keptView<JobView>(id).catch(() => undefined);
        why = JOB_KEPT.notHere;
      }
    }
    await outbox.loaded;
    // An answer that comes when another job is wanted is not that job.
    if (wanted !== id) return;
    loading.value = false;
    if (!fresh) {
      failed.value = why;
      return;
    }
    show(fresh);
    followJob(id);
    outbox.kick();
  }

  function show(fresh: JobView): void {
    memory = planMemory();
    before.value = undefined;
    changed.value = undefined;
    explanation.value = undefined;
    log.value = fresh.events;
    view.value = fresh;
    settle(outbox.pending(fresh.id));
  }

  function close(): void {
    stop?.();
    stop = undefined;
    wanted = undefined;
    view.value = undefined;
    log.value = [];
    failed.value = '';
    refusals.value = [];
    lastDone.value = undefined;
    before.value = undefined;
  }

  outbox.listen({
    // An answer belongs to its job; another one that is open meanwhile hears nothing of it.
    stored: (job, events) => {
      if (job === view.value?.id) settle(events);
    },
    refused: (job, events) => {
      if (job !== view.value?.id) return;
      const gone = new Set(events.map((event) => event.id));
      log.value = log.value.filter((entry) => !gone.has(entry.id));
    },
  });

  /**
   * Records what one act of a person did. It counts here at once and goes to the server when it can. An act that cannot be recorded
   * leaves everything as it is, and says why.
   */
  async function perform(act: Act): Promise<void> {
    const id = view.value?.id;
    if (!id) return;
    refusals.value = isRefused(act) ? act.refused : [];
    await performOn(id, act);
  }

  /** As `perform`, for a job that may no longer be the one that is open: something was begun on it that took a while. */
  async function performOn(id: string, act: Act): Promise<void> {
    if (isRefused(act) || act.events.length === 0) return;
    const shared = act.events.length > 1 ? { act: v7() } : {};
    // As it will be sent: a list out of a form still wears the page's wrappers, which neither the queue nor the worker can take.
    const events = act.events.map(
      ({ type, payload }) => JSON.parse(JSON.stringify({ id: v7(), type, v: newestVersion(type), at: new Date().toISOString(), ...shared, payload })) as JobEvent,
    );
    if (id === view.value?.id) {
      settle(events);
      const done = events.findLast((event) => event.type !== 'undone');
      if (done) lastDone.value = { id: done.id, type: done.type, payload: done.payload };
    }
    await outbox.put(id, events);
  }

  /** As `perform`, for an act of one event that no rule of a station stands against. */
  const record = <T extends EventType>(type: T, payload: Payloads[T]): Promise<void> => perform({ events: [{ type, payload } as Happened] });

  async function undo(event: string): Promise<void> {
    if (lastDone.value?.id === event) lastDone.value = undefined;
    const act = log.value.find((entry) => entry.id === event)?.act;
    await record('undone', act === undefined ? { event } : { act });
  }

  return {
    view,
    documents,
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
    lastDone,
    load,
    close,
    perform,
    performOn,
    record,
    refusals,
    lastSeq,
    undo,
    repin,
    addKit,
  };
});
