import { onWith, type VehicleState } from '../states/index.ts';
import type { JobState } from './state.ts';

/** A reading says how the key stood: since when the ignition is on, or that it is off. */
export function keyIn(state: JobState, read: VehicleState, at: string): void {
  if (onWith(read).includes('ignition')) state.ignition ??= { since: at };
  else delete state.ignition;
}
