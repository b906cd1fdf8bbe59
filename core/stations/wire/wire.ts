import { openingDone } from '../../plan/index.ts';
import { factsOf } from '../../facts/index.ts';
import { cappedKey } from '../../events/index.ts';
import {
  circuitKey,
  circuitLoads,
  emptyCavities,
  jointChecks,
  jointKey,
  leftoverPlugs,
  overloadedPins,
  watchedLamps,
  wireJoints,
  wiresBared,
  type CircuitLoad,
  type WireJoint,
} from '../../loom/index.ts';
import { supplyBars, type JobContext } from '../../job/index.ts';
import { key } from '../../subject/index.ts';
import { needsHold, type VehiclePlug } from '../../vehicle/index.ts';
import { BLADE_FUSES_A } from '../../wiring/index.ts';
import { happened, refused, unless, type Act, type Refusal } from '../act.ts';
import { block, todo, type Asked } from '../hold.ts';
import { againstLed } from './feeds.ts';
import { askedOfUnplaced } from '../undescribed.ts';
import { askedOfLegs } from './legs.ts';
import { missingFor } from '../open-up/index.ts';

export function asked(context: JobContext): Asked[] {
  const plugs = wireJoints(context).flatMap((joint): Asked[] => {
    const data = { kit: joint.kit.slug, plug: joint.vehiclePlug.id, connection: joint.connection.id };
    const [over] = overloadedPins(context, joint);
    if (over) return [block('pin-over', { ...data, pin: over.pin })];
    if (joint.mate.value !== 'mates') return [block('plug-does-not-mate', data, key({ kind: 'plug', connection: joint.connection.id }))];
    return joint.joined ? [] : [todo('plug-to-join', data)];
  });
  const loads = circuitLoads(context).flatMap(({ circuit, check, accepted }): Asked[] => {
    const data = { circuit: circuit.id, share: check.shareAfter };
    if (check.verdict === 'refuse' || check.verdict === 'never') return [block('load-refused', { ...data, trouble: check.troubles[0] ?? 'share' })];
    return accepted ? [] : [todo('load-to-accept', check.unknown.length > 0 ? { ...data, open: check.unknown.length } : data)];
  });
  const lamps = (watchedLamps(context) ?? []).flatMap(({ channel, answer, value, accepted }): Asked[] =>
    value !== 'open' || accepted ? [] : [todo('outage-to-accept', { channel: channel.id, fast: answer.seen === 'flashes fast' ? 1 : 0 })],
  );
  const left = leftoverPlugs(context).flatMap(({ plug, kit, capped }): Asked[] =>
    capped ? [] : [todo('plug-to-cap', { plug: plug.id, kit: kit?.slug ?? '' }, key({ kind: 'cap', plug: cappedKey(plug.id, kit?.slug) }))],
  );
  return [...askedOfUnplaced(context, 'wired'), ...loads, ...lamps, ...plugs, ...askedOfLegs(context), ...left];
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

/** Where nothing is asked it is settled only once all is open: before that nobody can have seen it. */
export const ready = (context: JobContext): boolean => openingDone(context);

function outOfReach({ state }: JobContext, { reach }: Pick<VehiclePlug, 'reach'>): Refusal[] {
  const near = reach.length === 0 || reach.some((way) => needsHold(way.needs, state.pieces));
  return near ? [] : [{ code: 'open-first', pieces: missingFor({ state }, reach[0]?.needs ?? []) }];
}

/** Wires that are bared for a joint, with what is proved of them. */
function bared(joint: WireJoint): WireJoint['toProve'] {
  const wires = wiresBared(joint);
  return joint.toProve.filter(({ plug, pin }) => wires.some((wire) => wire.plug.id === plug.id && wire.pin.id === pin.id));
}

/** Plugs of the vehicle that hands get to for a joint. */
function workedAt({ vehiclePlug, plugless, led }: WireJoint): VehiclePlug[] {
  const all = [...(plugless ? [] : [vehiclePlug]), ...led.flatMap(({ at }) => at?.plug ?? [])];
  return [...new Map(all.map((plug) => [plug.id, plug])).values()];
}

/** What stands against joining a plug: it does not mate, it is not known whether it is this one, no hand gets to it, a supply is not as the joint asks; against tapping a wire also that it is not proved. */
export function againstJoint(context: JobContext, joint: WireJoint, at: string): Refusal[] {
  const { vehiclePlug, connection } = joint;
  return [
    ...(joint.joined ? [{ code: 'already' as const }] : []),
    ...(joint.mate.value === 'mates' ? [] : [{ code: 'does-not-mate' as const, connection: connection.id }]),
    ...(joint.onlyWhere && !joint.joined ? [{ code: 'facts-first' as const, facts: factsOf(connection.when) }] : []),
    ...overloadedPins(context, joint).map(({ pin }): Refusal => ({ code: 'pin-over', plug: vehiclePlug.id, pin })),
    ...bared(joint).flatMap(({ plug, pin, proof }): Refusal[] => (proof.code === 'proved' ? [] : [{ code: 'wire-first', plug: plug.id, pin: pin.id }])),
    ...againstLed(context, joint),
    ...workedAt(joint).flatMap((plug) => outOfReach(context, plug)),
    ...supplyBars(context, connection.asks ?? [], at),
  ];
}

/** A plug joined: it clicked, its locks are closed, it was pulled once. */
export function join(context: JobContext, kit: string, connection: string, at: string): Act {
  const joint = wireJoints(context).find((entry) => entry.kit.slug === kit && entry.connection.id === connection);
  if (!joint) return refused({ code: 'unknown', what: 'connection', id: connection });
  const adapters = joint.between?.chain.adapters.map(({ id }) => id);
  return unless(againstJoint(context, joint, at), () => [
    { type: 'plug.joined', payload: { kit, connection, ...(adapters ? { adapters } : {}), checked: jointChecks(context, joint) } },
  ]);
}

/** A contact put into an empty cavity of a vehicle plug, its wire led from a circuit: barb as its neighbours, seal on, tugged. */
export function populate(context: JobContext, kit: string, connection: string, carries: string, circuit: string | undefined): Act {
  const joint = wireJoints(context).find((entry) => entry.kit.slug === kit && entry.connection.id === connection);
  const cavity = joint && emptyCavities(context, joint).find((entry) => entry.carries === carries);
  if (!joint || !cavity) return refused({ code: 'unknown', what: 'cavity', id: carries });
  const { row, column, terminals, feeds } = cavity;
  if (terminals?.length === 0) return refused({ code: 'no-terminal', plug: joint.vehiclePlug.id });
  if (cavity.carries !== 'ground' && !feeds.some(({ id }) => id === circuit)) return refused({ code: 'unknown', what: 'circuit', id: circuit ?? '' });
  const terminal = terminals?.[0]?.id;
  return unless(outOfReach(context, joint.vehiclePlug), () => [
    {
      type: 'cavity.populated',
      payload: {
        plug: joint.vehiclePlug.id,
        row,
        column,
        carries: cavity.carries,
        ...(cavity.carries === 'ground' || circuit === undefined ? {} : { circuit }),
        ...(terminal === undefined ? {} : { terminal }),
      },
    },
  ]);
}

/** A plug that is left over, capped and tied away. */
export function cap(context: JobContext, plug: string, kit?: string): Act {
  const left = leftoverPlugs(context).find((entry) => entry.plug.id === plug && entry.kit?.slug === kit);
  if (!left) return refused({ code: 'unknown', what: 'plug', id: plug });
  if (left.capped) return refused({ code: 'already' });
  const away = 'reach' in left.plug ? outOfReach(context, left.plug) : [];
  return unless(away, () => [{ type: 'plug.capped', payload: { plug, ...(kit === undefined ? {} : { kit }) } }]);
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

/** What was lost at a ground point while a load returned over it. */
export function measureGround(context: JobContext, ground: string, dropMv: number, ampere: number): Act {
  if (!context.profile.grounds?.some(({ id }) => id === ground)) return refused({ code: 'unknown', what: 'ground point', id: ground });
  return ampere > 0 ? happened({ type: 'ground.measured', payload: { ground, dropMv, ampere } }) : refused({ code: 'missing', count: 1 });
}

/** A lamp left as the vehicle reports it, or flashes fast with it. */
export function acceptOutage(context: JobContext, channel: string): Act {
  const lamp = watchedLamps(context)?.find((entry) => entry.channel.id === channel);
  if (!lamp) return refused({ code: 'unknown', what: 'lamp channel', id: channel });
  if (lamp.value !== 'open') return refused({ code: 'nothing' });
  return lamp.accepted ? refused({ code: 'already' }) : happened({ type: 'outage.accepted', payload: { channel, afterW: lamp.afterW } });
}
