import { isRefused, probe } from '../stations/index.ts';
import type { PinFunction, VehicleState } from '../states/index.ts';
import type { Circuit, VehicleProfile } from '../vehicle/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { probedAs, probeOf, probeRunOf, readingsOf, wireProof } from './index.ts';
import { contextOf, openedLog, VAN, type TestLog } from '../job/test/log.ts';

const AT = '2026-03-05T10:00:00Z';
const [fogPlug] = VAN.plugs;
const [fogCircuit] = VAN.circuits;
const [fitted] = contextOf(openedLog()).kits;
if (!fogPlug || !fogCircuit || !fitted) throw new Error('the van has a fog plug');

const circuit = (id: string, ...liveIn: VehicleState[]): Circuit => ({ ...fogCircuit, id, name: id, liveIn });
/** The fog plug with a wire for each of these behind its ground. */
function withWires(...carried: [PinFunction, string?][]): VehicleProfile {
  const pins = carried.map(([carries, fed], index) => ({ id: String(index + 2), row: 1, column: index + 2, carries, ...(fed ? { circuit: fed } : {}) }));
  return {
    ...VAN,
    circuits: [...VAN.circuits, circuit('parking', 'parking'), circuit('stop', 'stop pedal'), circuit('spare', 'output 1'), circuit('dipped', 'dipped')],
    plugs: VAN.plugs.map((plug) => (plug.id === 'fog-plug' ? { ...plug, columns: carried.length + 1, pins: [plug.pins[0]!, ...pins] } : plug)),
  };
}
const on = (profile: VehicleProfile, log: TestLog): JobContext => {
  const plug = profile.plugs[0]!;
  const kit = { ...fitted, plugs: fitted.plugs.map((own) => ({ ...own, columns: plug.columns, pins: plug.pins.map(({ circuit: _circuit, ...pin }) => pin) })) };
  return jobContext(log.state, { ...contextOf(log), profile, kits: [kit] });
};
const read = (log: TestLog, pin: string, state: VehicleState, volts: number, highV = volts) => log.add('reading.taken', { plug: 'fog-plug', pin, state, lowV: volts, highV });
const proofOf = (profile: VehicleProfile, log: TestLog, pin: string) => {
  const context = on(profile, log);
  return probe.wiresToProve(context).find((wire) => wire.pin.id === pin)?.proof;
};
const started = () => {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  return log;
};

test('a described plug is a run: its pins hinted, its functions as candidates, states that light them, what they need, and the key off', () => {
  const profile = withWires(['parking', 'parking'], ['switched supply', 'spare'], ['empty']);
  const run = probeRunOf(on(profile, started()), profile.plugs[0]!);
  expect(run.candidates.map((candidate) => candidate.function)).toEqual(['ground', 'tail', 'switched supply', 'empty', 'unknown']);
  expect(run.states).toEqual(['key off', 'ignition', 'parking', 'output 1']);
  expect(run.pins.map(({ id, hint }) => [id, hint?.function])).toEqual([
    ['1', 'ground'],
    ['2', 'tail'],
    ['3', 'switched supply'],
    ['4', 'empty'],
  ]);
  // A supply does what its circuit does.
  expect(run.candidates[2]?.does).toEqual({ 'key off': 'off', ignition: 'off', parking: 'off', 'output 1': 'on' });
  expect([run.systemV, probedAs({ carries: 'parking' }, { pins: [{ id: '1', row: 1, column: 1, carries: 'dipped' }] })]).toEqual([12.6, 'position']);
});

test('on and off are not enough while another wire of the plug could read the same: dipped beam with the parking lamps on', () => {
  const profile = withWires(['parking', 'parking'], ['dipped', 'dipped']);
  const log = started();
  read(log, '3', 'dipped', 12.4);
  expect(proofOf(profile, log, '3')).toEqual({ code: 'needs-off', state: 'dipped' });
  read(log, '3', 'key off', 0.01);
  // Parking lamps are on with dipped beam too: their state tells.
  expect(proofOf(profile, log, '3')).toEqual({ code: 'rivals', state: 'parking' });
  read(log, '3', 'parking', 0.02);
  expect(proofOf(profile, log, '3')).toEqual({ code: 'proved' });
  // Or the parking wire is proved on its own pin, and can be no other.
  const other = started();
  read(other, '3', 'dipped', 12.4);
  read(other, '3', 'key off', 0.01);
  read(other, '2', 'parking', 12.4);
  read(other, '2', 'key off', 0.01);
  expect([proofOf(profile, other, '2'), proofOf(profile, other, '3')]).toEqual([{ code: 'proved' }, { code: 'proved' }]);
});

