import { fastenersBetween, type AccessPlan } from '../access/index.ts';
import { checkStack, type StackCheck } from '../contents/index.ts';
import type { FitStep } from '../kit/index.ts';
import type { FastenerGroup, VehicleProfile } from '../vehicle/index.ts';
import type { JobContext } from './context.ts';
import { fitStepsOf, kitsOnVehicle } from './kits.ts';

/** New fasteners that this job asks for, and why. */
export interface PartToOrder {
  piece: string;
  group: FastenerGroup;
  count: number;
  why: 'single use' | 'broken' | 'seized' | 'too short';
}

/** Bolts of the vehicle's own that are too short to go back through a kit's part, as long as they would have to be. */
function longerBolts(context: JobContext): PartToOrder[] {
  return kitsOnVehicle(context).flatMap((onVehicle) =>
    fitStepsOf(onVehicle).flatMap((step) => {
      const under = ownBolt(context.profile, step);
      const check = under && stackOfStep(context.profile, step);
      if (!under || check?.value !== 'too short' || check.lengthMm === undefined) return [];
      return [{ piece: under.piece, group: { ...under.group, lengthMm: check.lengthMm }, count: under.group.count, why: 'too short' as const }];
    }),
  );
}

/** The vehicle's own fasteners that go back through the part of a fit step. */
function ownBolt({ pieces }: Pick<VehicleProfile, 'pieces'>, { under }: FitStep): { piece: string; group: FastenerGroup } | undefined {
  const group = pieces.find((piece) => piece.id === under?.piece)?.fasteners.find((entry) => entry.id === under?.group);
  return under && group && { piece: under.piece, group };
}

/** Whether the bolt of a fit step still holds through what lies under it; one of the vehicle's own counts with its own length. */
export function stackOfStep(profile: Pick<VehicleProfile, 'pieces'>, step: FitStep): StackCheck | undefined {
  return step.stack && checkStack({ ...step.stack, boltMm: ownBolt(profile, step)?.group.lengthMm ?? step.stack.boltMm });
}

/** Fasteners that do not go back: used once only, broken, seized and cut, or too short for a kit's part; of what is open and of what is still planned. */
export function partsToOrder(context: JobContext, plan: AccessPlan | undefined): PartToOrder[] {
  const { state, profile } = context;
  const opened = new Map(Object.entries(state.reached));
  for (const step of plan?.steps ?? []) opened.set(step.piece, step.level);
  const parts: PartToOrder[] = [];
  for (const piece of profile.pieces) {
    const level = opened.get(piece.id);
    const out = level ? fastenersBetween(piece, 'fitted', level) : [];
    for (const group of piece.fasteners) {
      const broken = state.tray[piece.id]?.[group.id]?.broken ?? 0;
      const seized = state.seized.filter((entry) => entry.piece === piece.id && entry.group === group.id).reduce((sum, entry) => sum + entry.count, 0);
      if (group.singleUse && out.includes(group)) parts.push({ piece: piece.id, group, count: group.count, why: 'single use' });
      else if (broken > 0) parts.push({ piece: piece.id, group, count: Math.min(broken, group.count), why: 'broken' });
      if (seized > 0 && !group.singleUse) parts.push({ piece: piece.id, group, count: Math.min(seized, group.count), why: 'seized' });
    }
  }
  return [...parts, ...longerBolts(context)];
}
