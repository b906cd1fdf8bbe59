import { canUndo, undoFaults, undoneEvents, undoTargets } from './index.ts';
import type { JobEvent, LoggedEvent } from '../events/index.ts';

const event = (id: string, type: string, payload: object, act?: string) => ({ id, type, v: 1, at: '2026-03-05T08:30:00Z', payload, ...(act ? { act } : {}) }) as JobEvent;
const LOG = [
  event('a', 'job.opened', {}),
  event('b', 'battery.measured', { restV: 12.6 }),
  event('c', 'piece.moved', {}, 'one'),
  event('d', 'sensor.unplugged', {}, 'one'),
  event('e', 'undone', { event: 'd' }),
  event('f', 'job.signed', { atSeq: 5 }),
];
const undoAct = (act: string) => undoFaults(LOG, event('x', 'undone', { act }), 'events[1]').map(({ path, code }) => `${path} ${code}`);
const undo = (id: string) => undoFaults(LOG, event('x', 'undone', { event: id }), 'events[1]').map(({ path, code }) => `${path} ${code}`);

test('only what is there, can be taken back and was not yet, is undone', () => {
  expect(undo('b')).toEqual([]);
  expect(undo('nothing')).toEqual(['events[1].payload.event unknown-id']);
  expect([undo('a'), undo('f')]).toEqual([['events[1].payload.event not-undoable'], ['events[1].payload.event not-undoable']]);
  // With one event of an act all of it is undone.
  expect([undo('c'), undo('d')]).toEqual([['events[1].payload.event undone-already'], ['events[1].payload.event undone-already']]);
  expect(undoFaults(LOG, event('x', 'battery.measured', { restV: 1 }), 'events[0]')).toEqual([]);
  expect([canUndo({ type: 'job.repinned' }), canUndo({ type: 'job.reopened' })]).toEqual([false, true]);
});

test('an act is undone by its own id, as a whole and once', () => {
  expect([undoAct('one'), undoAct('two')]).toEqual([['events[1].payload.act undone-already'], ['events[1].payload.act unknown-id']]);
  const fresh = LOG.slice(0, 4);
  const back = event('x', 'undone', { act: 'one' });
  expect([undoFaults(fresh, back, ''), undoTargets(fresh, back).map(({ id }) => id)]).toEqual([[], ['c', 'd']]);
  expect([...undoneEvents([...fresh, back] as LoggedEvent[])]).toEqual(['c', 'd']);
  // Taken back itself, all of it stands again.
  expect([...undoneEvents([...fresh, back, event('y', 'undone', { event: 'x' })] as LoggedEvent[])]).toEqual(['x']);
  const signed = [...fresh, event('f', 'job.signed', { atSeq: 4 }, 'last'), event('g', 'battery.measured', { restV: 12 }, 'last')];
  expect(undoFaults(signed, event('x', 'undone', { act: 'last' }), 'e').map(({ code }) => code)).toEqual(['not-undoable']);
  // One event of an act still names all of it.
  expect(undoTargets(fresh, event('x', 'undone', { event: 'd' })).map(({ id }) => id)).toEqual(['c', 'd']);
});
