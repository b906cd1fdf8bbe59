import type { Fault } from '@jade/core/faults';
import { liftEvent, newestVersion } from '@jade/core/log';
import { isEventType, type JobEvent } from '@jade/core/events';
import { AnyObject, checkForm, EventId, Moment, Part, Slug, Text, Whole, Each, Optional } from '@jade/contract/check';
import { VehicleToMake } from '@jade/contract/customers';
import { KitToMake } from '@jade/contract/kit';
import { BroughtIn, Follows, PAYLOADS } from '@jade/contract/events';

/** Envelope of an event as a client sends it. */
export class Envelope {
  @EventId() id!: string;
  @Text(40) type!: string;
  @Whole(1, 1000) v!: number;
  @Moment() at!: string;
  /** Shared by all that one act of a person records. */
  @Optional() @EventId() act?: string;
  @AnyObject() payload!: Record<string, unknown>;
}

/** A request to take over the newest documents; the id is that of the event it becomes. */
export class Repin {
  @EventId() id!: string;
}

/** A job to be opened: the server pins the newest versions of the documents. */
export class NewJob extends BroughtIn {
  @EventId() id!: string;
  /** A vehicle of the shop; or one that is made with the job. */
  @Optional() @Slug() vehicle?: string;
  @Optional() @Part(() => VehicleToMake) newVehicle?: VehicleToMake;
  @Each(() => KitName, 20) kits!: KitName[];
  @Optional() @Moment() promisedAt?: string;
  @Optional() @Text(40) bay?: string;
  /** A job of the same vehicle that this one follows, and why; its kits are on the vehicle already. */
  @Optional() @Part(() => Follows) follows?: Follows;
}

/** A kit added to a job that is open. */
export class AddKit {
  @EventId() id!: string;
  @Slug() kit!: string;
  /** The kit itself, where `kit` names one that is made with it. */
  @Optional() @Part(() => KitToMake) make?: KitToMake;
}

export class KitName {
  @Slug() slug!: string;
  /** The kit itself, where the slug names one that is made with the job. */
  @Optional() @Part(() => KitToMake) make?: KitToMake;
}

/** Checks an event a client sent: its envelope, its type, and every field of its payload. An older version is lifted first. */
export function checkEvent(value: unknown, path = ''): { event: JobEvent } | { faults: Fault[] } {
  const faults = checkForm(Envelope, value, path);
  if (faults.length > 0) return { faults };
  const lifted = liftEvent(value as Envelope);
  const { type, payload, v } = lifted;
  const at = (field: string) => (path ? `${path}.${field}` : field);
  if (!isEventType(type)) return { faults: [{ path: at('type'), code: 'unknown-event', data: { type } }] };
  const newest = newestVersion(type);
  if (v !== newest) return { faults: [{ path: at('v'), code: 'choice', data: { choices: String(newest) } }] };
  const inside = checkForm(PAYLOADS[type], payload, at('payload'));
  if (inside.length > 0) return { faults: inside };
  // What is taken back is named once.
  if (type === 'undone' && (payload.event === undefined) === (payload.act === undefined))
    return { faults: [{ path: at('payload'), code: 'one-of', data: { choices: 'event, act' } }] };
  return { event: lifted as JobEvent };
}
