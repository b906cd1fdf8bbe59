import { liveWith, type VehicleState } from '../states/index.ts';
import { isUnique, type ProbeFunction, type Separator } from './functions.ts';
import { probeChances, type ProbeChances } from './infer.ts';
import { canBe, classOf, continuityClass, partsOf, type Part, type PinReading, type ProbeRules, type ProbeRun } from './run.ts';

/** Rivals of what is proved come to no more than this, all together. */
export const RIVALS_MOST = 0.001;

/** What is found of a pin. */
export type PinStatus =
  | { code: 'proved'; functions: ProbeFunction[] }
  /** Nothing else is left, but nothing was seen on this pin itself that shows it. */
  | { code: 'by elimination'; functions: ProbeFunction[] }
  | { code: 'open'; functions: ProbeFunction[] }
  /** Every state of the list leaves these alike; what else would part them. */
  | { code: 'indistinguishable'; among: ProbeFunction[][]; by: Separator[] }
  /** These readings cannot all be true, whatever the pin is. */
  | { code: 'contradictory'; readings: PinReading[] };

export interface PinFound {
  pin: string;
  status: PinStatus;
  /** What it may be, the likeliest first, with its chance. */
  chances: { functions: ProbeFunction[]; chance: number }[];
}

/** What is found of a plug so far. */
export interface ProbeFound {
  pins: PinFound[];
  /** Of each unique function: the pin that it is proved on, and the chance that the plug has none of it. */
  functions: { function: ProbeFunction; pin?: string; absent: number }[];
  groundless: number;
  /** All that is wanted is proved, absent beyond doubt, or cannot be told apart by what is listed. */
  done: boolean;
}

const isLive = (found: ReturnType<typeof classOf>) => found === 'on' || found === 'flashing';
type Voltage = Extract<PinReading, { kind: 'voltage' }>;
const voltages = (readings: readonly PinReading[]) => readings.filter((reading): reading is Voltage => reading.kind === 'voltage');

/** Readings of a pin that cannot all be true, and those of which one alone would mend it if it were otherwise. */
export interface Contradiction {
  readings: PinReading[];
  suspects: PinReading[];
}

/** Pins whose readings no candidate, or no pair of pins, can explain without a mistake; by pin. Something that is in no list explains nothing. */
export function contradictions(run: ProbeRun, rules: ProbeRules, parts: readonly Part[] = partsOf(run).parts): Map<string, Contradiction> {
  const known = parts.filter(({ functions }) => !functions.includes('unknown') && !functions.includes('data'));
  const found = new Map<string, Contradiction>();
  const only = new Map<string, Part>();
  const alike = (one: PinReading, other: PinReading) => one.kind === other.kind && (one.kind !== 'voltage' || other.kind !== 'voltage' || one.state === other.state);
  for (const { id } of run.pins) {
    const own = run.readings.filter(({ pin }) => pin === id);
    const explains = (readings: readonly PinReading[]) => known.filter((part) => readings.every((reading) => canBe(part, reading, run, rules)));
    const left = explains(own);
    if (left.length === 0 && own.length > 0) {
      // What is left once nothing more can be taken away without an explanation appearing.
      const core = own.reduce<PinReading[]>((kept, reading) => {
        const others = kept.filter((other) => other !== reading);
        return explains(others).length === 0 && others.length > 0 ? others : kept;
      }, own);
      const suspects = own.filter((reading) => explains(own.filter((other) => !alike(other, reading))).length > 0);
      found.set(id, { readings: core, suspects: suspects.length > 0 ? suspects : own });
    } else if (left.length === 1 && left[0] && left[0].bits !== 0) only.set(id, left[0]);
  }
  for (const [id, part] of only) {
    const rivals = [...only].filter(([other, same]) => other !== id && (same.bits & part.bits) !== 0);
    if (rivals.length === 0) continue;
    const live = [id, ...rivals.map(([other]) => other)].flatMap((pin) => voltages(run.readings).filter((reading) => reading.pin === pin && isLive(classOf(reading, run, rules))));
    found.set(id, { readings: live, suspects: run.readings.filter(({ pin }) => pin === id) });
  }
  return found;
}

