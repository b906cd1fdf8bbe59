export const MONITOR_KINDS = ['steady', 'pulses when off', 'modulated'] as const;
/** How a vehicle looks whether a lamp is there: by the current while it is on, by short pulses while it is off, or by the current of a chopped supply. */
export type MonitorKind = (typeof MONITOR_KINDS)[number];

/** Preferred values of resistors in one decade. */
export const SERIES = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1],
} as const;
export type ResistorSeries = keyof typeof SERIES;

/** A lamp channel of a vehicle as it watches its lamp, and the lamp that hangs on it now. */
export interface OutageCase {
  kind: MonitorKind;
  /** Below so much the vehicle reports the lamp, or flashes fast. */
  thresholdW: number;
  lampW: number;
  /** A turn signal: it flashes, and tells of an outage by flashing about twice as fast. */
  flashes: boolean;
  /** The flashing comes from a part that can be changed for one that does not look at the load. */
  flasherChangeable: boolean;
  /** The vehicle can be told of the other lamp by the maker's procedure. */
  codable: boolean;
  /** Lowest voltage at which the channel looks. */
  leastV: number;
  mostV: number;
  series: ResistorSeries;
  /** Of the resistor's value, 0.05 is 5 %. */
  tolerance: number;
}

export type Cure =
  | { cure: 'resistor'; ohm: number; mostOhm: number; neededW: number; onW: number; averageW: number; ratingW: number }
  | { cure: 'flasher' }
  | { cure: 'decoder' }
  | { cure: 'coding' };
export type NoCure = { cure: 'resistor' | 'flasher' | 'decoder' | 'coding'; because: 'kind' | 'not flashing' | 'not changeable' | 'not codable' };

export interface OutageAnswer {
  /** What the vehicle makes of the lamp as it is. */
  seen: 'nothing' | 'reported' | 'flashes fast';
  cures: Cure[];
  /** What is of no use here, and why. */
  noCures: NoCure[];
}

const FLASHING_DUTY = 0.5;
/** A resistor is rated for so many times the heat that it gives off on average. */
const RATING_TIMES = 4;

/** The largest value of a series that is not above a resistance, in ohms. */
export function seriesBelow(ohm: number, series: ResistorSeries): number {
  const decade = 10 ** Math.floor(Math.log10(ohm) + 1e-9);
  const below = (of: number) => SERIES[series].map((value) => value * of).filter((value) => value <= ohm * (1 + 1e-9));
  return Number((below(decade).at(-1) ?? below(decade / 10).at(-1) ?? ohm).toPrecision(6));
}

/**
 * What a vehicle makes of a lamp that takes less than it expects, and what cures it. A resistor only where the current is looked at while
 * the lamp is on: P = threshold − lamp, R ≤ V²/P at the lowest voltage at which the channel looks with its tolerance upwards, the next value
 * down in the series; heat V²/R at the highest voltage while on, times 0.5 where it flashes; rated at least four times the average. On metal,
 * away from plastic.
 */
export function outageCure(asked: OutageCase): OutageAnswer {
  const { kind, thresholdW, lampW, flashes, flasherChangeable, codable } = asked;
  const neededW = thresholdW - lampW;
  if (neededW <= 0) return { seen: 'nothing', cures: [], noCures: [] };
  const cures: Cure[] = [];
  const noCures: NoCure[] = [];
  if (!flashes) noCures.push({ cure: 'flasher', because: 'not flashing' });
  else if (!flasherChangeable) noCures.push({ cure: 'flasher', because: 'not changeable' });
  else cures.push({ cure: 'flasher' });
  if (codable) cures.push({ cure: 'coding' });
  else noCures.push({ cure: 'coding', because: 'not codable' });
  if (kind === 'steady') {
    const mostOhm = asked.leastV ** 2 / neededW / (1 + asked.tolerance);
    const ohm = seriesBelow(mostOhm, asked.series);
    const onW = asked.mostV ** 2 / ohm;
    const averageW = onW * (flashes ? FLASHING_DUTY : 1);
    cures.push({ cure: 'resistor', ohm, mostOhm, neededW, onW, averageW, ratingW: RATING_TIMES * averageW });
  } else {
    cures.push({ cure: 'decoder' });
    noCures.push({ cure: 'resistor', because: 'kind' });
  }
  return { seen: flashes ? 'flashes fast' : 'reported', cures, noCures };
}
