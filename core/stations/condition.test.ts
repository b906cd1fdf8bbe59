import type { JobContext } from '../job/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { key } from '../subject/index.ts';
import { checkIn, handOver, openUp, standingOf, type Act } from './index.ts';

const AT = '2026-03-05T09:00:00Z';
const [dipped] = VAN.functions;
if (!dipped) throw new Error('the van has no lamp');
/** A van with two headlamps, of which the right one can be in a fog place of its own. */
const PAIRED = { ...VAN, functions: [{ ...dipped, id: 'low-left', side: 'left' as const }, { ...dipped, id: 'low-right', side: 'right' as const }, ...VAN.functions.slice(1)] };
const now = (log: TestLog): JobContext => ({ ...contextOf(log), profile: PAIRED });
const codes = (act: Act) => ('refused' in act ? act.refused.map(({ code }) => code) : act.events.map(({ type }) => type));
const write = (log: TestLog, act: Act) => {
  if ('refused' in act) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events) log.add(type, payload);
};
const holds = (log: TestLog, station: string) =>
  standingOf(now(log), undefined)
    .stations.find((entry) => entry.station === station)
    ?.holds.flatMap(({ code, data, about }) => (/^(warning|lens)/.test(code) ? [[code, data, about]] : []));

test('warning lamps and lenses are asked for on arrival, and settled by looking', () => {
  const log = openedLog();
  expect(holds(log, 'check-in')).toEqual([
    ['warnings-before-missing', {}, key({ kind: 'warnings', moment: 'before' })],
    ['lenses-before-missing', { count: 2 }, key({ kind: 'lenses', moment: 'before' })],
  ]);
  write(log, checkIn.warningsRead(now(log), 'before', [], AT));
  write(log, checkIn.lensGraded(now(log), 'low-left', 'before', 'light haze'));
  expect(holds(log, 'check-in')).toEqual([['lenses-before-missing', { count: 1 }, key({ kind: 'lenses', moment: 'before' })]]);
  expect(codes(checkIn.lensGraded(now(log), 'low-left', 'before', 'light haze'))).toEqual(['already']);
  expect(codes(checkIn.lensGraded(now(log), 'old-fog', 'before', 'clear'))).toEqual(['unknown']);
  expect(checkIn.lensGraded(now(log), 'low-right', 'before', 'clear')).toEqual({ refused: [{ code: 'doubtful', doubts: [{ code: 'lens uneven', other: 'light haze' }] }] });
  write(log, checkIn.lensGraded(now(log), 'low-right', 'before', 'clear', ' new last year '));
  expect(log.state.measureWhy).toEqual({ 'lens/low-right/before': 'new last year' });
  expect(holds(log, 'check-in')).toEqual([]);
});

test('a lamp that is lit without a code is said where it is entered, and asked about where the codes are read later', () => {
  const log = openedLog();
  log.add('codes.read', { moment: 'before', count: 0 });
  expect(codes(checkIn.warningsRead(now(log), 'before', ['airbag'], AT))).toEqual(['doubtful']);
  write(log, checkIn.warningsRead(now(log), 'before', ['airbag'], AT, 'scanner has no airbag'));
  expect(holds(log, 'check-in')?.map(([code]) => code)).toEqual(['lenses-before-missing']);
  const other = openedLog();
  write(other, checkIn.warningsRead(now(other), 'before', ['airbag', 'tyre pressure'], AT));
  expect(holds(other, 'check-in')?.map(([code]) => code)).toEqual(['lenses-before-missing']);
  other.add('codes.read', { moment: 'before', count: 0 });
  expect(holds(other, 'check-in')?.[0]).toEqual(['warnings-uncoded', { lit: 'airbag' }, key({ kind: 'uncoded', moment: 'before' })]);
  other.add('exception.named', { about: key({ kind: 'uncoded', moment: 'before' }), note: 'the owner knows' });
  expect(holds(other, 'check-in')?.map(([code]) => code)).toEqual(['lenses-before-missing']);
});

