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

export const STEP_FITTED = {
  title: 'A step of fitting was done',
  caution: 'Before the next step: what was fitted holds by itself, nothing chafes or is pinched, and no tool or fastener lies loose behind it.',
  name: 'What was done',
  names: 'What of the box it was',
  lamps: 'Lamps that now sit in their place by it',
  place: 'Where on the vehicle',
  newPlace: 'Another place',
  placeName: 'What the place is called',
  point: 'Tap where it sits',
  pointHint: 'What is open now counts as the way to this place. A height is measured when the lamp is aimed.',
  view: 'Seen from',
  side: 'Side',
  sides: { left: 'left', centre: 'middle', right: 'right' },
  tool: 'Tool',
  tools: ['10 mm hex', '13 mm hex', 'cross-head', 'hex key 5 mm', 'cable tie', 'hand'],
  tighten: 'How tight; left empty: snug',
  minutes: 'Minutes it took',
  bolted: 'Bolted: started, aligned, tightened',
  inOne: 'Done in one go',
  how: 'How it is held',
  takesPlace: 'It takes the place of a piece that is off',
  irreversible: 'It cut or drilled something',
  agreedBy: 'Who agreed to that, for the vehicle’s owner',
  missing: 'Still missing: what was done, its side, its place, the tool, how it is held, the minutes, or who agreed.',
  sure: 'It did take that long',
  record: 'It is done',
  here: 'here',
} as const;

export const KIT_FITTING = {
  title: (kit: string) => `Fitting ${kit}, step by step`,
  why: 'Nobody has described how it is fitted on this kind of vehicle. Go by its paper, and write down each step once it is done: the next one of this kind is fitted by it.',
  steps: (count: number) => (count === 0 ? 'No step is written down yet.' : `${count === 1 ? 'One step is' : `${count} steps are`} written down.`),
  step: 'A step was done',
  tests: 'What proves its lamps: take each that this vehicle can do',
  take: (count: number) => (count === 1 ? 'Take this test' : `Take these ${count}`),
  all: 'That is all that is fitted and tested',
} as const;
