import { duplicateIds, type Fault } from '../faults/index.ts';
import type { AimRule, RuleSet } from './rule-set.ts';

/** Heights are taken to the millimetre: a band may begin by less than that after the one before it, and so leave the shared end to that one. */
const SLIVER_MM = 1;

/** Faults in meaning of the bands of a rule of aim: one that ends before it begins, a height left out between two, or two that overlap. */
export function checkBands({ bands }: Pick<AimRule, 'bands'>, path: string): Fault[] {
  return bands.flatMap(({ fromMm, toMm }, index): Fault[] => {
    const at = `${path}[${index}]`;
    if (toMm <= fromMm) return [{ path: `${at}.toMm`, code: 'span-order', data: { from: fromMm, to: toMm } }];
    const before = bands[index - 1];
    return before && (fromMm < before.toMm || fromMm - before.toMm >= SLIVER_MM) ? [{ path: `${at}.fromMm`, code: 'bands', data: { from: before.toMm, to: fromMm } }] : [];
  });
}

/** Faults in meaning of a rule set whose form is right. */
export function checkRules(rules: RuleSet): Fault[] {
  return [...duplicateIds(rules.aim, 'aim'), ...rules.aim.flatMap((rule, index) => checkBands(rule, `aim[${index}].bands`))];
}
