import type { Kit, KitTest } from '@jade/core/kit';
import { onWith, type VehicleState } from '@jade/core/states';

/** What the helper does for a state, after what it needs was done. */
const SWITCHED: Readonly<Record<VehicleState, string>> = {
  'key off': 'key off',
  accessory: 'accessory on',
  ignition: 'ignition on',
  engine: 'engine running',
  parking: 'parking lamps on',
  dipped: 'dipped beam on',
  main: 'main beam on',
  daytime: 'lamp switch off, so that the daytime lamps are on',
  automatic: 'lamp switch to automatic',
  'turn left': 'left turn signal on',
  'turn right': 'right turn signal on',
  hazard: 'hazard lamps on',
  'stop pedal': 'press the brake pedal',
  reverse: 'reverse gear, parking brake set',
  'front fog': 'front fog on',
  'rear fog': 'rear fog on',
  plate: 'plate lamp on',
  'output 1': 'switch 1 on',
  'output 2': 'switch 2 on',
  'output 3': 'switch 3 on',
  'output 4': 'switch 4 on',
  'output 5': 'switch 5 on',
  'output 6': 'switch 6 on',
  'door open': 'open the door',
  'lid open': 'open the lid',
  'bonnet open': 'open the bonnet',
};

const sentence = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
const named = (kit: Kit, lamps: readonly string[]) => kit.lamps.filter(({ id }) => lamps.includes(id)).map(({ name }) => name);

/** What the helper in the seat does to put the vehicle into a state: what it needs first, in order; the accessory position is passed on the way to ignition. */
export function sayHelperState(state: VehicleState): string {
  const on = onWith(state);
  const done = on.filter((entry) => entry === state || entry !== 'accessory' || !on.includes('ignition'));
  return sentence(done.map((entry) => SWITCHED[entry]).join(', '));
}

const controlOf = (kit: Kit, id: string) => kit.controls?.find((entry) => entry.id === id);

/** What a test is called: as its kit says, or by what it follows from. */
export function sayTest(kit: Kit, { name, follows, lamps, state }: KitTest): string {
  if (!follows || follows.from === 'source') return name;
  if (follows.from === 'pairing') return `${controlOf(kit, follows.control)?.name ?? follows.control}: paired`;
  if (follows.from === 'position') {
    const control = controlOf(kit, follows.control);
    return `${control?.name ?? follows.control}, ${control?.positions.find(({ id }) => id === follows.position)?.name ?? follows.position}`;
  }
  const what = follows.carries === 'switched supply' || follows.carries === 'constant supply' ? `${follows.carries}, ${state}` : follows.carries;
  return `${sentence(what)}: ${named(kit, lamps).join(' and ')}`;
}

/** What the helper is told for a test. */
export function sayHelper(kit: Kit, { helper, follows, lamps, state }: KitTest): string {
  if (!follows) return helper;
  const put = sayHelperState(state);
  if (follows.from === 'pairing') return `${put}. Pair the remote as its maker says, then each of its keys once.`;
  if (follows.from === 'function' || follows.from === 'source') return `${put}. Hold.`;
  const lit = named(kit, lamps);
  return `${put}, then that position. ${lit.length > 0 ? `Alight: ${lit.join(', ')}; nothing else.` : 'Nothing of the kit is alight.'}`;
}
