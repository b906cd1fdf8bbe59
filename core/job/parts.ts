import { fastenersBetween, type AccessPlan } from '../access/index.ts';
import type { FastenerGroup } from '../vehicle/index.ts';
import type { JobContext } from './context.ts';

/** New fasteners that this job asks for, and why. */
export interface PartToOrder {
  piece: string;
  group: FastenerGroup;
  count: number;
  why: 'single use' | 'broken' | 'seized';
}

/** Fasteners that do not go back: used once only, broken, or seized and cut; of what is open and of what is still planned. */
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
  return parts;
}
