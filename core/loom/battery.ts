import { voltageRange } from '../wiring/index.ts';
import type { JobContext } from '../job/index.ts';

/** Minutes with the ignition on and no charger after which the battery is looked at, and again after each look. To be confirmed by the shop. */
export const WATCH_MIN = 15;
/** Share of a full battery at rest below which it is charged before the work goes on: 12.2 V of 12.6. To be confirmed by the shop. */
export const CHARGE_BELOW = 0.968;
const MINUTE_MS = 60_000;

/** The battery during long work with the ignition on. */
export interface BatteryWatch {
  /** Minutes since something was first read with the ignition on, up to now; until it is said to be off, or something is read with the key off. */
  minutes: number;
  /** The last voltage that was measured meanwhile. */
  volts?: number;
  charger: boolean;
  /** Volts below which it is charged. */
  leastV: number;
  is: 'fine' | 'look' | 'charge';
}

/**
 * How the battery stands in work with the ignition on, by the device's clock; nothing while the key was last read off.
 * @param at now, ISO 8601
 */
export function batteryWatch({ state, profile }: Pick<JobContext, 'state' | 'profile'>, at: string): BatteryWatch | undefined {
  const { ignition, battery, charger } = state;
  if (!ignition) return undefined;
  const minutesFrom = (since: string) => Math.max(0, (Date.parse(at) - Date.parse(since)) / MINUTE_MS);
  const seen = battery && Date.parse(battery.at) >= Date.parse(ignition.since) ? battery : undefined;
  const leastV = CHARGE_BELOW * (state.restV ?? voltageRange(profile.systemVoltageV).restV);
  const lookedMin = minutesFrom(seen?.at ?? ignition.since);
  const low = seen !== undefined && seen.volts < leastV;
  return {
    minutes: minutesFrom(ignition.since),
    ...(seen ? { volts: seen.volts } : {}),
    charger,
    leastV,
    is: charger ? 'fine' : low ? 'charge' : lookedMin >= WATCH_MIN ? 'look' : 'fine',
  };
}
