import type { Load } from '../vehicle/index.ts';
import { copperOhm } from './conductor.ts';
import { currentsOf, type VoltageRange } from './current.ts';

/** A leg of a kit as a conductor: from where it is joined to its lamp, and back again where its ground comes back in it. */
export interface LegConductor {
  id: string;
  lengthM: number;
  /** Ground wire in the leg; 0 where the lamp is grounded where it stands. */
  backM: number;
  areaMm2: number;
  permittedA: number;
  /** What it brings to the lamp from the circuit. */
  loads: readonly Load[];
  /** All that comes back over its ground at one time; what it brings, where that is all. */
  backLoads?: readonly Load[];
}

export interface LegCheck {
  id: string;
  /** On the wire of it that carries most, at the worst voltage. */
  ampere: number;
  permittedA: number;
  /** Share of what it may carry, 1 is full. */
  share: number;
  /** Lost there and back at running voltage, and while the supply is at its least. */
  dropV: number;
  leastDropV: number;
}

/** What a leg carries and loses: its supply wire the loads of the circuit, its ground wire all that comes back at one time. */
export function checkLeg({ id, lengthM, backM, areaMm2, permittedA, loads, backLoads = loads }: LegConductor, range: VoltageRange): LegCheck {
  const [out, back] = [currentsOf(loads, range), currentsOf(backLoads, range)];
  const [outOhm, backOhm] = [copperOhm(lengthM, areaMm2), copperOhm(backM, areaMm2)];
  const ampere = Math.max(out.worstA, backM > 0 ? back.worstA : 0);
  return {
    id,
    ampere,
    permittedA,
    share: ampere / permittedA,
    dropV: out.runningA * outOhm + back.runningA * backOhm,
    leastDropV: out.leastVoltageA * outOhm + back.leastVoltageA * backOhm,
  };
}
