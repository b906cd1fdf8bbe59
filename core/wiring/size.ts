import type { ElectricsRules } from '../rules/index.ts';
import type { Surge } from '../vehicle/index.ts';
import { copperOhm, gaugeAreaMm2, GAUGES, METRIC_MM2, permittedA } from './conductor.ts';
import { currentsOf, voltageRange, type Drawing } from './current.ts';
import { dropLimitShare, judgeDrop, type DropUse } from './drop.ts';
import { smallestFuseA } from './fuse.ts';
import type { WireTable } from '../rules/index.ts';

/** A circuit that is still to be laid. */
export interface NewCircuit {
  loads: readonly Drawing[];
  systemVoltageV: 12 | 24;
  use: DropUse;
  /** From the fuse to the load. */
  lengthM: number;
  /** A wire of its own back to the battery or a ground point; over the body where it is not said. */
  backM?: number;
  /** Joints and contacts on the way there and back. */
  contacts: number;
  /** Of the warmest place that it passes. */
  temperatureC: number;
  /** Loaded wires that lie in one bundle with it, itself among them. */
  bundle: number;
  surge?: Surge;
  /** What the plug and the switch behind the fuse carry. */
  plugPermittedA?: number;
  switchPermittedA?: number;
  /** Where it is fed from the battery: wire between the battery and its fuse. */
  batteryToFuseMm?: number;
}

/** One wire size, judged for a circuit. */
export interface WireSize {
  /** Metric size in mm², or the gauge. */
  size: number;
  areaMm2: number;
  permittedA: number;
  dropV: number;
  dropShare: number;
}

export type SizeReason =
  | { code: 'load-over-fuses'; worstA: number }
  | { code: 'surge-over-fuses'; surgeA: number }
  | { code: 'fuse-over'; part: 'plug' | 'switch'; fuseA: number; limitA: number }
  | { code: 'fuse-too-far'; mm: number; limitMm: number }
  | { code: 'wire-too-hot'; fuseA: number; largestA: number }
  | { code: 'drop-too-great'; share: number; limitShare: number };

export interface CircuitSize {
  runningA: number;
  /** Each load at its worst voltage. */
  worstA: number;
  /** Null where no standard fuse does. */
  fuseA: number | null;
  dropLimitShare: number;
  /** Null where no size does. */
  metric: WireSize | null;
  gauge: WireSize | null;
  /** What stands against it: each has to grow, come nearer or be fed otherwise. */
  reasons: SizeReason[];
}

/**
 * Fuse first, then wire: the smallest standard fuse that carries the load and its surge, then for each series the smallest wire whose
 * drop is within the share and which may carry at least the fuse where it lies. A fuse is never chosen above what the plug or the switch
 * behind it carries.
 */
export function sizeCircuit(circuit: NewCircuit, rules: ElectricsRules, table: WireTable): CircuitSize {
  const range = voltageRange(circuit.systemVoltageV);
  const { runningA, worstA } = currentsOf(circuit.loads, range);
  const limitShare = dropLimitShare(circuit.use, rules);
  const fuseA = smallestFuseA(worstA, circuit.surge, table.surge);
  const reasons: SizeReason[] = [];
  if (fuseA === undefined)
    reasons.push(smallestFuseA(worstA) === undefined || !circuit.surge ? { code: 'load-over-fuses', worstA } : { code: 'surge-over-fuses', surgeA: circuit.surge.ampere });
  for (const [part, limitA] of [['plug', circuit.plugPermittedA] as const, ['switch', circuit.switchPermittedA] as const]) {
    if (fuseA !== undefined && limitA !== undefined && fuseA > limitA + 1e-9) reasons.push({ code: 'fuse-over', part, fuseA, limitA });
  }
  const { batteryToFuseMm } = circuit;
  if (batteryToFuseMm !== undefined && batteryToFuseMm > rules.mainFuseWithinMm) reasons.push({ code: 'fuse-too-far', mm: batteryToFuseMm, limitMm: rules.mainFuseWithinMm });
  const judged = (sizes: readonly (readonly [size: number, areaMm2: number])[]) =>
    sizes.map(([size, areaMm2]): WireSize & { hot: boolean; holds: boolean } => {
      const back = circuit.backM === undefined ? rules.chassisMohm / 1000 : copperOhm(circuit.backM, areaMm2, circuit.temperatureC);
      const ohm = copperOhm(circuit.lengthM, areaMm2, circuit.temperatureC) + back + (circuit.contacts * rules.contactMohm) / 1000;
      const { dropV, dropShare, holds } = judgeDrop(runningA, ohm, range.runningV, limitShare);
      const ampere = permittedA(areaMm2, table, circuit);
      return { size, areaMm2, permittedA: ampere, dropV, dropShare, hot: fuseA === undefined || ampere < fuseA - 1e-9, holds };
    });
  const smallest = (all: ReturnType<typeof judged>): WireSize | null => {
    const found = all.find(({ hot, holds }) => !hot && holds);
    if (!found) return null;
    const { hot: _hot, holds: _holds, ...size } = found;
    return size;
  };
  const metric = judged(METRIC_MM2.map((areaMm2) => [areaMm2, areaMm2] as const));
  const gauge = judged(GAUGES.map((size) => [size, gaugeAreaMm2(size)] as const));
  const thickest = metric.at(-1);
  if (thickest && fuseA !== undefined && thickest.hot) reasons.push({ code: 'wire-too-hot', fuseA, largestA: thickest.permittedA });
  if (thickest && !thickest.holds) reasons.push({ code: 'drop-too-great', share: thickest.dropShare, limitShare });
  return { runningA, worstA, fuseA: fuseA ?? null, dropLimitShare: limitShare, metric: smallest(metric), gauge: smallest(gauge), reasons };
}
