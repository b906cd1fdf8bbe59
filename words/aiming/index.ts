import type { AimError, WallMark } from '@jade/core/aiming';
import type { AimRule } from '@jade/core/rules';
import type { aim } from '@jade/core/stations';
import { amount, bothLengths, degrees, inSentence, percent } from '@jade/words/units';

/** An aim error in words: in or out, by how much, which way to turn. */
export function sayAimError(error: AimError): string {
  if (error.direction === 'none' && error.within) return 'In: on the mark.';
  const size = `${bothLengths(Math.abs(error.errorMm))} too ${error.errorMm > 0 ? 'high' : 'low'}, ${percent(Math.abs(error.errorPercent) / 100, 2)}, ${degrees(Math.abs(error.errorDeg), 2)}`;
  const turns = error.screwTurns === undefined ? '' : ` About ${amount(error.screwTurns, 'turns', 1)} of the aim screw, beam ${error.errorMm > 0 ? 'down' : 'up'}.`;
  return `${error.within ? 'In' : 'Out'}: ${size}.${error.within ? '' : turns}`;
}

/** Which rule is checked, from where, and that the local one decides. */
export function sayRule(rule: AimRule): string {
  return `${rule.name}, reference at the ${rule.reference === 'centre' ? 'lamp’s centre' : 'lower edge of the lit area'}. Source: ${rule.source}; ${rule.certainty}. The local rule decides.`;
}

/** The point of a lamp whose height is measured for a rule. */
export const sayReferencePoint = ({ reference }: Pick<AimRule, 'reference'>): string => (reference === 'centre' ? 'Lamp centre above floor' : 'Lower lit edge above floor');

/** That the height of a lamp is not measured on this vehicle yet. */
export const sayByProfile = (referenceMm: number): string =>
  `By the profile it sits at ${bothLengths(referenceMm)}: measure it on this vehicle, the mark on the wall hangs on it. Then read the wall.`;

/** A rule of aim in short, with how sure it is. */
export const sayAimRuleShort = ({ name, certainty }: Pick<AimRule, 'name' | 'certainty'>): string => `${name} (${certainty})`;

/** What is done to the vehicle before it is aimed, and the tap that says so. */
export const PREPARED: Readonly<Record<aim.Preparation, string>> = {
  tyres: 'Tyres at pressure',
  load: 'Load as the rule says',
  levelling: 'Levelling at zero, automatic in service mode',
};
export const sayPrepared = (what: aim.Preparation): string => PREPARED[what];

/** Where a lamp is to land on the wall. */
export const sayMark = ({ wantedMm, lowestMm, highestMm }: Pick<WallMark, 'wantedMm' | 'lowestMm' | 'highestMm'>): string =>
  `Mark at ${bothLengths(wantedMm)}; in from ${bothLengths(lowestMm)} to ${bothLengths(highestMm)}.`;

/** One step of Aim at a time. */
export const AIM_FLOOR = {
  done: 'Every lamp is aimed.',
  distance: 'Lamp to wall',
  floor: 'Floor at the wall, up +',
  after: 'On the wall, after',
  local: 'Level floor, dark bay. The rule set is the shop’s own: the local rule decides.',
  metres: 'The wall is at 10 m',
  feet: 'The wall is at 25 ft',
  level: 'The floor is level',
  record: 'Write it down',
  others: 'It is aimed by others',
  drawing: 'The wall with its marks',
} as const;
export function sayAimStep(step: aim.AimStep): string {
  switch (step.kind) {
    case 'prepare':
      return `Before aiming: ${inSentence(PREPARED[step.what])}`;
    case 'wall':
      return 'How far is the wall?';
    case 'floor':
      return 'How high is the floor at the wall?';
    case 'height':
      return `How high does ${inSentence(step.lamp.lamp.name)} sit?`;
    case 'read':
      return `${step.lamp.after ? 'Read it again' : 'Where does it land'}: ${inSentence(step.lamp.lamp.name)}`;
  }
}

export * from './views.ts';
