import type { PlugPin } from '../vehicle/index.ts';
import { circuitId } from '../wiring/index.ts';
import { once, type JobContext } from '../job/index.ts';
import type { JointCheck } from '../events/index.ts';
import { bestGround } from './grounds.ts';
import { wireJoints, wiresBared, type WireJoint } from './wire.ts';

/**
 * How two conductors are joined: plug to plug, by an adapter between them, a contact put into an empty cavity or moved to another one, a connector on an
 * uncut wire, a tap at a fuse slot, a crimped sleeve from wire to wire, a ring on a stud.
 */
export type JointMethod = 'plug' | 'adapter' | 'cavity' | 'moved contact' | 'tap' | 'fuse tap' | 'crimp' | 'ring terminal';

/** What a method asks for: insulation to be taken off, and where along the wire it may sit. */
const METHODS: Readonly<Record<JointMethod, { stripMm: number }>> = {
  plug: { stripMm: 0 },
  adapter: { stripMm: 0 },
  cavity: { stripMm: 5 },
  // Bites through the insulation of both wires.
  tap: { stripMm: 0 },
  'moved contact': { stripMm: 0 },
  'fuse tap': { stripMm: 7 },
  crimp: { stripMm: 7 },
  'ring terminal': { stripMm: 7 },
};

/** Taps on one loom stand apart, so that it does not grow thick in one place. */
const FIRST_TAP_MM = 60;
const TAP_APART_MM = 40;

/** One conductor that is joined, from the vehicle's side to the kit's. */
export interface JointLine {
  /** Where it is worked at: a plug of the vehicle, a fuse slot, the kit's own lead, the battery, or a ground point of the body. */
  place:
    | { at: 'plug'; plug: string }
    | { at: 'slot'; slot: string }
    | { at: 'lead'; plug: string }
    | { at: 'battery'; post: 'positive' | 'negative' }
    | { at: 'ground'; point?: string };
  method: JointMethod;
  kit: string;
  connection?: string;
  vehicle?: Pick<PlugPin, 'id' | 'carries' | 'colour'>;
  end?: Pick<PlugPin, 'id' | 'colour'> & { plug: string };
  /** Circuit of the vehicle, or feed of the kit, that it belongs to. */
  circuit?: string;
  stripMm: number;
  /** From the back of the plug, where it sits on the wire. */
  atMm?: number;
  /** Insulation that was opened, to be looked at and sealed. */
  bared: boolean;
  /** The adapter between them, from the contents; and those of the plug library, from the vehicle on. */
  adapter?: string;
  between?: string[];
  /** As recorded; undefined of what is done with a fitting step. */
  joined?: boolean;
  /** What was looked at when it was made. */
  checked?: JointCheck[];
}

const endOf = ({ vehicle, ...line }: Pick<JointLine, 'vehicle'> & Omit<JointLine, 'stripMm' | 'bared'>): JointLine => ({
  ...line,
  ...(vehicle ? { vehicle: { id: vehicle.id, carries: vehicle.carries, ...(vehicle.colour ? { colour: vehicle.colour } : {}) } } : {}),
  stripMm: METHODS[line.method].stripMm,
  bared: line.method === 'tap',
});

/** The conductors of one joint: of a tap the one wire, else each pin that both faces have. */
function linesOf(context: JobContext, joint: WireJoint, tapAt: (plug: string) => number): JointLine[] {
  const { kit, connection, vehiclePlug, kitPlug, tapped, mate, joined, between } = joint;
  const how: JointMethod = tapped ? 'tap' : connection.adapter === undefined && !between ? 'plug' : 'adapter';
  const checked = context.state.jointChecked[`${kit.slug}/${connection.id}`];
  const put = context.state.populated[vehiclePlug.id] ?? [];
  const moved = context.state.contactsMoved[`${kit.slug}/${kitPlug.id}`] ?? [];
  return mate.pairs.flatMap((pair): JointLine[] => {
    const vehicle = vehiclePlug.pins.find((pin) => pin.id === pair.vehiclePin);
    const own = kitPlug.pins.find((pin) => pin.id === pair.kitPin);
    if (!vehicle || !own || vehicle.carries === 'empty' || own.carries === 'empty') return [];
    return [
      endOf({
        place: { at: 'plug', plug: vehiclePlug.id },
        method: put.some(({ row, column }) => row === vehicle.row && column === vehicle.column) ? 'cavity' : moved.some(({ pin }) => pin === own.id) ? 'moved contact' : how,
        kit: kit.slug,
        connection: connection.id,
        vehicle,
        end: { plug: kitPlug.id, id: own.id, ...(own.colour ? { colour: own.colour } : {}) },
        ...(vehicle.circuit === undefined ? {} : { circuit: vehicle.circuit }),
        ...(tapped ? { atMm: tapAt(vehiclePlug.id) } : {}),
        ...(connection.adapter === undefined ? {} : { adapter: connection.adapter }),
        ...(between ? { between: between.chain.adapters.map(({ id }) => id) } : {}),
        joined,
        ...(checked ? { checked } : {}),
      }),
    ];
  });
}

