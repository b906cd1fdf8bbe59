import { bareKit } from '../test/bare-kit.ts';
import type { ContentItem } from '../kit/index.ts';
import { benchColumns, checkContents } from './index.ts';

const item = (id: string, part: Partial<ContentItem> = {}): ContentItem => ({ id, name: id, kind: 'bracket', count: 1, spareAllowed: false, ...part });
const pair = [item('bracket-left', { name: 'Carrier', hand: 'left' }), item('bracket-right', { name: 'Carrier', hand: 'right' })];
const kit = bareKit({ contents: [...pair, item('screws', { count: 8, spareAllowed: true }), item('bezel', { when: { fact: 'front-fog', is: 'blank' } })] });
const states = (counts: Record<string, number>, facts = {}) => Object.fromEntries(checkContents(kit, facts, counts).lines.map((line) => [line.item.id, line.state]));

test('counted, short, complete, spare where spares are allowed, too many where not', () => {
  expect(states({ 'bracket-left': 2, screws: 9, bezel: 0 })).toEqual({ 'bracket-left': 'too many', 'bracket-right': 'not counted', screws: 'spare', bezel: 'short' });
  expect(states({ screws: 8 }).screws).toBe('complete');
});

test('two left ones and no right one: short on the right, and the hands do not balance', () => {
  const { troubles, complete } = checkContents(kit, { 'front-fog': 'blank' }, { 'bracket-left': 2, 'bracket-right': 0, screws: 8, bezel: 1 });
  expect(troubles).toEqual([
    { code: 'short', item: 'bracket-right', missing: 1 },
    { code: 'hands', items: ['bracket-left', 'bracket-right'], left: 2, right: 0 },
  ]);
  expect(complete).toBe(false);
});

test('hands are not judged before both are counted', () => {
  expect(checkContents(kit, {}, { 'bracket-left': 1 }).troubles).toEqual([]);
});

test('an item this vehicle does not need holds nothing back', () => {
  const counts = { 'bracket-left': 1, 'bracket-right': 1, screws: 8 };
  expect(checkContents(kit, { 'front-fog': 'factory' }, counts)).toMatchObject({ complete: true, troubles: [] });
  expect(checkContents(kit, { 'front-fog': 'blank' }, counts).complete).toBe(false);
  expect(checkContents(kit, {}, counts).complete).toBe(false);
});

test('a short item that is not needed is no trouble', () => {
  expect(checkContents(kit, { 'front-fog': 'factory' }, { bezel: 0 }).troubles).toEqual([]);
});

test('items are laid out by hand, what is for both between; a hand without items has no place', () => {
  const line = (id: string, hand?: 'left' | 'right') => ({ item: item(id, hand ? { hand } : {}), wanted: 1, state: 'not counted' as const, needed: 'yes' as const });
  const laid = benchColumns([line('r', 'right'), line('a'), line('l', 'left'), line('b')]).map(({ hand, lines }) => [hand, ...lines.map(({ item }) => item.id)]);
  expect(laid).toEqual([
    ['left', 'l'],
    ['both', 'a', 'b'],
    ['right', 'r'],
  ]);
  expect(benchColumns([line('a'), line('r', 'right')]).map(({ hand }) => hand)).toEqual(['both', 'right']);
});
