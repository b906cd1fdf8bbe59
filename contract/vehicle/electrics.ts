import {
  CIRCUIT_LISTS,
  LOAD_KINDS,
  MONITOR_KINDS,
  PIN_GENDERS,
  type Circuit as PlainCircuit,
  type CircuitWire as PlainWire,
  type LampChannel as PlainChannel,
  type Load as PlainLoad,
  type PlugFace as PlainFace,
  type PlugPin as PlainPin,
  type ProvedPin as PlainProved,
  type Surge as PlainSurge,
  type SwitchOutput as PlainOutput,
  type VehiclePin as PlainVehiclePin,
} from '@jade/core/vehicle';
import { PIN_FUNCTIONS, VEHICLE_STATES } from '@jade/core/states';
import { Amount, Day, Each, Flag, OneOf, OneOfEach, Optional, Part, Slug, Text, Whole } from '@jade/contract/check';

export class PlugPin implements PlainPin {
  @Slug() id!: string;
  @Whole(1, 20) row!: number;
  @Whole(1, 40) column!: number;
  @OneOf(PIN_FUNCTIONS) carries!: PlainPin['carries'];
  @Optional() @Text(40) colour?: string;
  @Optional() @Slug() circuit?: string;
  @Optional() @Slug() channel?: string;
}

/** That a wire was proved on a vehicle of this kind. */
export class ProvedPin implements PlainProved {
  @Day() on!: string;
  @Whole(1, 1000) readings!: number;
}

export class VehiclePin extends PlugPin implements PlainVehiclePin {
  @Optional() @Text(40) beyond?: string;
  @Optional() @Part(() => ProvedPin) proved?: ProvedPin;
}

export class PlugFace implements PlainFace {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Text(40) family!: string;
  @OneOf(PIN_GENDERS) gender!: PlainFace['gender'];
  @Text(40) keying!: string;
  @Whole(1, 20) rows!: number;
  @Whole(1, 40) columns!: number;
  @Text(120) lock!: string;
  @Each(() => PlugPin, 200) pins!: PlugPin[];
}

export class Surge implements PlainSurge {
  @Amount(0, 5000) ampere!: number;
  @Amount(0, 60_000) forMs!: number;
}

export class Load implements PlainLoad {
  @Text(80) name!: string;
  @Amount(0, 2000) powerW!: number;
  @Amount(1, 60) atV!: number;
  @OneOf(LOAD_KINDS) kind!: PlainLoad['kind'];
  @Optional() @Slug() function?: string;
  @Optional() @Slug() channel?: string;
  @Optional() @Amount(1, 60) leastV?: number;
  @Optional() @Part(() => Surge) surge?: Surge;
  @Optional() @Amount(0, 10_000) standbyMa?: number;
}

export class Fuse {
  @Text(20) slot!: string;
  @Amount(0.1, 500) ratedA!: number;
}

/** An output that guards itself. */
export class SwitchOutput implements PlainOutput {
  @Text(20) slot!: string;
  @Amount(0.1, 500) limitA!: number;
  @Part(() => Surge) surge!: Surge;
  @Amount(0, 10_000) standbyMostMa!: number;
}

export class CircuitWire implements PlainWire {
  @Amount(0.05, 100) areaMm2!: number;
  @Amount(0, 60) lengthM!: number;
  @Amount(0.1, 500) permittedA!: number;
  @Optional() @Amount(0, 60) backM?: number;
  @Optional() @Amount(0, 10_000) chassisMohm?: number;
}

export class Circuit implements PlainCircuit {
  @Slug() id!: string;
  @Text(80) name!: string;
  @Optional() @Part(() => Fuse) fuse?: Fuse;
  @Optional() @Part(() => SwitchOutput) output?: SwitchOutput;
  @Optional() @Amount(0, 20_000) batteryToFuseMm?: number;
  @Optional() @Part(() => CircuitWire) wire?: CircuitWire;
  @Optional() @Amount(0.1, 500) plugPermittedA?: number;
  @Optional() @Amount(0.1, 500) switchPermittedA?: number;
  @Each(() => Load, 40) loads!: Load[];
  @Optional() @OneOfEach(CIRCUIT_LISTS, CIRCUIT_LISTS.length) undescribed?: PlainCircuit['undescribed'];
  @OneOfEach(VEHICLE_STATES, 40) liveIn!: PlainCircuit['liveIn'];
  @Optional() @Text(200) neverUse?: string;
}

/** How a vehicle watches one of its lamps. */
export class LampChannel implements PlainChannel {
  @Slug() id!: string;
  @Text(80) name!: string;
  @OneOf(MONITOR_KINDS) kind!: PlainChannel['kind'];
  @Amount(0.1, 500) thresholdW!: number;
  @Flag() flashes!: boolean;
  @Flag() flasherChangeable!: boolean;
  @Flag() codable!: boolean;
  @Amount(1, 60) leastV!: number;
  @Amount(1, 60) mostV!: number;
}