test('a reading taken again counts; a middle value is unclear until it is looked at closely', () => {
  const profile = withWires(['stop pedal', 'stop']);
  const log = started();
  read(log, '2', 'stop pedal', 6);
  expect(proofOf(profile, log, '2')).toEqual({ code: 'unclear', state: 'stop pedal', found: 'in between' });
  read(log, '2', 'stop pedal', 0.02);
  expect(proofOf(profile, log, '2')).toMatchObject({ code: 'contradictory', state: 'stop pedal', found: 'off' });
  read(log, '2', 'stop pedal', 12.4);
  read(log, '2', 'key off', 0.02);
  expect(proofOf(profile, log, '2')).toEqual({ code: 'proved' });
  const context = on(profile, log);
  expect(readingsOf(context, context.profile.plugs[0]!, '2').map(({ state, highV }) => [state, highV])).toEqual([
    ['stop pedal', 12.4],
    ['key off', 0.02],
  ]);
});

test('a constant supply is on with the key off and in another state, and holds under a load', () => {
  const profile = withWires(['constant supply', 'spare']);
  const log = started();
  expect(proofOf(profile, log, '2')).toEqual({ code: 'no-reading' });
  read(log, '2', 'ignition', 12.4);
  expect(proofOf(profile, log, '2')).toEqual({ code: 'needs-on', state: 'key off' });
  read(log, '2', 'key off', 12.5);
  expect(proofOf(profile, log, '2')).toEqual({ code: 'needs-load' });
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'key off', lowV: 12.4, highV: 12.4, underLamp: 'holds' });
  expect(proofOf(profile, log, '2')).toEqual({ code: 'proved' });
  // One that leaks in another state is no constant supply, whatever held.
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'parking', lowV: 6, highV: 6, underLamp: 'collapses' });
  expect(proofOf(profile, log, '2')).toEqual({ code: 'contradictory', state: 'parking', found: 'leak' });
  const dead = started();
  read(dead, '2', 'key off', 0.01);
  expect(proofOf(profile, dead, '2')).toEqual({ code: 'contradictory', state: 'key off', found: 'off' });
});

test('two wires that are said to carry the same are each proved by on and off', () => {
  const profile = withWires(['stop pedal', 'stop'], ['stop pedal', 'stop']);
  const log = started();
  for (const pin of ['2', '3']) {
    read(log, pin, 'stop pedal', 12.4);
    expect(proofOf(profile, log, pin)).toEqual({ code: 'needs-off', state: 'stop pedal' });
    read(log, pin, 'key off', 0.02);
  }
  expect([proofOf(profile, log, '2'), proofOf(profile, log, '3')]).toEqual([{ code: 'proved' }, { code: 'proved' }]);
});

test('what a pin is proved to be is worked out once for a state of the job', () => {
  const profile = withWires(['stop pedal', 'stop']);
  const context = on(profile, started());
  const [plug] = context.profile.plugs;
  expect(plug && probeOf(context, plug)).toBe(plug && probeOf(context, plug));
  expect(plug && wireProof(context, plug, plug.pins[1]!, ['stop pedal'])).toEqual({ code: 'no-reading' });
});

