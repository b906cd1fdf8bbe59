import {
  classOf,
  isUnique,
  nextReadings,
  probeChances,
  probeFound,
  shownIn,
  usualEffect,
  withReading,
  type Effect,
  type PinReading,
  type ProbeChances,
  type ProbeFound,
  type ProbeFunction,
  type ProbeRun,
  type ProofStatus,
  type ReadingClass,
} from '../probing/index.ts';
import { liveWith, onWith, VEHICLE_STATES, type VehicleState } from '../states/index.ts';
import type { PlugPin, VehiclePin, VehiclePlug } from '../vehicle/index.ts';
import { voltageRange } from '../wiring/index.ts';
import type { JobContext } from '../job/index.ts';

/** How many times likelier a described pin makes what it is said to carry; proof it is none. */
const DESCRIBED_TIMES = 20;
/** The same of a pin that was proved on another vehicle of this kind; proof it is none, either. */
const PROVED_TIMES = 100;
/** How usual it is that a plug has what is looked for in it, or what its place may have. */
const SOUGHT_CHANCE = 0.5;

/** Voltage that readings are held against: the battery at rest as measured, else the system's running voltage. */
export function readingVoltage({ state, profile }: Pick<JobContext, 'state' | 'profile'>): number {
  return state.reference?.feedV ?? state.restV ?? voltageRange(profile.systemVoltageV).runningV;
}

/** A plug of the vehicle with what its readings say of every pin. */
export interface PlugProbe {
  plug: VehiclePlug;
  run: ProbeRun;
  chances: ProbeChances;
  found: ProbeFound;
}

/** As what the wire of a pin is probed: a parking wire beside a front lamp's others as its position lamp, else as a tail lamp. */
export function probedAs({ carries }: Pick<PlugPin, 'carries'>, { pins }: Pick<VehiclePlug, 'pins'>): ProbeFunction {
  if (carries !== 'parking') return carries;
  return pins.some((pin) => ['dipped', 'main', 'daytime', 'front fog'].includes(pin.carries)) ? 'position' : 'tail';
}

/** Functions that more than one pin of a plug is said to carry: they share their wire, and no chance can part them. */
const sharedIn = (plug: Pick<VehiclePlug, 'pins'>): ProbeFunction[] => {
  const all = plug.pins.map((pin) => probedAs(pin, plug)).filter(isUnique);
  return [...new Set(all.filter((name, index) => all.indexOf(name) !== index))];
};

/** What a described pin does in each state on this vehicle: as its circuit is live, flashing where it is a turn signal. */
function doingOf({ profile }: Pick<JobContext, 'profile'>, pin: PlugPin, name: ProbeFunction, states: readonly VehicleState[]): Partial<Record<VehicleState, Effect>> | undefined {
  const liveIn = profile.circuits.find(({ id }) => id === pin.circuit)?.liveIn;
  if (!liveIn || name !== 'switched supply') return undefined;
  return Object.fromEntries(states.map((state) => [state, liveWith(liveIn, state) ? 'on' : 'off']));
}

/** States worth reading a plug in: those that light its lamps and what is looked for, what they need, and the key off. */
function statesFor({ profile }: Pick<JobContext, 'profile'>, pins: readonly (readonly [ProbeFunction, PlugPin])[], also: readonly ProbeFunction[]): VehicleState[] {
  const lit = pins.flatMap(([name, pin]): VehicleState[] => {
    const liveIn = profile.circuits.find(({ id }) => id === pin.circuit)?.liveIn ?? [];
    const first =
      VEHICLE_STATES.find((state) => state === pin.carries) ?? VEHICLE_STATES.find((state) => isUnique(name) && name !== 'constant supply' && usualEffect(name, state) !== 'off');
    if (name === 'constant supply') return ['ignition'];
    return name === 'switched supply' ? liveIn.slice(0, 1) : first ? [first] : [];
  });
  const wanted = new Set<VehicleState>(['key off', ...[...lit, ...also.flatMap((name) => shownIn(name).slice(0, 1))].flatMap(onWith)]);
  return VEHICLE_STATES.filter((state) => wanted.has(state) && state !== 'accessory');
}

/** What is looked for in a plug, besides what joints want. */
export const soughtIn = ({ state }: Pick<JobContext, 'state'>, plug: string): ProbeFunction[] => state.sought[plug] ?? [];

/** What the wires of a plug may be besides what they are said to be: of one that was found what its lamps have, of any what is looked for. */
function alsoIn({ state }: Pick<JobContext, 'state'>, plug: VehiclePlug): ProbeFunction[] {
  const found = state.plugsFound[plug.id];
  return [...new Set([...(found?.may ?? []), ...soughtIn({ state }, plug.id)])];
}

/** The run of a plug: what its pins are said to carry as candidates, each likelier where it is said to be, and all that was read of them. */
export function probeRunOf(context: Pick<JobContext, 'profile' | 'state' | 'rules'>, plug: VehiclePlug): ProbeRun {
  const { state } = context;
  const described = plug.pins.map((pin) => [probedAs(pin, plug), pin] as const);
  const named = new Map(described);
  const also = alsoIn(context, plug).filter((name) => !named.has(name));
  const states = statesFor(context, described, also);
  // Of several pins that share a function the first stands for them: of the others only on and off can be told.
  const single = plug.pins.filter((pin, index) => !isUnique(probedAs(pin, plug)) || plug.pins.findIndex((other) => probedAs(other, plug) === probedAs(pin, plug)) === index);
  const candidates = [...named].map(([name, pin]) => {
    const does = doingOf(context, pin, name, states);
    return { function: name, ...(does ? { does } : {}) };
  });
  const besides = [...also, ...(['ground', 'empty', 'unknown'] as const).filter((name) => !named.has(name) && !also.includes(name))].map((name) => ({
    function: name,
    ...(also.includes(name) && isUnique(name) ? { chance: SOUGHT_CHANCE } : {}),
  }));
  const start: ProbeRun = {
    pins: single.map((pin) => ({ id: pin.id, ...hintOf(pin, plug) })),
    candidates: [...candidates, ...besides],
    readings: [],
    states,
    systemV: readingVoltage(context),
  };
  const read = plug.pins.flatMap(({ id }): PinReading[] => {
    const at = `${plug.id}/${id}`;
    return [
      ...(state.readings[at] ?? []).map((reading): PinReading => ({ kind: 'voltage', pin: id, ...reading })),
      ...(state.continuity[at] ?? []).map((ohm): PinReading => ({ kind: 'continuity', pin: id, ohm })),
      ...(state.drops[at] ?? []).map((dropV): PinReading => ({ kind: 'load', pin: id, dropV })),
    ];
  });
  return read.reduce((run, reading) => withReading(run, reading, context.rules.probing), start);
}

