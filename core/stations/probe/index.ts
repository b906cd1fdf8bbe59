import { LOW_LIVE, supplyBars, wireJoints, type JobContext, type WireJoint } from '../../job/index.ts';
import { checkReference, type Reading, type ReferenceVerdict } from '../../probing/index.ts';
import type { VehicleState } from '../../states/index.ts';
import { key } from '../../subject/index.ts';
import { voltageRange } from '../../wiring/index.ts';
import { refused, unless, type Act } from '../act.ts';
import { question, todo, type Asked } from '../hold.ts';

/** A wire that wants proof, with the plug it is in. */
export type WireToProve = WireJoint['toProve'][number];

/** All wires of the job that want proof, each once. */
export function wiresToProve(context: JobContext): WireToProve[] {
  const wires = wireJoints(context).flatMap(({ toProve }) => toProve);
  return [...new Map(wires.map((wire) => [`${wire.plug.id}/${wire.pin.id}`, wire])).values()];
}

/** States to read in: those that make a wire of the job live, and the one in which none is. */
export function statesToRead(context: JobContext): VehicleState[] {
  return [...new Set<VehicleState>([...wiresToProve(context).map((wire) => wire.state), 'key off'])];
}

export function asked(context: JobContext): Asked[] {
  const wires = wiresToProve(context);
  if (wires.length === 0) return [];
  const reference = context.state.reference ? [] : [todo('reference-missing')];
  const open = wires.flatMap(({ plug, pin, proof }): Asked[] => {
    const data = { plug: plug.id, pin: pin.id, carries: pin.carries };
    const about = key({ kind: 'wire', plug: plug.id, pin: pin.id });
    if (proof.code === 'proved') return [];
    return proof.code === 'contradictory' || proof.code === 'unclear' ? [question('wire-contradictory', data, about)] : [todo('wire-unproved', data, about)];
  });
  return [...reference, ...open];
}

export function begun({ state }: JobContext): boolean {
  return state.reference !== undefined || Object.keys(state.readings).length > 0;
}

/** What the reference check says, held against the battery as measured at rest, else the system's voltage at rest. */
export function referenceVerdict({ state, profile, rules }: JobContext, groundV: number, feedV: number): ReferenceVerdict {
  return checkReference(groundV, feedV, state.restV ?? voltageRange(profile.systemVoltageV).restV, rules.probing);
}

/** The reference check that opens a run of readings. */
export function checkedReference(context: JobContext, groundV: number, feedV: number, at: string): Act {
  const verdict = referenceVerdict(context, groundV, feedV);
  if (verdict.code !== 'good') return refused({ code: 'reference', verdict });
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'reference.checked', payload: { groundV, feedV } }]);
}

/** A reading at a pin in one state of the vehicle; voltages are read with the supply live. */
export function take(context: JobContext, plug: string, pin: string, reading: Reading, at: string): Act {
  if (!wiresToProve(context).some((wire) => wire.plug.id === plug && wire.pin.id === pin)) return refused({ code: 'unknown', what: 'pin', id: `${plug}/${pin}` });
  if (!context.state.reference) return refused({ code: 'reference-first' });
  const [lowV, highV] = [Math.min(reading.lowV, reading.highV), Math.max(reading.lowV, reading.highV)];
  return unless(supplyBars(context, LOW_LIVE, at), () => [{ type: 'reading.taken', payload: { plug, pin, ...reading, lowV, highV } }]);
}
