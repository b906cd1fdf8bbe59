import type { VehicleState } from '../states/index.ts';
import type { Effect, ProbeFunction } from './functions.ts';
import { isUnique, usualEffect } from './functions.ts';
import { nextReadings, PROBE_TIMES, switchMinutes } from './next.ts';
import { ERROR_CHANCE, withReading, type PinReading, type ProbeRules, type ProbeRun } from './run.ts';
import { probeFound } from './status.ts';

/** A source of numbers from 0 to below 1; one with a seed gives the same each time. */
export type Random = () => number;

/** Numbers that look random and are the same for a seed. Source: D. H. Lehmer's generator, modulus 2^31 − 1. */
export function seeded(seed: number): Random {
  let state = (seed % 2_147_483_646) + 1;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return (state - 1) / 2_147_483_646;
  };
}

/** A plug whose pins only the one who plays the vehicle knows. */
export interface HiddenPlug {
  pins: { id: string; function: ProbeFunction }[];
  /** A pin on which something leaks in through a wet or chafed neighbour, in this state. */
  leak?: { pin: string; state: VehicleState };
  errorChance: number;
  systemV: number;
}

/** Volts that a pin shows, as a meter with the lowest and highest has them; of a middle value what a test lamp did to it. */
export type Shown = Omit<Extract<PinReading, { kind: 'voltage' }>, 'kind' | 'pin' | 'state'>;

const SHOWN: Readonly<Record<Exclude<Effect, 'unknown'>, (systemV: number) => Shown>> = {
  off: () => ({ lowV: 0.02, highV: 0.02 }),
  on: (systemV) => ({ lowV: systemV - 0.2, highV: systemV - 0.2 }),
  flashing: (systemV) => ({ lowV: 0.05, highV: systemV - 0.3 }),
  dimmed: (systemV) => ({ lowV: systemV * 0.4, highV: systemV * 0.4, underLamp: 'holds' }),
};
const LEAK = (systemV: number): Shown => ({ lowV: systemV * 0.3, highV: systemV * 0.3, underLamp: 'collapses' });
const AVERAGED = (systemV: number): Shown => ({ lowV: systemV * 0.5, highV: systemV * 0.5 });
/** So often a meter shows the middle of what flashes. */
const AVERAGED_SHARE = 0.3;

/**
 * What a meter shows at a pin of a hidden plug: what is there, now and then something else; of what flashes sometimes the middle.
 * @param closely with the lowest and highest kept, so that nothing is averaged
 */
export function readHidden({ pins, leak, errorChance, systemV }: HiddenPlug, pin: string, state: VehicleState, random: Random, closely = false): Shown {
  const hidden = pins.find(({ id }) => id === pin);
  const kinds = ['off', 'on', 'flashing', 'dimmed'] as const;
  if (random() < errorChance) return SHOWN[kinds[Math.floor(random() * kinds.length)] ?? 'off'](systemV);
  if (leak?.pin === pin && leak.state === state) return LEAK(systemV);
  const effect = hidden ? usualEffect(hidden.function, state) : 'off';
  if (effect === 'flashing' && !closely && random() < AVERAGED_SHARE) return AVERAGED(systemV);
  return SHOWN[effect === 'unknown' ? (kinds[Math.floor(random() * 2)] ?? 'off') : effect](systemV);
}

/** Functions of a rear lamp of one side, and the states that tell them apart. */
const REAR: readonly ProbeFunction[] = ['tail', 'stop pedal', 'turn left', 'reverse', 'rear fog', 'constant supply', 'switched supply'];
const REAR_STATES: VehicleState[] = ['key off', 'ignition', 'parking', 'dipped', 'stop pedal', 'turn left', 'reverse', 'rear fog'];

