import type { ElectricsRules } from '../rules/index.ts';
import type { Circuit, CircuitWire, Load, SwitchOutput } from '../vehicle/index.ts';
import { copperOhm } from './conductor.ts';
import { currentsOf, voltageRange } from './current.ts';
import { dropLimitShare, judgeDrop, mendDrop, type DropMend, type DropUse } from './drop.ts';
import { checkLeg, type LegCheck, type LegConductor } from './leg-load.ts';

export type WeakestPart = 'fuse' | 'output' | 'wire' | 'plug' | 'switch';
/**
 * What speaks against a load: too near to a limit or over it, too much lost on the way, a lamp below the voltage it needs; a fuse above what
 * lies behind it or too far from the battery; more at the moment of switching on, or while switched off, than an output bears; a leg of the kit
 * that carries more than it may.
 */
export type LoadTrouble = 'share' | 'leg share' | 'drop' | 'least voltage' | 'fuse above' | 'fuse far' | 'surge' | 'standby';

/** What a load check could not reckon with: other loads on the circuit, its wire, what its contacts bear, the coil of a relay. */
export type LoadUnknown = 'loads' | 'wire' | 'contacts' | 'coil';

/** A load that is added; `unmeasured` where nobody knows what it draws, or the voltage that it needs. */
export interface AddedLoad extends Load {
  unmeasured?: boolean;
}

/** Where something is not known the figures are the least that they can be: what speaks against it does so whatever the rest is. */
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
  /** Of the kit's legs on it, the one that is nearest to what it may carry, and the one on which most is lost. */
  fullestLeg?: LegCheck;
  longestLeg?: LegCheck;
  /** To the lamp that is reached worst: over the circuit, and over the leg on which most is lost. */
  dropV: number;
  /** Of the running voltage. */
  dropShare: number;
  /** Largest share that may be lost. */
  dropLimitShare: number;
  /** Voltage at the loads while the supply is at its least. */
  atLeastV: number;
  /** Highest voltage that one of the loads is stated to need, where one is. */
  neededV?: number;
  /** Where the fuse is above what lies behind it: the most that it may be. */
  fuseMostA?: number;
  /** Of an output that guards itself: what all loads together draw when switched on and while off, and what it bears. */
  surge?: { ampere: number; mostA: number };
  standby?: { mA: number; mostMa: number };
  troubles: LoadTrouble[];
  unknown: LoadUnknown[];
  /** Where too much is lost: what would mend it, on the circuit's wire, or on the kit's leg where the circuit alone loses little enough. */
  mend?: DropMend & { of: 'wire' | 'leg' };
  verdict: 'carries' | 'not known' | 'warn' | 'refuse' | 'never';
}

/** Two contacts on the way out and two on the way back. */
const CONTACTS = 4;

type Limit = [part: WeakestPart, ampere: number];

/** What limits a circuit as far as it is known: first what guards it, then what lies behind that. */
function limitsOf({ fuse, output, wire, plugPermittedA, switchPermittedA }: Circuit): { guards: Limit[]; behind: Limit[] } {
  return {
    guards: [...(fuse ? [['fuse', fuse.ratedA] satisfies Limit] : []), ...(output ? [['output', output.limitA] satisfies Limit] : [])],
    behind: [
      ...(wire ? [['wire', wire.permittedA] satisfies Limit] : []),
      ...(plugPermittedA === undefined ? [] : [['plug', plugPermittedA] satisfies Limit]),
      ...(switchPermittedA === undefined ? [] : [['switch', switchPermittedA] satisfies Limit]),
    ],
  };
}

const lowest = (limits: readonly Limit[]): Limit => limits.reduce<Limit>((low, limit) => (limit[1] < low[1] ? limit : low), limits[0] ?? ['wire', Infinity]);

/** What a check of added loads on a circuit cannot reckon with. */
const unknownOf = ({ wire, plugPermittedA, undescribed = [] }: Circuit, added: readonly AddedLoad[]): LoadUnknown[] => [
  ...(undescribed.includes('loads') ? ['loads' as const] : []),
  ...(wire ? [] : ['wire' as const]),
  ...(plugPermittedA === undefined ? ['contacts' as const] : []),
  ...(added.some(({ unmeasured }) => unmeasured) ? ['coil' as const] : []),
];

/** What loads draw together from an output at the moment they are switched on, and while they are off; one that draws longer than it bears counts against its limit. */
function outputLoads(output: SwitchOutput, loads: readonly Load[]): Required<Pick<LoadCheck, 'surge' | 'standby'>> {
  const surges = loads.flatMap((load) => load.surge ?? []);
  const mostA = surges.some((surge) => surge.forMs > output.surge.forMs) ? output.limitA : output.surge.ampere;
  return {
    surge: { ampere: surges.reduce((sum, surge) => sum + surge.ampere, 0), mostA },
    standby: { mA: loads.reduce((sum, load) => sum + (load.standbyMa ?? 0), 0), mostMa: output.standbyMostMa },
  };
}

/**
 * A circuit with added loads, measured at the worst voltage against the weakest of fuse or output, wire, plug and switch, and each leg of the
 * kit on it against what it may carry; drop at running voltage out over the circuit's wire and back over a wire of its own or the chassis, two
 * contacts each way, and over the leg on which most is lost, judged by the rule set's share for what it feeds; the voltage that is left while the supply is at its least, against what the loads are stated to need. Over the rule
 * set's warning share warns, over its refusing share refuses, equality passes; too much lost on the way warns. A fuse above what lies behind
 * it, one too far from the battery, and a surge above what an output bears refuse; standby above an output's warns. What is not known counts as the least
 * that it can be and is named: without trouble the verdict is then *not known*.
 */
