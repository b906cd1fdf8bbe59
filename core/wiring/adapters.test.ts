import fc from 'fast-check';
import type { PinFunction } from '../states/index.ts';
import type { PlugFace } from '../vehicle/index.ts';
import { faceOf } from '../test/electrics.ts';
import { checkAdapter, cheapestChain, endsMeet, judgePlugs, type PlugAdapter, type PlugEnd } from './index.ts';

const end = (family: string, gender: 'pins' | 'sockets', part: Partial<PlugEnd> = {}): PlugEnd => ({ family, gender, keying: 'A', rows: 1, columns: 2, ...part });
const face = (family: string, gender: 'pins' | 'sockets', carries: PinFunction[]): PlugFace => faceOf(gender, carries, { family });
const at = (column: number) => ({ row: 1, column });
const straight = [
  { from: at(1), to: at(1) },
  { from: at(2), to: at(2) },
];
const crossed = [
  { from: at(1), to: at(2) },
  { from: at(2), to: at(1) },
];
const adapter = (id: string, from: string, to: string, priceCents: number, pins = straight): PlugAdapter => ({
  id,
  name: id,
  priceCents,
  vehicleEnd: end(from, 'pins'),
  lampEnd: end(to, 'sockets'),
  pins,
});
const chainOf = (library: PlugAdapter[], vehicle = face('A', 'sockets', ['ground', 'main']), kit = face('D', 'pins', ['ground', 'main']), most?: number) => {
  const chain = cheapestChain(vehicle, kit, library, most);
  return chain && [chain.adapters.map(({ id }) => id).join(' '), chain.priceCents];
};

test('ends go into each other where all but the gender is alike', () => {
  expect(endsMeet(end('A', 'pins'), end('A', 'sockets'))).toBe(true);
  for (const part of [{ family: 'B' }, { keying: 'B' }, { rows: 2 }, { columns: 3 }, { gender: 'pins' as const }])
    expect(endsMeet(end('A', 'pins'), end('A', 'sockets', part))).toBe(false);
});

test('the cheapest chain is found, two for 700 rather than one for 900; of like price the shorter', () => {
  const two = [adapter('a-b', 'A', 'B', 300), adapter('b-d', 'B', 'D', 400)];
  expect(chainOf([adapter('a-d', 'A', 'D', 900), ...two])).toEqual(['a-b b-d', 700]);
  expect(chainOf([...two, adapter('a-d', 'A', 'D', 700)])).toEqual(['a-d', 700]);
  expect(chainOf([])).toBeUndefined();
  // Plugs that already go together want none.
  expect(chainOf([], face('D', 'sockets', ['ground', 'main']))).toEqual(['', 0]);
});

test('a pin map is followed, not taken to lead straight through: a cheaper adapter that crosses the wires is passed over, two that cross make it right', () => {
  expect(chainOf([adapter('cross', 'A', 'D', 100, crossed), adapter('true', 'A', 'D', 500)])).toEqual(['true', 500]);
  expect(chainOf([adapter('one', 'A', 'B', 100, crossed), adapter('two', 'B', 'D', 100, crossed), adapter('true', 'A', 'D', 500)])).toEqual(['one two', 200]);
  // One that leaves a wire out never leads there.
  expect(chainOf([adapter('half', 'A', 'D', 100, straight.slice(0, 1))])).toBeUndefined();
});

test('at most three in a row', () => {
  const long = ['A', 'B', 'C', 'E', 'D'];
  const library = long.slice(1).map((to, index) => adapter(`${index}`, long[index] ?? '', to, 100));
  expect(chainOf(library)).toBeUndefined();
  expect(chainOf(library, undefined, undefined, 4)).toEqual(['0 1 2 3', 400]);
  expect(chainOf([...library, adapter('short', 'C', 'D', 5000)])).toEqual(['0 1 short', 5200]);
});

/** The cheapest price by following every chain. */
function dearestSearch(library: readonly PlugAdapter[], most: number): number | undefined {
  const prices: number[] = [];
  const follow = (family: string, order: [PinFunction, PinFunction], left: number, price: number) => {
    if (family === 'D' && order[0] === 'ground') prices.push(price);
    if (left === 0) return;
    for (const { vehicleEnd, lampEnd, pins, priceCents } of library) {
      if (vehicleEnd.family === family) follow(lampEnd.family, pins === crossed ? [order[1], order[0]] : order, left - 1, price + priceCents);
    }
  };
  follow('A', ['ground', 'main'], most, 0);
  return prices.length > 0 ? Math.min(...prices) : undefined;
}