describe('what to read now', () => {
  const profile = withWires(['parking', 'parking'], ['stop pedal', 'stop']);
  const now = (log: TestLog) => {
    const next = probe.probeNow(on(profile, log));
    return next && [next.pin.id, next.reading.state];
  };

  test('one state after the other, the pins of a state together; nothing once all is proved', () => {
    const log = started();
    const taken: string[] = [];
    for (let step = 0; step < 12; step++) {
      const next = now(log);
      if (!next) break;
      const [pin = '', state = 'key off'] = next as [string, VehicleState];
      taken.push(state);
      read(log, pin, state, (pin === '2' && state === 'parking') || (pin === '3' && state === 'stop pedal') ? 12.4 : 0.02);
    }
    expect(now(log)).toBeUndefined();
    expect(probe.wiresToProve(on(profile, log)).map(({ proof }) => proof.code)).toEqual(['proved', 'proved']);
    // Two states, and the helper switched once.
    expect(taken.filter((state, index) => state !== taken[index - 1]).length).toBe(2);
    expect(taken.length).toBeLessThanOrEqual(5);
    expect(probe.statesToRead(on(profile, log))).toEqual(['key off', 'parking', 'stop pedal']);
  });

  test('with two plugs a state is read at both before the helper switches', () => {
    const second = { ...profile.plugs[0]!, id: 'second', name: 'Second', side: 'right' as const };
    const two = { ...profile, plugs: [...profile.plugs, second] };
    const [fitment] = fitted.fitments;
    const kit = {
      ...fitted,
      plugs: fitted.plugs.map((own) => ({ ...own, columns: second.columns, pins: second.pins.map(({ circuit: _circuit, ...pin }) => pin) })),
      fitments: [{ ...fitment!, connections: [...fitment!.connections, { ...fitment!.connections[0]!, id: 'other', vehiclePlug: 'second' }] }],
    };
    const log = started();
    const taken: string[] = [];
    for (let step = 0; step < 20; step++) {
      const next = probe.probeNow(jobContext(log.state, { ...contextOf(log), profile: two, kits: [kit] }));
      if (!next) break;
      const { state } = next.reading;
      const [pin, plug] = [next.pin.id, next.probe.plug.id];
      taken.push(`${state}/${plug}`);
      const lit = (pin === '2' && state === 'parking') || (pin === '3' && state === 'stop pedal');
      log.add('reading.taken', { plug, pin, state, lowV: lit ? 12.4 : 0.02, highV: lit ? 12.4 : 0.02 });
    }
    const changes = (of: (entry: string) => string) => taken.map(of).filter((entry, index, all) => entry !== all[index - 1]);
    expect(changes((entry) => entry.split('/')[0] ?? '')).toEqual(['parking', 'stop pedal']);
  });

  test('where the way of the leg is described, a wire from the lamp has its minutes: laying, and joining it', () => {
    const place = (id: string, part: object) => ({ id, name: id, at: { xMm: 0, yMm: 0, zMm: 0 }, ...part });
    const cableWays = {
      places: [place('plug', { plugs: ['fog-plug'] }), place('lamp', { mounts: ['place'] })],
      segments: [{ id: 'a', name: 'a', from: 'plug', to: 'lamp', lengthMm: 500, hazards: {}, needs: [], layMin: 4 }],
    } as unknown as NonNullable<VehicleProfile['cableWays']>;
    const log = started();
    const [plug] = profile.plugs;
    const own = {
      ...fitted,
      legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 900 }],
      plugs: fitted.plugs.map((face) => ({ ...face, columns: plug!.columns, pins: plug!.pins.map(({ circuit: _circuit, ...pin }) => pin) })),
    };
    const nowWith = (ways?: typeof cableWays) =>
      probe.probeNow(jobContext(log.state, { ...contextOf(log), profile: { ...profile, ...(ways ? { cableWays: ways } : {}) }, kits: [own] }));
    expect([nowWith(cableWays)?.wireMin, nowWith()?.wireMin]).toEqual([14, undefined]);
  });

  test('a reading that no meter shows is refused, an odd one asked about, one of another plug unknown', () => {
    const context = on(profile, started());
    const take = (lowV: number, highV: number, sure?: boolean) => probe.take(context, 'fog-plug', '2', { state: 'parking', lowV, highV }, AT, sure);
    expect(take(12, 3)).toEqual({ refused: [{ code: 'reading-impossible', doubts: ['lowest above highest'] }] });
    expect(take(-12.4, -12.4)).toEqual({ refused: [{ code: 'reading-odd', doubts: ['probes swapped'] }] });
    expect(isRefused(take(-12.4, -12.4, true))).toBe(false);
    expect(take(0.1, 12.3)).toEqual({ events: [{ type: 'reading.taken', payload: { plug: 'fog-plug', pin: '2', state: 'parking', lowV: 0.1, highV: 12.3 } }] });
    expect(probe.take(context, 'fog-plug', '9', { state: 'parking', lowV: 0, highV: 0 }, AT)).toMatchObject({ refused: [{ code: 'unknown' }] });
    // The ground of the plug may be read too.
    expect(isRefused(probe.take(context, 'fog-plug', '1', { state: 'parking', lowV: 0, highV: 0 }, AT))).toBe(false);
  });
});
