import { goTogether, isVehicleState, liveWith, onWith, pinFunctionWritten, stateWritten, VEHICLE_STATES } from './index.ts';

test('a state brings on what it needs, the first to switch first', () => {
  expect(onWith('main')).toEqual(['accessory', 'ignition', 'parking', 'dipped', 'main']);
  expect(onWith('stop pedal')).toEqual(['stop pedal']);
  expect(onWith('output 3')).toEqual(['accessory', 'ignition', 'output 3']);
});

test('what is live in parking has voltage with dipped and main beam too, not with the pedal', () => {
  expect((['parking', 'dipped', 'main', 'front fog', 'stop pedal', 'key off'] as const).map((state) => liveWith(['parking'], state))).toEqual([
    true,
    true,
    true,
    true,
    false,
    false,
  ]);
  expect(liveWith(['turn left', 'hazard'], 'turn right')).toBe(false);
  expect(liveWith(['turn left', 'hazard'], 'hazard')).toBe(true);
});

test('states that exclude each other, nearby or through what they need, do not go together', () => {
  expect(goTogether('turn left', 'turn right')).toBe(false);
  expect(goTogether('dipped', 'daytime')).toBe(false);
  // Main beam needs dipped, which daytime excludes.
  expect(goTogether('daytime', 'main')).toBe(false);
  expect(goTogether('key off', 'dipped')).toBe(false);
  expect(goTogether('key off', 'hazard')).toBe(true);
  expect(goTogether('stop pedal', 'front fog')).toBe(true);
});

test('no state excludes itself or what it needs', () => {
  for (const state of VEHICLE_STATES) for (const on of onWith(state)) expect([state, on, goTogether(state, on)]).toEqual([state, on, true]);
});

test('what was written as free text is lifted where it can be told, and else left alone', () => {
  expect(['brake', ' All off', 'Dipped', 'auxiliary', 'moonlight'].map(stateWritten)).toEqual(['stop pedal', 'key off', 'dipped', 'output 1', undefined]);
  expect(['brake', 'auxiliary', 'ignition', 'ground', 'tea'].map(pinFunctionWritten)).toEqual(['stop pedal', 'switched supply', 'switched supply', 'ground', undefined]);
  expect([isVehicleState('plate'), isVehicleState('plates')]).toEqual([true, false]);
});
