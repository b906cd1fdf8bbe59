import {
  feedsOf,
  fitStepsOf,
  kitsOnVehicle,
  LOW_LIVE,
  placeRules,
  stepReach,
  supplyBars,
  testsOf,
  toTakeOut,
  type JobContext,
  type KitOnVehicle,
  type TakeOut,
} from '../../job/index.ts';
import { planClosingOf, stepDone } from '../../plan/index.ts';
import type { FitStep, KitTest, Pass } from '../../kit/index.ts';
import type { PhotoSubject } from '../../photos/index.ts';
import { key, same } from '../../subject/index.ts';
import { levelRank, needsHold } from '../../vehicle/index.ts';
import { refused, unless, type Act, type Refusal } from '../act.ts';
import { consentBars } from '../consent.ts';
import { askedOfTwins } from '../same-place.ts';
import { askedOfUnplaced } from '../undescribed.ts';
import { block, todo, type Asked } from '../hold.ts';
import { missingFor } from '../open-up/index.ts';
import { againstOut, askedAgain, askedOfDropped, toRecheck } from './take-out.ts';

export * from './capture.ts';
export * from './take-out.ts';

export function asked(context: JobContext): Asked[] {
  const kits = kitsOnVehicle(context).flatMap((onVehicle): Asked[] => {
    const { kit } = onVehicle;
    const passes = context.state.passes[kit.slug] ?? {};
    const steps = fitStepsOf(onVehicle).filter((step) => step.passes.some((pass) => !(passes[step.id] ?? []).includes(pass)));
    const wanted: Asked[] = steps.length > 0 ? [todo('fit-passes', { kit: kit.slug, step: steps[0]?.id ?? '', count: steps.length })] : [];
    for (const test of testsOf(onVehicle)) {
      const passed = context.state.tests[kit.slug]?.[test.id];
      const data = { kit: kit.slug, test: test.id };
      const about = key({ kind: 'test', kit: kit.slug, test: test.id });
      if (passed === false) wanted.push(block('test-failed', data, about));
      else if (passed === undefined) wanted.push(todo('test-missing', data, about));
    }
    return wanted;
  });
  return [...askedOfDropped(context), ...askedOfUnplaced(context, 'fitted'), ...askedOfTwins(context, 'mounts'), ...kits, ...askedAgain(context)];
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.passes).length > 0 || Object.keys(state.tests).length > 0;
}

/** Where nothing is asked, nothing is left to be done. */
export const ready = (): boolean => true;

const passesOf = ({ state }: JobContext, kit: string, step: string) => state.passes[kit]?.[step] ?? [];

/** Steps of a side that are not through the pass before: every fastener is started before any is aligned, all aligned before any is tightened. */
function behind(context: JobContext, onVehicle: KitOnVehicle, step: FitStep, pass: Pass): Refusal[] {
  const before = step.passes[step.passes.indexOf(pass) - 1];
  if (before === undefined) return [];
  const steps = fitStepsOf(onVehicle).filter(
    (other) =>
      other.side === step.side &&
      other.passes.includes(before) &&
      !passesOf(context, onVehicle.kit.slug, other.id).includes(before) &&
      // One that a refit rule lets begin only later is not waited for: what it waits for may wait for this one.
      inPlace(context, onVehicle, other).length === 0,
  );
  return steps.length > 0 ? [{ code: 'pass-first', pass: before, steps: steps.map((other) => other.id) }] : [];
}

/** What a refit rule puts before a step that sets the kit's part in the place of a piece. */
function inPlace(context: JobContext, onVehicle: KitOnVehicle, step: FitStep): Refusal[] {
  const subject = { kind: 'fit' as const, kit: onVehicle.kit.slug, step: step.id };
  // Where the rules go round in a circle they are named at Close up and not held.
  const contradicted = planClosingOf(context, undefined).problems.some((problem) => problem.code === 'gate-cannot-run' && same(problem.subject, subject));
  if (contradicted) return [];
  const { after, steps } = placeRules(context, onVehicle, step);
  const notBack = after.filter((piece) => levelRank(context.state.pieces[piece] ?? 'fitted') > 0);
  const notSet = steps.filter((entry) => {
    const other = onVehicleOf(context, entry.kit);
    return other && fitStepsOf(other).some((known) => known.id === entry.step && !stepDone(context, entry.kit, known));
  });
  return [...(notBack.length > 0 ? [{ code: 'back-first' as const, pieces: notBack }] : []), ...(notSet.length > 0 ? [{ code: 'step-first' as const, steps: notSet }] : [])];
}

/** What stands against a pass of a fitting step: what it needs is not open, a pass is behind, a supply is not as it asks. */
export function againstPass(context: JobContext, onVehicle: KitOnVehicle, step: FitStep, pass: Pass, at: string): Refusal[] {
  const reach = stepReach(context, step);
  const missing = reach.some(({ needs }) => needsHold(needs, context.state.pieces)) ? [] : missingFor(context, reach[0]?.needs ?? []);
  return [
    ...(passesOf(context, onVehicle.kit.slug, step.id).includes(pass) ? [{ code: 'already' as const }] : []),
    ...(missing.length > 0 ? [{ code: 'open-first' as const, pieces: missing }] : []),
    ...inPlace(context, onVehicle, step),
    ...behind(context, onVehicle, step, pass),
    ...supplyBars(context, step.asks ?? [], at),
    ...consentBars(context, { kind: 'fit', kit: onVehicle.kit.slug, step: step.id }, step.irreversible),
  ];
}

