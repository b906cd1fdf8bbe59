import { lookAlikeTools, toolsBetween, type AccessPlan } from '../access/index.ts';
import type { JobContext } from './context.ts';
import { fitStepsOf, kitsOnVehicle } from './kits.ts';

/** Tools of a whole job in the order first needed. */
export interface JobTools {
  /** For what comes off, and goes back again. */
  opening: string[];
  /** For fitting the kits, besides those. */
  fitting: string[];
  /** Pairs that are easily mixed up. */
  alike: { one: string; other: string }[];
}

/** Tools for all that was opened and is still to be opened, then for fitting the kits. */
export function jobTools(context: JobContext, plan: AccessPlan | undefined): JobTools {
  const pieces = new Map(context.profile.pieces.map((piece) => [piece.id, piece]));
  const moves = [...context.state.history, ...(plan?.steps ?? [])].flatMap(({ piece, from, level }) => {
    const found = pieces.get(piece);
    return found ? [{ piece: found, from, level }] : [];
  });
  const opening = [...new Set(moves.flatMap(({ piece, from, level }) => toolsBetween(piece, from, level)))];
  const fitting = kitsOnVehicle(context).flatMap((onVehicle) => fitStepsOf(onVehicle).map((step) => step.tool.split(',')[0]?.trim() ?? step.tool));
  return {
    opening,
    fitting: [...new Set(fitting)].filter((tool) => !opening.includes(tool)),
    alike: lookAlikeTools([...new Set(moves.map(({ piece }) => piece))].flatMap((piece) => piece.fasteners)),
  };
}
