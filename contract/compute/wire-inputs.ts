import { LOAD_KINDS, MONITOR_KINDS, type Load as PlainLoad, type MonitorKind } from '@jade/core/vehicle';
import { VEHICLE_STATES, type VehicleState } from '@jade/core/states';
import { SERIES, WANTED, type MeasuredSlot, type Wanted, type Hazard, type RouteEnd, type Segment, type ResistorSeries } from '@jade/core/wiring';
import { Amount, Amounts, Each, Flag, OneOf, Optional, Part, Slug, Slugs, Text, Whole } from '@jade/contract/check';
import { KitPlug } from '@jade/contract/kit';
import { PlugAdapter } from '@jade/contract/plugs';
import { ElectricsRules, WireTable } from '@jade/contract/rules';
import { Circuit, Load, PlugFace, Surge } from '@jade/contract/vehicle';

const USES = ['lamp', 'auxiliary'] as const;

export class PlugMatchInput {
  @Part(() => PlugFace) vehicle!: PlugFace;
  @Part(() => KitPlug) kit!: KitPlug;
  /** From which the cheapest chain of at most three is sought where the plugs do not go together. */
  @Optional() @Each(() => PlugAdapter, 20_000) adapters?: PlugAdapter[];
}

export class LegConductorInput {
  @Slug() id!: string;
  @Amount(0, 60) lengthM!: number;
  /** Ground wire in the leg; 0 where the lamp is grounded where it stands. */
  @Amount(0, 60) backM!: number;
  @Amount(0.05, 100) areaMm2!: number;
  @Amount(0.1, 500) permittedA!: number;
  /** What it brings to its lamp; each is among `added` too. */
  @Each(() => Load, 20) loads!: Load[];
  /** All that comes back over its ground at one time, where that is more. */
  @Optional() @Each(() => Load, 40) backLoads?: Load[];
}

export class CircuitLoadInput {
  @Part(() => Circuit) circuit!: Circuit;
  @Each(() => Load, 60) added!: Load[];
  @OneOf([12, 24]) systemVoltageV!: 12 | 24;
  /** Legs of a kit, between the circuit and its lamps. */
  @Optional() @Each(() => LegConductorInput, 60) legs?: LegConductorInput[];
  /** What it feeds: a lamp of the road loses less than an auxiliary one may; a lamp where it is not said. */
  @Optional() @OneOf(USES) use?: 'lamp' | 'auxiliary';
  @Optional() @Part(() => ElectricsRules) rules?: ElectricsRules;
}

export class VoltageDropInput {
  /** At running voltage. */
  @Amount(0, 5000) currentA!: number;
  /** Out and back, where both are of the same wire. */
  @Amount(0, 1000) lengthM!: number;
  /** One of `areaMm2` and `gauge`. */
  @Optional() @Amount(0.01, 500) areaMm2?: number;
  @Optional() @Whole(0, 40) gauge?: number;
  /** The maker's resistance at 20 °C, in place of that of pure copper. */
  @Optional() @Amount(0.00001, 100) ohmPerM?: number;
  /** Of the conductor itself; 20 °C where it is not said. */
  @Optional() @Amount(-60, 300) temperatureC?: number;
  /** Of all contacts and of the way back over the body together. */
  @Optional() @Amount(0, 100_000) contactsMohm?: number;
  @Amount(1, 60) runningV!: number;
  @Optional() @OneOf(USES) use?: 'lamp' | 'auxiliary';
  @Optional() @Part(() => ElectricsRules) rules?: ElectricsRules;
}

export class LampCurrentInput {
  @Amount(0, 5000) powerW!: number;
  @Amount(1, 60) atV!: number;
  @OneOf(LOAD_KINDS) kind!: PlainLoad['kind'];
  @OneOf([12, 24]) systemVoltageV!: 12 | 24;
}

export class DrawingInput {
  @Amount(0, 5000) powerW!: number;
  @Amount(1, 60) atV!: number;
  @OneOf(LOAD_KINDS) kind!: PlainLoad['kind'];
}

export class NewCircuitInput {
  @Each(() => DrawingInput, 60) loads!: DrawingInput[];
  @OneOf([12, 24]) systemVoltageV!: 12 | 24;
  @OneOf(USES) use!: 'lamp' | 'auxiliary';
  /** From the fuse to the load. */
  @Amount(0.01, 200) lengthM!: number;
  /** A wire of its own back; over the body where it is not said. */
  @Optional() @Amount(0.01, 200) backM?: number;
  /** Joints and contacts there and back. */
  @Whole(0, 200) contacts!: number;
  /** Of the warmest place that it passes. */
  @Amount(-60, 200) temperatureC!: number;
  /** Loaded wires in one bundle with it, itself among them. */
  @Whole(1, 200) bundle!: number;
  @Optional() @Part(() => Surge) surge?: Surge;
  @Optional() @Amount(0.1, 1000) plugPermittedA?: number;
  @Optional() @Amount(0.1, 1000) switchPermittedA?: number;
  /** Where it is fed from the battery: wire between battery and fuse. */
  @Optional() @Amount(0, 20_000) batteryToFuseMm?: number;
}

export class SizeCircuitInput extends NewCircuitInput {
  @Optional() @Part(() => ElectricsRules) rules?: ElectricsRules;
  @Optional() @Part(() => WireTable) wires?: WireTable;
}

class RelayPart {
  @Amount(1, 10_000) coilOhm!: number;
  @Amount(0.1, 500) contactA!: number;
  @Amount(1, 60) pullInV!: number;
}

