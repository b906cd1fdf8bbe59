import { isRefused, probe } from '../stations/index.ts';
import { key } from '../subject/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { lampWires, supplyFor } from './index.ts';
import { contextOf, openedLog, VAN, type TestLog } from '../job/test/log.ts';

const [kit] = contextOf(openedLog()).kits;
const [lamp] = kit?.lamps ?? [];
const [plug] = kit?.plugs ?? [];
const [pin] = plug?.pins.filter(({ carries }) => carries === 'front fog') ?? [];
if (!kit || !lamp || !plug || !pin) throw new Error('the kit has a lamp with a plug');
/** Its lamp with two functions on wires of their own: 12 W and 30 W, resistive, at 12 V. */
const load = (powerW: number) => ({ powerW, atV: 12, kind: 'resistive' as const, standbyMa: 0 });
const BODY = {
  ...kit,
  lamps: [
    {
      ...lamp,
      load: load(42),
      functions: [
        { carries: 'front fog' as const, load: load(30) },
        { carries: 'daytime' as const, load: load(12) },
      ],
    },
  ],
  plugs: [{ ...plug, columns: 3, pins: [...plug.pins, { id: '3', row: 1, column: 3, carries: 'daytime' as const }] }],
};
const on = (log: TestLog, part: Partial<JobContext> = {}): JobContext => jobContext(log.state, { ...contextOf(log), kits: [BODY], ...part });
const tried = (log: TestLog) => lampWires(on(log)).map(({ pin: { id }, tried: result }) => [id, result?.faults]);
const power = (log: TestLog, ...args: [pin: string, volts: number, ampere: number, lit: 'as the kit says' | 'something else' | 'nothing']) => {
  const act = probe.powered(on(log), BODY.slug, plug.id, ...args);
  if (!isRefused(act)) for (const { type, payload } of act.events) log.add(type, payload as never);
  return act;
};

test('each wire of a body with several functions takes what its function is stated to, and the supply is limited to half as much again', () => {
  const wires = lampWires(on(openedLog()));
  expect(wires.map(({ pin: { id, carries }, loads }) => [id, carries, loads.map(({ powerW }) => powerW)])).toEqual([
    ['2', 'front fog', [30]],
    ['3', 'daytime', [12]],
  ]);
  // 12 Ω at 12.6 V: 1.05 A, with half as much again 1.575; 4.8 Ω: 2.625 A and 3.9375.
  expect(wires.map((wire) => supplyFor(on(openedLog()), wire))).toEqual([
    { volts: 12.6, limitA: 4 },
    { volts: 12.6, limitA: 1.6 },
  ]);
  expect(
    lampWires(on(openedLog(), { profile: { ...VAN, systemVoltageV: 24 } })).map((wire) => supplyFor(on(openedLog(), { profile: { ...VAN, systemVoltageV: 24 } }), wire).volts),
  ).toEqual([25.2, 25.2]);
});

test('what a lamp draws and lights is held against what its kit states; the last try counts', () => {
  const log = openedLog();
  power(log, '3', 12, 1.29, 'as the kit says');
  expect(tried(log)).toEqual([
    ['2', undefined],
    ['3', []],
  ]);
  power(log, '3', 12, 1.31, 'as the kit says');
  expect(tried(log)[1]).toEqual(['3', ['draws too much']]);
  power(log, '3', 12, 0.71, 'something else');
  expect(tried(log)[1]).toEqual(['3', ['lights something else']]);
  power(log, '3', 12, 0.69, 'nothing');
  expect(tried(log)[1]).toEqual(['3', ['lights nothing', 'draws too little']]);
  power(log, '3', 12, 1.5, 'nothing');
  expect(tried(log)[1]).toEqual(['3', ['at the limit', 'lights nothing']]);
  const about = key({ kind: 'lamp-wire', kit: BODY.slug, wire: `${plug.id}/3` });
  expect(probe.asked(on(log)).filter(({ code }) => code === 'lamp-otherwise')).toEqual([
    { code: 'lamp-otherwise', kind: 'question', data: { kit: BODY.slug, plug: plug.id, pin: '3', fault: 'at the limit' }, about },
  ]);
  power(log, '3', 12, 1, 'as the kit says');
  expect(probe.asked(on(log)).filter(({ code }) => code === 'lamp-otherwise')).toEqual([]);
});

test('a lamp whose plug is joined, or whose side is being fitted, is not fed by a supply of the bench; neither is what is no wire of a lamp', () => {
  const log = openedLog();
  expect(power(log, '1', 12, 1, 'nothing')).toMatchObject({ refused: [{ code: 'unknown' }] });
  expect(power(log, '3', 0, 1, 'nothing')).toMatchObject({ refused: [{ code: 'reading-impossible' }] });
  const [step] = BODY.fitments[0]?.fitSteps ?? [];
  if (!step) throw new Error('the kit has a fitting step');
  const fitting = openedLog();
  fitting.add('step.passed', { kit: BODY.slug, step: step.id, pass: 'start' });
  expect(power(fitting, '3', 12, 1, 'nothing')).toMatchObject({ refused: [{ code: 'on-vehicle', because: 'being fitted' }] });
  const joined = openedLog();
  joined.add('plug.joined', { kit: BODY.slug, connection: 'joint' });
  expect(power(joined, '3', 12, 1, 'nothing')).toMatchObject({ refused: [{ code: 'on-vehicle', because: 'joined' }] });
  // What was seen before stays in the record.
  power(log, '3', 12, 1, 'as the kit says');
  log.add('plug.joined', { kit: BODY.slug, connection: 'joint' });
  expect(lampWires(on(log))[1]).toMatchObject({ onVehicle: 'joined', tried: { ampere: 1, faults: [] } });
});

test('what is fitted on the other side leaves a lamp on the bench; the coil of a relay is no lamp', () => {
  const [fitment] = BODY.fitments;
  const [step] = fitment?.fitSteps ?? [];
  if (!fitment || !step) throw new Error('the kit has a fitting step');
  const sided = (side: 'left' | 'right') => ({ ...step, id: `step-${side}`, side });
  const kits = [{ ...BODY, lamps: BODY.lamps.map((entry) => ({ ...entry, side: 'left' as const })), fitments: [{ ...fitment, fitSteps: [sided('left'), sided('right')] }] }];
  const log = openedLog();
  log.add('step.passed', { kit: BODY.slug, step: 'step-right', pass: 'start' });
  expect(lampWires(on(log, { kits })).map(({ onVehicle }) => onVehicle)).toEqual([undefined, undefined]);
  log.add('step.passed', { kit: BODY.slug, step: 'step-left', pass: 'start' });
  expect(lampWires(on(log, { kits })).map(({ onVehicle }) => onVehicle)).toEqual(['being fitted', 'being fitted']);
  const relay = { id: 'r', name: 'Relay', coilOhm: 85, contactA: 30, feeds: [] };
  const triggered = [
    {
      ...BODY,
      relays: [relay as never],
      fitments: [{ ...fitment, connections: fitment.connections.map((entry) => ({ ...entry, trigger: { circuit: entry.feed.circuit, relay: 'r' } })) }],
    },
  ];
  expect(lampWires(on(openedLog(), { kits: triggered }))).toEqual([]);
});
