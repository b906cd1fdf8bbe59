import { WebSocket } from 'ws';
import { classifyReading, readMeterLine, type MeterLine } from '@jade/core/probing';
import { MeterBridge } from './bridge.ts';
import { Played } from './vehicle.ts';

const PROBING = { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 };
const PINS = { 1: 'ground', 2: 'tail', 3: 'turn left', 4: 'empty', 5: 'constant supply' } as const;
const open: { close: () => unknown }[] = [];
afterEach(async () => {
  for (const entry of open.splice(0)) await entry.close();
});

async function bridge(played = new Played({ pins: PINS, systemV: 12.6 })) {
  const made = new MeterBridge(played, 'run-1');
  open.push(made);
  return { made, played, port: await made.listen() };
}
/** A bench's end of the line: lines as they come, one after the other. */
async function bench(port: number) {
  const socket = new WebSocket(`ws://127.0.0.1:${port}`);
  const lines: MeterLine[] = [];
  let wake = () => undefined as void;
  socket.on('message', (data: Buffer) => {
    for (const text of data.toString().trim().split('\n')) {
      const line = readMeterLine(text);
      if ('fault' in line) throw new Error(`${line.fault}: ${text}`);
      lines.push(line);
    }
    wake();
  });
  await new Promise((settle) => socket.once('open', settle));
  open.push(socket);
  const next = async (wanted: (line: MeterLine) => boolean): Promise<MeterLine> => {
    for (;;) {
      const place = lines.findIndex(wanted);
      const [line] = place < 0 ? [] : lines.splice(place, 1);
      if (line) return line;
      await new Promise<void>((settle) => (wake = settle));
    }
  };
  return { socket, lines, next, send: (line: object) => socket.send(JSON.stringify(line)) };
}
const held = (line: MeterLine) => 'held' in line;

test('a played vehicle shows what its pins do: on, off, flashing, in pulses, leaking, over a bad ground; the engine charges', () => {
  const played = new Played({ pins: PINS, systemV: 12, noiseV: 0, leak: { pin: '4', state: 'parking' }, modulated: ['tail'] });
  const at = (pin: string, state: Played['state']) => {
    [played.pin, played.state] = [pin, state];
    return played.voltage();
  };
  expect(at('1', 'parking')).toEqual({ lowV: 0.02, highV: 0.02 });
  expect(at('5', 'key off')).toEqual({ lowV: 11.8, highV: 11.8 });
  expect(at('5', 'engine')).toEqual({ lowV: 13.6, highV: 13.6 });
  expect(at('3', 'turn left')).toEqual({ lowV: 0.05, highV: 11.7 });
  expect(at('2', 'dipped')).toEqual({ lowV: 4.8, highV: 4.8 });
  expect(at('4', 'parking')).toEqual({ lowV: 3.6, highV: 3.6 });
  expect([at('4', 'key off'), at('9', 'key off')]).toEqual([{ lowV: 0.02, highV: 0.02 }, undefined]);
  expect([played.continuity(), at('1', 'key off') && played.continuity()]).toEqual([undefined, expect.closeTo(0.35, 1)]);
  expect(at('1', 'parking') && played.continuity()).toBeUndefined();
  const bad = new Played({ pins: PINS, systemV: 12, noiseV: 0, groundV: 0.7 });
  [bad.pin, bad.state] = ['5', 'key off'];
  expect(bad.voltage()).toEqual({ lowV: 11.1, highV: 11.1 });
  // Noise is noise: it never makes another class of what is clear.
  const noisy = new Played({ pins: PINS, systemV: 12.6, noiseV: 0.3 }, 7);
  [noisy.pin, noisy.state] = ['2', 'parking'];
  const seen = Array.from({ length: 40 }, () => noisy.voltage()).flatMap((span) => span ?? []);
  expect(new Set(seen.map((span) => classifyReading({ state: 'parking', ...span }, 12.6, PROBING)))).toEqual(new Set(['on']));
  expect(new Set(seen.map(({ highV }) => highV)).size).toBeGreaterThan(10);
});

test('the bench is greeted, sees what the probe shows, and gets what is held with its number', async () => {
  const { made, played, port } = await bridge();
  const { next } = await bench(port);
  expect(await next((line) => 'hello' in line)).toEqual({ hello: 'jade-meter/1', name: 'Simulated meter', run: 'run-1' });
  [played.pin, played.state] = ['2', 'parking'];
  expect(await next((line) => 'shows' in line)).toMatchObject({ shows: 'voltage', volts: expect.closeTo(12.4, 1) });
  made.hold();
  const fresh = await next(held);
  expect(fresh).toMatchObject({ n: 1, held: 'voltage', lowV: expect.closeTo(12.4, 1) });
  expect(fresh).not.toHaveProperty('again');
  [played.pin, played.state] = ['1', 'key off'];
  made.hold('continuity');
  expect(await next(held)).toMatchObject({ n: 2, held: 'continuity', ohm: expect.closeTo(0.35, 1) });
  played.pin = undefined;
  expect(made.hold()).toBeUndefined();
});

test('what is held while the line is cut is told to whoever comes back, from the number on that they have; what was taken is told no more', async () => {
  const { made, played, port } = await bridge();
  const first = await bench(port);
  [played.pin, played.state] = ['2', 'parking'];
  made.hold();
  await first.next(held);
  made.drop();
  await new Promise((settle) => first.socket.once('close', settle));
  made.hold();
  made.hold();
  const second = await bench(port);
  second.send({ run: 'another', from: 0 });
  second.send({ run: 'run-1', from: 1 });
  expect([await second.next(held), await second.next(held)]).toMatchObject([
    { n: 2, again: true },
    { n: 3, again: true },
  ]);
  second.send({ run: 'run-1', took: 2 });
  second.send({ run: 'run-1', from: 0 });
  expect([await second.next(held), await second.next(held)]).toMatchObject([{ n: 1 }, { n: 3 }]);
});

test('over plain HTTP the probe is moved, the vehicle put into a state, and a reading held; what makes no sense is refused', async () => {
  const { played, port } = await bridge();
  const post = async (path: string, body: object) => {
    const answer = await fetch(`http://127.0.0.1:${port}/${path}`, { method: 'POST', body: JSON.stringify(body) });
    return [answer.status, await answer.json()];
  };
  expect(await post('probe', { pin: '5' })).toEqual([200, { pin: '5' }]);
  expect(await post('state', { state: 'reverse' })).toEqual([200, { state: 'reverse' }]);
  expect([played.pin, played.state]).toEqual(['5', 'reverse']);
  expect(await post('hold', {})).toEqual([200, { held: { n: 1, held: 'voltage', lowV: expect.closeTo(12.4, 1) as number, highV: expect.closeTo(12.4, 1) as number } }]);
  expect((await post('state', { state: 'flying' }))[0]).toBe(404);
  expect((await post('tea', {}))[0]).toBe(404);
});