export function checkLoad(
  circuit: Circuit,
  added: readonly AddedLoad[],
  systemVoltageV: 12 | 24,
  rules: ElectricsRules,
  use: DropUse = 'lamp',
  legs: readonly LegConductor[] = [],
): LoadCheck {
  const range = voltageRange(systemVoltageV);
  const beforeA = currentsOf(circuit.loads, range).worstA;
  const addedA = currentsOf(added, range).worstA;
  const { guards, behind } = limitsOf(circuit);
  const [weakest, limitA] = lowest([...guards, ...behind]);
  const together = currentsOf([...circuit.loads, ...added], range);
  // Of a wire that nobody measured nothing is lost at the least; its way back is not known either.
  const { lengthM, areaMm2, backM, chassisMohm }: CircuitWire = circuit.wire ?? { lengthM: 0, areaMm2: 1, permittedA: Infinity, backM: 0 };
  const restOhm = ((backM === undefined ? (chassisMohm ?? rules.chassisMohm) : 0) + CONTACTS * rules.contactMohm) / 1000;
  const laid = { areaMm2, lengthM: lengthM + (backM ?? 0) };
  const ohm = copperOhm(laid.lengthM, areaMm2) + restOhm;
  const limit = dropLimitShare(use, rules);
  const checked = legs.map((leg) => checkLeg(leg, range));
  const most = (of: (leg: LegCheck) => number) => checked.reduce<LegCheck | undefined>((best, leg) => (best && of(best) >= of(leg) ? best : leg), undefined);
  const fullestLeg = most(({ share }) => share);
  const longestLeg = most((leg) => leg.dropV);
  const legV = longestLeg?.dropV ?? 0;
  const circuitV = together.runningA * ohm;
  const lostOhm = together.runningA > 0 ? (circuitV + legV) / together.runningA : ohm;
  const { dropV, dropShare, holds } = judgeDrop(together.runningA, lostOhm, range.runningV, limit);
  const atLeastV = range.leastV - together.leastVoltageA * ohm - (longestLeg?.leastDropV ?? 0);
  const needs = [...circuit.loads, ...added].flatMap((load) => load.leastV ?? []);
  const neededV = needs.length === 0 ? undefined : Math.max(...needs);
  const shareAfter = (beforeA + addedA) / limitA;
  const over = (share: number) => shareAfter > share + 1e-9;
  const fuseMostA = Math.min(lowest(behind)[1], ...legs.map((leg) => leg.permittedA));
  const legOver = (share: number) => (fullestLeg?.share ?? 0) > share + 1e-9;
  const above = circuit.fuse !== undefined && circuit.fuse.ratedA > fuseMostA + 1e-9;
  const far = circuit.batteryToFuseMm !== undefined && circuit.batteryToFuseMm > rules.mainFuseWithinMm;
  const { surge, standby } = circuit.output ? outputLoads(circuit.output, [...circuit.loads, ...added]) : {};
  const bursts = surge !== undefined && surge.ampere > surge.mostA + 1e-9;
  const troubles: LoadTrouble[] = [
    ...(above ? ['fuse above' as const] : []),
    ...(far ? ['fuse far' as const] : []),
    ...(bursts ? ['surge' as const] : []),
    ...(standby && standby.mA > standby.mostMa + 1e-9 ? ['standby' as const] : []),
    ...(over(rules.warnShare) ? ['share' as const] : []),
    ...(legOver(rules.warnShare) ? ['leg share' as const] : []),
    ...(holds ? [] : ['drop' as const]),
    ...(neededV !== undefined && atLeastV < neededV - 1e-9 ? ['least voltage' as const] : []),
  ];
  const unknown = unknownOf(circuit, added);
  const mendOf = (): NonNullable<LoadCheck['mend']> => {
    const worst = legs.find(({ id }) => id === longestLeg?.id);
    if (worst && circuitV <= limit * range.runningV + 1e-9) {
      // As if one current went there and back: the larger one, so that the mend is never too small.
      const legA = Math.max(currentsOf(worst.loads, range).runningA, currentsOf(worst.backLoads ?? worst.loads, range).runningA);
      const path = { areaMm2: worst.areaMm2, lengthM: worst.lengthM + worst.backM };
      return { of: 'leg', ...mendDrop(legA, path, circuitV / legA, range.runningV, limit) };
    }
    return { of: 'wire', ...mendDrop(together.runningA, laid, restOhm + legV / together.runningA, range.runningV, limit) };
  };
  const verdict = circuit.neverUse
    ? 'never'
    : over(rules.refuseShare) || legOver(rules.refuseShare) || above || far || bursts
      ? 'refuse'
      : troubles.length > 0
        ? 'warn'
        : unknown.length > 0
          ? 'not known'
          : 'carries';
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
    ...(fullestLeg ? { fullestLeg } : {}),
    ...(longestLeg ? { longestLeg } : {}),
    dropV,
    dropShare,
    dropLimitShare: limit,
    atLeastV,
    ...(neededV === undefined ? {} : { neededV }),
    ...(above ? { fuseMostA } : {}),
    ...(surge && surge.ampere > 0 ? { surge } : {}),
    ...(standby && standby.mA > 0 ? { standby } : {}),
    troubles,
    unknown,
    ...(holds ? {} : { mend: mendOf() }),
    verdict,
  };
}