/** Whether a pin shows by its own readings what it is said to be: the proof of its kind. */
function hasOwnProof(part: Part, own: readonly PinReading[], run: ProbeRun, rules: ProbeRules): boolean {
  const [name] = part.functions;
  if (name === 'ground')
    return own.some(
      (reading) => (reading.kind === 'continuity' && continuityClass(reading.ohm, rules) === 'body') || (reading.kind === 'load' && reading.dropV < rules.groundMaxV),
    );
  const read = voltages(own).map((reading) => ({ reading, found: classOf(reading, run, rules) }));
  if (name === 'constant supply')
    return (
      read.length > 1 &&
      read.every(({ found }) => found === 'on') &&
      read.some(({ reading }) => reading.state === 'key off') &&
      read.some(({ reading }) => reading.underLamp === 'holds')
    );
  if (name === undefined || !isUnique(name)) return false;
  const shows = (reading: Voltage, found: ReturnType<typeof classOf>) => {
    const effect = part.effect(reading.state);
    return effect === 'dimmed' ? found === 'dimmed or modulated' : (effect === 'on' && found === 'on') || (effect === 'flashing' && isLive(found));
  };
  // On with each function that it stands for, and off where none of them is live.
  const each = part.functions.every((fn) => read.some(({ reading, found }) => shows(reading, found) && (part.functions.length === 1 || liveOf(fn, reading.state))));
  return each && read.some(({ reading, found }) => part.effect(reading.state) === 'off' && found === 'off');
}

const liveOf = (name: ProbeFunction, state: VehicleState): boolean => {
  if (name === 'tail' || name === 'position') return liveWith(['parking'], state);
  if (name === 'hazard') return liveWith(['hazard', 'turn left', 'turn right'], state);
  if (name === 'turn left' || name === 'turn right') return liveWith([name, 'hazard'], state);
  return name === 'switched supply' ? liveWith(['ignition'], state) : liveWith([name as VehicleState], state);
};

/** Whether states that can be had here tell two candidates apart. */
const toldApart = (one: Part, other: Part, states: readonly VehicleState[]) =>
  states.some((state) => {
    const [a, b] = [one.effect(state), other.effect(state)];
    return a !== b && a !== 'unknown' && b !== 'unknown';
  });

const isVague = ({ functions }: Part) => functions.includes('unknown') || functions.includes('data');

/** Of each candidate those that no state of the list tells from it, itself among them; what nobody knows the doing of is alike to nothing. */
export function alikeGroups(parts: readonly Part[], states: readonly VehicleState[]): number[][] {
  return parts.map((part, own) => parts.flatMap((other, index) => (index === own || (!isVague(part) && !isVague(other) && !toldApart(part, other, states)) ? [index] : [])));
}

function separatorsOf(among: readonly Part[]): Separator[] {
  const names = among.flatMap(({ functions }) => functions);
  return [
    ...(names.includes('ground') ? ['continuity' as const] : []),
    ...(names.includes('ground') || names.includes('constant supply') ? ['load' as const] : []),
    ...(among.filter(({ functions }) => functions.some(isUnique)).length > 1 ? ['which lamp lights' as const] : []),
    ...(names.includes('empty') && !names.includes('ground') ? ['continuity' as const] : []),
  ];
}

