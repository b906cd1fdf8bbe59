import type { VehicleState } from '../states/index.ts';
import { batteryWatch, CHARGE_BELOW, WATCH_MIN } from './index.ts';
import { foldJob } from '../log/index.ts';
import { jobContext } from '../job/index.ts';
import type { LoggedEvent } from '../events/index.ts';
import { contextOf, openedLog, VAN } from '../job/test/log.ts';

const at = (minute: number) => `2026-03-05T10:${String(minute).padStart(2, '0')}:00Z`;
const read = (state: VehicleState): [string, object] => ['reading.taken', { plug: 'fog-plug', pin: '2', state, lowV: 0, highV: 0 }];
const watch = (minute: number, entries: [number, string, object][], profile = VAN) => {
  const log = openedLog();
  const events = [...log.events];
  for (const [index, [when, type, payload]] of entries.entries())
    events.push({ id: `01900000-0000-7000-8000-${String(index + 500).padStart(12, '0')}`, type, v: 1, at: at(when), payload, seq: index + 2 } as LoggedEvent);
  return batteryWatch(jobContext(foldJob(events), { ...contextOf(log), profile }), at(minute));
};

test('nothing is watched while the key was last read off; the ignition counts from the first reading that needs it', () => {
  expect(watch(5, [[1, ...read('parking')]])).toBeUndefined();
  expect(
    watch(5, [
      [1, ...read('dipped')],
      [2, ...read('key off')],
    ]),
  ).toBeUndefined();
  expect(
    watch(9, [
      [1, ...read('key off')],
      [2, ...read('front fog')],
      [6, ...read('main')],
    ]),
  ).toMatchObject({ minutes: 7, charger: false, is: 'fine' });
  expect(
    watch(9, [
      [2, ...read('front fog')],
      [6, 'ignition.set', { on: false }],
    ]),
  ).toBeUndefined();
  expect(
    watch(9, [
      [2, 'ignition.set', { on: true }],
      [6, ...read('main')],
    ]),
  ).toMatchObject({ minutes: 7 });
  // A slot is measured in a state, too.
  expect(watch(9, [[4, 'slot.measured', { slot: 'F1', state: 'reverse', lowV: 0, highV: 0 }]])).toMatchObject({ minutes: 5 });
});

test('after a while it is looked at, and again after each look; a charger ends that', () => {
  const on: [number, string, object] = [0, ...read('ignition')];
  expect([watch(WATCH_MIN - 1, [on])?.is, watch(WATCH_MIN, [on])?.is]).toEqual(['fine', 'look']);
  const looked: [number, string, object] = [WATCH_MIN, 'battery.watched', { volts: 12.4 }];
  expect(watch(WATCH_MIN + 1, [on, looked])).toMatchObject({ volts: 12.4, is: 'fine' });
  expect(watch(2 * WATCH_MIN, [on, looked])?.is).toBe('look');
  expect(watch(50, [on, [1, 'charger.set', { on: true }]])).toMatchObject({ charger: true, is: 'fine' });
  expect(watch(50, [on, [1, 'charger.set', { on: true }], [2, 'charger.set', { on: false }]])?.is).toBe('look');
});

test('below its share of the voltage at rest it is charged first; what was measured before the ignition was on says nothing', () => {
  const on: [number, string, object] = [10, ...read('ignition')];
  const measured = (minute: number, volts: number): [number, string, object] => [minute, 'battery.watched', { volts }];
  const leastV = CHARGE_BELOW * 12.6;
  expect(watch(12, [on])?.leastV).toBeCloseTo(12.2, 1);
  expect([watch(12, [on, measured(11, leastV - 0.01)])?.is, watch(12, [on, measured(11, leastV + 0.01)])?.is]).toEqual(['charge', 'fine']);
  expect(watch(12, [measured(9, 11), on])).toEqual({ minutes: 2, charger: false, leastV, is: 'fine' });
  expect(watch(12, [on, measured(11, 12.1), [11, 'charger.set', { on: true }]])?.is).toBe('fine');
  // Against what this battery had at rest, and twice as much in a lorry.
  expect(watch(12, [[0, 'battery.measured', { restV: 12.2 }], on, measured(11, 12)])?.is).toBe('fine');
  expect(watch(12, [on, measured(11, 24)], { ...VAN, systemVoltageV: 24 })?.is).toBe('charge');
});