export class RelayInput {
  @Part(() => RelayPart) relay!: RelayPart;
  /** The circuit that closes it. */
  @Part(() => Circuit) trigger!: Circuit;
  /** What its contact feeds. */
  @Part(() => NewCircuitInput) feed!: NewCircuitInput;
  @Optional() @Part(() => ElectricsRules) rules?: ElectricsRules;
  @Optional() @Part(() => WireTable) wires?: WireTable;
}

export class OutageInput {
  @OneOf(MONITOR_KINDS) kind!: MonitorKind;
  /** Below so much the lamp is reported, or flashes fast. */
  @Amount(0.1, 500) thresholdW!: number;
  @Amount(0, 500) lampW!: number;
  @Flag() flashes!: boolean;
  @Flag() flasherChangeable!: boolean;
  @Flag() codable!: boolean;
  /** Lowest voltage at which the channel looks. */
  @Amount(1, 60) leastV!: number;
  @Amount(1, 60) mostV!: number;
  /** Series in which resistors are stocked; E12 where it is not said. */
  @Optional() @OneOf(Object.keys(SERIES) as ResistorSeries[]) series?: ResistorSeries;
  /** 0.05 is 5 %, which holds where it is not said. */
  @Optional() @Amount(0, 0.5) tolerance?: number;
}

class StandbyInput {
  @Text(160) name!: string;
  @Amount(0, 10_000) standbyMa!: number;
}

export class DrainInput {
  @Amount(0.1, 1000) capacityAh!: number;
  /** Share of the capacity that may go before it may not start; 0.25 where it is not said, less for an old battery and in the cold. */
  @Optional() @Amount(0.01, 1) usableShare?: number;
  @Amount(0, 10_000) vehicleStandbyMa!: number;
  @Each(() => StandbyInput, 100) added!: StandbyInput[];
}

export class GaugeInput {
  /** One of `gauge` and `areaMm2`. */
  @Optional() @Whole(0, 40) gauge?: number;
  @Optional() @Amount(0.01, 500) areaMm2?: number;
}

export class LegNeed {
  @Slug() lamp!: string;
  @Amount(0, 60_000) neededMm!: number;
}

export class LegLength {
  @Slug() id!: string;
  @Amount(0, 60_000) lengthMm!: number;
}

class HazardWeights implements Partial<Record<Hazard, number>> {
  @Optional() @Amount(0, 100) heat?: number;
  @Optional() @Amount(0, 100) movement?: number;
  @Optional() @Amount(0, 100) edge?: number;
  @Optional() @Amount(0, 100) wet?: number;
  @Optional() @Amount(0, 100) lid?: number;
}

class SegmentInput implements Segment {
  @Slug() id!: string;
  @Slug() from!: string;
  @Slug() to!: string;
  @Amount(0, 60_000) lengthMm!: number;
  /** Share of its length that the way may be longer to be spared each. */
  @Part(() => HazardWeights) hazards!: HazardWeights;
  /** Why nothing is laid here. */
  @Optional() @Text(160) forbidden?: string;
}

class RouteEndInput implements RouteEnd {
  @Slug() lamp!: string;
  @Slug() at!: string;
  @Amount(0, 10_000) liftOutMm!: number;
}

export class RouteInput {
  @Each(() => SegmentInput, 2000) segments!: SegmentInput[];
  /** Where the cable starts. */
  @Slug() from!: string;
  @Each(() => RouteEndInput, 60) lamps!: RouteEndInput[];
  /** Of the kit's harness; without them only the paths are sought. */
  @Optional() @Each(() => LegLength, 60) legs?: LegLength[];
  /** Slack at each end; 150 mm where it is not said. */
  @Optional() @Amount(0, 2000) slackEndMm?: number;
  /** Paths to each lamp, cheapest first. */
  @Optional() @Whole(1, 4) paths?: number;
  /** Outer diameters of the wires that are laid together. */
  @Optional() @Amounts(200, 0.1, 60) wiresMm?: number[];
}

class SlotReading {
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
  @Optional() @OneOf(['holds', 'collapses']) underLamp?: 'holds' | 'collapses';
}

class SlotInput implements MeasuredSlot {
  @Text(20) slot!: string;
  @Text(80) name!: string;
  @Optional() @Amount(0.1, 500) ratedA?: number;
  /** Largest fuse that the slot may hold. */
  @Optional() @Amount(0.1, 500) mostA?: number;
  @Each(() => SlotReading, 60) readings!: SlotReading[];
  @Optional() @Text(200) neverUse?: string;
}

export class SourcesInput {
  @OneOf(WANTED) wanted!: Wanted;
  @Each(() => Load, 60) loads!: Load[];
  @Optional() @OneOf(USES) use?: 'lamp' | 'auxiliary';
  @OneOf([12, 24]) systemVoltageV!: 12 | 24;
  @Each(() => Circuit, 200) circuits!: Circuit[];
  /** Fuse slots as they were measured on this vehicle. */
  @Optional() @Each(() => SlotInput, 200) slots?: SlotInput[];
  /** Ids of circuits that a shop never lets be used. */
  @Optional() @Slugs(60) neverUse?: string[];
  @Optional() @Part(() => ElectricsRules) rules?: ElectricsRules;
}

export class LegsInput {
  @Each(() => LegNeed, 8) lamps!: LegNeed[];
  @Each(() => LegLength, 8) legs!: LegLength[];
}
