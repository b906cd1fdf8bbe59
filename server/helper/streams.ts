import type { HelperShown } from '@jade/contract/helper';
import type { Database } from '../database/index.ts';
import { pingAll, type OpenStream } from '../streams/index.ts';
import { shownTo } from './links.ts';

interface Follower extends OpenStream {
  /** What it was told last, as text. */
  told: string;
}

/** Open streams of helpers' phones by job; each is told when what it is asked for is another than it was told. */
export class HelperStreams {
  private readonly open = new Map<string, Set<Follower>>();
  private looking: Promise<void> = Promise.resolve();
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  async add(job: string, stream: OpenStream): Promise<void> {
    const follower = { ...stream, told: '' };
    const set = this.open.get(job) ?? new Set();
    this.open.set(job, set.add(follower));
    stream.response.on('close', () => {
      set.delete(follower);
      if (set.size === 0 && this.open.get(job) === set) this.open.delete(job);
    });
    await this.look();
  }

  /** Looks whether something else is asked for, by this server or another one; one look after the other, so that what was read earlier is never told later. */
  look(): Promise<void> {
    this.looking = this.looking.catch(() => undefined).then(() => this.lookNow());
    return this.looking;
  }

  private async lookNow(): Promise<void> {
    if (this.open.size === 0) return;
    for (const [job, shown] of await shownTo(this.db, [...this.open.keys()])) this.tell(job, shown);
  }

  private tell(job: string, shown: HelperShown): void {
    const text = JSON.stringify(shown);
    for (const follower of this.open.get(job) ?? []) {
      if (follower.told === text) continue;
      follower.told = text;
      follower.response.write(`event: asked\ndata: ${text}\n\n`);
    }
  }

  /** Says that it is still here, and ends what was shut. */
  ping(): Promise<void> {
    return pingAll([...this.open.values()].flatMap((set) => [...set]));
  }

  closeAll(): void {
    for (const set of this.open.values()) for (const { response } of set) response.end();
  }
}
