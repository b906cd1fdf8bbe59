import { PROBE_FUNCTIONS } from '@jade/core/probing';
import { VEHICLE_STATES } from '@jade/core/states';
import { SIDES } from '@jade/core/vehicle';
import { LONGEST_TEXT as MOST, MOST_PINS, WIRE_OPENINGS, type EventType, type Payloads } from '@jade/core/events';
import { PLUG_SIDES } from '@jade/core/overlay';
import { Amount, Each, Flag, OneOf, OneOfEach, Optional, Slug, Text, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class SlotMeasured implements P<'slot.measured'> {
  @Text(20) slot!: string;
  @Optional() @Amount(0.1, 500) ratedA?: number;
  @OneOf(VEHICLE_STATES) state!: P<'slot.measured'>['state'];
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
}

class ReferenceChecked implements P<'reference.checked'> {
  @Amount(-60, 60) groundV!: number;
  @Amount(-60, 60) feedV!: number;
}

class ReadingTaken implements P<'reading.taken'> {
  @Slug() plug!: string;
  @Slug() pin!: string;
  @OneOf(VEHICLE_STATES) state!: P<'reading.taken'>['state'];
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
  @Optional() @OneOf(['holds', 'collapses']) underLamp?: P<'reading.taken'>['underLamp'];
}

class BatteryWatched implements P<'battery.watched'> {
  @Amount(0, 60) volts!: number;
}

class IgnitionSet implements P<'ignition.set'> {
  @Flag() on!: boolean;
}

class ChargerSet implements P<'charger.set'> {
  @Flag() on!: boolean;
}

class WireAt {
  @Slug() plug!: string;
  @Slug() pin!: string;
}

class ContinuityMeasured extends WireAt implements P<'continuity.measured'> {
  @Amount(0, 100_000_000) ohm!: number;
}

class DropMeasured extends WireAt implements P<'drop.measured'> {
  @Amount(-60, 60) dropV!: number;
}

class FoundPin {
  @Slug() id!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
  @Optional() @Text(MOST.colour) colour?: string;
}

class PlugFound implements P<'plug.found'> {
  @Slug() plug!: string;
  @Text(MOST.plugName) name!: string;
  @Text(MOST.where) where!: string;
  @OneOf(SIDES) side!: P<'plug.found'>['side'];
  @OneOfEach(PROBE_FUNCTIONS, MOST_PINS) may!: P<'plug.found'>['may'];
  @Optional() @Text(MOST.lock) lock?: string;
  @Whole(1, 20) rows!: number;
  @Whole(1, 40) columns!: number;
  @Each(() => FoundPin, MOST_PINS) pins!: FoundPin[];
}

class ProbeWanted implements P<'probe.wanted'> {
  @Slug() plug!: string;
  @OneOfEach(PROBE_FUNCTIONS, MOST_PINS) functions!: P<'probe.wanted'>['functions'];
}

class ColourNoted extends WireAt implements P<'colour.noted'> {
  @OneOf(PLUG_SIDES) on!: P<'colour.noted'>['on'];
  @Text(MOST.colour) colour!: string;
}

class WireOpened extends WireAt implements P<'wire.opened'> {
  @OneOf(WIRE_OPENINGS) how!: P<'wire.opened'>['how'];
}

/** Forms of the family, each of its type's newest version. */
export const PROBING_FORMS = {
  'slot.measured': SlotMeasured,
  'battery.watched': BatteryWatched,
  'ignition.set': IgnitionSet,
  'charger.set': ChargerSet,
  'reference.checked': ReferenceChecked,
  'reading.taken': ReadingTaken,
  'continuity.measured': ContinuityMeasured,
  'drop.measured': DropMeasured,
  'plug.found': PlugFound,
  'probe.wanted': ProbeWanted,
  'wire.opened': WireOpened,
  'wire.sealed': WireAt,
  'colour.noted': ColourNoted,
} satisfies FormsOf<'probing'>;
