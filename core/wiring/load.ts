import type { ElectricsRules } from '../rules/index.ts';
import type { Circuit, Load } from '../vehicle/index.ts';
import { copperOhm } from './conductor.ts';
import { currentsOf, voltageRange } from './current.ts';
import { dropLimitShare, judgeDrop, mendDrop, type DropMend, type DropUse } from './drop.ts';

export type WeakestPart = 'fuse' | 'wire' | 'plug' | 'switch';
/** What speaks against a load: too near to a limit or over it, too much lost on the way, a lamp below the voltage it needs. */
export type LoadTrouble = 'share' | 'drop' | 'least voltage';

export interface LoadCheck {
  beforeA: number;
  addedA: number;
  afterA: number;
  weakest: WeakestPart;
  limitA: number;
  /** Share of the weakest part's limit, 1 is full. */
  shareBefore: number;
  shareAfter: number;
  /** Shares from which it warns, and from which it refuses. */
  warnShare: number;
  refuseShare: number;
  dropV: number;
  /** Of the running voltage. */
  dropShare: number;
  /** Largest share that may be lost. */
  dropLimitShare: number;
  /** Voltage at the loads while the supply is at its least. */
  atLeastV: number;
  /** Highest voltage that one of the loads is stated to need, where one is. */
  neededV?: number;
  troubles: LoadTrouble[];
  /** Where too much is lost: what would mend it. */
  mend?: DropMend;
  verdict: 'carries' | 'warn' | 'refuse' | 'never';
}

/** Two contacts on the way out and two on the way back. */
const CONTACTS = 4;

function weakestOf({ fuse, wire, plugPermittedA, switchPermittedA }: Circuit): [WeakestPart, number] {
  const limits: [WeakestPart, number | undefined][] = [
    ['wire', wire.permittedA],
    ['plug', plugPermittedA],
    ['switch', switchPermittedA],
  ];
  return limits.reduce<[WeakestPart, number]>((low, [part, limit]) => (limit !== undefined && limit < low[1] ? [part, limit] : low), ['fuse', fuse.ratedA]);
}

/**
 * A circuit with added loads, measured at the worst voltage against the weakest of fuse, wire, plug and switch; drop at running
 * voltage out over the circuit's wire and back over the chassis, two contacts each way, judged by the rule set's share for what it feeds;
 * the voltage that is left while the supply is at its least, against what the loads are stated to need. Over the rule set's warning
 * share warns, over its refusing share refuses, equality passes; too much lost on the way warns.
 */
export function checkLoad(circuit: Circuit, added: readonly Load[], systemVoltageV: 12 | 24, rules: ElectricsRules, use: DropUse = 'lamp'): LoadCheck {
  const range = voltageRange(systemVoltageV);
  const beforeA = currentsOf(circuit.loads, range).worstA;
  const addedA = currentsOf(added, range).worstA;
  const [weakest, limitA] = weakestOf(circuit);
  const together = currentsOf([...circuit.loads, ...added], range);
  const restOhm = (rules.chassisMohm + CONTACTS * rules.contactMohm) / 1000;
  const ohm = copperOhm(circuit.wire.lengthM, circuit.wire.areaMm2) + restOhm;
  const limit = dropLimitShare(use, rules);
  const { dropV, dropShare, holds } = judgeDrop(together.runningA, ohm, range.runningV, limit);
  const atLeastV = range.leastV - together.leastVoltageA * ohm;
  const needs = [...circuit.loads, ...added].flatMap((load) => load.leastV ?? []);
  const neededV = needs.length === 0 ? undefined : Math.max(...needs);
  const shareAfter = (beforeA + addedA) / limitA;
  const over = (share: number) => shareAfter > share + 1e-9;
  const troubles: LoadTrouble[] = [
    ...(over(rules.warnShare) ? ['share' as const] : []),
    ...(holds ? [] : ['drop' as const]),
    ...(neededV !== undefined && atLeastV < neededV - 1e-9 ? ['least voltage' as const] : []),
  ];
  const verdict = circuit.neverUse ? 'never' : over(rules.refuseShare) ? 'refuse' : troubles.length > 0 ? 'warn' : 'carries';
  return {
    beforeA,
    addedA,
    afterA: beforeA + addedA,
    weakest,
    limitA,
    shareBefore: beforeA / limitA,
    shareAfter,
    warnShare: rules.warnShare,
    refuseShare: rules.refuseShare,
    dropV,
    dropShare,
    dropLimitShare: limit,
    atLeastV,
    ...(neededV === undefined ? {} : { neededV }),
    troubles,
    ...(holds ? {} : { mend: mendDrop(together.runningA, circuit.wire, restOhm, range.runningV, limit) }),
    verdict,
  };
}
