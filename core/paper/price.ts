import type { AccessPlan } from '../access/index.ts';
import { type JobContext, fitStepsOf, kitsOnVehicle, kitsUndescribed } from '../job/index.ts';
import { reachUnknown } from '../plan/index.ts';
import { leadsToBring } from '../loom/index.ts';

/** What a job comes to, in the smallest coin and without tax. Cable, ties, seals and new fasteners have no price in the library and are not in it. */
export interface JobPrice {
  kits: { kit: string; cents: number }[];
  /** Leads of the plug library that go between. */
  leadsCents: number;
  /** Person-minutes that are still ahead: in and back, on the bench, fitting. */
  labour: { openMin: number; benchMin: number; fitMin: number };
  /** What of the labour nobody has described yet, so that it is not in it. */
  unknown: ('opening' | 'fitting')[];
  /** Labour at the shop's rate, and all of it together; undefined where the shop names no rate, or the way in is not known. Together nothing is said while some of the labour is not known. */
  labourCents?: number;
  totalCents?: number;
}

const MIN_PER_HOUR = 60;

/**
 * What is still ahead of a job in parts and labour, each apart. Source: formulas, "Time and money".
 * @param plan the way in; undefined while it is worked out
 * @param labourCentsPerHour what an hour of one person costs, in the smallest coin
 */
export function priceOf(context: JobContext, plan: AccessPlan | undefined, labourCentsPerHour: number | undefined): JobPrice {
  const { state } = context;
  const kits = kitsOnVehicle(context);
  const sum = (list: readonly number[]) => list.reduce((total, value) => total + value, 0);
  const benchMin = sum(kits.flatMap(({ kit }) => kit.benchTasks.flatMap(({ id, minutes }) => ((state.benchDone[kit.slug] ?? []).includes(id) ? [] : [minutes]))));
  const fitMin = sum(
    kits.flatMap((onVehicle) =>
      fitStepsOf(onVehicle).flatMap(({ id, passes, minutes }) => (passes.every((pass) => (state.passes[onVehicle.kit.slug]?.[id] ?? []).includes(pass)) ? [] : [minutes])),
    ),
  );
  const labour = { openMin: plan?.personMin ?? 0, benchMin, fitMin };
  const unknown = [...(reachUnknown(context) ? (['opening'] as const) : []), ...(kitsUndescribed(context, 'fitSteps').length > 0 ? (['fitting'] as const) : [])];
  const priced = {
    unknown,
    kits: kits.map(({ kit }) => ({ kit: kit.slug, cents: kit.priceCents })),
    leadsCents: sum(leadsToBring(context).map(({ priceCents }) => priceCents)),
    labour,
  };
  if (labourCentsPerHour === undefined || !plan) return priced;
  const labourCents = Math.round(((labour.openMin + benchMin + fitMin) * labourCentsPerHour) / MIN_PER_HOUR);
  if (unknown.length > 0) return { ...priced, labourCents };
  return { ...priced, labourCents, totalCents: labourCents + priced.leadsCents + sum(priced.kits.map(({ cents }) => cents)) };
}
