import { ELECTRICS } from '../test/electrics.ts';
import type { Circuit } from '../vehicle/index.ts';
import { BEHAVIOURS, rankSources, SOURCE_MINUTES, type MeasuredSlot, type SourceQuestion } from './index.ts';

const rules = { electrics: ELECTRICS, probing: { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 } };
const circuit = (id: string, liveIn: Circuit['liveIn'], part: Partial<Circuit> = {}): Circuit => ({
  id,
  name: id,
  fuse: { slot: id, ratedA: 15 },
  wire: { areaMm2: 2.5, lengthM: 3, permittedA: 22 },
  plugPermittedA: 18,
  loads: [],
  liveIn,
  ...part,
});
const slot = (name: string, volts: Partial<Record<MeasuredSlot['readings'][number]['state'], number | [number, number]>>, part: Partial<MeasuredSlot> = {}): MeasuredSlot => ({
  slot: name,
  name,
  readings: Object.entries(volts).map(([state, value]) => {
    const [lowV, highV] = typeof value === 'number' ? [value, value] : value;
    return { state: state as MeasuredSlot['readings'][number]['state'], lowV, highV };
  }),
  ...part,
});
/** 108 W at 10.8 V are 10 A: a fuse of 15 A. */
const bar = { name: 'bar', powerW: 108, atV: 13.2, kind: 'driven LED' as const };
const ask = (part: Partial<SourceQuestion>) =>
  rankSources({ wanted: BEHAVIOURS['main beam'], loads: [bar], use: 'auxiliary', systemVoltageV: 12, circuits: [], slots: [], neverUse: [], ...part }, rules);
const told = (part: Partial<SourceQuestion>) => ask(part).sources.map(({ kind, id, behaviour, capacity }) => [kind, id, behaviour.value, capacity]);

test('what behaves and bears it comes first, and the battery over a relay stands behind a source that needs none', () => {
  expect(told({ circuits: [circuit('parking', ['parking']), circuit('main', ['main'])] })).toEqual([
    ['lamp circuit', 'main', 'as wanted', 'carries'],
    ['battery with relay', 'main', 'as wanted', 'carries'],
    ['lamp circuit', 'parking', 'otherwise', 'carries'],
  ]);
});

test('where the circuit that behaves does not bear it, the battery is first, triggered by it', () => {
  expect(told({ circuits: [circuit('main', ['main'], { loads: [{ ...bar, powerW: 90 }] })] })).toEqual([
    ['battery with relay', 'main', 'as wanted', 'carries'],
    ['lamp circuit', 'main', 'as wanted', 'does not carry'],
  ]);
  // Without anything that behaves there is nothing to trigger it.
  expect(told({ circuits: [circuit('parking', ['parking'])] }).map(([kind]) => kind)).toEqual(['lamp circuit']);
});

test('what goes out with main beam is not the dipped wire, which stays on with it', () => {
  const wanted = BEHAVIOURS['off with main beam'];
  expect(ask({ wanted, circuits: [circuit('dipped', ['dipped'])] }).sources[0]?.behaviour).toEqual({ value: 'otherwise', states: ['main'] });
});

test('with a switch of its own a supply that stays will do; with ignition it will not', () => {
  const always = [circuit('always', ['key off', 'ignition'])];
  expect(ask({ wanted: BEHAVIOURS['own switch'], circuits: always }).sources[0]?.behaviour.value).toBe('as wanted');
  expect(ask({ wanted: BEHAVIOURS['with ignition'], circuits: always }).sources[0]?.behaviour).toEqual({ value: 'otherwise', states: ['key off'] });
});

test('a slot behaves as it was measured: at rest 12.6 V are full, what was not measured is not known', () => {
  const measured = (volts: Parameters<typeof slot>[1], part?: Partial<MeasuredSlot>) =>
    ask({ slots: [slot('F1', volts, { mostA: 30, ...part })] }).sources.find(({ kind }) => kind === 'fuse tap');
  expect(measured({ main: 12.4, dipped: 0, 'key off': 0 })).toMatchObject({
    behaviour: { value: 'as wanted' },
    newFuseA: 15,
    capacity: 'carries',
    reversible: true,
    minutes: SOURCE_MINUTES['fuse tap'],
  });
  expect(measured({ main: 12.4, dipped: 12.4, 'key off': 0 })?.behaviour).toEqual({ value: 'otherwise', states: ['dipped'] });
  expect(measured({ main: 0, dipped: 0, 'key off': 0 })?.behaviour).toEqual({ value: 'otherwise', states: ['main'] });
  expect(measured({ main: 12.4, 'key off': 0 })?.behaviour).toEqual({ value: 'not known', states: ['dipped'] });
  expect(measured({ main: [0, 12.4], dipped: 0, 'key off': 0 })?.inherits).toEqual(['flashing']);
  // What the slot may hold is not known until it is said.
  expect(ask({ slots: [slot('F1', { main: 12.4, dipped: 0, 'key off': 0 }, { ratedA: 7.5 })] }).sources.find(({ kind }) => kind === 'fuse tap')).toMatchObject({
    capacity: 'not known',
    originalA: 7.5,
  });
  // 15 A go into a slot that may hold 15, not into one that may hold 10.
  expect(measured({ main: 12.4, dipped: 0, 'key off': 0 }, { mostA: 15 })?.capacity).toBe('carries');
  expect(measured({ main: 12.4, dipped: 0, 'key off': 0 }, { mostA: 10 })?.capacity).toBe('does not carry');
});

test('slots and circuits that are never used are refused by name, by their own word or the shop’s', () => {
  const guarded = circuit('airbag', ['main'], { name: 'Restraints', neverUse: 'restraint system' });
  const { sources, refused } = ask({
    circuits: [guarded, circuit('brakes', ['main'])],
    slots: [slot('F3', { main: 12.4, dipped: 0, 'key off': 0 }, { neverUse: 'steering' })],
    neverUse: ['brakes'],
  });
  expect(sources).toEqual([]);
  expect(refused).toEqual([
    { id: 'airbag', name: 'Restraints', why: 'restraint system' },
    { id: 'brakes', name: 'brakes' },
    { id: 'F3', name: 'F3', why: 'steering' },
  ]);
});

test('of sources alike the one that cuts nothing comes first, then the one that takes least', () => {
  const wanted = { on: ['output 1' as const], off: ['key off' as const] };
  const outputs = [circuit('b', ['output 1']), circuit('a', ['ignition'])];
  expect(told({ wanted, circuits: outputs }).map(([kind, id]) => [kind, id])).toEqual([
    ['switch output', 'b'],
    ['battery with relay', 'b'],
    ['lamp circuit', 'a'],
  ]);
  const slots = [slot('F1', { 'output 1': 12.5, 'key off': 0 }, { mostA: 15 })];
  expect(told({ wanted, circuits: outputs, slots, minutes: { 'fuse tap': 2 } })[0]).toEqual(['fuse tap', 'F1', 'as wanted', 'carries']);
});
