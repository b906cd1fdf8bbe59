import type { UnsentPicture } from './shelf.ts';

/** What came of sending a picture: the server has it; it is away; nobody is signed in; or it refuses, with the sentence that says why. */
export type SentPicture = 'kept' | 'away' | 'nobody' | { refused: string };

export interface QueueOptions {
  send: (picture: UnsentPicture) => Promise<SentPicture>;
  keep: (pictures: readonly UnsentPicture[]) => Promise<void>;
  all: () => Promise<UnsentPicture[]>;
  forget: (hash: string) => Promise<void>;
  /** Told after every change, of whatever kind. */
  changed: () => void;
}

/** Between two tries while the server is away: it has what waits within two seconds of being there again. */
const WAITS_MS = [500, 1000, 1500];

/** Pictures that this device took and the server does not have yet, sent one after the other in the order they were taken, whichever job is open. */
export class PictureQueue {
  private readonly pictures = new Map<string, UnsentPicture>();
  private sending = false;
  private attempt = 0;
  /** Kicked while one was under way that may come back for what was then. */
  private kicked = false;
  private order = 0;
  private timer?: ReturnType<typeof setTimeout>;
  private readonly options: QueueOptions;
  /** This device keeps nothing: what is here is lost with the page. */
  keepsNothing = false;

  constructor(options: QueueOptions) {
    this.options = options;
  }

  /** Takes up what this device kept before, also from another page of it. */
  async load(): Promise<void> {
    try {
      for (const picture of await this.options.all()) this.enter(picture);
    } catch {
      this.keepsNothing = true;
    }
    this.options.changed();
    this.kick();
  }

  private enter(picture: UnsentPicture): void {
    if (this.pictures.has(picture.hash)) return;
    this.order = Math.max(this.order, picture.order);
    this.pictures.set(picture.hash, picture);
  }

  /** Keeps pictures of a job on this device and sends them when it can. */
  async put(job: string, pictures: readonly { hash: string; bytes: ArrayBuffer }[]): Promise<void> {
    const fresh = pictures
      .filter(({ hash }) => !this.pictures.has(hash))
      .map(({ hash, bytes }): UnsentPicture => ({ hash, job, bytes, order: (this.order = Math.max(this.order + 1, Date.now() * 1000)) }));
    for (const picture of fresh) this.enter(picture);
    this.options.changed();
    try {
      await this.options.keep(fresh);
      this.keepsNothing = false;
    } catch {
      this.keepsNothing = true;
      this.options.changed();
    }
    void this.sendNext();
  }

  /** Tries at once what waits: the server is back, somebody signed in. */
  kick(): void {
    this.attempt = 0;
    this.kicked = this.sending;
    void this.sendNext();
  }

  /** The bytes of a picture that is still here. */
  bytesOf(hash: string): ArrayBuffer | undefined {
    return this.pictures.get(hash)?.bytes;
  }

  /** How many wait to be sent. */
  count(): number {
    return this.waiting().length;
  }

  /** What the server did not take, until somebody has read why. */
  refusals(): UnsentPicture[] {
    return [...this.pictures.values()].filter(({ refused }) => refused !== undefined);
  }

  /** Somebody has read why: it is tried once more, or no longer kept. */
  async settle(hashes: readonly string[], again: boolean): Promise<void> {
    for (const hash of hashes) {
      const picture = this.pictures.get(hash);
      if (!picture) continue;
      if (again) {
        const { refused: _, ...rest } = picture;
        this.pictures.set(hash, rest);
        await this.options.keep([rest]).catch(() => undefined);
      } else await this.drop(hash);
    }
    this.options.changed();
    this.kick();
  }

  private waiting(): UnsentPicture[] {
    return [...this.pictures.values()].filter(({ refused }) => refused === undefined).sort((a, b) => a.order - b.order);
  }

  private async drop(hash: string): Promise<void> {
    this.pictures.delete(hash);
    await this.options.forget(hash).catch(() => undefined);
  }

  private async sendNext(): Promise<void> {
    if (this.sending) return;
    clearTimeout(this.timer);
    const [first] = this.waiting();
    if (!first) return;
    this.sending = true;
    const sent = await this.options.send(first).catch((): SentPicture => 'away');
    this.sending = false;
    if (sent === 'kept') await this.drop(first.hash);
    else if (typeof sent === 'object') {
      const refused = { ...first, refused: sent.refused };
      this.pictures.set(first.hash, refused);
      await this.options.keep([refused]).catch(() => undefined);
    } else {
      const wait = this.kicked ? 0 : WAITS_MS[Math.min(this.attempt++, WAITS_MS.length - 1)];
      this.kicked = false;
      this.timer = setTimeout(() => void this.sendNext(), wait);
      this.options.changed();
      return;
    }
    this.attempt = 0;
    this.options.changed();
    void this.sendNext();
  }
}
