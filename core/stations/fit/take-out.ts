import { inReach, kitsDropped, kitsFittedBefore, lampsHeld, stepReach, supplyBars, toTakeOut, type JobContext, type KitOnVehicle, type TakeOut } from '../../job/index.ts';
import type { Happened } from '../../events/index.ts';
import type { FitStep } from '../../kit/index.ts';
import { needsHold } from '../../vehicle/index.ts';
import { refused, unless, happened, type Act, type Refusal } from '../act.ts';
import { todo, type Asked } from '../hold.ts';
import { missingFor } from '../open-up/index.ts';

/** What is still to be taken out of kits that are not fitted after all. */
export function askedOfDropped(context: JobContext): Asked[] {
  const out = toTakeOut(context);
  return kitsDropped(context).flatMap(({ kit }): Asked[] => {
    const own = out.filter((entry) => entry.kit === kit.slug);
    return own.length > 0 ? [todo('kit-to-take-out', { kit: kit.slug, count: own.length })] : [];
  });
}

/** What stands against taking something of a dropped kit out: no hand gets to it, a joint of it is to be parted first, a supply is not as it asks. */
export function againstOut(context: JobContext, out: TakeOut, at: string): Refusal[] {
  const joined = context.state.joined[out.kit] ?? [];
  const first = out.after.filter((id) => joined.includes(id));
  return [
    ...(inReach(context, out) ? [] : [{ code: 'open-first' as const, pieces: missingFor(context, out.reach[0]?.needs ?? []) }]),
    ...(first.length > 0 ? [{ code: 'part-first' as const, kit: out.kit, connections: first }] : []),
    ...supplyBars(context, out.asks, at),
  ];
}

function eventOf(context: JobContext, { kind, kit, id, side, contact }: TakeOut): Happened {
  if (kind === 'joint') return { type: 'plug.parted', payload: { kit, connection: id } };
  if (kind === 'leg') return { type: 'leg.lifted', payload: { kit, leg: id } };
  if (contact) return { type: 'contact.pulled', payload: contact };
  return { type: 'step.undone', payload: { kit, step: id, lamps: lampsHeld(context, kit, side) } };
}

/** Something of a dropped kit taken out again. */
export function takenOut(context: JobContext, kit: string, kind: TakeOut['kind'], id: string, at: string): Act {
  const out = toTakeOut(context).find((entry) => entry.kit === kit && entry.kind === kind && entry.id === id);
  if (!out) return refused({ code: 'already' });
  return unless(againstOut(context, out, at), () => [eventOf(context, out)]);
}

/** Fitting steps of kits that an earlier job fitted, whose bolts a hand gets to as the vehicle stands and that were not held again yet. */
export function toRecheck(context: JobContext): { onVehicle: KitOnVehicle; step: FitStep }[] {
  const { state } = context;
  return kitsFittedBefore(context).flatMap((onVehicle) =>
    (onVehicle.fitment?.fitSteps ?? [])
      .filter(
        (step) =>
          step.passes.includes('tighten') &&
          stepReach(context, step).some(({ needs }) => needsHold(needs, state.pieces)) &&
          !(state.rechecked[onVehicle.kit.slug] ?? []).includes(step.id),
      )
      .map((step) => ({ onVehicle, step })),
  );
}

/** Bolts of a kit that an earlier job fitted: to be held again with the tool of their step. */
export function askedAgain(context: JobContext): Asked[] {
  if (context.state.cancelled) return [];
  const steps = toRecheck(context);
  const [first] = steps;
  return first ? [todo('bolts-to-recheck', { kit: first.onVehicle.kit.slug, step: first.step.id, count: steps.length })] : [];
}

/** The bolts of a step of an earlier job held again with its tool: they do not move. */
export function rechecked(context: JobContext, kit: string, step: string): Act {
  const known = toRecheck(context).some((entry) => entry.onVehicle.kit.slug === kit && entry.step.id === step);
  return known ? happened({ type: 'step.rechecked', payload: { kit, step } }) : refused({ code: 'already' });
}
