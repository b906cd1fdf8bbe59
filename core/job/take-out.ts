import type { Connection, FitStep } from '../kit/index.ts';
import { levelRank, needsHold, type LevelNeed, type Side, type SupplyAsk, type Way } from '../vehicle/index.ts';
import { once, type JobContext } from './context.ts';
import { connectionsOf, kitsDropped, kitsOnVehicle, plugsOf, sideOf, stepReach, type KitOnVehicle } from './kits.ts';

export const TAKEN_OUT = ['joint', 'leg', 'contact', 'step'] as const;
/** What a kit has on a vehicle: a joint, a leg that was laid, a contact in an empty cavity, a fitting step begun or done. */
export type TakenOutKind = (typeof TAKEN_OUT)[number];

/** One thing of a dropped kit that is still on the vehicle and has to be taken out again. */
export interface TakeOut {
  kind: TakenOutKind;
  kit: string;
  /** Of the joint, the leg or the step; of a contact its plug, row and column as in `fog-left.1.3`. */
  id: string;
  side: Side;
  /** Ways to get a hand to it, by what must be open; none where nothing is described, which holds nothing back. */
  reach: Way[];
  asks: SupplyAsk[];
  /** Joints of the same kit that are parted first. */
  after: string[];
  step?: FitStep;
  connection?: Connection;
  contact?: { plug: string; row: number; column: number };
}

const asWay = (needs: LevelNeed[]): Way[] => (needs.length > 0 ? [{ id: 'open', needs, extraMin: 0 }] : []);

function jointsOf(context: JobContext, onVehicle: KitOnVehicle): TakeOut[] {
  const kit = onVehicle.kit.slug;
  const known = new Map(connectionsOf(onVehicle).map((connection) => [connection.id, connection]));
  return (context.state.joined[kit] ?? []).map((id): TakeOut => {
    const connection = known.get(id);
    if (!connection) return { kind: 'joint', kit, id, side: 'centre', reach: [], asks: [], after: [] };
    const plugs = plugsOf(onVehicle, connection);
    const reach = context.profile.plugs.find((plug) => plug.id === plugs[0])?.reach ?? [];
    return { kind: 'joint', kit, id, side: sideOf(onVehicle, connection), reach, asks: connection.asks ?? [], after: [], connection };
  });
}

function legsOf({ state, profile }: JobContext, { kit }: KitOnVehicle): TakeOut[] {
  return kit.legs.flatMap((leg): TakeOut[] => {
    const laid = state.laid[`${kit.slug}/${leg.id}`]?.split('+');
    if (!laid) return [];
    const there = new Set(profile.pieces.map(({ id }) => id));
    const along = (profile.cableWays?.segments ?? []).filter(({ id }) => laid.includes(id));
    const side = kit.lamps.find(({ id }) => id === leg.lamp)?.side ?? 'centre';
    return [
      { kind: 'leg', kit: kit.slug, id: leg.id, side, reach: asWay(highest(along.flatMap(({ needs }) => needs).filter(({ piece }) => there.has(piece)))), asks: [], after: [] },
    ];
  });
}

/** Of needs of one piece the highest. */
function highest(needs: readonly LevelNeed[]): LevelNeed[] {
  const most = new Map<string, LevelNeed>();
  for (const need of needs) if (levelRank(need.level) > levelRank(most.get(need.piece)?.level ?? 'fitted')) most.set(need.piece, need);
  return [...most.values()];
}

/** Contacts that were put into plugs of the vehicle for a kit, and that no other kit of the job uses. */
function contactsOf(context: JobContext, onVehicle: KitOnVehicle): TakeOut[] {
  const inUse = new Set(kitsOnVehicle(context).flatMap((other) => connectionsOf(other).map(({ vehiclePlug }) => vehiclePlug)));
  const plugs = [...new Set(connectionsOf(onVehicle).map(({ vehiclePlug }) => vehiclePlug))].filter((plug) => !inUse.has(plug));
  return plugs.flatMap((plug) =>
    (context.state.populated[plug] ?? []).map(({ row, column }): TakeOut => {
      const own = context.profile.plugs.find(({ id }) => id === plug);
      const id = `${plug}.${row}.${column}`;
      return { kind: 'contact', kit: onVehicle.kit.slug, id, side: own?.side ?? 'centre', reach: own?.reach ?? [], asks: [], after: [], contact: { plug, row, column } };
    }),
  );
}

/** Fitting steps begun or done, the last of the kit first: what went on last comes off first. */
function stepsOf(context: JobContext, onVehicle: KitOnVehicle): TakeOut[] {
  const kit = onVehicle.kit.slug;
  const begun = context.state.passes[kit] ?? {};
  const steps = onVehicle.fitment?.fitSteps ?? [];
  const unknown = Object.keys(begun).filter((id) => !steps.some((step) => step.id === id));
  const known = steps.filter(({ id }) => (begun[id] ?? []).length > 0).reverse();
  const joints = (side: Side) => jointsOf(context, onVehicle).filter((joint) => joint.side === side || joint.side === 'centre' || side === 'centre');
  return [
    ...known.map((step): TakeOut => ({
      kind: 'step',
      kit,
      id: step.id,
      side: step.side,
      reach: stepReach(context, step),
      asks: step.asks ?? [],
      after: joints(step.side).map(({ id }) => id),
      step,
    })),
    ...unknown.map((id): TakeOut => ({ kind: 'step', kit, id, side: 'centre', reach: [], asks: [], after: [] })),
  ];
}

/**
 * All that is still on the vehicle of kits that are not fitted after all, in the order in which it comes out: joints parted first, then contacts and
 * legs, then the fitting steps from the last to the first.
 */
export const toTakeOut = once((context): TakeOut[] =>
  kitsDropped(context).flatMap((onVehicle) => {
    const joints = jointsOf(context, onVehicle);
    return [...joints, ...contactsOf(context, onVehicle), ...legsOf(context, onVehicle), ...stepsOf(context, onVehicle)];
  }),
);

/** Whether a hand gets to something that is to be taken out. */
export const inReach = ({ state }: Pick<JobContext, 'state'>, { reach }: Pick<TakeOut, 'reach'>): boolean =>
  reach.length === 0 || reach.some((way) => needsHold(way.needs, state.pieces));

/** Lamps of a kit on the side of a step, or all of a step in the middle: what that step held. */
export function lampsHeld({ kits }: Pick<JobContext, 'kits'>, kit: string, side: Side): string[] {
  return (kits.find(({ slug }) => slug === kit)?.lamps ?? []).filter((lamp) => side === 'centre' || lamp.side === side || lamp.side === 'centre').map(({ id }) => id);
}
