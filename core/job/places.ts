import { evaluate } from '../facts/index.ts';
import type { FitStep } from '../kit/index.ts';
import type { Piece } from '../vehicle/index.ts';
import type { JobContext } from './context.ts';
import { fitStepsOf, kitsOnVehicle, replacedPieces, type KitOnVehicle } from './kits.ts';
import { factValues } from '../events/index.ts';

/** A fitting step of a kit of the job. */
export interface KitStep {
  kit: string;
  step: string;
}

/** What the refit rules that name a replaced piece ask of a fitting step, which sets the kit's part in that place. */
export interface PlaceRules {
  /** Pieces that go back only after it. */
  before: string[];
  /** Pieces that must be back before it. */
  after: string[];
  /** Fitting steps that come before it. */
  steps: KitStep[];
}

/** Steps that set the part of a kit in the place of a piece: those that say so, or else every step of the piece's side. */
function settingIn(onVehicle: KitOnVehicle, piece: Piece): FitStep[] {
  if (!onVehicle.fitment?.replaces.includes(piece.id)) return [];
  const steps = fitStepsOf(onVehicle);
  const named = steps.filter((step) => step.inPlaceOf?.includes(piece.id));
  if (named.length > 0) return named;
  return piece.side === 'centre' ? steps : steps.filter((step) => step.side === piece.side || step.side === 'centre');
}

/** What comes before and after a fitting step by the refit rules of the vehicle: one that names a replaced piece means the kit's part in its place. */
export function placeRules(context: JobContext, onVehicle: KitOnVehicle, step: FitStep): PlaceRules {
  const { profile, state } = context;
  const replaced = new Set(replacedPieces(context));
  const facts = factValues(state);
  const rules = profile.refitRules.filter((rule) => (replaced.has(rule.first) || replaced.has(rule.then)) && evaluate(rule.when, facts) !== 'no');
  const pieces = new Map(profile.pieces.map((piece) => [piece.id, piece]));
  const sets = (id: string, by: KitOnVehicle) => {
    const piece = pieces.get(id);
    return piece ? settingIn(by, piece) : [];
  };
  const isSetHere = (id: string) => replaced.has(id) && sets(id, onVehicle).some((entry) => entry.id === step.id);
  const waiting = rules.filter((rule) => isSetHere(rule.then));
  return {
    before: rules.filter((rule) => isSetHere(rule.first) && !replaced.has(rule.then)).map((rule) => rule.then),
    after: waiting.filter((rule) => !replaced.has(rule.first)).map((rule) => rule.first),
    steps: waiting
      .filter((rule) => replaced.has(rule.first))
      .flatMap((rule) => kitsOnVehicle(context).flatMap((other) => sets(rule.first, other).map((entry) => ({ kit: other.kit.slug, step: entry.id }))))
      .filter((entry) => entry.kit !== onVehicle.kit.slug || entry.step !== step.id),
  };
}