/** Wires of a kit's plug that are led elsewhere: joined there, and to new wire where it does not reach; from the battery with main fuse and grounds. */
function ledLines(joint: WireJoint, point: string | undefined, tapAt: (plug: string) => number): JointLine[] {
  const { kit, connection, kitPlug, led, joined } = joint;
  const ground = { at: 'ground' as const, ...(point === undefined ? {} : { point }) };
  return led.flatMap(({ pin, to, at, circuit }): JointLine[] => {
    const part = { kit: kit.slug, connection: connection.id, ...(circuit ? { circuit: circuit.id } : {}), joined };
    const end = { end: { plug: kitPlug.id, id: pin.id, ...(pin.colour ? { colour: pin.colour } : {}) } };
    const longer = (to.lengthMm ?? 0) > 0 ? [endOf({ ...part, ...end, place: { at: 'lead', plug: kitPlug.id }, method: 'crimp' })] : [];
    const tapped =
      at && wiresBared(joint).some(({ plug, pin: wire }) => plug.id === at.plug.id && wire.id === at.pin.id)
        ? [endOf({ ...part, ...end, place: { at: 'plug', plug: at.plug.id }, method: 'tap', vehicle: at.pin, atMm: tapAt(at.plug.id) })]
        : [];
    switch (to.at) {
      case 'wire':
        return [...tapped, ...longer];
      case 'slot':
        return [endOf({ ...part, ...end, place: { at: 'slot', slot: to.slot ?? '' }, method: 'fuse tap' }), ...longer];
      case 'ground':
        return [endOf({ ...part, ...end, place: to.ground === undefined ? ground : { at: 'ground', point: to.ground }, method: 'ring terminal' }), ...longer];
      case 'battery':
        return [
          ...tapped,
          ...longer,
          endOf({ ...part, place: { at: 'battery', post: 'positive' }, method: 'ring terminal' }),
          endOf({ ...part, place: ground, method: 'ring terminal' }),
        ];
    }
  });
}

/**
 * Every conductor that the job joins, by work place: those at the vehicle's plugs, each with the colours of both sides, then what a kit lays
 * from the battery: its main fuse on the positive, and the way back to a ground point of the body or to the negative, each feed once. Taps on one
 * loom are staggered.
 */
export const jointList = once((context: JobContext): JointLine[] => {
  const joints = wireJoints(context);
  const taps = new Map<string, number>();
  const tapAt = (plug: string) => {
    const before = taps.get(plug) ?? 0;
    taps.set(plug, before + 1);
    return FIRST_TAP_MM + before * TAP_APART_MM;
  };
  const point = bestGround(context)?.ground.id;
  const plugs = joints.flatMap((joint) => [...linesOf(context, joint, tapAt), ...ledLines(joint, point, tapAt)]);
  const known = new Set<string>();
  const laid = joints.flatMap((joint): JointLine[] => {
    const feed = joint.kit.feeds.find(({ id }) => id === joint.connection.feed.circuit);
    const circuit = circuitId(joint.kit, joint.connection.feed.circuit);
    if (!feed || known.has(circuit)) return [];
    known.add(circuit);
    const part = { method: 'ring terminal' as const, kit: joint.kit.slug, circuit };
    return [
      endOf({ ...part, place: { at: 'battery', post: 'positive' } }),
      endOf({ ...part, place: feed.wire?.backM === undefined ? { at: 'ground', ...(point === undefined ? {} : { point }) } : { at: 'battery', post: 'negative' } }),
    ];
  });
  const order = new Map(context.profile.plugs.map((plug, index) => [plug.id, index]));
  const rank = ({ place }: JointLine) => (place.at === 'plug' ? (order.get(place.plug) ?? 0) : Number.MAX_SAFE_INTEGER);
  return [...plugs, ...laid].sort((a, b) => rank(a) - rank(b));
});
