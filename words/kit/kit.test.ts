import type { Kit, KitTest } from '@jade/core/kit';
import { sayHelper, sayHelperState, sayTest } from './index.ts';

const kit = {
  lamps: [
    { id: 'one', name: 'Ridge headlamp, left' },
    { id: 'two', name: 'Ridge headlamp, right' },
  ],
  controls: [{ id: 'switch', name: 'Roof switch', positions: [{ id: 'low', name: 'low', lights: ['one'] }] }],
} as unknown as Kit;
const test1 = (part: Partial<KitTest>): KitTest => ({ id: 't', name: '', side: 'left', state: 'parking', helper: '', lamps: ['one'], gate: true, ...part });

test('the helper is told what comes first, and not the accessory position on the way to ignition', () => {
  expect(sayHelperState('main')).toBe('Ignition on, parking lamps on, dipped beam on, main beam on');
  expect(sayHelperState('accessory')).toBe('Accessory on');
  expect(sayHelperState('key off')).toBe('Key off');
});

test('a test of the kit is called as it says, one that follows by what it follows from', () => {
  expect(sayTest(kit, test1({ name: 'Own name', helper: 'Do it.' }))).toBe('Own name');
  expect(sayHelper(kit, test1({ name: 'Own name', helper: 'Do it.' }))).toBe('Do it.');
  const parking = test1({ lamps: ['one', 'two'], follows: { from: 'function', connection: 'c', carries: 'parking' } });
  expect([sayTest(kit, parking), sayHelper(kit, parking)]).toEqual(['Parking: Ridge headlamp, left and Ridge headlamp, right', 'Parking lamps on. Hold.']);
  expect(sayTest(kit, test1({ state: 'ignition', follows: { from: 'function', connection: 'c', carries: 'switched supply' } }))).toBe(
    'Switched supply, ignition: Ridge headlamp, left',
  );
  const low = test1({ state: 'ignition', follows: { from: 'position', control: 'switch', position: 'low' } });
  expect([sayTest(kit, low), sayHelper(kit, low)]).toEqual(['Roof switch, low', 'Ignition on, then that position. Alight: Ridge headlamp, left; nothing else.']);
  expect(sayHelper(kit, { ...low, lamps: [] })).toContain('Nothing of the kit is alight.');
  expect(sayTest(kit, test1({ follows: { from: 'pairing', control: 'switch' } }))).toBe('Roof switch: paired');
});
