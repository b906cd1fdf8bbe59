import { faceOf } from '../test/electrics.ts';
import { checkPlugLibrary, faceThrough, type PlugAdapter, type PlugLibrary } from './index.ts';

const lead: PlugAdapter = {
  id: 'lead',
  name: 'Lead',
  priceCents: 500,
  vehicleEnd: { family: 'NR-2', gender: 'pins', keying: 'A', rows: 1, columns: 2 },
  lampEnd: { family: 'SL-3', gender: 'sockets', keying: 'B', rows: 1, columns: 3 },
  pins: [
    { from: { row: 1, column: 1 }, to: { row: 1, column: 3 } },
    { from: { row: 1, column: 2 }, to: { row: 1, column: 1 } },
    { from: { row: 1, column: 1 }, to: { row: 1, column: 2 } },
  ],
};
const family = (id: string, columns: number, keyings = ['A', 'B']) => ({
  id,
  keyings,
  grids: [{ rows: 1, columns }],
  sealed: true,
  lock: 'tab',
  closing: 'tab' as const,
  pinA: 10,
  terminals: [{ id: `${id}-contact`, name: 'Contact', gender: 'sockets' as const, areaMm2: [0.5, 1.5] as [number, number], barb: 'up' }],
});
const LIBRARY: PlugLibrary = { format: 'jade-plugs/1', slug: 'shelf', name: 'Shelf', families: [family('NR-2', 2), family('SL-3', 3)], adapters: [lead] };
const faults = (part: Partial<PlugLibrary>) => checkPlugLibrary({ ...LIBRARY, ...part }).map(({ path, code }) => `${path} ${code}`);

test('a plug library: ids once, ends of a family, keying and grid that it has, wires within their faces, sizes that rise', () => {
  expect(faults({})).toEqual([]);
  expect(faults({ families: [family('NR-2', 2), family('SL-3', 3), family('NR-2', 2)] })).toEqual(['families[2].id duplicate-id']);
  expect(faults({ families: [family('NR-2', 2)] })).toEqual(['adapters[0].lampEnd.family unknown-id']);
  expect(faults({ families: [family('NR-2', 2, ['C']), family('SL-3', 4)] })).toEqual(['adapters[0].vehicleEnd.keying choice', 'adapters[0].lampEnd.rows choice']);
  const outside = { ...lead, pins: [{ from: { row: 1, column: 3 }, to: { row: 2, column: 1 } }] };
  expect(faults({ adapters: [outside] })).toEqual(['adapters[0].pins[0].from pin-outside-face', 'adapters[0].pins[0].to pin-outside-face']);
  const [first] = family('NR-2', 2).terminals;
  expect(faults({ families: [{ ...family('NR-2', 2), terminals: [{ ...first!, areaMm2: [1.5, 0.5] }] }, family('SL-3', 3)] })).toEqual([
    'families[0].terminals[0].areaMm2 span-order',
  ]);
});

test('at the end of a chain a plug has the face of the last lead, each pin where its wires lead, a ground in two places', () => {
  const vehicle = { ...faceOf('sockets', ['ground', 'main'], { family: 'NR-2' }), name: 'Plug' };
  const through = faceThrough(vehicle, { adapters: [lead] });
  expect([through.name, through.family, through.keying, through.columns, through.gender]).toEqual(['Plug', 'SL-3', 'B', 3, 'sockets']);
  expect(through.pins.map(({ id, column, carries }) => [id, column, carries])).toEqual([
    ['1', 3, 'ground'],
    ['2', 1, 'main'],
    ['1', 2, 'ground'],
  ]);
  expect(faceThrough(vehicle, { adapters: [] })).toBe(vehicle);
});
