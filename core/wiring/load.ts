import type { ElectricsRules } from '../rules/index.ts';
import type { Circuit, Load } from '../vehicle/index.ts';

export interface VoltageRange {
  /** Battery at rest. */
  restV: number;
  leastV: number;
  runningV: number;
  mostV: number;
}

/** Voltages of a 12 V system; a 24 V system has the double. */
export function voltageRange(systemVoltageV: 12 | 24): VoltageRange {
  const factor = systemVoltageV / 12;
  return { restV: 12.6 * factor, leastV: 10.8 * factor, runningV: 13.8 * factor, mostV: 14.4 * factor };
}

/**
 * Current of a load at a voltage: a filament follows (P/V₀)·(V/V₀)^0.55, a driven LED takes constant power P/V,
 * a resistive load V/R with R = V₀²/P.
 */
export function loadCurrentA(load: Pick<Load, 'powerW' | 'atV' | 'kind'>, voltageV: number): number {
  if (load.kind === 'filament') return (load.powerW / load.atV) * (voltageV / load.atV) ** 0.55;
  if (load.kind === 'driven LED') return load.powerW / voltageV;
  return (voltageV * load.powerW) / load.atV ** 2;
}

/** The largest current of a load anywhere in the voltage range. */
export function worstCurrentA(load: Pick<Load, 'powerW' | 'atV' | 'kind'>, range: VoltageRange): number {
  return Math.max(loadCurrentA(load, range.leastV), loadCurrentA(load, range.mostV));
}

/** Resistance of a copper conductor in ohms: ρ·L/A·(1 + α(T − 20)), ρ = 0.01724 Ω·mm²/m, α = 0.00393/K. */
export function copperOhm(lengthM: number, areaMm2: number, temperatureC = 20): number {
  return ((0.01724 * lengthM) / areaMm2) * (1 + 0.00393 * (temperatureC - 20));
}

/** Copper area in mm² of an American wire gauge: d = 0.127·92^((36−n)/39) mm. */
export function gaugeAreaMm2(gauge: number): number {
  const diameterMm = 0.127 * 92 ** ((36 - gauge) / 39);
  return (Math.PI * diameterMm ** 2) / 4;
}

const BLADE_FUSES_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40];

/** Smallest standard blade fuse of which 80 % is at least the continuous current; undefined above 32 A. */
export function smallestFuseA(continuousA: number): number | undefined {
  return BLADE_FUSES_A.find((fuse) => fuse * 0.8 >= continuousA - 1e-9);
}

export type WeakestPart = 'fuse' | 'wire' | 'plug' | 'switch';

export interface LoadCheck {
  beforeA: number;
  addedA: number;
  afterA: number;
  weakest: WeakestPart;
  limitA: number;
  /** Share of the weakest part's limit, 1 is full. */
  shareBefore: number;
  shareAfter: number;
  dropV: number;
  dropShare: number;
  verdict: 'carries' | 'warn' | 'refuse' | 'never';
}

/**
 * A circuit with added loads, measured at the worst voltage against the weakest of fuse, wire, plug and switch; drop at running
 * voltage out over the circuit's wire and back over the chassis, two contacts each way. Over the rule set's warning share
 * warns, over its refusing share refuses, equality passes.
 */
export function checkLoad(circuit: Circuit, added: readonly Load[], systemVoltageV: 12 | 24, rules: ElectricsRules): LoadCheck {
  const range = voltageRange(systemVoltageV);
  const sum = (loads: readonly Load[], current: (load: Load) => number) => loads.reduce((total, load) => total + current(load), 0);
  const beforeA = sum(circuit.loads, (load) => worstCurrentA(load, range));
  const addedA = sum(added, (load) => worstCurrentA(load, range));
  const limits: [WeakestPart, number | undefined][] = [
    ['fuse', circuit.fuse.ratedA],
    ['wire', circuit.wire.permittedA],
    ['plug', circuit.plugPermittedA],
    ['switch', circuit.switchPermittedA],
  ];
  const [weakest, limitA] = limits.reduce<[WeakestPart, number]>(
    (low, [part, limit]) => (limit !== undefined && limit < low[1] ? [part, limit] : low),
    ['fuse', circuit.fuse.ratedA],
  );
  const runningA = sum([...circuit.loads, ...added], (load) => loadCurrentA(load, range.runningV));
  const ohm = copperOhm(circuit.wire.lengthM, circuit.wire.areaMm2) + (rules.chassisMohm + 4 * rules.contactMohm) / 1000;
  const dropV = runningA * ohm;
  const shareAfter = (beforeA + addedA) / limitA;
  const over = (share: number) => shareAfter > share + 1e-9;
  const verdict = circuit.neverUse ? 'never' : over(rules.refuseShare) ? 'refuse' : over(rules.warnShare) ? 'warn' : 'carries';
  return { beforeA, addedA, afterA: beforeA + addedA, weakest, limitA, shareBefore: beforeA / limitA, shareAfter, dropV, dropShare: dropV / range.runningV, verdict };
}
