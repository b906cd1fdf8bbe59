import type { Fault } from '../faults/index.ts';

/** What wires and fuses bear: of the wire's and the fuse's maker, or a shop's own default that is still to be confirmed. */
export interface WireTable {
  /** Amperes for long, of one wire in open air at `atC`, thinnest first. */
  permitted: { areaMm2: number; ampere: number }[];
  atC: number;
  /** As hot as the insulation may become. */
  mostC: number;
  /** Share of that which is left to each of so many loaded wires in one bundle and more. */
  bundle: { from: number; share: number }[];
  /** How many times its rating a fuse bears for so long, shortest first. */
  surge: { forMs: number; times: number }[];
  source: string;
  certainty: 'confirmed' | 'to be confirmed';
}

function rises(values: readonly number[], path: (index: number) => string, up = true): Fault[] {
  return values.flatMap((to, index): Fault[] => {
    const from = values[index - 1];
    return from === undefined || (up ? to > from : to < from) ? [] : [{ path: path(index), code: 'span-order', data: { from, to } }];
  });
}

/** Faults in meaning of a table: sizes or amperes that do not rise, shares or surges that do not fall, a place hotter than the wire may be. */
export function checkWireTable({ permitted, atC, mostC, bundle, surge }: WireTable, path: string): Fault[] {
  const none = (['permitted', 'surge'] as const).flatMap((list): Fault[] =>
    (list === 'permitted' ? permitted : surge).length === 0 ? [{ path: `${path}.${list}`, code: 'length', data: { least: 1 } }] : [],
  );
  return [
    ...none,
    ...rises(
      permitted.map((entry) => entry.areaMm2),
      (index) => `${path}.permitted[${index}].areaMm2`,
    ),
    ...rises(
      permitted.map((entry) => entry.ampere),
      (index) => `${path}.permitted[${index}].ampere`,
    ),
    ...rises([atC, mostC], () => `${path}.mostC`),
    ...rises(
      bundle.map((entry) => entry.from),
      (index) => `${path}.bundle[${index}].from`,
    ),
    ...rises(
      bundle.map((entry) => entry.share),
      (index) => `${path}.bundle[${index}].share`,
      false,
    ),
    ...rises(
      surge.map((entry) => entry.forMs),
      (index) => `${path}.surge[${index}].forMs`,
    ),
    ...rises(
      surge.map((entry) => entry.times),
      (index) => `${path}.surge[${index}].times`,
      false,
    ),
  ];
}
