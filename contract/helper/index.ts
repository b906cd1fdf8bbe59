import { VEHICLE_STATES, type VehicleState } from '@jade/core/states';
import { OneOf, Optional } from '@jade/contract/check';

/** What the helper in the seat is asked for now; nothing where no state is named. */
export class HelperAsked {
  @Optional() @OneOf(VEHICLE_STATES) state?: VehicleState;
}

/** A link for the helper's phone. */
export interface HelperLink {
  token: string;
  until: string;
  /** Where the phone finds the shop; none while the shop is open at its own machine alone. */
  addresses: string[];
}

/** What the helper's page shows: which vehicle, and what to switch. */
export interface HelperShown {
  plate: string;
  state: VehicleState | null;
}

/** Links of a job that are open. */
export interface HelperLinks {
  open: number;
}
