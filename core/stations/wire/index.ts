import { circuitKey, circuitLoads, jointKey, supplyBars, watchedLamps, wireJoints, type CircuitLoad, type JobContext, type WireJoint } from '../../job/index.ts';
import { key } from '../../subject/index.ts';
import { needsHold } from '../../vehicle/index.ts';
import { BLADE_FUSES_A } from '../../wiring/index.ts';
import { happened, refused, unless, type Act, type Refusal } from '../act.ts';
import { block, todo, type Asked } from '../hold.ts';
import { missingFor } from '../open-up/index.ts';

export function asked(context: JobContext): Asked[] {
  const plugs = wireJoints(context).flatMap((joint): Asked[] => {
    const data = { kit: joint.kit.slug, plug: joint.vehiclePlug.id, connection: joint.connection.id };
    if (joint.mate.value !== 'mates') return [block('plug-does-not-mate', data, key({ kind: 'plug', connection: joint.connection.id }))];
    return joint.joined ? [] : [todo('plug-to-join', data)];
  });
  const loads = circuitLoads(context).flatMap(({ circuit, check, accepted }): Asked[] => {
    const data = { circuit: circuit.id, share: check.shareAfter };
    if (check.verdict === 'refuse' || check.verdict === 'never') return [block('load-refused', { ...data, trouble: check.troubles[0] ?? 'share' })];
    return accepted ? [] : [todo('load-to-accept', data)];
  });
  const lamps = (watchedLamps(context) ?? []).flatMap(({ channel, answer, value, accepted }): Asked[] =>
    value !== 'open' || accepted ? [] : [todo('outage-to-accept', { channel: channel.id, fast: answer.seen === 'flashes fast' ? 1 : 0 })],
  );
  return [...loads, ...lamps, ...plugs];
}

/** What of the electrical picture wants an answer, by its keys there: loads first, then joints. */
export function wantsAnswer(context: JobContext): string[] {
  const loads = circuitLoads(context).flatMap(({ circuit, accepted }) => (accepted ? [] : [circuitKey(circuit)]));
  const joints = wireJoints(context).flatMap((joint) => (joint.joined ? [] : [jointKey(joint)]));
  return [...loads, ...joints];
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.joined).length > 0 || Object.keys(state.loadsAccepted).length > 0;
}

/** What stands against joining a plug: it does not mate, no hand gets to it, a supply is not as the joint asks; against tapping a wire also that it is not proved. */
export function againstJoint(context: JobContext, joint: WireJoint, at: string): Refusal[] {
  const { vehiclePlug, connection } = joint;
  const near = vehiclePlug.reach.length === 0 || vehiclePlug.reach.some((way) => needsHold(way.needs, context.state.pieces));
  return [
    ...(joint.joined ? [{ code: 'already' as const }] : []),
    ...(joint.mate.value === 'mates' ? [] : [{ code: 'does-not-mate' as const, connection: connection.id }]),
    ...(joint.tapped ? joint.toProve.flatMap(({ pin, proof }): Refusal[] => (proof.code === 'proved' ? [] : [{ code: 'wire-first', plug: vehiclePlug.id, pin: pin.id }])) : []),
    ...(near ? [] : [{ code: 'open-first' as const, pieces: missingFor(context, vehiclePlug.reach[0]?.needs ?? []) }]),
    ...supplyBars(context, connection.asks ?? [], at),
  ];
}

/** A plug joined: it clicked, its locks are closed, it was pulled once. */
export function join(context: JobContext, kit: string, connection: string, at: string): Act {
  const joint = wireJoints(context).find((entry) => entry.kit.slug === kit && entry.connection.id === connection);
  if (!joint) return refused({ code: 'unknown', what: 'connection', id: connection });
  return unless(againstJoint(context, joint, at), () => [{ type: 'plug.joined', payload: { kit, connection } }]);
}

/** The load on a circuit taken as computed. */
export function acceptLoad(context: JobContext, circuit: string): Act {
  const load = circuitLoads(context).find((entry) => entry.circuit.id === circuit);
  const kit = wireJoints(context).find((joint) => joint.circuits.some((entry) => entry.id === circuit))?.kit.slug;
  if (!load || kit === undefined) return refused({ code: 'unknown', what: 'circuit', id: circuit });
  if (load.accepted) return refused({ code: 'already' });
  if (load.check.verdict === 'refuse' || load.check.verdict === 'never') return refused({ code: 'load-refused', circuit });
  return happened({
    type: 'load.accepted',
    payload: { kit, circuit, afterA: Math.round(load.check.afterA * 100) / 100, ...(load.circuit.fuse ? { fuseA: load.circuit.fuse.ratedA } : {}) },
  });
}

/** The fuses that may be found in the slot of a circuit: the standard ones up to twice and down to half of what is documented, in amperes. */
export function fusesToSee({ circuit, documentedA }: CircuitLoad): number[] {
  const documented = documentedA ?? circuit.fuse?.ratedA;
  if (documented === undefined) return [];
  return [...new Set([...BLADE_FUSES_A.filter((ampere) => ampere >= documented / 2 && ampere <= documented * 2), documented])].sort((a, b) => a - b);
}

/** What is printed on the fuse that sits in a circuit's slot. */
export function seeFuse(context: JobContext, circuit: string, ratedA: number): Act {
  const load = circuitLoads(context).find((entry) => entry.circuit.id === circuit);
  if (!load?.circuit.fuse) return refused({ code: 'unknown', what: 'circuit', id: circuit });
  return context.state.fuses[circuit] === ratedA ? refused({ code: 'already' }) : happened({ type: 'fuse.seen', payload: { circuit, ratedA } });
}

/** A lamp left as the vehicle reports it, or flashes fast with it. */
export function acceptOutage(context: JobContext, channel: string): Act {
  const lamp = watchedLamps(context)?.find((entry) => entry.channel.id === channel);
  if (!lamp) return refused({ code: 'unknown', what: 'lamp channel', id: channel });
  if (lamp.value !== 'open') return refused({ code: 'nothing' });
  return lamp.accepted ? refused({ code: 'already' }) : happened({ type: 'outage.accepted', payload: { channel, afterW: lamp.afterW } });
}
