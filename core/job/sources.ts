import { rankSources, type Behaviour, type MeasuredSlot, type RefusedSource, type Source } from '../wiring/index.ts';
import { VEHICLE_STATES, liveWith } from '../states/index.ts';
import type { Circuit } from '../vehicle/index.ts';
import type { JobContext } from './context.ts';
import { circuitLoads } from './circuit-load.ts';

/** States that tell one source of a vehicle from another. */
const TELLING = VEHICLE_STATES.filter((state) => ['key off', 'ignition', 'parking', 'dipped', 'main'].includes(state));

/** When a circuit is live, as what is wanted of another one in its place. */
function behaviourOf({ liveIn }: Circuit): Behaviour {
  return { on: liveIn.slice(0, 1), off: TELLING.filter((state) => !liveWith(liveIn, state)) };
}

/** Slots of the vehicle as they were measured. */
export function measuredSlots({ state }: JobContext): MeasuredSlot[] {
  return Object.entries(state.slots).map(([slot, { ratedA, readings }]) => ({ slot, name: slot, ...(ratedA === undefined ? {} : { ratedA }), readings }));
}

/** What else of the vehicle could feed what the job adds to a circuit, best first, and what may not; undefined of a circuit that the job does not load. */
export function otherSources(context: JobContext, circuit: string): { sources: Source[]; refused: RefusedSource[] } | undefined {
  const { profile, rules } = context;
  const loads = circuitLoads(context);
  const asked = loads.find((load) => load.circuit.id === circuit);
  if (!asked) return undefined;
  // What the job puts on the other circuits is on them already.
  const as = new Map(loads.map((load) => [load.circuit.id, { ...load.circuit, loads: [...load.circuit.loads, ...load.added] }]));
  // It can still trigger a relay, with what hung on it before.
  const circuits = profile.circuits.map((other) => (other.id === circuit ? asked.circuit : (as.get(other.id) ?? other)));
  const wanted = behaviourOf(asked.circuit);
  const question = {
    wanted,
    loads: asked.added,
    use: asked.use,
    systemVoltageV: profile.systemVoltageV,
    circuits,
    slots: measuredSlots(context),
    neverUse: rules.neverUseCircuits,
  } as const;
  const { sources, refused } = rankSources(question, rules);
  return { sources: sources.filter(({ id, kind }) => id !== circuit || kind === 'battery with relay'), refused };
}
