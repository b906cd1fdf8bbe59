import type { ContentKind, Kit, KitKind, KitTest } from '@jade/core/kit';
import { onWith, type VehicleState } from '@jade/core/states';
import type { LoadKind } from '@jade/core/vehicle';
import { capitalised } from '@jade/words/units';

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

const named = (kit: Kit, lamps: readonly string[]) => kit.lamps.filter(({ id }) => lamps.includes(id)).map(({ name }) => name);

/** What the helper in the seat does to put the vehicle into a state: what it needs first, in order; the accessory position is passed on the way to ignition. */
export function sayHelperState(state: VehicleState): string {
  const on = onWith(state);
  const done = on.filter((entry) => entry === state || entry !== 'accessory' || !on.includes('ignition'));
  return capitalised(done.map((entry) => SWITCHED[entry]).join(', '));
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
  return `${capitalised(what)}: ${named(kit, lamps).join(' and ')}`;
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

/** Kinds of kit, as they are chosen. */
export const KIT_KIND_NAMES: Readonly<Record<KitKind, string>> = {
  'front fog pair': 'Pair of front fog lamps',
  'headlamp pair': 'Pair of headlamps',
  'driving lamp pair': 'Pair of driving lamps',
  'light bar': 'Light bar',
  'work lamp pair': 'Pair of work lamps',
  'rear lamp pair': 'Pair of rear lamps',
  'side marker set': 'Set of side markers',
};

export const NEW_KIT = {
  title: 'A kit that is new to the shop',
  why: 'What its box says is enough to begin. What lies in it is counted at Gather, and how it is fitted is written down at Fit, step by step.',
  maker: 'Maker of the kit',
  name: 'Name of the kit',
  kind: 'What it is',
  kinds: KIT_KIND_NAMES,
  price: (currency: string) => `Price${currency ? `, ${currency}` : ''}; 0 where the customer brings it`,
  missing: 'Still missing: its maker, its name, what it is, or its price.',
  leave: 'Choose from the library',
} as const;

const CONTENT_KIND_NAMES: Readonly<Record<ContentKind, string>> = {
  lamp: 'Lamp',
  bracket: 'Bracket',
  adapter: 'Adapter',
  harness: 'Harness',
  trim: 'Trim',
  fastener: 'Fasteners',
  switch: 'Switch',
  other: 'Something else',
};

export const IN_THE_BOX = {
  title: 'What is in the box',
  why: 'Nobody has described what belongs to this kit. Count what is there: the next one of its kind is counted against it. What such a kit commonly holds is offered; what is not there stays at none.',
  count: (name: string) => `How many of ${name}`,
  less: (name: string) => `One less of ${name}`,
  more: (name: string) => `One more of ${name}`,
  left: 'left',
  right: 'right',
  other: 'Something else is in it',
  name: 'What it is called',
  kind: 'What it is',
  kinds: CONTENT_KIND_NAMES,
  hand: 'For which side',
  both: 'either',
  add: 'Add it to the list',
  write: (count: number) => `Write down ${count === 1 ? 'what is there' : `these ${count}`}`,
  noMore: 'That is all that is in it',
} as const;

const LOAD_NAMES: Readonly<Record<LoadKind, string>> = { filament: 'Filament', 'driven LED': 'LED with a driver', resistive: 'LED behind a resistor' };

export const LAMPS_READ = {
  title: 'Its lamps',
  why: 'Read it from the lamp, its box or its paper; measure what is not printed. What nobody states stays open.',
  which: 'Lamps that are all alike',
  power: 'Power of one, W',
  voltage: 'At, V',
  source: 'What lights in it',
  sources: LOAD_NAMES,
  widthMm: 'Width of its body, mm',
  heightMm: 'Height, mm',
  depthMm: 'Depth, mm',
  marking: 'What is printed or moulded on it; “none found” where nothing is',
  more: 'What its maker states of its light',
  peak: 'Highest intensity, cd',
  write: (count: number) => (count === 1 ? 'Write it down' : `Write down ${count}`),
  noMore: 'It has no other lamp',
  missing: 'Still missing: which lamps, power and voltage, what lights in it, three measures, or what is printed on it.',
  caution: 'Power it on the bench from a supply with a limit; an LED that bright is not looked into.',
} as const;
