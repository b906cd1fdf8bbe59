import { PIN_FUNCTIONS } from '@jade/core/states';
import { LONGEST_TEXT as MOST, JOINT_CHECKS, LED_TO, type EventType, type LedTo, type Payloads } from '@jade/core/events';
import { Amount, Each, OneOf, OneOfEach, Optional, Part, Slug, Slugs, Text, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class PlugParted implements P<'plug.parted'> {
  @Slug() kit!: string;
  @Slug() connection!: string;
}

class LegLifted implements P<'leg.lifted'> {
  @Slug() kit!: string;
  @Slug() leg!: string;
}

class ContactPulled implements P<'contact.pulled'> {
  @Slug() plug!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
}

class PlugJoined implements P<'plug.joined'> {
  @Slug() kit!: string;
  @Slug() connection!: string;
  @Optional() @Slugs(3) adapters?: string[];
  @Optional() @OneOfEach(JOINT_CHECKS, 12) checked?: P<'plug.joined'>['checked'];
}

class CavityPopulated implements P<'cavity.populated'> {
  @Slug() plug!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
  @OneOf(PIN_FUNCTIONS) carries!: P<'cavity.populated'>['carries'];
  @Optional() @Slug() circuit?: string;
  @Optional() @Slug() terminal?: string;
}

class MovedContact {
  @Slug() pin!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
}

class ContactsMoved implements P<'contacts.moved'> {
  @Slug() kit!: string;
  @Slug() plug!: string;
  @Each(() => MovedContact, 40) moves!: MovedContact[];
}

class WireLedTo implements LedTo {
  @OneOf(LED_TO) at!: LedTo['at'];
  @Optional() @Slug() plug?: string;
  @Optional() @Slug() pin?: string;
  @Optional() @Text(20) slot?: string;
  @Optional() @Slug() ground?: string;
  @Optional() @Amount(0.1, 200) fuseA?: number;
  @Optional() @Amount(0.1, 200) areaMm2?: number;
  @Optional() @Amount(0, 30000) lengthMm?: number;
}

class SourceChosen implements P<'source.chosen'> {
  @Slug() kit!: string;
  @Slug() connection!: string;
  @Slug() pin!: string;
  @Optional() @Part(() => WireLedTo) to?: WireLedTo;
}

class LegLaid implements P<'leg.laid'> {
  @Slug() kit!: string;
  @Slug() leg!: string;
  @Slugs(200) path!: string[];
}

class RouteChosen implements P<'route.chosen'> {
  @Slug() kit!: string;
  @Slug() leg!: string;
  @Optional() @Slugs(200) path?: string[];
}

class DrillAgreed implements P<'drill.agreed'> {
  @Slug() segment!: string;
  @Text(MOST.why) by!: string;
  @Text(MOST.why) behind!: string;
}

class PlugCapped implements P<'plug.capped'> {
  @Slug() plug!: string;
  @Optional() @Slug() kit?: string;
}

class LoadAccepted implements P<'load.accepted'> {
  @Slug() kit!: string;
  @Slug() circuit!: string;
  @Optional() @Amount(0, 5000) afterA?: number;
  @Optional() @Amount(0, 500) fuseA?: number;
}

class GroundMeasured implements P<'ground.measured'> {
  @Slug() ground!: string;
  @Amount(0, 60_000) dropMv!: number;
  @Amount(0.01, 1000) ampere!: number;
}

class FuseSeen implements P<'fuse.seen'> {
  @Slug() circuit!: string;
  @Amount(0.1, 500) ratedA!: number;
}

class OutageAccepted implements P<'outage.accepted'> {
  @Slug() channel!: string;
  @Amount(0, 5000) afterW!: number;
}

/** Forms of the family, each of its type's newest version. */
export const WIRING_FORMS = {
  'plug.joined': PlugJoined,
  'plug.parted': PlugParted,
  'cavity.populated': CavityPopulated,
  'contact.pulled': ContactPulled,
  'contacts.moved': ContactsMoved,
  'source.chosen': SourceChosen,
  'leg.laid': LegLaid,
  'leg.lifted': LegLifted,
  'route.chosen': RouteChosen,
  'drill.agreed': DrillAgreed,
  'plug.capped': PlugCapped,
  'load.accepted': LoadAccepted,
  'fuse.seen': FuseSeen,
  'ground.measured': GroundMeasured,
  'outage.accepted': OutageAccepted,
} satisfies FormsOf<'wiring'>;