/** Draws a plug of 6 to 8 pins: a ground, some of a rear lamp's functions, the rest empty; two to three of its functions are wanted. */
export function drawPlug(random: Random, errorChance = ERROR_CHANCE): { hidden: HiddenPlug; run: ProbeRun } {
  const shuffled = <T>(items: readonly T[]): T[] => {
    const list = [...items];
    for (let place = list.length - 1; place > 0; place--) {
      const other = Math.floor(random() * (place + 1));
      [list[place], list[other]] = [list[other]!, list[place]!];
    }
    return list;
  };
  const count = 6 + Math.floor(random() * 3);
  const here = shuffled(REAR).slice(0, Math.min(REAR.length, count - 1 - Math.floor(random() * 2)));
  const carried = shuffled<ProbeFunction>(['ground', ...here, ...Array<ProbeFunction>(count - 1 - here.length).fill('empty')]);
  const pins = carried.map((name, place) => ({ id: String(place + 1), function: name }));
  const leaky = shuffled(pins.filter((pin) => pin.function !== 'ground' && pin.function !== 'constant supply'))[0];
  const dark = leaky ? shuffled(REAR_STATES.filter((state) => usualEffect(leaky.function, state) === 'off'))[0] : undefined;
  const lamps = here.filter((name) => name !== 'constant supply' && name !== 'switched supply');
  const wanted = shuffled(lamps).slice(0, 2 + Math.floor(random() * 2));
  const systemV = 12.6;
  return {
    hidden: { pins, errorChance, systemV, ...(leaky && dark ? { leak: { pin: leaky.id, state: dark } } : {}) },
    run: {
      pins: pins.map(({ id }) => ({ id })),
      candidates: [...REAR, 'ground' as const, 'empty' as const, 'unknown' as const].map((name) => ({ function: name })),
      readings: [],
      states: REAR_STATES,
      wanted,
      systemV,
      errorChance: ERROR_CHANCE,
    },
  };
}

/** How a plug was probed: readings until all that was wanted was settled, and verdicts that were wrong. */
export interface Probed {
  readings: number;
  settled: boolean;
  wrong: number;
  proved: number;
}

/** No run goes on for longer. */
const MOST_READINGS = 160;

function count(run: ProbeRun, hidden: HiddenPlug, rules: ProbeRules, readings: number): Probed {
  const found = probeFound(run, rules);
  const proved = found.pins.flatMap(({ pin, status }) => (status.code === 'proved' ? status.functions.filter(isUnique).map((name) => ({ pin, name })) : []));
  const wrong = proved.filter(({ pin, name }) => hidden.pins.find(({ id }) => id === pin)?.function !== name).length;
  return { readings, settled: found.done, wrong, proved: proved.length };
}

/** Minutes of a reading from where the probe and the vehicle are: the helper's switching, the probe moved, the meter read. */
export function readingMinutes(at: { pin?: string; state?: VehicleState }, pin: string, state: VehicleState): number {
  return switchMinutes(at.state, state, PROBE_TIMES) + PROBE_TIMES.readMin + (at.pin === pin ? 0 : PROBE_TIMES.pinMin);
}

/**
 * Reads a hidden plug by what is worth most until nothing more is.
 * @param closely every reading with its lowest and highest, so that nothing is averaged; else only where a middle value was seen
 */
export function readByWorth(start: ProbeRun, hidden: HiddenPlug, rules: ProbeRules, random: Random, closely = false): { run: ProbeRun; readings: number; minutes: number } {
  let [run, readings, minutes]: [ProbeRun, number, number] = [start, 0, 0];
  let at: { pin?: string; state?: VehicleState } = {};
  for (; readings < MOST_READINGS; readings++) {
    const { step } = nextReadings(run, rules, at.state);
    if (!step.now) break;
    const { pin, state, vague } = step.now;
    minutes += readingMinutes(at, pin, state);
    run = withReading(run, { kind: 'voltage', pin, state, ...readHidden(hidden, pin, state, random, closely || vague) }, rules);
    at = { pin, state };
  }
  return { run, readings, minutes };
}

/** Probes a hidden plug by the readings that are worth most. */
export function probeByWorth(start: ProbeRun, hidden: HiddenPlug, rules: ProbeRules, random: Random): Probed {
  const { run, readings } = readByWorth(start, hidden, rules, random);
  return count(run, hidden, rules, readings);
}

/** Probes a hidden plug pin by pin and in each state in turn, again from the front where that did not do; under the same rule of proof. */
export function probeInOrder(start: ProbeRun, hidden: HiddenPlug, rules: ProbeRules, random: Random): Probed {
  let [run, readings] = [start, 0];
  for (let round = 0; round < 3; round++) {
    for (const { id } of start.pins)
      for (const state of start.states) {
        run = withReading(run, { kind: 'voltage', pin: id, state, ...readHidden(hidden, id, state, random, round > 0) }, rules);
        readings++;
        if (probeFound(run, rules).done) return count(run, hidden, rules, readings);
      }
  }
  return count(run, hidden, rules, readings);
}
