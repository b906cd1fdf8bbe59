import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { key } from '../subject/index.ts';
import type { LevelNeed, Piece, Supply, SupplyAsk } from '../vehicle/index.ts';
import { planClosing, type ClosingRequest, type ClosingStep, type Gate, type MadeMove } from './index.ts';

const SET_UP = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
const DEAD: SupplyAsk[] = [{ supply: 'low', is: 'dead' }];
const LIVE: SupplyAsk[] = [{ supply: 'low', is: 'live' }];
const off = (piece: string): LevelNeed => ({ piece, level: 'off' });
const move = (piece: string, ...needs: string[]): MadeMove => ({ piece, from: 'fitted', level: 'off', needs: needs.map(off) });
const piece = (id: string, part: Partial<Piece['levels'][number]> = {}): Piece =>
  barePiece(id, { levels: [{ level: 'off', openMin: 2, closeMin: 2, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0 }], ...part }] });
/** A battery behind a cover: half a minute off, 0.8 back; dead after 3 min; 2 min for what is forgotten. */
const BATTERY: Supply = { id: 'low', name: 'Battery', piece: 'battery', level: 'off', waitMin: 3, liveMin: 2, by: 'anyone', before: [], forgets: ['Clock'] };
const battery = piece('battery', { openMin: 0.5, closeMin: 0.8, ways: [{ id: 'open', needs: [off('cover')], extraMin: 0 }] });
const test_ = (id: string, coveredBy: string[], part: Partial<Gate> = {}): Gate => ({
  subject: { kind: 'test', kit: 'kit', test: id },
  side: 'centre',
  coveredBy: coveredBy.map(off),
  after: [],
  asks: LIVE,
  passed: false,
  ...part,
});
function close(pieces: Piece[], moves: MadeMove[], gates: Gate[], part: Partial<ClosingRequest> = {}) {
  const profile = bareProfile({ pieces: [piece('cover'), battery, ...pieces], supplies: [BATTERY] });
  return planClosing({ profile, facts: {}, moves, replaced: [], gates, setUp: SET_UP, supplyNow: { low: 'dead' }, ...part });
}
const said = (step: ClosingStep) => (step.kind === 'piece' ? step.piece : step.kind === 'supply' ? `${step.supply} ${step.to}` : key(step.gate.subject));
const OPENED = [move('cover'), move('battery', 'cover')];

test('the bar is tested with the battery back, before the panel that hides its plug; the airbag trim goes back before that, dead', () => {
  const trim = piece('trim', { asks: DEAD });
  const plan = close([trim, piece('panel')], [...OPENED, move('trim'), move('panel')], [test_('bar', ['panel'])]);
  const order = plan.steps.map(said);
  expect(plan.problems).toEqual([]);
  expect(order.filter((line) => line.startsWith('low'))).toEqual([]);
  const at = (line: string) => order.indexOf(line);
  expect(at('trim')).toBeLessThan(at('battery'));
  expect(at('battery')).toBeLessThan(at('test:kit/bar'));
  expect(at('test:kit/bar')).toBeLessThan(at('panel'));
  expect(at('battery')).toBeLessThan(at('cover'));
});

test('trim that hides the plug and goes back dead costs one more cycle: live for the test, dead with its wait, live at last', () => {
  const trim = piece('trim', { asks: DEAD });
  const plan = close([trim], [...OPENED, move('trim')], [test_('bar', ['trim'])]);
  expect(plan.problems).toEqual([]);
  expect(plan.steps.map(said)).toEqual(['low live', 'test:kit/bar', 'low dead', 'trim', 'battery', 'cover']);
  expect(plan.steps.flatMap((step) => (step.kind === 'supply' ? [[step.to, step.minutes, step.waitMin]] : []))).toEqual([
    ['live', 0.8 + 2, 0],
    ['dead', 0.5, 3],
  ]);
});

test('the cover over the battery stays off until the battery is back for good, also where it is back for a test now', () => {
  const trim = piece('trim', { asks: DEAD });
  const plan = close([trim], [move('cover'), move('trim')], [test_('bar', ['trim'], { passed: true })], { supplyNow: { low: 'live' } });
  expect(plan.steps.map(said)).toEqual(['low dead', 'trim', 'low live', 'cover']);
});

test('joints that want the supply dead come before it is live for good, and a test of their kit after them', () => {
  const joint: Gate = { subject: { kind: 'joint', kit: 'kit', connection: 'feed' }, side: 'centre', coveredBy: [off('panel')], after: [], asks: DEAD, passed: false };
  const order = close([piece('panel')], [...OPENED, move('panel')], [test_('bar', ['panel']), joint]).steps.map(said);
  expect(order.slice(0, 3)).toEqual(['joint:kit/feed', 'battery', 'test:kit/bar']);
});

test('a piece that keeps the supply dead while it is open goes back before a live test; where it hides what is tested, the test cannot run', () => {
  const plug = piece('airbag-plug', { deadWhileOpen: ['low'] });
  const free = close([plug, piece('panel')], [...OPENED, move('airbag-plug'), move('panel')], [test_('bar', ['panel'])]);
  const order = free.steps.map(said);
  expect(free.problems).toEqual([]);
  expect(order.indexOf('airbag-plug')).toBeLessThan(order.indexOf('battery'));
  expect(order.indexOf('battery')).toBeLessThan(order.indexOf('test:kit/bar'));
  const hidden = close([plug], [...OPENED, move('airbag-plug')], [test_('bar', ['airbag-plug'])]);
  expect(hidden.problems).toEqual([
    { code: 'gate-cannot-run', subject: { kind: 'test', kit: 'kit', test: 'bar' }, pieces: ['airbag-plug'], offers: ['test on a bench supply', 'test after closing'] },
  ]);
});

test('nothing waits for a supply that nobody isolated', () => {
  const plan = close([piece('panel')], [move('panel')], [test_('bar', ['panel'])], { supplyNow: { low: 'live' } });
  expect(plan.steps.map(said)).toEqual(['panel']);
  expect(plan.steps[0]).toMatchObject({ gates: [{ subject: { test: 'bar' } }] });
});
