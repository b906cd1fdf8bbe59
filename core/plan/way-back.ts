import { setUpOf, type AccessPlan } from '../access/index.ts';
import { planClosing, type ClosePlan } from '../closing/index.ts';
import { once, type JobContext, replacedPieces, openingMoves, suppliesAfter } from '../job/index.ts';
import { gatesOf } from './gates.ts';
import { factValues } from '../events/index.ts';
import { standIn } from '../vehicle/index.ts';

/** The order of putting back what is open or planned to be, with what must come before each step. */
export function planClosingOf(context: JobContext, plan: AccessPlan | undefined): ClosePlan {
  return plan === undefined || plan.steps.length === 0 ? closingWithoutPlan(context) : closingWith(context, plan);
}

const closingWithoutPlan = once((context) => closingWith(context, undefined));

function closingWith(context: JobContext, plan: AccessPlan | undefined): ClosePlan {
  return planClosing({
    profile: context.profile,
    facts: factValues(context.state),
    moves: openingMoves(context, plan),
    replaced: replacedPieces(context),
    gates: gatesOf(context, plan),
    setUp: setUpOf(context.rules),
    people: context.state.order?.people,
    taken: context.taken,
    supplyNow: suppliesAfter(context, plan),
    stand: (plan?.steps ?? []).reduce((stand, { positions = [] }) => standIn(stand, positions), context.state.stand),
  });
}
