import type { ServerResponse } from 'node:http';
import { inArray } from 'drizzle-orm';
import type { LoggedEvent } from '@jade/core/events';
import type { Appended } from '@jade/contract/job';
import { tables, type Database } from '../database/index.ts';
import { pingAll, type OpenStream, type StillIn } from '../streams/index.ts';
import { readEvents } from './whole-log.ts';

const { jobs } = tables;

interface Follower extends OpenStream {
  /** The last event it was told of. */
  seq: number;
}

/**
 * Open live streams by job. What was appended is read from the log itself, whoever appended it: this server, another one on the same database,
 * or a request whose answer was lost. So nothing is told that is not stored, and nothing is left out: every message says which seq it follows.
 */
export class Streams {
  private readonly open = new Map<string, Set<Follower>>();
  private readonly telling = new Map<string, Promise<void>>();
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  /** Follows a job from after `seq` on, beginning with what is there already. */
  async add(job: string, response: ServerResponse, seq: number, stillIn: StillIn): Promise<void> {
    const follower = { response, seq, stillIn };
    const set = this.open.get(job) ?? new Set();
    this.open.set(job, set.add(follower));
    response.on('close', () => {
      set.delete(follower);
      if (set.size === 0 && this.open.get(job) === set) this.open.delete(job);
    });
    await this.tell(job);
  }

  /** Tells every browser of the job what it has not been told yet; one telling of a job after the other. */
  tell(job: string): Promise<void> {
    const own = (this.telling.get(job) ?? Promise.resolve()).catch(() => undefined).then(() => this.tellNow(job));
    this.telling.set(job, own);
    return own.finally(() => {
      if (this.telling.get(job) === own) this.telling.delete(job);
    });
  }

  private async tellNow(job: string): Promise<void> {
    const followers = [...(this.open.get(job) ?? [])];
    if (followers.length === 0) return;
    const events = await readEvents(this.db, job, Math.min(...followers.map((follower) => follower.seq)));
    for (const follower of followers) this.write(follower, events);
  }

  private write(follower: Follower, events: readonly LoggedEvent[]): void {
    const fresh = events.filter((event) => (event.seq ?? 0) > follower.seq);
    const last = fresh.at(-1)?.seq;
    if (last === undefined) return;
    const told: Appended = { after: follower.seq, events: fresh };
    follower.seq = last;
    follower.response.write(`id: ${last}\nevent: appended\ndata: ${JSON.stringify(told)}\n\n`);
  }

  /** Looks whether a job that is followed has grown elsewhere. */
  async look(): Promise<void> {
    if (this.open.size === 0) return;
    const rows = await this.db
      .select({ id: jobs.id, seq: jobs.seq })
      .from(jobs)
      .where(inArray(jobs.id, [...this.open.keys()]));
    await Promise.all(rows.filter(({ id, seq }) => [...(this.open.get(id) ?? [])].some((follower) => follower.seq < seq)).map(({ id }) => this.tell(id)));
  }

  /** Keeps connections alive through idle times. */
  ping(): Promise<void> {
    return pingAll([...this.open.values()].flatMap((set) => [...set]));
  }

  closeAll(): void {
    for (const set of this.open.values()) for (const { response } of set) response.end();
  }
}

/** The day board's streams: told that something moved, with which the board is read anew. */
export class BoardStreams {
  private readonly open = new Set<OpenStream>();
  private seen: string | undefined;

  add(response: ServerResponse, stillIn: StillIn): void {
    const follower = { response, stillIn };
    response.write(': open\n\n');
    this.open.add(follower);
    response.on('close', () => void this.open.delete(follower));
  }

  /** Tells of it where the board is another than it was when it was last looked at. */
  async look(state: () => Promise<string>): Promise<void> {
    if (this.open.size === 0) {
      this.seen = undefined;
      return;
    }
    const now = await state();
    if (this.seen !== undefined && this.seen !== now) for (const { response } of this.open) response.write('event: moved\ndata: {}\n\n');
    this.seen = now;
  }

  ping(): Promise<void> {
    return pingAll(this.open);
  }

  closeAll(): void {
    for (const { response } of this.open) response.end();
  }
}