test('a lamp lit leaving that was not on arrival, and a lens that got worse, hold the vehicle back', () => {
  const log = openedLog();
  write(log, checkIn.warningsRead(now(log), 'before', ['tyre pressure'], AT));
  write(log, checkIn.lensGraded(now(log), 'low-left', 'before', 'light haze'));
  write(log, checkIn.lensGraded(now(log), 'low-right', 'before', 'light haze'));
  expect(holds(log, 'hand-over')).toEqual([
    ['warnings-after-missing', {}, key({ kind: 'warnings', moment: 'after' })],
    ['lenses-after-missing', { count: 2 }, key({ kind: 'lenses', moment: 'after' })],
  ]);
  write(log, checkIn.warningsRead(now(log), 'after', ['tyre pressure', 'brakes'], AT));
  write(log, checkIn.lensGraded(now(log), 'low-right', 'after', 'heavy haze'));
  expect(holds(log, 'hand-over')).toEqual([
    ['warning-new', { lamp: 'brakes' }, key({ kind: 'warning', lamp: 'brakes' })],
    ['lenses-after-missing', { count: 1 }, key({ kind: 'lenses', moment: 'after' })],
    ['lens-worse', { lamp: 'low-right', grade: 'heavy haze' }, key({ kind: 'lens', lamp: 'low-right' })],
  ]);
  // What was not graded one by one is as it came, and only that.
  write(log, handOver.lensesAsOnArrival(now(log)));
  expect(log.state.lenses.after).toEqual({ 'low-left': 'light haze', 'low-right': 'heavy haze' });
  expect(codes(handOver.lensesAsOnArrival(now(log)))).toEqual(['nothing']);
  expect(checkIn.doubtsOfLens(now(log), 'low-left', 'after', 'clear')).toEqual([
    { code: 'lens uneven', other: 'heavy haze' },
    { code: 'lens better', before: 'light haze' },
  ]);
  // How it comes is not held against how it came.
  expect(checkIn.doubtsOfLens(now(log), 'low-left', 'before', 'clear')).toEqual([{ code: 'lens uneven', other: 'light haze' }]);
});

test('a lens that a kit takes the place of is not asked for leaving', () => {
  const log = openedLog();
  write(log, checkIn.lensGraded(now(log), 'low-left', 'before', 'clear'));
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const replaced = { ...now(log), kits: [{ ...PAIR, fitments: [{ ...fitment, losesFunctions: ['low-left'] }] }] };
  expect(handOver.lensesToLookAt(replaced)).toEqual([]);
});

test('a lens that was not graded on arrival is not asked for leaving', () => {
  const log = openedLog();
  write(log, checkIn.lensGraded(now(log), 'low-right', 'before', 'clear'));
  expect(handOver.lensesToLookAt(now(log)).map(({ id }) => id)).toEqual(['low-right']);
});

test('minutes of something found fitted, there or back, and of seized fasteners are kept with a word where they make one wonder', () => {
  const log = openedLog();
  const winch = {
    accessory: 'winch',
    name: 'Winch',
    side: 'left' as const,
    zone: 'front' as const,
    holds: ['grille'],
    openMin: 12,
    closeMin: 61,
    people: 1,
    drive: 'hex' as const,
    count: 4,
  };
  expect(openUp.foundFitted(winch)).toEqual({ refused: [{ code: 'doubtful', doubts: [{ code: 'long', likelyMin: 60 }] }] });
  expect(codes(openUp.foundFitted({ ...winch, openMin: 0 }))).toEqual(['doubtful']);
  expect(openUp.foundFitted({ ...winch, closeMin: 15 }, 'said for nothing')).toEqual({ events: [{ type: 'accessory.found', payload: { ...winch, closeMin: 15 } }] });
  expect(openUp.foundFitted(winch, ' a frame of its own ')).toEqual({ events: [{ type: 'accessory.found', payload: { ...winch, why: 'a frame of its own' } }] });
  // Five times what the rule set names for one, here 6 min, for each of two; without it half an hour each.
  const ruled = { ...now(log), rules: { ...now(log).rules, seizedMin: 6 } };
  expect(openUp.doubtsOfSeized(ruled, 2, 60)).toEqual([]);
  expect(openUp.doubtsOfSeized(ruled, 2, 60.5)).toEqual([{ code: 'long', likelyMin: 60 }]);
  expect(openUp.doubtsOfSeized({ ...ruled, rules: { ...ruled.rules, seizedMin: 4 } }, 2, 41)).toEqual([{ code: 'long', likelyMin: 40 }]);
  expect(openUp.doubtsOfSeized(now(log), 1, 31)).toEqual([{ code: 'long', likelyMin: 30 }]);
  expect(codes(openUp.seized(ruled, 'grille', 'bolts', 2, 0))).toEqual(['doubtful']);
  expect(openUp.seized(ruled, 'grille', 'bolts', 2, 61, 'cut off')).toEqual({
    events: [{ type: 'fastener.seized', payload: { piece: 'grille', group: 'bolts', count: 2, addMin: 61, why: 'cut off' } }],
  });
});

test('a lens that nobody graded before it came off is left open with a reason, on arrival and leaving apart', () => {
  const log = openedLog();
  log.add('exception.named', { about: key({ kind: 'lenses', moment: 'before' }), note: 'the headlamps were out already' });
  expect(holds(log, 'check-in')?.map(([code]) => code)).toEqual(['warnings-before-missing']);
  write(log, checkIn.lensGraded(now(log), 'low-left', 'before', 'clear'));
  expect(holds(log, 'hand-over')?.map(([code]) => code)).toEqual(['warnings-after-missing', 'lenses-after-missing']);
});