/** What is found of every pin and every function of a plug, by its readings. */
export function probeFound(run: ProbeRun, rules: ProbeRules, chances: ProbeChances = probeChances(run, rules)): ProbeFound {
  const { parts, unique } = chances;
  const against = contradictions(run, rules, parts);
  const groups = alikeGroups(parts, run.states);
  const pins = run.pins.map(({ id }, place): PinFound => {
    const row = chances.pins[place] ?? [];
    const own = run.readings.filter(({ pin }) => pin === id);
    const ranked = row.map((chance, index) => ({ part: parts[index]!, chance })).sort((a, b) => b.chance - a.chance);
    const [best] = ranked;
    const list = ranked.filter(({ chance }) => chance > 1e-6).map(({ part, chance }) => ({ functions: part.functions, chance }));
    const contradicted = against.get(id);
    const statusOf = (): PinStatus => {
      if (contradicted) return { code: 'contradictory', readings: contradicted.readings };
      if (!best) return { code: 'open', functions: [] };
      // A ground has a proof of its own that needs no comparing.
      if (best.part.ground && hasOwnProof(best.part, own, run, rules)) return { code: 'proved', functions: best.part.functions };
      if (1 - best.chance <= RIVALS_MOST) return { code: hasOwnProof(best.part, own, run, rules) ? 'proved' : 'by elimination', functions: best.part.functions };
      // What stays alike whatever is read in these states, and beside it nothing that counts.
      const group = groups[parts.indexOf(best.part)] ?? [];
      const among = ranked.filter(({ part, chance }) => group.includes(parts.indexOf(part)) && chance > RIVALS_MOST / 10).map(({ part }) => part);
      const beside = 1 - group.reduce((sum, index) => sum + (row[index] ?? 0), 0);
      const alike = own.length > 0 && among.length > 1 && beside <= RIVALS_MOST;
      return alike ? { code: 'indistinguishable', among: among.map(({ functions }) => functions), by: separatorsOf(among) } : { code: 'open', functions: best.part.functions };
    };
    return { pin: id, status: statusOf(), chances: list };
  });
  const functions = unique.map((name, index) => {
    const at = pins.find(({ status }) => status.code === 'proved' && status.functions.includes(name));
    return { function: name, ...(at ? { pin: at.pin } : {}), absent: chances.absent[index] ?? 0 };
  });
  const settled = (name: ProbeFunction) => {
    const entry = functions.find((other) => other.function === name);
    if (name === 'ground') return pins.some(({ status }) => status.code === 'proved' && status.functions.includes('ground')) || chances.groundless >= 1 - RIVALS_MOST;
    const alike = pins.some(({ status }) => status.code === 'indistinguishable' && status.among.some((among) => among.includes(name)));
    return entry === undefined || entry.pin !== undefined || entry.absent >= 1 - RIVALS_MOST || alike;
  };
  return { pins, functions, groundless: chances.groundless, done: wantedOf(run).every(settled) };
}

/** What of a plug is wanted: as it is said, else every function that sits on one pin at most. */
export const wantedOf = ({ wanted, candidates }: Pick<ProbeRun, 'wanted' | 'candidates'>): ProbeFunction[] =>
  wanted ?? candidates.map((candidate) => candidate.function).filter(isUnique);

/** What the listed states leave alike at a pin that is not settled, and what else would part it. */
export interface Alike {
  pin: string;
  among: ProbeFunction[][];
  by: Separator[];
}

/** Chance from which a part counts as one that it may be. */
const MAY_BE = 0.01;

/** Pins of which the listed states cannot part what they may still be: each group that stays alike whatever is read. */
export function leftAlike(run: ProbeRun, found: ProbeFound, { parts, pins }: ProbeChances): Alike[] {
  return found.pins.flatMap(({ pin, status }, place): Alike[] => {
    if (status.code === 'proved' || status.code === 'by elimination') return [];
    const likely = parts.filter((part, index) => (pins[place]?.[index] ?? 0) > MAY_BE && !part.functions.includes('unknown'));
    const groups = likely.reduce<Part[][]>((all, part) => {
      const group = all.find(([first]) => first && !toldApart(first, part, run.states));
      if (group) group.push(part);
      else all.push([part]);
      return all;
    }, []);
    return groups.filter((group) => group.length > 1).map((group) => ({ pin, among: group.map(({ functions }) => functions), by: separatorsOf(group) }));
  });
}
