import { evaluate } from '../facts/index.ts';
import type { Kit, KitPlug } from '../kit/index.ts';
import { carriedTogether, type PinFunction } from '../states/index.ts';
import type { Load, VehiclePlug } from '../vehicle/index.ts';
import { currentsOf, voltageRange, type PlugAdapter, type PlugFamily, type PlugTerminal, type Source } from '../wiring/index.ts';
import { once, type JobContext, connectionsOf, functionsOf, kitsOnVehicle, lostFunctions, plugsOf, liveFor } from '../job/index.ts';
import { cappedKey } from '../events/index.ts';
import { sourcesFor } from './sources.ts';
import { factValues } from '../events/index.ts';
import { contactsFed, fedPins, jointLoads, wireJoints, type WireJoint } from './wire.ts';

/** What the plug library says of a family; undefined where it does not have it. */
export function familyOf({ plugs }: Pick<JobContext, 'plugs'>, family: string): PlugFamily | undefined {
  return plugs?.families.find(({ id }) => id === family);
}

/** Leads of the plug library that joints of the job are made with, and how many of each, and what they cost together. */
export const leadsToBring = once((context: JobContext): { adapter: PlugAdapter; count: number; priceCents: number }[] => {
  const counts = new Map<string, { adapter: PlugAdapter; count: number }>();
  for (const adapter of wireJoints(context).flatMap(({ between }) => between?.chain.adapters ?? [])) {
    const entry = counts.get(adapter.id) ?? { adapter, count: 0 };
    counts.set(adapter.id, { adapter, count: entry.count + 1 });
  }
  return [...counts.values()].map(({ adapter, count }) => ({ adapter, count, priceCents: adapter.priceCents * count }));
});

/** What a contact of a joint carries at the worst voltage, against what each contact of the plugs there may. */
export interface PinLoad {
  pin: string;
  carries: PinFunction;
  ampere: number;
  permittedA: number;
}

/** Loads that come in by one pin: of a body with several functions that one, of others all that hangs on its circuit. */
function loadsBy(joint: WireJoint, carries: PinFunction, circuit: string, systemVoltageV: 12 | 24): Load[] {
  return jointLoads(joint, circuit, systemVoltageV).flatMap(([key, load]) => {
    const [, , own] = key.split('/');
    return own === undefined || own === carries || joint.trigger ? [load] : [];
  });
}

/**
 * The contacts of a joint and what they carry, at the worst voltage: each supply what hangs on it, the ground all that can be on at one time.
 * Of plugs whose family the library has, adapters between included; the least of them counts. None of a tap.
 */
export function pinLoads(context: JobContext, joint: WireJoint): PinLoad[] {
  const { vehiclePlug, kitPlug, between, tapped } = joint;
  const families = [vehiclePlug.family, between?.plug.family, ...(between?.chain.adapters.map(({ lampEnd }) => lampEnd.family) ?? [])];
  const permitted = families.flatMap((family) => (family === undefined ? [] : (familyOf(context, family)?.pinA ?? [])));
  if (tapped || permitted.length === 0) return [];
  const permittedA = Math.min(...permitted);
  const { systemVoltageV } = context.profile;
  const range = voltageRange(systemVoltageV);
  const fed = fedPins(joint).map(({ id, carries, circuit = '' }) => ({
    pin: id,
    carries,
    ampere: currentsOf(loadsBy(joint, carries, circuit, systemVoltageV), range).worstA,
    permittedA,
  }));
  // What is led elsewhere comes back by the plug all the same.
  const met = new Set(contactsFed(joint).map(({ id }) => id));
  const supplies = fed.filter(({ pin }) => met.has(pin));
  const back = fed.map(({ carries }) => fed.filter((other) => carriedTogether(carries, other.carries)).reduce((sum, { ampere }) => sum + ampere, 0));
  const grounds = vehiclePlug.pins.filter(
    (pin) => pin.carries === 'ground' && kitPlug.pins.some((own) => own.row === pin.row && own.column === pin.column && own.carries === 'ground'),
  );
  // Several grounds share what comes back.
  const shared = back.length === 0 ? 0 : Math.max(...back) / Math.max(1, grounds.length);
  return [...supplies, ...grounds.map(({ id }) => ({ pin: id, carries: 'ground' as const, ampere: shared, permittedA }))];
}

/** A contact that carries more than it may, by what the library says of its family. */
export const overloadedPins = (context: JobContext, joint: WireJoint): PinLoad[] => pinLoads(context, joint).filter(({ ampere, permittedA }) => ampere > permittedA + 1e-9);

/** A plug that nothing is joined to once the job is done: to be capped and tied away. */
export interface LeftoverPlug {
  plug: VehiclePlug | KitPlug;
  /** The kit that it is of; undefined of the vehicle's own. */
  kit?: Kit;
  capped: boolean;
}

