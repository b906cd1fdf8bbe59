/** States a vehicle can be put into: key positions, lamps by their switch, pedal and gear, outputs, and what opens with a lamp on it. */
export const VEHICLE_STATES = [
  'key off',
  'accessory',
  'ignition',
  'engine',
  'parking',
  'dipped',
  'main',
  'daytime',
  'automatic',
  'turn left',
  'turn right',
  'hazard',
  'stop pedal',
  'reverse',
  'front fog',
  'rear fog',
  'plate',
  'output 1',
  'output 2',
  'output 3',
  'output 4',
  'output 5',
  'output 6',
  'door open',
  'lid open',
  'bonnet open',
] as const;
export type VehicleState = (typeof VEHICLE_STATES)[number];

/** What else has to be on for a state, and what cannot be on beside it. */
interface StateRule {
  needs: readonly VehicleState[];
  excludes: readonly VehicleState[];
}

const IGNITION: StateRule = { needs: ['ignition'], excludes: [] };
const RULES: Readonly<Record<VehicleState, StateRule>> = {
  'key off': { needs: [], excludes: ['accessory', 'ignition', 'engine'] },
  accessory: { needs: [], excludes: ['key off'] },
  ignition: { needs: ['accessory'], excludes: ['key off'] },
  engine: { needs: ['ignition'], excludes: ['key off'] },
  parking: { needs: [], excludes: ['daytime'] },
  dipped: { needs: ['ignition', 'parking'], excludes: ['daytime'] },
  main: { needs: ['dipped'], excludes: ['daytime'] },
  daytime: { needs: ['ignition'], excludes: ['parking', 'dipped', 'main', 'front fog', 'rear fog', 'plate'] },
  automatic: IGNITION,
  'turn left': { needs: ['ignition'], excludes: ['turn right', 'hazard'] },
  'turn right': { needs: ['ignition'], excludes: ['turn left', 'hazard'] },
  hazard: { needs: [], excludes: ['turn left', 'turn right'] },
  'stop pedal': { needs: [], excludes: [] },
  reverse: IGNITION,
  'front fog': { needs: ['ignition', 'parking'], excludes: ['daytime'] },
  'rear fog': { needs: ['dipped'], excludes: ['daytime'] },
  plate: { needs: ['parking'], excludes: ['daytime'] },
  'output 1': IGNITION,
  'output 2': IGNITION,
  'output 3': IGNITION,
  'output 4': IGNITION,
  'output 5': IGNITION,
  'output 6': IGNITION,
  'door open': { needs: [], excludes: [] },
  'lid open': { needs: [], excludes: [] },
  'bonnet open': { needs: [], excludes: [] },
};

/** Whether a text names a state of the list. */
export function isVehicleState(text: string): text is VehicleState {
  return (VEHICLE_STATES as readonly string[]).includes(text);
}

/** All that is on when a vehicle is put into a state: the state with what it needs, near and far, the first to switch first. */
export function onWith(state: VehicleState): VehicleState[] {
  return [...new Set([...RULES[state].needs.flatMap(onWith), state])];
}

/** Whether a vehicle can be in two states at once: neither, nor what it needs, excludes the other. */
export function goTogether(one: VehicleState, other: VehicleState): boolean {
  const excluded = (from: VehicleState, by: VehicleState) => onWith(by).some((state) => RULES[state].excludes.some((out) => onWith(from).includes(out)));
  return !excluded(one, other) && !excluded(other, one);
}

/** Whether two things that wires carry can be on at one time; what is no lamp by itself can be on beside anything. */
export function carriedTogether(one: string, other: string): boolean {
  return !isVehicleState(one) || !isVehicleState(other) || goTogether(one, other);
}

/** Whether something that is live in these states has voltage while the vehicle is put into a state: a parking wire has with dipped beam on. */
export function liveWith(liveIn: readonly VehicleState[], state: VehicleState): boolean {
  const on = onWith(state);
  return liveIn.some((live) => on.includes(live));
}

const SAID_BEFORE: Readonly<Record<string, VehicleState>> = {
  'all off': 'key off',
  brake: 'stop pedal',
  turn: 'hazard',
  auxiliary: 'output 1',
  off: 'key off',
};

/** A state as it was written before the list was closed; undefined where it cannot be told which one was meant. */
export function stateWritten(text: string): VehicleState | undefined {
  const plain = text.trim().toLowerCase();
  return isVehicleState(plain) ? plain : SAID_BEFORE[plain];
}

export const PIN_FUNCTIONS = [
  'ground',
  'constant supply',
  'switched supply',
  'parking',
  'dipped',
  'main',
  'daytime',
  'turn left',
  'turn right',
  'stop pedal',
  'reverse',
  'front fog',
  'rear fog',
  'plate',
  'data',
  'empty',
  'unknown',
] as const;
/** What a pin or a wire carries; those that are lamps by the state that lights them, `empty` where the cavity holds no contact. */
export type PinFunction = (typeof PIN_FUNCTIONS)[number];

/** What a pin carries as it was written before the list was closed; undefined where it cannot be told. */
export function pinFunctionWritten(text: string): PinFunction | undefined {
  const plain = text.trim().toLowerCase();
  if ((PIN_FUNCTIONS as readonly string[]).includes(plain)) return plain as PinFunction;
  if (plain === 'brake') return 'stop pedal';
  return plain === 'auxiliary' || plain === 'ignition' ? 'switched supply' : undefined;
}
