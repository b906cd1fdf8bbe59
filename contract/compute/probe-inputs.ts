import { EFFECTS, PROBE_FUNCTIONS, type Effect, type ProbeFunction } from '@jade/core/probing';
import { VEHICLE_STATES, type VehicleState } from '@jade/core/states';
import { Amount, Each, Flag, OneOf, OneOfEach, Optional, Part, Text, Whole } from '@jade/contract/check';

class Hint {
  @OneOf(PROBE_FUNCTIONS) function!: ProbeFunction;
  /** How many times likelier it makes that. */
  @Amount(0.01, 1000) times!: number;
}

class ProbePinInput {
  @Text(20) id!: string;
  /** Hard to reach with a probe. */
  @Optional() @Flag() awkward?: boolean;
  /** What a diagram or a colour says of it; proof it is none. */
  @Optional() @Part(() => Hint) hint?: Hint;
}

class Doing {
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  @OneOf(EFFECTS) effect!: Effect;
}

class CandidateInput {
  @OneOf(PROBE_FUNCTIONS) function!: ProbeFunction;
  /** That the plug has it; of grounds, empties and the like how usual one is. */
  @Optional() @Amount(0.0001, 1) chance?: number;
  /** What it does on this vehicle where that is unlike most. */
  @Optional() @Each(() => Doing, 26) does?: Doing[];
}

class CombinedInput {
  @OneOfEach(PROBE_FUNCTIONS, 6) functions!: ProbeFunction[];
  @Optional() @Amount(0.0001, 1) chance?: number;
  @Optional() @Each(() => Doing, 26) does?: Doing[];
}

class VoltsRead {
  @Text(20) pin!: string;
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  /** Lowest and highest seen; what flashes shows both. */
  @Amount(-1000, 1000) lowV!: number;
  @Amount(-1000, 1000) highV!: number;
  @Optional() @OneOf(['holds', 'collapses']) underLamp?: 'holds' | 'collapses';
  @Optional() @Flag() floating?: boolean;
}

class OhmsRead {
  @Text(20) pin!: string;
  @Amount(-1, 100_000_000) ohm!: number;
  /** Continuity is measured unpowered and unplugged only. */
  @Optional() @Flag() powered?: boolean;
}

class DropRead {
  @Text(20) pin!: string;
  /** Between the pin and the battery's negative while a load returns over it. */
  @Amount(-60, 60) dropV!: number;
}

class StateVolts {
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  @Amount(5, 40) volts!: number;
}

export class ProbeInput {
  @Each(() => ProbePinInput, 16) pins!: ProbePinInput[];
  @Each(() => CandidateInput, 20) candidates!: CandidateInput[];
  /** Several functions on one pin. */
  @Optional() @Each(() => CombinedInput, 10) combined?: CombinedInput[];
  /** States that the vehicle can be put into. */
  @OneOfEach(VEHICLE_STATES, 26) states!: VehicleState[];
  @Optional() @Each(() => VoltsRead, 500) volts?: VoltsRead[];
  @Optional() @Each(() => OhmsRead, 60) ohms?: OhmsRead[];
  @Optional() @Each(() => DropRead, 60) drops?: DropRead[];
  /** Functions that are to be found; all that sit on one pin at most where it is not said. */
  @Optional() @OneOfEach(PROBE_FUNCTIONS, 20) wanted?: ProbeFunction[];
  /** Battery as measured; and where a state raises it, as measured there. */
  @Amount(5, 40) systemV!: number;
  @Optional() @Each(() => StateVolts, 26) stateV?: StateVolts[];
  /** Chance that a reading is of a wrong class; 0.01 where it is not said. */
  @Optional() @Amount(0.0001, 0.2) errorChance?: number;
  @Optional() @Amount(0, 1) groundChance?: number;
  /** State that the vehicle is in now. */
  @Optional() @OneOf(VEHICLE_STATES) at?: VehicleState;
  /** Minutes for running a wire from the lamp instead. */
  @Optional() @Amount(0, 600) wireMin?: number;
  /** How many batches of readings come out; 3 where it is not said. */
  @Optional() @Whole(1, 26) batches?: number;
}

class SlotVolts {
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
  @Optional() @OneOf(['holds', 'collapses']) underLamp?: 'holds' | 'collapses';
}

class FinderSlot {
  @Text(20) slot!: string;
  @Optional() @Amount(0.1, 500) ratedA?: number;
  @Each(() => SlotVolts, 60) readings!: SlotVolts[];
  @Optional() @Text(200) neverUse?: string;
}

class WantedIn {
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  @OneOf(['on', 'off', 'any']) is!: 'on' | 'off' | 'any';
}

class NeverSlot {
  @Text(20) slot!: string;
}

export class FuseFinderInput {
  @Each(() => FinderSlot, 200) slots!: FinderSlot[];
  /** When it is to be live. */
  @Each(() => WantedIn, 26) wanted!: WantedIn[];
  @Amount(5, 40) systemV!: number;
  /** Slots that the shop never uses. */
  @Optional() @Each(() => NeverSlot, 60) neverUse?: NeverSlot[];
}
