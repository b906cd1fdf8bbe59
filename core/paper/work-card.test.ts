import type { Fitment } from '../kit/index.ts';
import { SMALL } from '../stations/test/small-van.ts';
import type { ClosingStep, Gate } from '../closing/index.ts';
import { backOnCard, kitsOnCard } from './index.ts';
import { fitStepsOf, jobContext, kitsOnVehicle, testsOf, type JobDocuments } from '../job/index.ts';
import { openedLog } from '../job/test/log.ts';

const [KIT] = SMALL.kits;
const [FITMENT] = KIT?.fitments ?? [];
if (!KIT || !FITMENT) throw new Error('no kit');
const withFitment = (part: Partial<Fitment>): JobDocuments => ({ ...SMALL, kits: [{ ...KIT, fitments: [{ ...FITMENT, ...part }] }] });
const cardOf = (documents: JobDocuments, log = openedLog()) => kitsOnCard(jobContext(log.state, documents));

test('a step through all its passes and a test that passed are not on the card; one begun, one that failed are', () => {
  const log = openedLog();
  const before = jobContext(log.state, SMALL);
  const [onVehicle] = kitsOnVehicle(before);
  if (!onVehicle) throw new Error('no kit');
  const [steps, tests] = [fitStepsOf(onVehicle), testsOf(onVehicle)];
  const [first, second] = steps;
  const [one, other] = tests;
  if (!first || !second || !one || !other) throw new Error('too few');
  expect(kitsOnCard(before)).toMatchObject([{ fits: 'yes', done: 0, steps, tests, wired: true }]);
  for (const pass of first.passes) log.add('step.passed', { kit: KIT.slug, step: first.id, pass });
  expect(second.passes.length).toBeGreaterThan(1);
  log.add('step.passed', { kit: KIT.slug, step: second.id, pass: 'start' });
  log.add('test.tried', { kit: KIT.slug, test: one.id, passed: true });
  log.add('test.tried', { kit: KIT.slug, test: other.id, passed: false, note: 'dark' });
  const [card] = cardOf(SMALL, log);
  expect([card?.done, card?.steps, card?.tests]).toEqual([2, steps.slice(1), tests.slice(1)]);
});

test('one that may not fit says so, one whose fitting is not described is not taken for done, one that does not fit asks for nothing', () => {
  const short = (documents: JobDocuments) => cardOf(documents).map(({ fits, steps, tests, done }) => [fits, steps.length, tests.length, done]);
  expect(short(withFitment({ fitSteps: [], tests: [] }))).toEqual([['not described', 0, 0, 0]]);
  expect(short(withFitment({ vehicle: 'elsewhere' }))).toEqual([['no', 0, 0, 0]]);
  const facts = [{ id: 'trim', label: 'Trim', choices: ['plain', 'guard'], howToSee: 'look', lookMin: 1 }];
  const hangs = withFitment({ condition: { fact: 'trim', is: 'plain' } });
  expect(short({ ...hangs, profile: { ...hangs.profile, facts } })[0]?.[0]).toBe('not settled');
});

test('of a kit that nobody described on a kind that is new the card says that it is not described, not that it does not fit', () => {
  const elsewhere = { ...withFitment({ vehicle: 'another' }), profile: { ...SMALL.profile, undescribed: ['mounts' as const] } };
  expect(cardOf(elsewhere)).toMatchObject([{ fits: 'not described', steps: [], tests: [], wired: false }]);
  expect(cardOf(withFitment({ vehicle: 'another' }))).toMatchObject([{ fits: 'no' }]);
});

test('what must come before a step back is said once: where it is first waited for, or where it stands in the order itself', () => {
  const gate = (test: string, passed = false) => ({ subject: { kind: 'test', kit: 'k', test }, passed }) as unknown as Gate;
  const back = (piece: string, ...gates: Gate[]) => ({ kind: 'piece', piece, gates }) as unknown as ClosingStep;
  const steps = [
    back('skin', gate('left'), gate('seen', true)),
    back('grille', gate('left'), gate('right')),
    { kind: 'gate', gate: gate('live') } as ClosingStep,
    back('lid', gate('live'), gate('right')),
  ];
  expect(backOnCard(steps).map(({ before }) => before.map(({ subject }) => (subject.kind === 'test' ? subject.test : subject.kind)))).toEqual([['left'], ['right'], [], []]);
  expect(backOnCard(steps).map(({ step }) => step)).toEqual(steps);
});
