import { piecesBack, type ClosePlan, type CloseStep } from '../../closing/index.ts';
import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { refitCycle, type RefitRule } from '../../vehicle/index.ts';
import { refused, tooLong, unless, type Act, type Refusal } from '../act.ts';

/** Pieces that a step back comes before, directly or through others. */
function waitingFor(steps: readonly CloseStep[], piece: string): Set<string> {
  const found = new Set([piece]);
  for (let count = 0; count < found.size;) {
    count = found.size;
    for (const step of steps) if (step.first.some((first) => found.has(first))) found.add(step.piece);
  }
  return found;
}

/** Pieces that can have to go back before a step: those that are still open, and do not wait for it themselves. */
export function canGoFirst({ state, profile }: Pick<JobContext, 'state' | 'profile'>, closing: ClosePlan, { piece }: Pick<CloseStep, 'piece'>): string[] {
  const steps = piecesBack(closing.steps);
  const waiting = waitingFor(steps, piece);
  const kind = new Set(profile.pieces.map(({ id }) => id));
  const open = steps.map((step) => step.piece).filter((id) => (state.pieces[id] ?? 'fitted') !== 'fitted' && kind.has(id) && !state.accessories[id]);
  return [...new Set(open)].filter((id) => !waiting.has(id));
}

/**
 * Something that has to go back before a step, as whoever puts it back sees: from then on the way back keeps to it, and the kind is offered it.
 * @param id for good: drawn by the device
 */
export function goesBackFirst(context: JobContext, closing: ClosePlan, step: Pick<CloseStep, 'piece'>, { first, why, id }: { first: string; why: string; id: string }): Act {
  const { profile } = context;
  if (!canGoFirst(context, closing, step).includes(first)) return refused({ code: 'unknown', what: 'piece', id: first });
  const rule: RefitRule = { id, first, then: step.piece, why: why.trim() };
  const bars: Refusal[] = [
    ...(profile.refitRules.some((known) => known.first === first && known.then === step.piece && !known.when) ? [{ code: 'already' as const }] : []),
    ...(rule.why === '' ? [{ code: 'nothing' as const }] : []),
    ...tooLong(rule.why, LONGEST_TEXT.why),
    ...(refitCycle({ refitRules: [...profile.refitRules, rule] }).length > 0 ? [{ code: 'goes-round' as const, first, then: step.piece }] : []),
  ];
  return unless(bars, () => [{ type: 'kind.described', payload: { refitRules: [rule] } }]);
}
