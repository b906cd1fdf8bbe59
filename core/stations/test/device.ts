import { jobContext, type JobContext } from '../../job/index.ts';
import { foldJob } from '../../log/index.ts';
import type { Happened, LoggedEvent } from '../../events/index.ts';
import { PAIR, RULES } from '../../job/test/log.ts';
import { NEW_HERON } from '../../test/new-heron.ts';
import { newKind, type VehicleProfile } from '../../vehicle/index.ts';
import { isRefused, openUp, type Act } from '../index.ts';

const BOX = { xMm: [800, 900] as [number, number], yMm: [-100, 100] as [number, number], zMm: [500, 700] as [number, number] };
export const HERON = newKind(NEW_HERON);

/** A job of a kind of which nothing is described, as it was opened. */
export const OPENED: readonly LoggedEvent[] = [
  {
    id: 'open-1',
    type: 'job.opened',
    v: 1,
    at: '2026-03-05T08:00:00.000Z',
    seq: 1,
    payload: { vehicle: 'v', profile: { slug: HERON.slug, version: 1 }, kits: [{ slug: 'test-kit', version: 1 }], rules: { slug: 'r', version: 1 } },
  },
];

/** A device that knows what was told when it went away, and hears nothing until it is back. Its entries are a minute apart, from a minute of the day on. */
export class Device {
  readonly own: LoggedEvent[] = [];

  constructor(
    readonly name: string,
    private minute: number,
    private readonly told: readonly LoggedEvent[] = OPENED,
    private readonly profile: VehicleProfile = HERON,
  ) {}

  get context(): JobContext {
    return jobContext(foldJob([...this.told, ...this.own]), { profile: this.profile, kits: [PAIR], rules: RULES });
  }

  act(act: Act): this {
    if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
    this.minute++;
    const at = new Date(Date.parse('2026-03-05T08:00:00Z') + this.minute * 60_000).toISOString();
    for (const happened of act.events as Happened[])
      this.own.push({ ...happened, id: `${this.name}-${this.own.length + 1}`, v: 1, at, person: this.name, device: this.name } as LoggedEvent);
    return this;
  }

  /** What comes next comes after this minute. */
  after(minute: number): this {
    this.minute = minute;
    return this;
  }

  did(...events: Happened[]): this {
    return this.act({ events });
  }

  /** A piece that came, called by its id without its letters. */
  came(id: string, openMin = 3, part: Partial<openUp.CamePiece> = {}): this {
    const came = { name: id.replace(/-\w+$/, ''), side: 'centre' as const, zone: 'front' as const, box: BOX, level: 'off' as const, openMin, people: 1 };
    return this.act(openUp.pieceCame(this.context, { ...came, fasteners: [], beside: [], brittle: false, ...part }, id, true));
  }
}

/** What devices told, the one after the other, as the server numbers it. */
export const together = (...devices: readonly Device[]): LoggedEvent[] => [...OPENED, ...devices.flatMap(({ own }) => own)].map((event, index) => ({ ...event, seq: index + 1 }));

/** A job by what was told of it. */
export const contextOf = (log: readonly LoggedEvent[], profile: VehicleProfile = HERON): JobContext => jobContext(foldJob(log), { profile, kits: [PAIR], rules: RULES });
