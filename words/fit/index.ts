import type { FitStep, Pass } from '@jade/core/kit';
import type { TakenOutKind } from '@jade/core/job';
import type { fit } from '@jade/core/stations';
import type { Names } from '@jade/words/names';
import { saySubject } from '@jade/words/subject';
import { inSentence } from '@jade/words/units';

/** One pass or one test of Fit at a time. */
export const FIT_FLOOR = {
  done: 'Everything is fitted, and every test has passed.',
  helper: 'Helper:',
  works: 'It works',
  fails: 'It does not',
  failed: 'Failed: write what it did now',
  where: 'Where this is',
} as const;
/** The whole of Fit. */
export const FIT = {
  where: (kit: string) => `Where ${kit} sits`,
  tests: 'Tests before anything covers them',
  passed: 'Passed',
  failed: 'Failed',
  fitting: (kit: string) => `${kit}: fitting`,
  rule: 'Start every fastener of a side before aligning, align all before tightening.',
  passes: (step: string) => `Passes of ${step}`,
  under: (piece: string, group: string) => `Under ${inSentence(piece)}, ${group}.`,
  forTest: (what: string) => `${what}, for the test`,
} as const;
/** A test that failed. */
export const FAILURE = { open: 'The test failed', closed: 'It failed with everything closed', did: 'What it did', record: 'Record the failure' } as const;
export const LAMP_TESTED = 'tested';
const ONE_PASS = 'Done';
const PASS_VERBS: Readonly<Record<Pass, { does: string; done: string }>> = {
  start: { does: 'Start all', done: 'All are started' },
  align: { does: 'Align', done: 'It is aligned' },
  tighten: { does: 'Tighten', done: 'All are tight' },
};
/** What a step of Fit is, and the tap that ends a pass. */
export function sayFitStep(step: fit.FitFloorStep, names: Names): string {
  switch (step.kind) {
    case 'pass': {
      const name = names.step(step.onVehicle.kit.slug, step.step.id);
      return step.step.passes.length > 1 ? `${PASS_VERBS[step.pass].does}: ${inSentence(name)}` : name;
    }
    case 'test':
      return `Test: ${inSentence(names.test(step.onVehicle.kit.slug, step.test.id))}`;
    case 'again':
      return `Hold the bolts again: ${inSentence(names.step(step.onVehicle.kit.slug, step.step.id))}`;
    case 'out':
      return saySubject({ kind: 'out', kit: step.out.kit, what: `${step.out.kind}/${step.out.id}` }, names);
  }
}
/** The tap that ends a step which is neither a pass nor a test. */
export const OUT_DONE: Readonly<Record<TakenOutKind | 'again', string>> = {
  joint: 'It is parted',
  leg: 'It is out',
  contact: 'It is out',
  step: 'It is undone',
  again: 'They hold',
};
/** Taking a kit out again, and bolts of an earlier job. */
export const TAKE_OUT = {
  title: 'Comes out again',
  why: (kit: string, reason: string) =>
    `${kit} is not fitted after all: ${reason}. What is on the vehicle of it comes out in this order; then the vehicle’s own parts go back at Close up.`,
  again: 'Bolts of the earlier job',
  againWhy: 'Held again with the tool and the tightening of the step. A bolt that moves is tightened, and the step is looked at.',
} as const;
/** Where there is one pass only, nothing is started or tightened by itself: it is done. */
export const sayPassDone = ({ passes }: Pick<FitStep, 'passes'>, pass: Pass): string => (passes.length > 1 ? PASS_VERBS[pass].done : ONE_PASS);
export const sayPass = ({ passes }: Pick<FitStep, 'passes'>, pass: Pass): string => (passes.length > 1 ? PASS_VERBS[pass].does : ONE_PASS);
