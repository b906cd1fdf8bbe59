import { onWith, type VehicleState } from '../states/index.ts';
import type { ProbeFunction } from './functions.ts';
import { probeChances, type ProbeChances } from './infer.ts';
import { classChance, classOf, ERROR_CHANCE, VOLTAGE_CLASSES, type Part, type ProbeRules, type ProbeRun } from './run.ts';
import { alikeGroups, contradictions, probeFound, RIVALS_MOST, wantedOf, type ProbeFound } from './status.ts';

/** Minutes that a reading takes, and what comes with it; a shop's own times are better. */
export interface ProbeTimes {
  readMin: number;
  /** The probe moved to another pin, and to one that is hard to reach. */
  pinMin: number;
  awkwardMin: number;
  /** Each thing that the helper switches, and the engine started or stopped. */
  switchMin: number;
  engineMin: number;
}

export const PROBE_TIMES: ProbeTimes = { readMin: 0.2, pinMin: 0.1, awkwardMin: 0.4, switchMin: 0.25, engineMin: 1 };

/** A reading that would be worth its time. */
export interface NextReading {
  pin: string;
  state: VehicleState;
  /** What is expected to be learned of what is wanted, in bits. */
  bits: number;
  minutes: number;
  why: 'parts what it may be' | 'shows it on' | 'shows it off' | 'read again';
  /** What was seen there was a middle value: the lowest and the highest are wanted, and a test lamp. */
  vague?: boolean;
}

/** Readings in one state, so that the helper switches once. */
export interface ReadingBatch {
  state: VehicleState;
  readings: NextReading[];
  /** Minutes of all of them, with the switching. */
  minutes: number;
}

export interface ProbeStep {
  /** The best batch, and the reading of it to take now; none once all is settled. */
  batch?: ReadingBatch;
  now?: NextReading;
  /** What probing is expected to take yet, in minutes. */
  leftMin: number;
}

const plogp = (chance: number) => (chance > 0 ? -chance * Math.log2(chance) : 0);

/** What a reading is expected to say of which wanted function a pin has, or whether it has none, in bits. */
function expectedBits(row: readonly number[], groups: readonly (readonly number[])[], parts: readonly Part[], state: VehicleState, errorChance: number): number {
  const mass = groups.map((group) => group.reduce((sum, index) => sum + row[index]!, 0));
  let [bits, before] = [0, 0];
  for (const chance of mass) before += plogp(chance);
  if (before < 1e-9) return 0;
  for (const found of VOLTAGE_CLASSES) {
    const joint = groups.map((group) => group.reduce((sum, index) => sum + row[index]! * classChance(parts[index]!, state, found, errorChance), 0));
    const all = joint.reduce((sum, value) => sum + value, 0);
    if (all <= 0) continue;
    bits += all * joint.reduce((sum, value) => sum + plogp(value / all), 0);
  }
  return Math.max(0, before - bits);
}

/** How far apart two parts stand in a state: the share of readings in which they differ. */
function apart(one: Part, other: Part, state: VehicleState, errorChance: number): number {
  return VOLTAGE_CLASSES.reduce((sum, found) => sum + Math.abs(classChance(one, state, found, errorChance) - classChance(other, state, found, errorChance)), 0) / 2;
}

/** Minutes for the helper to go from one state to another: each thing switched, the engine by itself. */
export function switchMinutes(from: VehicleState | undefined, to: VehicleState, times: ProbeTimes): number {
  const [before, after] = [onWith(from ?? 'key off'), onWith(to)];
  const changed = [...before.filter((state) => !after.includes(state)), ...after.filter((state) => !before.includes(state))].filter((state) => state !== 'key off');
  return changed.reduce((sum, state) => sum + (state === 'engine' ? times.engineMin : times.switchMin), 0);
}

/** A proof that is still missing counts as so much: half a bit, and so much again for rivals that are not yet few enough. */
const PROOF_BITS = 0.5;
/** Readings that learn less than this are not offered. */
const LEAST_BITS = 1e-3;
/** Readings of one pin in one state that count. */
const MOST_TIMES = 3;
/** What is learned of pins that are not wanted counts this much: it leaves less room for the others. */
const BESIDE = 0.1;

/**
 * The readings that are worth most for their time: what each is expected to say of what is wanted, what is still missing for a proof, and for a contradiction the readings it
 * rests on once more; grouped by state so that the helper switches least. Nothing once all that is wanted is settled.
 * @param at state that the vehicle is in now
 */
