import { ArrayMaxSize, IsArray } from 'class-validator';
import { SCHOOLS, type School } from '@jade/core/events';
import type { OpenLevel } from '@jade/core/vehicle';
import { Amount, Amounts, AnyObject, Each, FactMap, Flag, OneOf, OneOfEach, Optional, Part, Slugs, Text, Whole } from '@jade/contract/check';
import { BoltStack, Kit } from '@jade/contract/kit';
import { AimRule, ProbingRules, RuleSet, SequenceRules } from '@jade/contract/rules';
import { VEHICLE_STATES, type VehicleState } from '@jade/core/states';
import { LevelNeed, MountPosition, Piece, Supply, VehicleProfile } from '@jade/contract/vehicle';

export class AccessInput {
  @Each(() => Piece, 1000) pieces!: Piece[];
  @Each(() => MountPosition, 100) mounts!: MountPosition[];
  /** Supplies that pieces ask to be dead or live. */
  @Optional() @Each(() => Supply, 2) supplies?: Supply[];
  /** Mount positions that must be reachable. */
  @Slugs(100) targets!: string[];
  @Optional() @FactMap() facts?: Record<string, string>;
  /** What is open already. */
  @Optional() @Each(() => LevelNeed, 1000) present?: { piece: string; level: OpenLevel }[];
  /** How the vehicle stands: place by kind of position. */
  @Optional() @FactMap() stand?: Record<string, string>;
  /** Pieces that a kit takes the place of. */
  @Optional() @Slugs(100) replaced?: string[];
  @Optional() @Part(() => SequenceRules) setUp?: SequenceRules;
  /** Ways chosen by hand, by mount position or `piece/level`. */
  @Optional() @FactMap() chosen?: Record<string, string>;
  @Optional() @OneOf(SCHOOLS) school?: School;
  @Optional() @OneOf([1, 2]) people?: 1 | 2;
  /** After so long the best plan so far is taken, with the gap that is left. */
  @Optional() @Whole(1, 600_000) mostMs?: number;
  /** By how much aged clips break more often than new ones. */
  @Optional() @Amount(1, 20) ageFactor?: number;
}

export class EstimateInput {
  /** What the profile says of the step. */
  @Amount(0, 600) priorMin!: number;
  /** Times taken so far. */
  @Amounts(1000, 0, 6000) takenMin!: number[];
}

export class MatchInput {
  @Part(() => Kit) kit!: Kit;
  @Part(() => VehicleProfile) profile!: VehicleProfile;
  @Optional() @Whole(1950, 2100) year?: number;
  @Optional() @FactMap() facts?: Record<string, string>;
  @Optional() @FactMap() options?: Record<string, string>;
}

export class ContentsInput {
  @Part(() => Kit) kit!: Kit;
  @Optional() @FactMap() facts?: Record<string, string>;
  /** Item id to number counted. */
  @AnyObject() counts!: Record<string, number>;
}

export class ReadingInput {
  @OneOf(VEHICLE_STATES) state!: VehicleState;
  @Amount(-60, 60) lowV!: number;
  @Amount(-60, 60) highV!: number;
  @Optional() @OneOf(['holds', 'collapses']) underLamp?: 'holds' | 'collapses';
}

export class ProofInput {
  @Each(() => ReadingInput, 100) readings!: ReadingInput[];
  /** States in which the wire is live, the one to be tried first at the front. */
  @OneOfEach(VEHICLE_STATES, 40) liveIn!: VehicleState[];
  @Amount(1, 60) systemV!: number;
  @Optional() @Part(() => ProbingRules) rules?: ProbingRules;
}

export class StackInput extends BoltStack {}

export class SensorErrorInput {
  @Amount(-89, 89) angleDeg!: number;
  @Amount(0, 1000) rangeM!: number;
}

export class LampPlaceInput {
  @Text(160) lamp!: string;
  @Amount(50, 5000) referenceMm!: number;
  @Amount(-5000, 5000) sidewaysMm!: number;
  @Optional() @Amount(-2000, 8000) measuredMm?: number;
  @Optional() @Amount(0.01, 20) degPerTurn?: number;
}

export class AimInput {
  @Part(() => AimRule) rule!: AimRule;
  @Each(() => LampPlaceInput, 60) lamps!: LampPlaceInput[];
  @Amount(500, 50_000) distanceMm!: number;
  @Optional() @Amount(-1000, 1000) floorAtWallMm?: number;
}

export class NumberInput {
  @Text(40) number!: string;
  @Flag() checkDigit!: boolean;
  /** Whether a letter at place 7 tells the later thirty years, as light vehicles of one market have it. */
  @Optional() @Flag() yearByPlace7?: boolean;
}

export class LogInput {
  @AnyObjects() log!: unknown[];
}

export class StandingInput extends LogInput {
  /** After so long the best way in so far is taken. */
  @Optional() @Whole(1, 600_000) mostMs?: number;
  @Part(() => VehicleProfile) profile!: VehicleProfile;
  @Each(() => Kit, 20) kits!: Kit[];
  @Part(() => RuleSet) rules!: RuleSet;
  @Optional() @Whole(1950, 2100) year?: number;
}

/** A list of events, each checked by itself. */
export function AnyObjects(): PropertyDecorator {
  return (target, key) => {
    IsArray({ context: { code: 'type', data: { expected: 'a list of events' } } })(target, key);
    ArrayMaxSize(20_000, { context: { code: 'length', data: { most: 20_000 } } })(target, key);
  };
}
