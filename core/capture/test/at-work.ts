import { jobContext, type JobContext } from '../../job/index.ts';
import type { Happened } from '../../events/index.ts';
import { RULES, TestLog } from '../../job/test/log.ts';
import { newKit, type Kit } from '../../kit/index.ts';
import { gather, isRefused, type Act } from '../../stations/index.ts';
import { NEW_BAR } from '../../test/new-bar.ts';
import { NEW_HERON } from '../../test/new-heron.ts';
import { newKind, type VehicleProfile } from '../../vehicle/index.ts';

export const HERON = newKind(NEW_HERON);
export const BAR = newKit(NEW_BAR);

/** A job on which the bar is fitted to a pickup, nobody having described either. */
export class AtWork {
  readonly log = new TestLog();

  constructor(
    readonly name: string,
    readonly profile: VehicleProfile = HERON,
    readonly kit: Kit = BAR,
  ) {
    this.log.add('job.opened', { vehicle: 'v', profile: { slug: profile.slug, version: 1 }, kits: [{ slug: kit.slug, version: 1 }], rules: { slug: 'r', version: 1 } });
  }

  get context(): JobContext {
    return jobContext(this.log.state, { profile: this.profile, kits: [this.kit], rules: RULES });
  }

  act(act: Act): this {
    if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
    for (const { type, payload } of act.events as Happened[]) this.log.add(type, payload as never);
    return this;
  }

  lamps(): this {
    const read = { powerW: 96, atV: 13.2, kind: 'driven LED' as const, widthMm: 560, heightMm: 72, depthMm: 81, marking: 'none found' };
    this.act(gather.lampsRead(this.context, BAR.slug, gather.lampsOffered(this.context, BAR.slug), read));
    return this.act(gather.noMoreOfKit(this.context, BAR.slug, 'lamps'));
  }
}
