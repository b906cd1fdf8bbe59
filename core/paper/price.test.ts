import type { FitmentList } from '../kit/index.ts';
import { planOpening } from '../plan/index.ts';
import { priceOf } from './index.ts';
import { contextOf, openedLog, PAIR } from '../job/test/log.ts';

const DEAR = { ...PAIR, priceCents: 4250 };
const at = (log = openedLog()) => ({ ...contextOf(log), kits: [DEAR] });
const planFor = (personMin: number) => ({ ...planOpening(at()), personMin });

test('parts and the labour that is ahead, each apart; 7.4 in and back, 2 on the bench, 3 to fit are 12.4 min at 60 an hour', () => {
  expect(priceOf(at(), planFor(7.4), 6000)).toEqual({
    unknown: [],
    kits: [{ kit: 'test-kit', cents: 4250 }],
    leadsCents: 0,
    labour: { openMin: 7.4, benchMin: 2, fitMin: 3 },
    labourCents: 1240,
    totalCents: 5490,
  });
});

test('what is done is not ahead any more: a step by its last pass, a task of the bench, what is open', () => {
  const log = openedLog();
  log.add('bench.done', { kit: 'test-kit', task: 'light-up' });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'align' });
  expect(priceOf(at(log), planFor(1), 6000).labour).toEqual({ openMin: 1, benchMin: 0, fitMin: 3 });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'tighten' });
  expect(priceOf(at(log), planFor(1), 6000).labour).toEqual({ openMin: 1, benchMin: 0, fitMin: 0 });
});

test('what nobody has described is not in the labour, is said, and lets nothing be summed up', () => {
  const log = openedLog();
  const [fitment] = DEAR.fitments;
  if (!fitment) throw new Error('the pair is fitted nowhere');
  const priceOfKit = (undescribed: FitmentList[]) => priceOf({ ...contextOf(log), kits: [{ ...DEAR, fitments: [{ ...fitment, undescribed }] }] }, planFor(7.4), 6000);
  expect(priceOfKit(['fitSteps'])).toMatchObject({ unknown: ['fitting'], labourCents: 1240 });
  expect(priceOfKit(['fitSteps'])).not.toHaveProperty('totalCents');
  expect([priceOfKit(['mounts']).unknown, priceOfKit(['connections']).unknown]).toEqual([['opening'], []]);
  // Once all is open that it is worked at, the way in is known.
  log.add('opening.enough', { kits: ['test-kit'] });
  expect(priceOfKit(['mounts'])).toMatchObject({ unknown: [], totalCents: 5490 });
});

test('the smallest coin is whole; without a rate, or while the way in is worked out, no sum is said', () => {
  expect(priceOf(at(), planFor(7.41), 5000).labourCents).toBe(1034);
  expect(priceOf(at(), planFor(7.4), undefined)).not.toHaveProperty('totalCents');
  expect(priceOf(at(), undefined, 6000)).not.toHaveProperty('labourCents');
});