/** What a pin is said to be makes it likelier; one that is not known says nothing. */
const hintOf = (pin: VehiclePin, plug: Pick<VehiclePlug, 'pins'>): Pick<ProbeRun['pins'][number], 'hint'> =>
  pin.carries === 'unknown' ? {} : { hint: { function: probedAs(pin, plug), times: pin.proved ? PROVED_TIMES : DESCRIBED_TIMES } };

const known = new WeakMap<JobContext['state'], Map<string, PlugProbe>>();

/** What the readings of a plug say, worked out once for a state of the job. */
export function probeOf(context: JobContext, plug: VehiclePlug): PlugProbe {
  const probes = known.get(context.state) ?? new Map<string, PlugProbe>();
  known.set(context.state, probes);
  const key = `${context.profile.slug} ${plug.id} ${plug.pins.map(({ id, carries, circuit }) => `${id}:${carries}:${circuit}`).join()}`;
  const before = probes.get(key);
  if (before) return before;
  const run = probeRunOf(context, plug);
  const chances = probeChances(run, context.rules.probing);
  const probe = { plug, run, chances, found: probeFound(run, context.rules.probing, chances) };
  probes.set(key, probe);
  return probe;
}

/** Readings of a pin that count, as the run has them. */
export function readingsOf(context: JobContext, plug: VehiclePlug, pin: string): Extract<PinReading, { kind: 'voltage' }>[] {
  return probeOf(context, plug).run.readings.filter((reading) => reading.kind === 'voltage' && reading.pin === pin) as Extract<PinReading, { kind: 'voltage' }>[];
}

const isClear = (found: string): found is ReadingClass => found === 'on' || found === 'off' || found === 'flashing';

/** What is missing for a constant supply: on with the key off, on in another state, and held under a load. */
function constantProof(read: readonly { state: VehicleState; found: string }[], own: readonly { underLamp?: 'holds' | 'collapses' }[]): ProofStatus {
  const on = (state: (state: VehicleState) => boolean) => read.some((entry) => entry.found === 'on' && state(entry.state));
  if (!on((state) => state === 'key off')) return { code: 'needs-on', state: 'key off' };
  if (!on((state) => state !== 'key off')) return { code: 'needs-on', state: 'ignition' };
  return own.some(({ underLamp }) => underLamp === 'holds') ? { code: 'rivals' } : { code: 'needs-load' };
}

/** What is proved of a wire that is said to carry something, by all readings of its plug. */
export function wireProof(context: JobContext, plug: VehiclePlug, pin: PlugPin, liveIn: readonly VehicleState[]): ProofStatus {
  const { rules } = context;
  const { run, found } = probeOf(context, plug);
  const own = readingsOf(context, plug, pin.id);
  const name = probedAs(pin, plug);
  if (own.length === 0) return { code: 'no-reading' };
  const [lit = 'key off'] = liveIn;
  const read = own.map((reading) => ({ state: reading.state, found: classOf(reading, run, rules.probing) }));
  const constant = name === 'constant supply';
  const effect = (state: VehicleState) => constant || liveWith(liveIn, state);
  const against = read.findLast(({ state, found: is }) => isClear(is) && (is !== 'off') !== effect(state));
  if (against) return { code: 'contradictory', state: against.state, found: against.found as ReadingClass };
  const shown = read.some(({ state, found: is }) => (is === 'on' || is === 'flashing') && effect(state));
  const dark = read.some(({ state, found: is }) => is === 'off' && !effect(state));
  if (sharedIn(plug).includes(name)) return shown && dark ? { code: 'proved' } : shown ? { code: 'needs-off', state: lit } : { code: 'needs-on', state: lit };
  const status = found.pins.find((entry) => entry.pin === pin.id)?.status;
  if (status?.code === 'contradictory') return { code: 'contradictory', state: read.at(-1)?.state ?? lit, found: (read.at(-1)?.found ?? 'off') as ReadingClass };
  if (status?.code === 'proved') return status.functions.includes(name) ? { code: 'proved' } : { code: 'otherwise', functions: status.functions };
  if (constant) return constantProof(read, own);
  if (status?.code === 'indistinguishable') return { code: 'alike', among: status.among, by: status.by };
  const vague = read.find(({ found: is }) => !isClear(is));
  if (!shown) return vague ? { code: 'unclear', state: vague.state, found: vague.found as ReadingClass } : { code: 'needs-on', state: lit };
  if (!dark) return { code: 'needs-off', state: lit };
  const next = nextReadings({ ...run, wanted: [name] }, rules.probing, own.at(-1)?.state).batches.find(({ readings }) => readings.some((reading) => reading.pin === pin.id));
  return { code: 'rivals', ...(next ? { state: next.state } : {}) };
}
