import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

/** The battery as measured during work with the ignition on. */
export interface BatteryWatched {
  volts: number;
}

export const batteryWatched: Definition<BatteryWatched> = {
  ...RECORDED,
  opposite: null,
  does: (state, { volts }, event) => void (state.battery = { volts, at: event.at }),
  names: nothingNamed,
};
