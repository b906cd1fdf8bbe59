import type { LampCure } from '../kit/index.ts';
import type { LampChannel } from '../vehicle/index.ts';

/** Preferred values of resistors in one decade. */
export const SERIES = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1],
} as const;
export type ResistorSeries = keyof typeof SERIES;

/** A lamp channel of a vehicle as it watches its lamp, and the lamp that hangs on it now. */
export interface OutageCase extends Omit<LampChannel, 'id' | 'name'> {
  lampW: number;
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

/** What speaks against a part as a cure: the vehicle's kind, or a resistor that takes too little or bears too little heat. */
export type CureTrouble = { code: 'of no use' } | { code: 'too many ohms'; ohm: number; mostOhm: number } | { code: 'too little rating'; ratingW: number; neededW: number };

/**
 * Whether a part cures what the vehicle makes of a lamp: a flasher, a decoder or a resistor where the answer names one. A resistor's own heat is
 * reckoned anew, V²/R at the highest voltage times its duty, and it is to be rated for four times that.
 */
export function judgeCure(asked: OutageCase, { by, ohm = 0, ratingW = 0 }: LampCure): CureTrouble | undefined {
  const cure = outageCure(asked).cures.find((entry) => entry.cure === by);
  if (!cure) return { code: 'of no use' };
  if (cure.cure !== 'resistor') return undefined;
  if (ohm > cure.mostOhm * (1 + 1e-9)) return { code: 'too many ohms', ohm, mostOhm: cure.mostOhm };
  const neededW = RATING_TIMES * (asked.mostV ** 2 / ohm) * (asked.flashes ? FLASHING_DUTY : 1);
  return ratingW < neededW * (1 - 1e-9) ? { code: 'too little rating', ratingW, neededW } : undefined;
}
