import { parseArgs } from 'node:util';
import { PROBE_FUNCTIONS, type ProbeFunction } from '@jade/core/probing';
import { isVehicleState } from '@jade/core/states';
import { MeterBridge } from './bridge.ts';
import { sitIn } from './seat.ts';
import { Played, type PlayedVehicle } from './vehicle.ts';

const USAGE = `npm run meter -- [options]: a meter that plays a vehicle
  --pins "1:ground,2:tail,…"   what the pins carry
  --volts 12.6                 voltage of its battery
  --leak "2:reverse"           a pin on which something leaks in, in a state
  --modulated "tail"           functions that are fed in pulses, with commas
  --ground 0.6                 volts by which the ground that is used is bad
  --helper LINK                a helper's link, which sets the states
  --seed 1   --port 4390`;
const PINS = '1:ground,2:stop pedal,3:turn left,4:empty,5:tail,6:reverse';

const fail = (text: string): never => {
  process.stderr.write(`${text}\n\n${USAGE}\n`);
  process.exit(1);
};
const isFunction = (name: string): name is ProbeFunction => (PROBE_FUNCTIONS as readonly string[]).includes(name);
const functionOf = (name: string): ProbeFunction => (isFunction(name) ? name : fail(`“${name}” is no function; known are ${PROBE_FUNCTIONS.join(', ')}`));
const pairOf = (text: string): [string, string] => {
  const [pin = '', what = ''] = text.split(':').map((part) => part.trim());
  return pin && what ? [pin, what] : fail(`“${text}” is no pin with what it has, as in 2:tail`);
};
const numberOf = (text: string, name: string): number => (Number.isFinite(Number(text)) ? Number(text) : fail(`${name}: “${text}” is no number`));

function vehicleOf(options: Record<string, string | undefined>): PlayedVehicle {
  const pins = Object.fromEntries(
    (options.pins ?? PINS)
      .split(',')
      .map((entry) => pairOf(entry))
      .map(([pin, name]) => [pin, functionOf(name)]),
  );
  const [leakPin, leakState] = options.leak ? pairOf(options.leak) : [];
  if (leakState !== undefined && !isVehicleState(leakState)) fail(`“${leakState}” is no state`);
  return {
    pins,
    systemV: numberOf(options.volts ?? '12.6', '--volts'),
    ...(leakPin !== undefined && leakState !== undefined && isVehicleState(leakState) ? { leak: { pin: leakPin, state: leakState } } : {}),
    ...(options.modulated ? { modulated: options.modulated.split(',').map((name) => functionOf(name.trim())) } : {}),
    ...(options.ground ? { groundV: numberOf(options.ground, '--ground') } : {}),
  };
}

const text = { type: 'string' } as const;
const { values } = parseArgs({ options: { pins: text, volts: text, leak: text, modulated: text, ground: text, helper: text, seed: text, port: text, help: { type: 'boolean' } } });
if (values.help) {
  process.stdout.write(`${USAGE}\n`);
  process.exit(0);
}
const { help: _help, ...options } = values;
const played = new Played(vehicleOf(options), numberOf(options.seed ?? '1', '--seed'));
const bridge = new MeterBridge(played);
const port = await bridge.listen(numberOf(options.port ?? '4390', '--port')).catch((error: Error) => fail(`It cannot listen: ${error.message}`));
process.stdout.write(
  `The meter is at ws://127.0.0.1:${port}\nPut the probe on a pin: curl -d '{"pin":"2"}' http://127.0.0.1:${port}/probe\nHold what it shows:      curl -X POST http://127.0.0.1:${port}/hold\n`,
);
const stop = new AbortController();
if (options.helper)
  void sitIn(played, options.helper, stop.signal).catch((error: Error) =>
    process.stderr.write(`The helper's link is lost: ${error.message}. States by: curl -d '{"state":"parking"}' http://127.0.0.1:${port}/state\n`),
  );
process.once('SIGINT', () => {
  stop.abort();
  void bridge.close().then(() => process.exit(0));
});