/** Kit plugs that hang on the vehicle without a mate: not those of an adapter that stays in the box, nor of a lamp that an adapter joins. */
function leftOfKits(context: JobContext): LeftoverPlug[] {
  return kitsOnVehicle(context).flatMap((onVehicle) => {
    const { kit } = onVehicle;
    const mine = kit.fitments.find(({ vehicle }) => vehicle === context.profile.slug);
    const used = connectionsOf(onVehicle);
    if (!mine || used.length === 0) return [];
    const inBox = new Set(kit.fitments.flatMap(({ connections }) => connections.filter(({ adapter }) => adapter !== undefined).map(({ kitPlug }) => kitPlug)));
    const byAdapter = new Set(used.filter(({ adapter }) => adapter !== undefined).flatMap(({ lamps }) => lamps));
    const mounted = new Set(onVehicle.fitment?.mounts.map(({ lamp }) => lamp));
    return kit.plugs
      .filter(({ id, lamp }) => lamp !== undefined && mounted.has(lamp) && !byAdapter.has(lamp) && !inBox.has(id) && !used.some(({ kitPlug }) => kitPlug === id))
      .map((plug) => ({ plug, kit, capped: context.state.capped.includes(cappedKey(plug.id, kit.slug)) }));
  });
}

const isThere = ({ state }: JobContext, { when }: VehiclePlug) => evaluate(when, factValues(state));

/** Plugs that this vehicle has, or may have as far as its facts are known. */
export const plugsThere = (context: JobContext): VehiclePlug[] => context.profile.plugs.filter((plug) => isThere(context, plug) !== 'no');

/** Plugs of the vehicle that fed a lamp which goes, and that no kit takes up. */
function leftOfVehicle(context: JobContext): LeftoverPlug[] {
  const lost = lostFunctions(context);
  const gone = functionsOf(context).filter(({ id }) => lost.includes(id));
  const used = new Set(kitsOnVehicle(context).flatMap((onVehicle) => connectionsOf(onVehicle).flatMap((connection) => plugsOf(onVehicle, connection))));
  const fed = (plug: VehiclePlug) =>
    gone.some(({ state, side }) => (side === plug.side || plug.side === 'centre' || side === 'centre') && plug.pins.some(({ carries }) => carries === state));
  return context.profile.plugs
    .filter((plug) => isThere(context, plug) === 'yes' && !used.has(plug.id) && fed(plug))
    .map((plug) => ({ plug, capped: context.state.capped.includes(plug.id) }));
}

/** Every plug that is left over, of the vehicle and of the kits. */
export const leftoverPlugs = once((context: JobContext): LeftoverPlug[] => [...leftOfVehicle(context), ...leftOfKits(context)]);

/** Plugs of the vehicle that this job neither uses nor leaves over: they may be of use, and each says where it hides. */
export const dormantPlugs = once((context: JobContext): VehiclePlug[] => {
  const left = new Set(leftOfVehicle(context).map(({ plug }) => plug.id));
  const used = new Set(kitsOnVehicle(context).flatMap((onVehicle) => connectionsOf(onVehicle).flatMap((connection) => plugsOf(onVehicle, connection))));
  return plugsThere(context).filter((plug) => !used.has(plug.id) && !left.has(plug.id));
});

/** A cavity of the vehicle's plug that has no contact for what the kit wants there. */
export interface EmptyCavity {
  row: number;
  column: number;
  carries: PinFunction;
  /** Contacts of the library that go in with the wire; undefined where the library does not have the family. */
  terminals?: PlugTerminal[];
  /** Circuits that its wire could be led from, best first; none of a ground. */
  feeds: Source[];
}

/** The cavities that are to be populated so that a joint's plugs work, with what goes in and where it could be fed from. */
export function emptyCavities(context: JobContext, joint: WireJoint): EmptyCavity[] {
  const { verdict, vehiclePlug, kit, connection } = joint;
  if (verdict?.value !== 'populate') return [];
  const areaMm2 = kit.legs.find(({ lamp }) => connection.lamps.includes(lamp))?.wire?.areaMm2;
  const family = familyOf(context, vehiclePlug.family);
  const fits = ({ gender, areaMm2: [from, to] }: PlugTerminal) => gender === vehiclePlug.gender && (areaMm2 === undefined || (areaMm2 >= from && areaMm2 <= to));
  return verdict.missing.map(({ row, column, carries }): EmptyCavity => {
    const live = liveFor(carries);
    const loads = kit.lamps
      .filter(({ id }) => connection.lamps.includes(id))
      .flatMap(({ name, load, functions }) => (functions ? functions.filter((entry) => entry.carries === carries).map((entry) => ({ name, ...entry.load })) : [{ name, ...load }]));
    const feeds = live.length === 0 ? [] : sourcesFor(context, live, loads).sources.filter(({ kind }) => kind === 'switch output' || kind === 'lamp circuit');
    return { row, column, carries, feeds, ...(family ? { terminals: family.terminals.filter(fits) } : {}) };
  });
}
