import type { AimError } from '@jade/core/aiming';
import type { AimRule } from '@jade/core/rules';
import { amount, bothLengths, degrees, percent } from '@jade/words/units';

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
