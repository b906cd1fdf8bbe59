import type { ElectricsRules } from '../rules/index.ts';
import { copperOhm, METRIC_MM2 } from './conductor.ts';

/** A lamp of the road is held to the tighter share of the drop, whatever else is fed to the wider one. */
export type DropUse = 'lamp' | 'auxiliary';

/** Largest share of the running voltage that may be lost on the way to a load. */
export function dropLimitShare(use: DropUse, rules: Pick<ElectricsRules, 'lampDropShare' | 'auxiliaryDropShare'>): number {
  return use === 'lamp' ? rules.lampDropShare : rules.auxiliaryDropShare;
}

/** What is lost in a path, judged: at running voltage as a share of it. */
export interface DropCheck {
  resistanceOhm: number;
  dropV: number;
  /** Of the running voltage. */
  dropShare: number;
  limitShare: number;
  holds: boolean;
}

/** Voltage that a current loses in a resistance, and whether that is within the share; equality holds. */
export function judgeDrop(currentA: number, resistanceOhm: number, runningV: number, limitShare: number): DropCheck {
  const dropV = currentA * resistanceOhm;
  const dropShare = dropV / runningV;
  return { resistanceOhm, dropV, dropShare, limitShare, holds: dropShare <= limitShare + 1e-9 };
}

/** What would bring a drop within its share: a thicker wire on the same path, or a shorter path with the same wire; neither where the rest of the path alone loses too much. */
export interface DropMend {
  /** The smallest metric size that loses little enough. */
  areaMm2?: number;
  /** At most so long, in metres, with the wire that is there. */
  mostLengthM?: number;
}

/** Mends of a path of one wire and what else resists on it (contacts, the way back over the body), in ohms. */
export function mendDrop(currentA: number, wire: { lengthM: number; areaMm2: number; temperatureC?: number }, restOhm: number, runningV: number, limitShare: number): DropMend {
  const leftOhm = (limitShare * runningV) / currentA - restOhm;
  if (!(leftOhm > 0)) return {};
  const perMetre = copperOhm(1, wire.areaMm2, wire.temperatureC);
  const leastMm2 = copperOhm(wire.lengthM, 1, wire.temperatureC) / leftOhm;
  return { areaMm2: METRIC_MM2.find((size) => size >= leastMm2 - 1e-9), mostLengthM: leftOhm / perMetre };
}
