import { DEFAULT_RULES } from '@jade/contract/compute';
import { drawPlug, partsOf, probeByWorth, probeChances, probeInOrder, readHidden, readingChance, seeded, withReading, type ProbeFunction, type ProbeRun } from '@jade/core/probing';
import { compare, summarise, time, type Line } from '../measure.ts';

const RULES = DEFAULT_RULES.probing;

/** Readings of drawn plugs by what is worth most, against pin by pin under the same rule of proof. */
export interface Simulated {
  plugs: number;
  medianOurs: number;
  medianOrder: number;
  most: number;
  settledOurs: number;
  settledOrder: number;
  proved: number;
  wrong: number;
}

export function simulatePlugs(plugs: number): Simulated {
  const runs = Array.from({ length: plugs }, (_, index) => {
    const { hidden, run } = drawPlug(seeded(index * 7919 + 3));
    return { ours: probeByWorth(run, hidden, RULES, seeded(index + 11)), order: probeInOrder(run, hidden, RULES, seeded(index + 11)) };
  });
  const readings = (which: 'ours' | 'order') => summarise(runs.map((run) => run[which].readings));
  const settled = (which: 'ours' | 'order') => runs.filter((run) => run[which].settled).length;
  return {
    plugs,
    medianOurs: readings('ours').medianMs,
    medianOrder: readings('order').medianMs,
    most: readings('ours').mostMs,
    settledOurs: settled('ours'),
    settledOrder: settled('order'),
    proved: runs.reduce((sum, { ours }) => sum + ours.proved, 0),
    wrong: runs.reduce((sum, { ours }) => sum + ours.wrong, 0),
  };
}

/** The chances of a run by going through every assignment, one pin after another. */
function everyAssignment(run: ProbeRun): number[][] {
  const { parts, unique, absent } = partsOf(run);
  const weights = run.pins.map(({ id }) =>
    parts.map((part) => run.readings.filter(({ pin }) => pin === id).reduce((product, reading) => product * readingChance(part, reading, run, RULES), part.weight)),
  );
  const pins = run.pins.map(() => parts.map(() => 0));
  const chosen: number[] = [];
  const go = (at: number, used: number, ground: boolean, weight: number): void => {
    if (at === run.pins.length) {
      let all = weight * (ground ? 0.95 : 0.05);
      for (let bit = 0; bit < unique.length; bit++) if ((used & (1 << bit)) === 0) all *= absent[bit] ?? 1;
      for (let pin = 0; pin < at; pin++) pins[pin]![chosen[pin]!]! += all;
      return;
    }
    parts.forEach((part, index) => {
      if ((used & part.bits) !== 0) return;
      chosen[at] = index;
      go(at + 1, used | part.bits, ground || part.ground, weight * weights[at]![index]!);
    });
  };
  go(0, 0, false, 1);
  return pins;
}

/** A plug of so many pins with some readings. */
function plugOf(pins: number, functions: readonly ProbeFunction[]): ProbeRun {
  const { run, hidden } = drawPlug(seeded(42));
  const start: ProbeRun = {
    ...run,
    pins: Array.from({ length: pins }, (_, index) => ({ id: String(index + 1) })),
    candidates: functions.map((name) => ({ function: name })),
    wanted: ['stop pedal'],
  };
  const random = seeded(7);
  return hidden.pins.reduce((now, { id }) => withReading(now, { kind: 'voltage', pin: id, state: 'parking', ...readHidden(hidden, id, 'parking', random) }, RULES), start);
}

const SEVEN: readonly ProbeFunction[] = ['tail', 'stop pedal', 'turn left', 'reverse', 'rear fog', 'ground', 'empty'];
const MANY: readonly ProbeFunction[] = [
  'tail',
  'position',
  'plate',
  'stop pedal',
  'turn left',
  'turn right',
  'hazard',
  'reverse',
  'front fog',
  'rear fog',
  'dipped',
  'main',
  'daytime',
  'ground',
  'empty',
  'constant supply',
  'switched supply',
];

export async function benchProbing(): Promise<Line[]> {
  const seven = plugOf(7, SEVEN);
  const sixteen = plugOf(16, MANY);
  const brute = await time(3, () => everyAssignment(seven), 1);
  return [
    compare('Chances of 7 pins, exact', await time(30, () => probeChances(seven, RULES)), 'every assignment of the same 7 pins', brute),
    compare('Chances of 16 pins and 15 functions of which each sits on one, exact', await time(5, () => probeChances(sixteen, RULES), 1), 'every assignment of 7 pins', brute),
  ];
}
