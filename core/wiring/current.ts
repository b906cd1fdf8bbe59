import type { Load } from '../vehicle/index.ts';

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

/** What a load's current follows from. */
export type Drawing = Pick<Load, 'powerW' | 'atV' | 'kind'>;

/**
 * Current of a load at a voltage: a filament follows (P/V₀)·(V/V₀)^0.55, a driven LED takes constant power P/V,
 * a resistive load V/R with R = V₀²/P.
 */
export function loadCurrentA(load: Drawing, voltageV: number): number {
  if (load.kind === 'filament') return (load.powerW / load.atV) * (voltageV / load.atV) ** 0.55;
  if (load.kind === 'driven LED') return load.powerW / voltageV;
  return (voltageV * load.powerW) / load.atV ** 2;
}

/** The largest current of a load anywhere in the voltage range. */
export function worstCurrentA(load: Drawing, range: VoltageRange): number {
  return Math.max(loadCurrentA(load, range.leastV), loadCurrentA(load, range.mostV));
}

/** Currents of loads together, in amperes: at running, least and most voltage, and each at its own worst. */
export function currentsOf(loads: readonly Drawing[], range: VoltageRange): { runningA: number; leastVoltageA: number; mostVoltageA: number; worstA: number } {
  const sum = (current: (load: Drawing) => number) => loads.reduce((total, load) => total + current(load), 0);
  return {
    runningA: sum((load) => loadCurrentA(load, range.runningV)),
    leastVoltageA: sum((load) => loadCurrentA(load, range.leastV)),
    mostVoltageA: sum((load) => loadCurrentA(load, range.mostV)),
    worstA: sum((load) => worstCurrentA(load, range)),
  };
}
