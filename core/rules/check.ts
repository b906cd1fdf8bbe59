import { duplicateIds, type Fault } from '../faults/index.ts';
import type { AimRule, RuleSet } from './rule-set.ts';
import { checkWireTable } from './wire-table.ts';

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

/** Limits that are passed one after the other: what is beyond the first has to come before what is beyond the second. */
function rising(from: number, to: number, path: string, mayMeet: boolean): Fault[] {
  return from < to || (mayMeet && from === to) ? [] : [{ path, code: 'span-order', data: { from, to } }];
}

/**
 * Faults in meaning of a rule set whose form is right: a rule of aim twice, without a band, or with bands that leave something out; a
 * load that is refused before it is warned of; a wire that would read as off and on at once; a table of wires
 * whose sizes do not rise.
 */
export function checkRules({ aim, electrics, probing }: RuleSet): Fault[] {
  return [
    ...duplicateIds(aim, 'aim'),
    ...aim.flatMap((rule, index): Fault[] =>
      rule.bands.length === 0 ? [{ path: `aim[${index}].bands`, code: 'length', data: { least: 1 } }] : checkBands(rule, `aim[${index}].bands`),
    ),
    ...rising(electrics.warnShare, electrics.refuseShare, 'electrics.refuseShare', true),
    ...(electrics.wires ? checkWireTable(electrics.wires, 'electrics.wires') : []),
    ...rising(probing.offBelow, probing.onFrom, 'probing.onFrom', false),
  ];
}