test('it is as cheap as the cheapest of all chains, whatever the library', () => {
  const family = fc.constantFrom('A', 'B', 'C', 'D');
  const item = fc.record({ from: family, to: family, price: fc.integer({ min: 1, max: 900 }), cross: fc.boolean() });
  fc.assert(
    fc.property(fc.array(item, { maxLength: 9 }), (items) => {
      const library = items.map(({ from, to, price, cross }, index) => adapter(`i${index}`, from, to, price, cross ? crossed : straight));
      expect(chainOf(library)?.[1]).toBe(dearestSearch(library, 3));
    }),
  );
});

test('an adapter with a cavity outside its face, or two wires into one, is refused with the path', () => {
  expect(checkAdapter(adapter('a', 'A', 'B', 1), 'x')).toEqual([]);
  const odd = adapter('a', 'A', 'B', 1, [
    { from: at(1), to: at(2) },
    { from: at(3), to: at(2) },
  ]);
  expect(checkAdapter(odd, 'x').map(({ path, code }) => `${path} ${code}`)).toEqual(['x.pins[1].from pin-outside-face', 'x.pins[1].to pin-place-twice']);
});

describe('what is to be done so that one plug feeds the other', () => {
  const vehicle = (...carries: PinFunction[]) => face('L', 'sockets', carries);
  const kit = (...carries: PinFunction[]) => face('L', 'pins', carries);

  test('they work, or either way round where the lamp bears it, or turned where the plug allows it', () => {
    expect(judgePlugs(vehicle('ground', 'main'), kit('ground', 'main'))).toEqual({ value: 'works' });
    expect(judgePlugs(vehicle('main', 'ground'), { ...kit('ground', 'main'), eitherWay: true })).toEqual({ value: 'works either way' });
    expect(judgePlugs(vehicle('dipped', 'ground'), { ...kit('ground', 'main'), eitherWay: true })).toMatchObject({ value: 'populate' });
    const round = (one: PlugFace) => ({ ...one, keying: 'none' });
    expect(judgePlugs(round(vehicle('main', 'dipped', 'ground')), round(kit('ground', 'dipped', 'main')))).toEqual({ value: 'turn it' });
  });

  test('pins that differ are moved, and the harm is named if they are pushed together as they are', () => {
    expect(judgePlugs(vehicle('main', 'dipped', 'ground'), kit('ground', 'dipped', 'main'))).toEqual({
      value: 're-pin',
      moves: [
        { pin: '1', from: at(1), to: at(3) },
        { pin: '3', from: at(3), to: at(1) },
      ],
      harm: [
        { code: 'short', carries: 'main' },
        { code: 'reversed', carries: 'main' },
      ],
    });
    expect(judgePlugs(vehicle('ground', 'dipped', 'main'), kit('ground', 'main', 'dipped'))).toMatchObject({
      harm: [
        { code: 'wrong lamp', carries: 'dipped', wanted: 'main' },
        { code: 'wrong lamp', carries: 'main', wanted: 'dipped' },
      ],
    });
  });

  test('a cavity without a contact is populated; data and what nobody knows are not connected', () => {
    expect(judgePlugs(vehicle('ground', 'empty'), kit('ground', 'parking'))).toEqual({ value: 'populate', missing: [{ carries: 'parking', ...at(2) }], harm: [] });
    expect(judgePlugs(vehicle('ground', 'data'), kit('ground', 'parking'))).toEqual({ value: 'do not connect', because: 'data', pin: '2' });
    expect(judgePlugs(vehicle('ground', 'unknown'), kit('ground', 'parking'))).toEqual({ value: 'do not connect', because: 'unknown', pin: '2' });
    // A data wire that the lamp does not take up is left alone.
    expect(judgePlugs(vehicle('ground', 'data', 'parking'), kit('ground', 'empty', 'parking'))).toEqual({ value: 'works' });
  });

  test('plugs that do not meet want an adapter, or are joined wire by wire with what has to come from elsewhere', () => {
    const other = face('D', 'pins', ['ground', 'main']);
    const from = face('A', 'sockets', ['ground', 'main']);
    expect(judgePlugs(from, other, [adapter('a-d', 'A', 'D', 900)])).toMatchObject({ value: 'adapter', chain: { priceCents: 900 } });
    expect(judgePlugs(face('A', 'sockets', ['dipped', 'ground']), other)).toEqual({
      value: 'no plug',
      joins: [
        { pin: '1', carries: 'ground', vehiclePin: '2' },
        { pin: '2', carries: 'main' },
      ],
    });
  });
});
