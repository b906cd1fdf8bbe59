import { rankSources, type Behaviour, type DropUse, type MeasuredSlot, type RefusedSource, type Source } from '../wiring/index.ts';
import { VEHICLE_STATES, liveWith } from '../states/index.ts';
import type { Circuit, Load } from '../vehicle/index.ts';
import type { JobContext } from '../job/index.ts';
import { circuitLoads } from './circuit-load.ts';

/** States that tell one source of a vehicle from another. */
const TELLING = VEHICLE_STATES.filter((state) => ['key off', 'ignition', 'parking', 'dipped', 'main'].includes(state));

/** When something is live, as what is wanted of another source in its place. */
export function behaviourOf(liveIn: Circuit['liveIn']): Behaviour {
  return { on: liveIn.slice(0, 1), off: TELLING.filter((state) => !liveWith(liveIn, state)) };
}

/** The circuit of a slot that is never used, however its letters are written. */
export function neverSlot({ profile, rules }: Pick<JobContext, 'profile' | 'rules'>, slot: string): Circuit | undefined {
  const same = (other: string | undefined) => other?.toLowerCase() === slot.trim().toLowerCase();
  return profile.circuits.find(({ id, fuse, neverUse }) => same(fuse?.slot) && (neverUse !== undefined || rules.neverUseCircuits.includes(id)));
}

/** Slots of the vehicle as they were measured; one that is never used says so, whoever measured it. */
export function measuredSlots(context: Pick<JobContext, 'state' | 'profile' | 'rules'>): MeasuredSlot[] {
  return Object.entries(context.state.slots).map(([slot, { ratedA, readings }]) => {
    const never = neverSlot(context, slot);
    return { slot, name: slot, ...(ratedA === undefined ? {} : { ratedA }), readings, ...(never ? { neverUse: never.neverUse ?? never.name } : {}) };
  });
}

/** The vehicle's circuits with what the job puts on them. */
const circuitsAsLeft = (context: JobContext): Circuit[] => {
  const as = new Map(circuitLoads(context).map((load) => [load.circuit.id, { ...load.circuit, loads: [...load.circuit.loads, ...load.added] }]));
  return context.profile.circuits.map((circuit) => as.get(circuit.id) ?? circuit);
};

/** Sources of the vehicle for loads that are to be live in these states, best first, and what may not be used. */
export function sourcesFor(
  context: JobContext,
  liveIn: Circuit['liveIn'],
  loads: readonly Load[],
  circuits = circuitsAsLeft(context),
  use: DropUse = 'lamp',
): { sources: Source[]; refused: RefusedSource[] } {
  const { profile, rules } = context;
  const question = { wanted: behaviourOf(liveIn), loads, use, systemVoltageV: profile.systemVoltageV, circuits, slots: measuredSlots(context), neverUse: rules.neverUseCircuits };
  return rankSources(question, rules);
}

/** What else of the vehicle could feed what the job adds to a circuit, best first, and what may not; undefined of a circuit that the job does not load. */
export function otherSources(context: JobContext, circuit: string): { sources: Source[]; refused: RefusedSource[] } | undefined {
  const asked = circuitLoads(context).find((load) => load.circuit.id === circuit);
  if (!asked) return undefined;
  // What the job puts on the other circuits is on them already; it can still trigger a relay, with what hung on it before.
  const circuits = circuitsAsLeft(context).map((other) => (other.id === circuit ? asked.circuit : other));
  const { sources, refused } = sourcesFor(context, asked.circuit.liveIn, asked.added, circuits, asked.use);
  return { sources: sources.filter(({ id, kind }) => id !== circuit || kind === 'battery with relay'), refused };
}
