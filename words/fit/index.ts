import type { Pass } from '@jade/core/kit';
import type { fit } from '@jade/core/stations';
import type { Names } from '@jade/words/names';
import { inSentence } from '@jade/words/units';

/** One pass or one test of Fit at a time. */
export const FIT_FLOOR = {
  done: 'Everything is fitted, and every test has passed.',
  helper: 'Helper:',
  eyes: 'Nobody looks into a beam from near. A lamp that was on for minutes is hot.',
  works: 'It works',
  fails: 'It does not',
  failed: 'Failed: write what it did now',
  where: 'Where this is',
} as const;
/** A test that failed. */
export const FAILURE = { open: 'The test failed', closed: 'It failed with everything closed', did: 'What it did', record: 'Record the failure' } as const;
export const LAMP_TESTED = 'tested';
const PASS_VERBS: Readonly<Record<Pass, { does: string; done: string }>> = {
  start: { does: 'Start all', done: 'All are started' },
  align: { does: 'Align', done: 'It is aligned' },
  tighten: { does: 'Tighten', done: 'All are tight' },
};
/** What a step of Fit is, and the tap that ends a pass. */
export const sayFitStep = (step: fit.FitFloorStep, names: Pick<Names, 'step' | 'test'>): string =>
  step.kind === 'pass'
    ? `${PASS_VERBS[step.pass].does}: ${inSentence(names.step(step.onVehicle.kit.slug, step.step.id))}`
    : `Test: ${inSentence(names.test(step.onVehicle.kit.slug, step.test.id))}`;
export const sayPassDone = (pass: Pass): string => PASS_VERBS[pass].done;
