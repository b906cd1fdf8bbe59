/** Share of a battery's capacity that may go before the vehicle may not start, where nothing else is said; less for an old battery and in the cold. */
export const USABLE_SHARE = 0.25;

/** A battery and what it feeds while the vehicle stands. */
export interface Standing {
  capacityAh: number;
  /** Share of the capacity that may go before it may not start. */
  usableShare: number;
  vehicleStandbyMa: number;
  addedMa: number;
}

export interface Drain {
  beforeMa: number;
  afterMa: number;
  /** Until it may not start, as the vehicle came and with what is added; null where nothing is drawn. */
  hoursBefore: number | null;
  hoursAfter: number | null;
}

/** Hours until a standing vehicle may not start: capacity · usable share · 1000 / (the vehicle's standby current + what is added), in mA. */
export function standingDrain({ capacityAh, usableShare, vehicleStandbyMa, addedMa }: Standing): Drain {
  const hours = (mA: number) => (mA > 0 ? (capacityAh * usableShare * 1000) / mA : null);
  const afterMa = vehicleStandbyMa + addedMa;
  return { beforeMa: vehicleStandbyMa, afterMa, hoursBefore: hours(vehicleStandbyMa), hoursAfter: hours(afterMa) };
}
