import type { JobEvent, LoggedEvent } from '@jade/core/events';
import { OUTBOX_BAR } from '@jade/words/shell';
import type { Waiting } from './shelf.ts';

/** What the server said of one event. */
export interface Answer {
  id: string | null;
  status: 'stored' | 'already stored' | 'refused' | 'conflict';
  seq?: number;
  faults?: { message: string }[];
}

/** What came of sending a batch: an answer for each event; the server away; nobody signed in; or the batch refused whole, with the sentence that says why. */
export type Sent = { answers: Answer[] } | { away: true } | { noPerson: true } | { refused: string };

/**
 * idle: nothing waits. sending: a batch is under way. waiting: the server was away or nobody is signed in, it is tried again by itself.
 * stuck: the server refuses the batch as a whole; it is tried again only when somebody says so.
 */
export type QueueState = 'idle' | 'sending' | 'waiting' | 'stuck';

export interface OutboxOptions {
  /** Sends a batch of one job, made in one session. */
  send: (job: string, events: readonly JobEvent[], session: string | undefined) => Promise<Sent>;
  keep: (entries: readonly Waiting[]) => Promise<void>;
  all: () => Promise<Waiting[]>;
  forget: (ids: readonly string[]) => Promise<void>;
  /** Told after every change, of whatever kind. */
  changed: () => void;
  /** Told of what the server stored, with its numbers; it belongs to this job, whichever is open. */
  stored: (job: string, events: readonly LoggedEvent[]) => void;
  /** Told of what the server did not take. */
  refused: (job: string, entry: Waiting) => void;
}

interface Queue {
  state: QueueState;
  entries: Waiting[];
  attempt: number;
  timer?: ReturnType<typeof setTimeout>;
  /** Why it is stuck. */
  why?: string;
}

const WAITS_MS = [500, 1000, 2000, 4000, 8000, 15_000];
const MOST_AT_ONCE = 100;

/** What this device recorded and the server does not have yet: one queue for each job, sent in order whether the job is open or not. */
export class Outbox {
  private readonly queues = new Map<string, Queue>();
  private readonly known = new Set<string>();
  private readonly options: OutboxOptions;
  private order = 0;
  private kept: Waiting[] = [];
  /** Whether the server answered the last time it was asked. */
  online = true;
  /** Whether somebody has to be signed in before anything is taken. */
  needsPerson = false;
  /** This device keeps nothing: what is here is lost with the page. */
  keepsNothing = false;

  constructor(options: OutboxOptions) {
    this.options = options;
  }

  /** Takes up what this device kept before, also from another page of it. */
  async load(): Promise<void> {
    try {
      for (const entry of await this.options.all()) this.enter(entry);
    } catch {
      this.keepsNothing = true;
    }
    this.options.changed();
    this.kick();
  }

  private enter(entry: Waiting): void {
    if (this.known.has(entry.id)) return;
    this.known.add(entry.id);
    this.order = Math.max(this.order, entry.order);
    if (entry.refused !== undefined) this.kept = [...this.kept, entry];
    else this.queueOf(entry.job).entries.push(entry);
  }

  private queueOf(job: string): Queue {
    const queue = this.queues.get(job) ?? { state: 'idle' as const, entries: [], attempt: 0 };
    this.queues.set(job, queue);
    return queue;
  }

  /** Records events of a job: they count at once, are kept on this device, and go to the server when they can. */
  async put(job: string, events: readonly JobEvent[], session?: string): Promise<void> {
    const entries = events.map((event): Waiting => {
      this.order = Math.max(this.order + 1, Date.now() * 1000);
      return { id: event.id, job, order: this.order, event, ...(session === undefined ? {} : { session }) };
    });
    for (const entry of entries) this.enter(entry);
    this.options.changed();
    try {
      await this.options.keep(entries);
      this.keepsNothing = false;
    } catch {
      this.keepsNothing = true;
      this.options.changed();
    }
    // A stuck queue keeps its order: what is new waits behind what is refused.
    if (this.queueOf(job).state !== 'stuck') void this.sendNext(job);
  }

  /** Tries at once what waits: the network is back, somebody signed in. */
  kick(): void {
    for (const [job, queue] of this.queues) {
      if (queue.state === 'stuck' || queue.state === 'sending') continue;
      queue.attempt = 0;
      void this.sendNext(job);
    }
  }