const onVehicleOf = (context: JobContext, kit: string) => kitsOnVehicle(context).find((entry) => entry.kit.slug === kit);

/** One pass of a fitting step done. */
export function passed(context: JobContext, kit: string, stepId: string, pass: Pass, at: string): Act {
  const onVehicle = onVehicleOf(context, kit);
  const step = onVehicle && fitStepsOf(onVehicle).find((entry) => entry.id === stepId);
  if (!onVehicle || !step?.passes.includes(pass)) return refused({ code: 'unknown', what: 'fitting step', id: stepId });
  return unless(againstPass(context, onVehicle, step, pass, at), () => [{ type: 'step.passed', payload: { kit, step: stepId, pass } }]);
}

/** What stands against a test: its plugs are not joined, a piece must be back first, its supply is not live. */
export function againstTest(context: JobContext, onVehicle: KitOnVehicle, test: KitTest, at: string): Refusal[] {
  const joined = context.state.joined[onVehicle.kit.slug] ?? [];
  const open = feedsOf(onVehicle, test).filter(({ id }) => !joined.includes(id) && context.state.exceptions[key({ kind: 'plug', connection: id })] === undefined);
  const notBack = (test.after ?? []).filter((piece) => levelRank(context.state.pieces[piece] ?? 'fitted') > 0);
  return [
    ...(open.length > 0 ? [{ code: 'join-first' as const, connections: open.map(({ id }) => id) }] : []),
    ...(notBack.length > 0 ? [{ code: 'back-first' as const, pieces: notBack }] : []),
    ...supplyBars(context, LOW_LIVE, at),
  ];
}

/** A test tried: what it did is noted where it failed. */
export function tested(context: JobContext, kit: string, testId: string, works: boolean, at: string, note?: string): Act {
  const onVehicle = onVehicleOf(context, kit);
  const test = onVehicle && testsOf(onVehicle).find((entry) => entry.id === testId);
  if (!onVehicle || !test) return refused({ code: 'unknown', what: 'test', id: testId });
  if (works && context.state.tests[kit]?.[testId] === true) return refused({ code: 'already' });
  return unless(againstTest(context, onVehicle, test, at), () => [
    { type: 'test.tried', payload: { kit, test: testId, passed: works, ...(note?.trim() ? { note: note.trim() } : {}) } },
  ]);
}

/** One thing that hands do at Fit. */
export type FitFloorStep =
  | { kind: 'pass'; id: string; onVehicle: KitOnVehicle; step: FitStep; pass: Pass; against: Refusal[] }
  | { kind: 'test'; id: string; onVehicle: KitOnVehicle; test: KitTest; failed: boolean; against: Refusal[] }
  /** Something of a kit that is not fitted after all. */
  | { kind: 'out'; id: string; out: TakeOut; against: Refusal[] }
  /** Bolts of a kit that an earlier job fitted. */
  | { kind: 'again'; id: string; onVehicle: KitOnVehicle; step: FitStep; against: Refusal[] };

/**
 * What is left to do with hands at Fit, one at a time: what is taken out again first; of each step the pass that is next, and the tests that have not passed. What cannot be done
 * yet comes after what can; else kit by kit and side by side, every fastener of a side started before one is aligned, aligned before one is tightened.
 */
export function floorSteps(context: JobContext, at: string): FitFloorStep[] {
  const outs = toTakeOut(context).map((out): FitFloorStep => ({ kind: 'out', id: `out/${out.kit}/${out.kind}/${out.id}`, out, against: againstOut(context, out, at) }));
  const again = toRecheck(context).map(({ onVehicle, step }): FitFloorStep => ({ kind: 'again', id: `again/${onVehicle.kit.slug}/${step.id}`, onVehicle, step, against: [] }));
  const steps = kitsOnVehicle(context).flatMap((onVehicle): FitFloorStep[] => {
    const kit = onVehicle.kit.slug;
    const passes = fitStepsOf(onVehicle).flatMap((step): (FitFloorStep & { kind: 'pass' })[] => {
      const pass = step.passes.find((entry) => !passesOf(context, kit, step.id).includes(entry));
      return pass ? [{ kind: 'pass', id: `${kit}/${step.id}/${pass}`, onVehicle, step, pass, against: againstPass(context, onVehicle, step, pass, at) }] : [];
    });
    const tests = testsOf(onVehicle).flatMap((test): FitFloorStep[] => {
      const passed = context.state.tests[kit]?.[test.id];
      return passed ? [] : [{ kind: 'test', id: `${kit}/${test.id}`, onVehicle, test, failed: passed === false, against: againstTest(context, onVehicle, test, at) }];
    });
    return [...passes, ...tests];
  });
  const can = (step: FitFloorStep) => step.against.length === 0 && !(step.kind === 'test' && step.failed);
  const all = [...outs, ...steps, ...again];
  return [...all.filter(can), ...all.filter((step) => !can(step))];
}

/** What is photographed at a step: what is fitted, or held again; nothing of a test, nor of what is taken out. */
export const pictured = (step: FitFloorStep): PhotoSubject | undefined =>
  step.kind === 'pass' || step.kind === 'again' ? { kind: 'fit', kit: step.onVehicle.kit.slug, step: step.step.id } : undefined;