export function nextReadings(
  run: ProbeRun,
  rules: ProbeRules,
  at?: VehicleState,
  times: ProbeTimes = PROBE_TIMES,
  known?: { chances: ProbeChances; found: ProbeFound },
): { found: ProbeFound; batches: ReadingBatch[]; step: ProbeStep } {
  const chances = known?.chances ?? probeChances(run, rules);
  const found = known?.found ?? probeFound(run, rules, chances);
  const wanted = wantedOf(run);
  const errorChance = run.errorChance ?? ERROR_CHANCE;
  if (found.done) return { found, batches: [], step: { leftMin: 0 } };
  const { parts, pins } = chances;
  const isWanted = ({ functions }: Part) => functions.some((name) => wanted.includes(name));
  const keyOf = (functions: readonly ProbeFunction[]) => functions.join('+');
  const grouped = new Map<string, number[]>();
  for (const [index, part] of parts.entries()) {
    const key = isWanted(part) ? keyOf(part.functions) : '';
    grouped.set(key, [...(grouped.get(key) ?? []), index]);
  }
  const groups = [...grouped.values()];
  const each = parts.map((_, index) => [index]);
  const against = contradictions(run, rules, parts);
  const alike = alikeGroups(parts, run.states);
  const vagueAt = (pin: string, state: VehicleState) =>
    run.readings.some((reading) => reading.kind === 'voltage' && reading.pin === pin && reading.state === state && classOf(reading, run, rules) === 'in between');
  const timesRead = (pin: string, state: VehicleState) => run.readings.filter((reading) => reading.kind === 'voltage' && reading.pin === pin && reading.state === state).length;
  const offers = run.pins.flatMap(({ id, awkward }, place): NextReading[] => {
    const row = pins[place] ?? [];
    const best = row.reduce((most, chance, index) => (chance > (row[most] ?? 0) ? index : most), 0);
    const part = parts[best];
    const status = found.pins[place]?.status;
    // Candidates that no state parts stand together: what is beside them is what readings can still tell.
    const own = alike[best] ?? [];
    const chance = own.reduce((sum, index) => sum + (row[index] ?? 0), 0);
    const suspects = against.get(id);
    const minutes = times.readMin + times.pinMin + (awkward ? times.awkwardMin : 0);
    return run.states.flatMap((state): NextReading[] => {
      const before = timesRead(id, state);
      if (suspects) {
        const again = suspects.suspects.some((reading) => reading.pin === id && reading.kind === 'voltage' && reading.state === state);
        if (again) return before < MOST_TIMES ? [{ pin: id, state, bits: 1 / before, minutes, why: 'read again' }] : [];
      }
      if (before >= MOST_TIMES || status?.code === 'proved') return [];
      const parts_ = expectedBits(row, groups, parts, state, errorChance) + BESIDE * expectedBits(row, each, parts, state, errorChance);
      const effect = part?.effect(state);
      const read = run.readings.flatMap((reading) =>
        reading.pin === id && reading.kind === 'voltage' ? [{ effect: part?.effect(reading.state), is: classOf(reading, run, rules) }] : [],
      );
      const leads = part !== undefined && isWanted(part) && chance > 0.5;
      const shown = read.some((reading) => (reading.effect === 'on' || reading.effect === 'flashing' || reading.effect === 'dimmed') && reading.is !== 'off');
      const dark = read.some((reading) => reading.effect === 'off' && reading.is === 'off');
      const [showsOn, showsOff] = [leads && !shown && effect !== 'off' && effect !== 'unknown', leads && !dark && effect === 'off'];
      const rivals =
        leads && 1 - chance > RIVALS_MOST
          ? row.reduce((sum, other, index) => (own.includes(index) ? sum : sum + (other / (1 - chance)) * apart(part, parts[index]!, state, errorChance)), 0)
          : 0;
      const bits = parts_ + (showsOn || showsOff ? PROOF_BITS * chance : 0) + (leads ? PROOF_BITS * chance * rivals : 0);
      if (bits < LEAST_BITS) return [];
      return [
        {
          pin: id,
          state,
          bits,
          minutes,
          why: before > 0 ? 'read again' : showsOn ? 'shows it on' : showsOff ? 'shows it off' : 'parts what it may be',
          ...(vagueAt(id, state) ? { vague: true } : {}),
        },
      ];
    });
  });
  const batches = run.states
    .flatMap((state): (ReadingBatch & { worth: number })[] => {
      const readings = offers.filter((offer) => offer.state === state).sort((a, b) => b.bits / b.minutes - a.bits / a.minutes);
      if (readings.length === 0) return [];
      const move = switchMinutes(at, state, times);
      // As many of them as pay: each further one shares the switching.
      let [worth, taken, bits, minutes] = [0, 0, 0, move];
      for (const [index, reading] of readings.entries()) {
        bits += reading.bits;
        minutes += reading.minutes;
        if (bits / minutes > worth) [worth, taken] = [bits / minutes, index + 1];
      }
      const kept = readings.slice(0, taken);
      return [{ state, readings: kept, minutes: move + kept.reduce((sum, reading) => sum + reading.minutes, 0), worth }];
    })
    .sort((a, b) => b.worth - a.worth);
  const [batch] = batches;
  const [now] = batch?.readings ?? [];
  return {
    found,
    batches: batches.map(({ worth: _worth, ...rest }) => rest),
    step: {
      ...(batch && now ? { batch: { state: batch.state, readings: batch.readings, minutes: batch.minutes }, now } : {}),
      leftMin: leftMinutes(chances, found, wanted, batch),
    },
  };
}

/** Whether to go on: until all is settled, or running a wire from the lamp takes less than what probing is expected to take yet. */
export function goOn({ found, step }: { found: ProbeFound; step: ProbeStep }, wireMin?: number): 'settled' | 'nothing more to read' | 'run a wire' | 'probe' {
  if (found.done) return 'settled';
  if (!step.now) return 'nothing more to read';
  return wireMin !== undefined && wireMin < step.leftMin ? 'run a wire' : 'probe';
}

/** What is expected yet: what is not known of the wanted functions, at the rate of the best batch, and two readings for each proof that is missing. */
function leftMinutes(chances: ProbeChances, found: ProbeFound, wanted: readonly ProbeFunction[], batch: { worth: number; readings: readonly NextReading[] } | undefined): number {
  if (!batch) return 0;
  const open = wanted.filter((name) => found.functions.some((entry) => entry.function === name && entry.pin === undefined));
  const unknown = open.reduce((sum, name) => {
    const index = chances.unique.indexOf(name);
    const spread = chances.pins.reduce((all, row) => all + plogp(row.reduce((own, chance, at) => (chances.parts[at]!.functions.includes(name) ? own + chance : own), 0)), 0);
    return sum + spread + plogp(chances.absent[index] ?? 0);
  }, 0);
  const each = batch.readings.reduce((sum, { minutes }) => sum + minutes, 0) / batch.readings.length;
  return unknown / Math.max(batch.worth, 0.05) + open.length * 2 * each;
}
