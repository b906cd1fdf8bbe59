import { isVehicleState, liveWith, PIN_FUNCTIONS, type PinFunction, type VehicleState } from '../states/index.ts';

/** What a wire may be told to carry: as pins say it, and lamps that share a state (tail, position and plate are all live with parking). */
export const PROBE_FUNCTIONS = [...PIN_FUNCTIONS.filter((carries) => carries !== 'parking'), 'tail', 'position', 'hazard'] as const;
export type ProbeFunction = (typeof PROBE_FUNCTIONS)[number];

export const EFFECTS = ['off', 'on', 'flashing', 'dimmed', 'unknown'] as const;
/** What a wire does in a state of the vehicle; `unknown` where nobody knows it of this vehicle. */
export type Effect = (typeof EFFECTS)[number];

/** Functions that several pins of a plug may carry, or none; every other one sits on one pin at most. */
const MANY: readonly ProbeFunction[] = ['ground', 'empty', 'data', 'unknown'];
export const isUnique = (name: ProbeFunction): boolean => !MANY.includes(name);

/** States that make a function live, near and far. */
const LIVE_IN: Readonly<Partial<Record<ProbeFunction, readonly VehicleState[]>>> = {
  tail: ['parking'],
  position: ['parking'],
  plate: ['parking', 'plate'],
  hazard: ['turn left', 'turn right', 'hazard'],
  'turn left': ['turn left', 'hazard'],
  'turn right': ['turn right', 'hazard'],
  'switched supply': ['ignition'],
};
const FLASHES: readonly ProbeFunction[] = ['turn left', 'turn right', 'hazard'];

/** What would part candidates that all states leave alike. */
export type Separator = 'continuity' | 'load' | 'which lamp lights';

/** What a function does in a state on most vehicles: on with what makes it live and what that needs, flashing where it is a turn signal. */
export function usualEffect(name: ProbeFunction, state: VehicleState): Effect {
  if (name === 'constant supply') return 'on';
  if (name === 'data' || name === 'unknown') return 'unknown';
  if (!isUnique(name)) return 'off';
  const live = LIVE_IN[name] ?? (isVehicleState(name) ? [name] : []);
  if (!liveWith(live, state)) return 'off';
  return FLASHES.includes(name) ? 'flashing' : 'on';
}

/** What a pin carries by what was found of its wire; a turn signal of both sides is none of one. */
export function asPinFunction(name: ProbeFunction): PinFunction {
  if (name === 'tail' || name === 'position') return 'parking';
  return name === 'hazard' ? 'unknown' : name;
}

/** As what a pin may be found that is said to carry this: a parking wire as tail, position or plate. */
export function asProbeFunctions(carries: PinFunction): ProbeFunction[] {
  return carries === 'parking' ? ['tail', 'position', 'plate'] : [carries];
}

/** Which lamps a plug feeds: those of the front or of the rear. */
export const LAMP_ENDS = ['front', 'rear'] as const;
export type LampEnd = (typeof LAMP_ENDS)[number];

const AT_END: Readonly<Record<LampEnd, readonly ProbeFunction[]>> = {
  front: ['position', 'dipped', 'main', 'daytime', 'turn left', 'turn right', 'front fog', 'constant supply', 'switched supply'],
  rear: ['tail', 'stop pedal', 'turn left', 'turn right', 'reverse', 'rear fog', 'plate', 'constant supply'],
};

/** What the wires of a plug may be of which only its place is known; one on a side has the turn signal of that side. */
export function functionsAt(end: LampEnd, side: 'left' | 'centre' | 'right'): ProbeFunction[] {
  const other = side === 'left' ? 'turn right' : side === 'right' ? 'turn left' : undefined;
  return AT_END[end].filter((name) => name !== other);
}

/** States in which a function shows itself on most vehicles, the first to try first. */
export function shownIn(name: ProbeFunction): readonly VehicleState[] {
  if (name === 'constant supply') return ['ignition'];
  return LIVE_IN[name] ?? (isVehicleState(name) ? [name] : []);
}

/** What lamps of a place most often have on one plug: the plate lamp has its own, and where it has not, no state parts it from the tail lamp. */
export const usuallyAt = (end: LampEnd, side: 'left' | 'centre' | 'right'): ProbeFunction[] => functionsAt(end, side).filter((name) => name !== 'plate');
