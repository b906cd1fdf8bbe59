import { MOST_ACTS, PROBE_FUNCTIONS, type PracticeScore, type ProbeFunction } from '@jade/core/probing';
import { VEHICLE_STATES, type VehicleState } from '@jade/core/states';
import { Each, EventId, OneOf, Optional, Text, Whole } from '@jade/contract/check';

export const PRACTICE_ACTS = ['read', 'claim'] as const;

/** Something that a trainee did: read a pin in a `state`, or said that it carries a `function`. */
export class PracticeStep {
  @OneOf(PRACTICE_ACTS) kind!: (typeof PRACTICE_ACTS)[number];
  @Text(20) pin!: string;
  @Optional() @OneOf(VEHICLE_STATES) state?: VehicleState;
  @Optional() @OneOf(PROBE_FUNCTIONS) function?: ProbeFunction;
}

/** A practice: the plug that a seed stands for, and all that was done. */
export class PracticeInput {
  @Whole(1, 2_000_000_000) seed!: number;
  @Each(() => PracticeStep, MOST_ACTS) acts!: PracticeStep[];
}

/** A practice that is done; the id is the client's, so that it is kept once. What it is worth is worked out from what was done. */
export class PracticeDone extends PracticeInput {
  @EventId() id!: string;
}

/** A practice that was kept. */
export interface PracticeKept extends PracticeScore {
  id: string;
  at: string;
}