  /** Tries a stuck queue again, because somebody said so. */
  again(job: string): void {
    const queue = this.queueOf(job);
    if (queue.state !== 'stuck') return;
    queue.state = 'waiting';
    queue.why = undefined;
    void this.sendNext(job);
  }

  /** Events of a job that the server does not have yet, in order. */
  pending(job: string): JobEvent[] {
    return (this.queues.get(job)?.entries ?? []).map((entry) => entry.event);
  }

  state(job: string): { state: QueueState; why?: string } {
    const { state = 'idle', why } = this.queues.get(job) ?? {};
    return { state, why };
  }

  /** How many events wait, of all jobs. */
  count(): number {
    return [...this.queues.values()].reduce((sum, queue) => sum + queue.entries.length, 0);
  }

  /** Queues that are stuck, with why. */
  stuck(): { job: string; why: string; events: JobEvent[] }[] {
    return [...this.queues].flatMap(([job, { state, why, entries }]) => (state === 'stuck' ? [{ job, why: why ?? '', events: entries.map((entry) => entry.event) }] : []));
  }

  /** What the server did not take, until somebody has read why. */
  refusals(): Waiting[] {
    return this.kept;
  }

  /** Somebody has read why: it need not be kept any longer. */
  async dismiss(ids: readonly string[]): Promise<void> {
    this.kept = this.kept.filter((entry) => !ids.includes(entry.id));
    this.options.changed();
    await this.options.forget(ids).catch(() => undefined);
  }

  /** A server that was seen to answer, or not, by somebody else: the job's stream. */
  seen(online: boolean): void {
    const back = online && !this.online;
    this.online = online;
    this.options.changed();
    if (back) this.kick();
  }

  private async sendNext(job: string): Promise<void> {
    const queue = this.queueOf(job);
    if (queue.state === 'sending' || queue.state === 'stuck') return;
    clearTimeout(queue.timer);
    const [first] = queue.entries;
    if (!first) {
      queue.state = 'idle';
      this.options.changed();
      return;
    }
    // One request is of one person: what others recorded before or after goes by itself.
    const until = queue.entries.findIndex((entry) => entry.session !== first.session);
    const batch = queue.entries.slice(0, Math.min(until < 0 ? queue.entries.length : until, MOST_AT_ONCE));
    queue.state = 'sending';
    this.options.changed();
    const sent = await this.options
      .send(
        job,
        batch.map((entry) => entry.event),
        first.session,
      )
      .catch((): Sent => ({ away: true }));
    if ('answers' in sent) {
      this.online = true;
      this.needsPerson = false;
      queue.attempt = 0;
      queue.state = 'waiting';
      await this.take(job, queue, batch, sent.answers);
      void this.sendNext(job);
      return;
    }
    if ('refused' in sent) {
      this.online = true;
      queue.state = 'stuck';
      queue.why = sent.refused;
    } else {
      queue.state = 'waiting';
      if ('away' in sent) this.online = false;
      else this.needsPerson = true;
      const wait = WAITS_MS[Math.min(queue.attempt++, WAITS_MS.length - 1)] ?? 15_000;
      queue.timer = setTimeout(() => void this.sendNext(job), wait);
    }
    this.options.changed();
  }

  /** Gives every answer to its event. One that has none waits on, so that nothing is lost by an answer that is too short. */
  private async take(job: string, queue: Queue, batch: readonly Waiting[], answers: readonly Answer[]): Promise<void> {
    const stored: LoggedEvent[] = [];
    const refused: Waiting[] = [];
    batch.forEach((entry, place) => {
      const answer = answers[place];
      if (!answer) return;
      if (answer.seq !== undefined) stored.push({ ...entry.event, seq: answer.seq });
      else refused.push({ ...entry, refused: (answer.faults ?? []).map((fault) => fault.message).join('; ') || OUTBOX_BAR.notAccepted });
    });
    const done = new Set([...stored.map((event) => event.id), ...refused.map((entry) => entry.id)]);
    queue.entries = queue.entries.filter((entry) => !done.has(entry.id));
    this.kept = [...this.kept, ...refused];
    if (stored.length > 0) this.options.stored(job, stored);
    for (const entry of refused) this.options.refused(job, entry);
    // An answer for none of them would be asked for over and over.
    if (done.size === 0) {
      queue.state = 'stuck';
      queue.why = OUTBOX_BAR.noAnswer;
    }
    this.options.changed();
    await this.options.forget(stored.map((event) => event.id)).catch(() => undefined);
    if (refused.length > 0) await this.options.keep(refused).catch(() => undefined);
  }
}
