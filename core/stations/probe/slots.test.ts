import type { VehicleState } from '../../states/index.ts';
import { jobContext, type JobContext } from '../../job/index.ts';
import { sourcesFor } from '../../loom/index.ts';
import { contextOf, openedLog, VAN, type TestLog } from '../../job/test/log.ts';
import { isRefused } from '../act.ts';
import { measureSlot, slotsSought, slotStateNext } from './index.ts';

const AT = '2026-03-05T10:00:00Z';
const [fog] = VAN.circuits;
if (!fog) throw new Error('the van has a circuit');
const profile = { ...VAN, circuits: [...VAN.circuits, { ...fog, id: 'airbag', name: 'Airbag', fuse: { slot: 'F3', ratedA: 10 }, neverUse: 'restraint system' }] };
const on = (log: TestLog): JobContext => jobContext(log.state, { ...contextOf(log), profile });
const started = () => {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  return log;
};
const reading = (state: VehicleState, lowV: number, highV = lowV) => ({ state, lowV, highV });

test('each supply that is not joined is sought a slot for: live as its own circuit is, dead in the other states that tell', () => {
  const log = started();
  const [sought] = slotsSought(on(log));
  expect([sought?.pin.id, sought?.wanted]).toEqual(['2', { on: ['front fog'], off: ['key off', 'ignition', 'parking', 'dipped', 'main'] }]);
  const measure = (state: VehicleState, volts: number) => log.add('slot.measured', { slot: 'F9', state, lowV: volts, highV: volts });
  measure('front fog', 12.3);
  expect(slotsSought(on(log))[0]?.finding).toMatchObject({
    slots: [{ slot: 'F9', value: 'not yet measured', untested: ['key off', 'ignition', 'parking', 'dipped', 'main'] }],
    refused: [],
    next: { slot: 'F9', state: 'key off' },
  });
  for (const state of ['key off', 'ignition', 'parking', 'dipped', 'main'] as const) measure(state, 0.01);
  expect(slotsSought(on(log))[0]?.finding.slots).toMatchObject([{ slot: 'F9', value: 'as wanted' }]);
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  expect(slotsSought(on(log))).toEqual([]);
});

test('a slot is measured in the state that it is wanted in first, then in those that tell, and no more once it is otherwise', () => {
  const log = started();
  const next = (slot: string) => {
    const [sought] = slotsSought(on(log));
    return sought && slotStateNext(sought, slot);
  };
  expect([next('F9'), next('  ')]).toEqual(['front fog', undefined]);
  log.add('slot.measured', { slot: 'F9', state: 'front fog', lowV: 12.3, highV: 12.3 });
  expect([next(' f9'), next('F8')]).toEqual(['key off', 'front fog']);
  log.add('slot.measured', { slot: 'F9', state: 'key off', lowV: 12.3, highV: 12.3 });
  expect(next('F9')).toBeUndefined();
});

test('a slot is measured once the reference is proved; one that is never used is refused by name, whatever its letters', () => {
  const log = started();
  const context = on(log);
  const at = (slot: string, read = reading('front fog', 12.3), sure = false) => measureSlot(context, slot, read, 10, AT, sure);
  expect(at(' F9 ')).toEqual({ events: [{ type: 'slot.measured', payload: { slot: 'F9', ratedA: 10, state: 'front fog', lowV: 12.3, highV: 12.3 } }] });
  expect(at('f3')).toEqual({ refused: [{ code: 'never-slot', slot: 'f3', circuit: 'airbag' }] });
  expect(at('  ')).toEqual({ refused: [{ code: 'missing', count: 1 }] });
  expect(at('a slot with a very long name')).toMatchObject({ refused: [{ code: 'too-long' }] });
  expect(at('F9', reading('front fog', 12, 3))).toMatchObject({ refused: [{ code: 'reading-impossible' }] });
  expect(at('F9', reading('front fog', -12, -12))).toMatchObject({ refused: [{ code: 'reading-odd' }] });
  expect(isRefused(at('F9', reading('front fog', -12, -12), true))).toBe(false);
  expect(measureSlot(on(openedLog()), 'F9', reading('front fog', 12.3), undefined, AT)).toEqual({ refused: [{ code: 'reference-first' }] });
  // The rule set names circuits that are never used, too.
  const strict = { ...context, rules: { ...context.rules, neverUseCircuits: ['fog'] } };
  expect(measureSlot(strict, 'F1', reading('front fog', 12.3), undefined, AT)).toEqual({ refused: [{ code: 'never-slot', slot: 'F1', circuit: 'fog' }] });
  // One that was measured before keeps its name.
  log.add('slot.measured', { slot: 'F9', state: 'parking', lowV: 0, highV: 0 });
  expect(measureSlot(on(log), 'f9', reading('front fog', 12.3), undefined, AT)).toMatchObject({ events: [{ payload: { slot: 'F9' } }] });
});

test('a slot that is never used is no source, whoever measured it', () => {
  const log = started();
  log.add('slot.measured', { slot: 'f3', state: 'front fog', lowV: 12.3, highV: 12.3 });
  const [sought] = slotsSought(on(log));
  expect([sought?.finding.slots, sought?.finding.refused]).toEqual([[], [{ slot: 'f3', why: 'restraint system' }]]);
  expect(sourcesFor(on(log), ['front fog'], []).refused).toContainEqual(expect.objectContaining({ id: 'f3', why: 'restraint system' }));
});
