import { contextOf, openedLog, RULES, VAN } from './test/log.ts';
import { measuredSlots, otherSources } from './index.ts';

const spare = {
  ...VAN.circuits[0],
  id: 'spare',
  name: 'Spare',
  fuse: { slot: 'F9', ratedA: 7.5 },
  wire: { areaMm2: 1, lengthM: 3, permittedA: 13 },
  plugPermittedA: 10,
  loads: [],
  liveIn: ['front fog' as const],
};

test('what else could feed the lamps of a circuit: those of the same behaviour, and slots as they were measured', () => {
  const log = openedLog();
  const profile = { ...VAN, circuits: [...VAN.circuits, spare, { ...spare, id: 'brakes', name: 'Brakes' }] };
  const context = () => ({ ...contextOf(log), profile, rules: { ...RULES, neverUseCircuits: ['brakes'] } });
  const told = () => otherSources(context(), 'fog')?.sources.map(({ kind, id, behaviour }) => [kind, id, behaviour.value]);
  expect(told()).toEqual([
    ['lamp circuit', 'spare', 'as wanted'],
    ['battery with relay', 'fog', 'as wanted'],
  ]);
  // Where nothing else behaves so, it still triggers a relay.
  expect(otherSources(contextOf(log), 'fog')?.sources.map(({ kind, id }) => [kind, id])).toEqual([['battery with relay', 'fog']]);
  expect(otherSources(context(), 'fog')?.refused.map(({ id }) => id)).toEqual(['brakes']);
  expect(otherSources(context(), 'spare')).toBeUndefined();
  log.add('slot.measured', { slot: 'F22', ratedA: 10, state: 'front fog', lowV: 12.4, highV: 12.4 });
  log.add('slot.measured', { slot: 'F22', state: 'dipped', lowV: 12.4, highV: 12.4 });
  log.add('slot.measured', { slot: 'F22', state: 'dipped', lowV: 0, highV: 0 });
  // A state measured again counts as it was last; what is printed on the fuse stays.
  expect(measuredSlots(context())).toEqual([
    {
      slot: 'F22',
      name: 'slot F22',
      ratedA: 10,
      readings: [
        { state: 'front fog', lowV: 12.4, highV: 12.4 },
        { state: 'dipped', lowV: 0, highV: 0 },
      ],
    },
  ]);
  expect(told()).toContainEqual(['fuse tap', 'F22', 'not known']);
});
