import { jobContext } from '../../job/index.ts';
import { contextOf, openedLog, VAN } from '../../job/test/log.ts';
import { floorStep, twoTapVolts } from './index.ts';

test('at Probe the reference comes first, then the reading that is worth most, then the seals, then nothing', () => {
  const log = openedLog();
  const step = () => floorStep(jobContext(log.state, contextOf(log)));
  expect(step()).toEqual({ kind: 'reference' });
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  expect(step()).toMatchObject({ kind: 'read', now: { pin: { id: '2' } } });
  log.add('wire.opened', { plug: 'fog-plug', pin: '2', how: 'pierced' });
  expect(step().kind).toBe('read');
  for (let reading = 0; reading < 8; reading++) {
    const now = step();
    if (now.kind !== 'read') break;
    const volts = now.now.reading.state === 'front fog' ? 12.4 : 0.01;
    log.add('reading.taken', { plug: 'fog-plug', pin: now.now.pin.id, state: now.now.reading.state, lowV: volts, highV: volts });
  }
  expect(step()).toEqual({ kind: 'seal', plug: 'fog-plug', pin: '2', how: 'pierced' });
  log.add('wire.sealed', { plug: 'fog-plug', pin: '2' });
  expect(step()).toEqual({ kind: 'done' });
});

test('a job without a wire to prove has nothing to do, and a wire that reads otherwise is told as stuck', () => {
  const bare = openedLog();
  expect(floorStep(jobContext(bare.state, { ...contextOf(bare), kits: [] }))).toEqual({ kind: 'done' });
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  for (const state of ['front fog', 'dipped', 'main', 'parking', 'ignition', 'key off'] as const)
    for (const pin of ['1', '2']) for (let time = 0; time < 3; time++) log.add('reading.taken', { plug: 'fog-plug', pin, state, lowV: 0.01, highV: 0.01 });
  expect(floorStep(jobContext(log.state, { ...contextOf(log), profile: VAN }))).toEqual({ kind: 'stuck', open: 1 });
});

test('two taps say any voltage of the system to a tenth', () => {
  expect([twoTapVolts(12).whole.at(-1), twoTapVolts(24).whole.at(-1), twoTapVolts(12).whole[0], twoTapVolts(12).tenths]).toEqual([15, 30, 0, [0, 1, 2, 3, 4, 5, 6, 7, 8, 9]]);
});
