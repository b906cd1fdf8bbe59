import { LONGEST_NAME, ROLES, type Role } from '@jade/core/shop';
import { EventId, Flag, OneOf, Slug, Text, Whole } from '@jade/contract/check';

/** Somebody takes a bench name. */
export class SessionRequest {
  @Slug() person!: string;
  @Text(80) device!: string;
}

/** A device asks to be let in by a code that is shown at the counter. */
export class DeviceRequest {
  @Text(40) code!: string;
  @Text(LONGEST_NAME) name!: string;
}

/** Somebody new in the shop; the id is the client's, so that a request sent twice makes one. */
export class NewPerson {
  @EventId() id!: string;
  @Text(LONGEST_NAME) benchName!: string;
  @OneOf(ROLES) role!: Role;
}

/** A person as somebody changed them, made from version `basedOn`. */
export class PersonChange {
  @Whole(1, 1_000_000_000) basedOn!: number;
  @Text(LONGEST_NAME) benchName!: string;
  @OneOf(ROLES) role!: Role;
  @Flag() left!: boolean;
}

/** Who works in the shop, or did. */
export interface PersonShown {
  id: string;
  benchName: string;
  role: Role;
  rev: number;
  left: boolean;
}

/** Who is at a bench, and on which device. */
export interface SessionShown {
  /** By which events that are sent later say in whose session they were made; null for one of an earlier version. */
  id: string | null;
  person: string;
  benchName: string;
  role: string;
  device: string;
}

/** A device that was let in. */
export interface DeviceShown {
  id: string;
  name: string;
  pairedAt: string;
  pairedBy: string;
  seenAt: string;
  /** Whether it is let in now: not shut out, and used within the days that are allowed. */
  open: boolean;
}

/** A code that lets one device in. */
export interface Pairing {
  code: string;
  until: string;
  /** Where the device finds the shop; none while the shop is open at its own machine alone. */
  addresses: string[];
}
