/** The lines that a meter's bridge and the bench exchange, one JSON object each. */
export const METER_PROTOCOL = 'jade-meter/1';

/** What a bridge says. */
export type MeterLine =
  /** First: who it is, and the run that its numbers belong to; another run counts anew. */
  | { hello: string; name: string; run: string }
  /** What the meter shows now; nothing is recorded of it. */
  | { shows: 'voltage'; volts: number }
  | { shows: 'continuity'; ohm: number }
  /** What was held at the meter, numbered, kept by the bridge until it was taken. */
  | HeldLine;

/** `again`: held while nobody heard it, told once the line was back; of what it is, somebody has to say. */
export type HeldLine = ({ n: number; held: 'voltage'; lowV: number; highV: number } | { n: number; held: 'continuity'; ohm: number }) & { again?: true };

/** What the bench says: after a hello from which number on it wants what was held; what it has taken. */
export type BenchLine = { run: string; from: number } | { run: string; took: number };

/** Why a line is not understood; nothing is guessed of it. */
export type LineFault = 'not JSON' | 'another protocol' | 'not a line of the protocol' | 'no number' | 'outside what a meter shows';

const LEAST_V = -30;
const MOST_V = 60;
const LONGEST_NAME = 80;

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);
const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
const isCount = (value: unknown): value is number => isNumber(value) && Number.isInteger(value) && value >= 1;
const isName = (value: unknown): value is string => typeof value === 'string' && value.length > 0 && value.length <= LONGEST_NAME;

function faultOfVolts(...volts: unknown[]): LineFault | undefined {
  if (!volts.every(isNumber)) return 'no number';
  return volts.some((value) => (value as number) < LEAST_V || (value as number) > MOST_V) ? 'outside what a meter shows' : undefined;
}
const faultOfOhm = (ohm: unknown): LineFault | undefined => (!isNumber(ohm) ? 'no number' : ohm < 0 ? 'outside what a meter shows' : undefined);

function readObject(value: Record<string, unknown>): MeterLine | { fault: LineFault } {
  const { hello, name, run, shows, held, n, volts, ohm, lowV, highV } = value;
  const again = value.again === true ? { again: true as const } : {};
  if (hello !== undefined) {
    if (hello !== METER_PROTOCOL) return { fault: 'another protocol' };
    return isName(name) && isName(run) ? { hello, name, run } : { fault: 'not a line of the protocol' };
  }
  if (shows === 'voltage') {
    const fault = faultOfVolts(volts);
    return fault ? { fault } : { shows, volts: volts as number };
  }
  if (shows === 'continuity') {
    const fault = faultOfOhm(ohm);
    return fault ? { fault } : { shows, ohm: ohm as number };
  }
  if (!isCount(n)) return { fault: held === undefined ? 'not a line of the protocol' : 'no number' };
  if (held === 'voltage') {
    const fault = faultOfVolts(lowV, highV);
    return fault ? { fault } : { n, held, lowV: lowV as number, highV: highV as number, ...again };
  }
  if (held === 'continuity') {
    const fault = faultOfOhm(ohm);
    return fault ? { fault } : { n, held, ohm: ohm as number, ...again };
  }
  return { fault: 'not a line of the protocol' };
}

/** A line of a bridge as it came. Numbers are numbers: text, comma decimals and what no meter shows on a vehicle are faults. */
export function readMeterLine(text: string): MeterLine | { fault: LineFault } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { fault: 'not JSON' };
  }
  return isObject(value) ? readObject(value) : { fault: 'not a line of the protocol' };
}

/** What a bench has of a meter: the run, the last number that it heard of, and what was held and is not taken yet. */
export interface MeterMemory {
  run: string;
  heard: number;
  waiting: HeldLine[];
}

/** Numbers that were missed before a held one are asked for again, those that were heard before are heard once. */
export function withHeld(memory: MeterMemory, held: HeldLine): { memory: MeterMemory; isNew: boolean } {
  if (held.n <= memory.heard) return { memory, isNew: false };
  return { memory: { ...memory, heard: held.n, waiting: [...memory.waiting, held] }, isNew: true };
}

/** What is remembered when a bridge says hello: of the same run all; of another one what still waits, its numbers counted anew. */
export function afterHello(memory: MeterMemory | undefined, run: string): MeterMemory {
  if (memory?.run === run) return memory;
  // Numbers of another run mean nothing here, but what was held then is not lost.
  return { run, heard: 0, waiting: memory?.waiting ?? [] };
}

/** What is left once a held reading was taken or thrown away. */
export const withoutHeld = (memory: MeterMemory, held: HeldLine): MeterMemory => ({ ...memory, waiting: memory.waiting.filter((other) => other !== held) });
