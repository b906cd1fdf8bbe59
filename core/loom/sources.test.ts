import { contextOf, openedLog, PAIR, RULES, VAN } from '../job/test/log.ts';
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
  // What another kit hangs on a source is on it already: 21.6 W at 10.8 V are 2 A, and 2 A more.
  const [fitment] = PAIR.fitments;
  const [joint] = fitment?.connections ?? [];
  if (!fitment || !joint) throw new Error('no joint');
  const second = { ...PAIR, slug: 'second', fitments: [{ ...fitment, connections: [{ ...joint, feed: { circuit: 'spare' }, vehiclePlug: 'spare-plug' }] }] };
  const plugs = VAN.plugs.flatMap((plug) => [plug, { ...plug, id: 'spare-plug', pins: plug.pins.map((pin) => (pin.circuit ? { ...pin, circuit: 'spare' } : pin)) }]);
  const both = otherSources({ ...context(), profile: { ...profile, plugs }, kits: [PAIR, second] }, 'fog');
  expect(both?.sources.find(({ id, kind }) => id === 'spare' && kind === 'lamp circuit')?.check?.afterA).toBeCloseTo(4, 9);
  // A lamp of the road is held to the share of lamps on another source too; a work lamp to the wider one.
  const limit = (beam: 'front fog' | 'work') => {
    const kits = [{ ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, optics: { ...lamp.optics, beam } })) }];
    return otherSources({ ...context(), kits }, 'fog')?.sources.find(({ id }) => id === 'spare')?.check?.dropLimitShare;
  };
  expect([limit('front fog'), limit('work')]).toEqual([0.03, 0.05]);
  log.add('slot.measured', { slot: 'F22', ratedA: 10, state: 'front fog', lowV: 12.4, highV: 12.4 });
  log.add('slot.measured', { slot: 'F22', state: 'dipped', lowV: 12.4, highV: 12.4 });
  log.add('slot.measured', { slot: 'F22', state: 'dipped', lowV: 0, highV: 0 });
  // A state measured again counts as it was last; what is printed on the fuse stays.
  expect(measuredSlots(context())).toEqual([
    {
      slot: 'F22',
      name: 'F22',
      ratedA: 10,
      readings: [
        { state: 'front fog', lowV: 12.4, highV: 12.4 },
        { state: 'dipped', lowV: 0, highV: 0 },
      ],
    },
  ]);
  expect(told()).toContainEqual(['fuse tap', 'F22', 'not known']);
});
