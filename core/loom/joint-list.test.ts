import type { Kit } from '../kit/index.ts';
import { bareKit } from '../test/bare-kit.ts';
import type { PlugPin, VehicleProfile } from '../vehicle/index.ts';
import { contextOf, openedLog, PAIR, VAN } from '../job/test/log.ts';
import { jointList } from './index.ts';
import type { JobContext } from '../job/index.ts';

const [fitment] = PAIR.fitments;
const [joint] = fitment?.connections ?? [];
if (!fitment || !joint) throw new Error('no joint');
const lead = (id: string, carries: PlugPin['carries']) => ({
  id,
  name: id,
  family: 'bare lead',
  gender: 'pins' as const,
  keying: 'none',
  rows: 1,
  columns: 1,
  lock: 'none',
  lamp: 'lamp',
  pins: [{ id: '1', row: 1, column: 1, carries, colour: 'white' }],
});
/** The fog plug with a parking wire beside it, and its wires in their colours. */
const van: VehicleProfile = {
  ...VAN,
  plugs: VAN.plugs.map((plug) => ({
    ...plug,
    columns: 3,
    pins: [
      ...plug.pins.map((pin) => ({ ...pin, colour: pin.id === '1' ? 'brown' : 'white/green' })),
      { id: '3', row: 1, column: 3, carries: 'parking' as const, circuit: 'fog', colour: 'grey' },
    ],
  })),
};
const on = (kit: Kit, log = openedLog()): JobContext => ({ ...contextOf(log), profile: van, kits: [kit] });
const laid = (backM?: number): Kit =>
  bareKit({
    ...PAIR,
    plugs: [lead('fog-lead', 'front fog'), lead('parking-lead', 'parking')],
    relays: [{ id: 'relay', name: 'Relay', coilOhm: 85, contactA: 30, pullInV: 8 }],
    feeds: [
      {
        id: 'laid',
        name: 'Feed',
        fuseA: 15,
        batteryToFuseMm: 150,
        wire: { areaMm2: 2.5, lengthM: 5, permittedA: 22, ...(backM === undefined ? {} : { backM }) },
        plugPermittedA: 20,
        relay: 'relay',
      },
    ],
    fitments: [
      {
        ...fitment,
        connections: (['fog-lead', 'parking-lead'] as const).map((kitPlug, index) => ({
          ...joint,
          id: kitPlug,
          kitPlug,
          feed: { circuit: 'laid' },
          trigger: { circuit: 'fog', relay: 'relay' },
          tap: { pin: String(index + 2) },
        })),
      },
    ],
  });

test('a plug joins pin by pin, with the colours of both sides; a pin that the kit has not is no joint', () => {
  const log = openedLog();
  expect(jointList(on(PAIR, log)).map(({ vehicle, end, method, circuit, joined, bared }) => [vehicle?.id, vehicle?.colour, end?.id, method, circuit, joined, bared])).toEqual([
    ['1', 'brown', '1', 'plug', undefined, false, false],
    ['2', 'white/green', '2', 'plug', 'fog', false, false],
  ]);
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  expect(jointList(on(PAIR, log)).map(({ joined }) => joined)).toEqual([true, true]);
  const adapted = bareKit({ ...PAIR, fitments: [{ ...fitment, connections: [{ ...joint, adapter: 'lamp' }] }] });
  expect(jointList(on(adapted)).map(({ method, adapter }) => [method, adapter])).toEqual([
    ['adapter', 'lamp'],
    ['adapter', 'lamp'],
  ]);
});

test('taps on one loom stand 40 mm apart and open insulation; what the kit lays comes last, each feed once, with a ring at each end', () => {
  const lines = jointList(on(laid()));
  expect(lines.map(({ method, vehicle, atMm, bared }) => [method, vehicle?.id, atMm, bared])).toEqual([
    ['tap', '2', 60, true],
    ['tap', '3', 100, true],
    ['ring terminal', undefined, undefined, false],
    ['ring terminal', undefined, undefined, false],
  ]);
  // What is done with a fitting step is not said to be joined by the log of joints.
  expect(lines.slice(2).map(({ place, circuit, stripMm, joined }) => [place.at, circuit, stripMm, joined])).toEqual([
    ['battery', 'test-kit.laid', 7, undefined],
    ['ground', 'test-kit.laid', 7, undefined],
  ]);
  expect(jointList(on(laid(5))).map(({ place }) => place.at)).toEqual(['plug', 'plug', 'battery', 'battery']);
});
