import { circuitLoads, supplyBars, wireJoints, type JobContext, type WireJoint } from '../../job/index.ts';
import { key } from '../../subject/index.ts';
import { needsHold } from '../../vehicle/index.ts';
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
    if (check.verdict === 'refuse' || check.verdict === 'never') return [block('load-refused', data)];
    return accepted ? [] : [todo('load-to-accept', data)];
  });
  return [...loads, ...plugs];
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.joined).length > 0 || Object.keys(state.loadsAccepted).length > 0;
}

/** What stands against joining a plug: it does not mate, no hand gets to it, a supply is not as the joint asks. */
export function againstJoint(context: JobContext, joint: WireJoint, at: string): Refusal[] {
  const { vehiclePlug, connection } = joint;
  const near = vehiclePlug.reach.length === 0 || vehiclePlug.reach.some((way) => needsHold(way.needs, context.state.pieces));
  return [
    ...(joint.joined ? [{ code: 'already' as const }] : []),
    ...(joint.mate.value === 'mates' ? [] : [{ code: 'does-not-mate' as const, connection: connection.id }]),
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
  return happened({ type: 'load.accepted', payload: { kit, circuit, afterA: Math.round(load.check.afterA * 100) / 100 } });
}
