import type { JobContext } from '../../job/index.ts';
import type { WireOpening } from '../../events/index.ts';
import { wiresToSeal } from './plug.ts';
import { probeNow, wiresToProve, type ProbeNow } from './read.ts';

/** One thing to do at Probe with gloves on. */
export type ProbeStep =
  | { kind: 'reference' }
  | { kind: 'read'; now: ProbeNow }
  /** These states tell no more, and so many wires are not proved. */
  | { kind: 'stuck'; open: number }
  | { kind: 'seal'; plug: string; pin: string; how: WireOpening }
  | { kind: 'done' };

/** What to do next at Probe: the reference, readings while one is worth taking, then the seals. */
export function floorStep(context: JobContext): ProbeStep {
  const wires = wiresToProve(context);
  const [seal] = wiresToSeal(context);
  const sought = Object.keys(context.state.sought).length > 0;
  if ((wires.length > 0 || sought) && !context.state.reference) return { kind: 'reference' };
  const now = context.state.reference && probeNow(context);
  if (now) return { kind: 'read', now };
  if (seal) return { kind: 'seal', ...seal };
  const open = wires.filter(({ proof }) => proof.code !== 'proved').length;
  return open > 0 ? { kind: 'stuck', open } : { kind: 'done' };
}

/** Whole volts and tenths that two taps can say, up to what a charged battery of the system has. */
export function twoTapVolts(systemVoltageV: 12 | 24): { whole: number[]; tenths: number[] } {
  const most = systemVoltageV === 12 ? 15 : 30;
  return { whole: Array.from({ length: most + 1 }, (_, volts) => volts), tenths: Array.from({ length: 10 }, (_, tenth) => tenth) };
}
