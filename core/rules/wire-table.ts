import type { Fault } from '../faults/index.ts';

/** What wires and fuses bear: of the wire's and the fuse's maker, or a shop's own default that is still to be confirmed. */
export interface WireTable {
  /** Amperes for long, of one wire in open air at `atC`, thinnest first; over its insulation so thick, where that is said. */
  permitted: { areaMm2: number; ampere: number; outerMm?: number }[];
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

/** What wires and fuses bear where nobody said better: usual values of stranded copper in thin insulation and of blade fuses. */
export const DEFAULT_WIRES: WireTable = {
  permitted: [
    [0.35, 8, 1.3],
    [0.5, 11, 1.6],
    [0.75, 14, 1.9],
    [1, 18, 2.1],
    [1.5, 23, 2.4],
    [2.5, 31, 3.0],
    [4, 41, 3.7],
    [6, 53, 4.3],
    [10, 72, 6.0],
    [16, 96, 7.2],
    [25, 126, 8.7],
  ].map(([areaMm2 = 0, ampere = 0, outerMm = 0]) => ({ areaMm2, ampere, outerMm })),
  atC: 30,
  mostC: 105,
  bundle: [
    { from: 2, share: 0.85 },
    { from: 4, share: 0.7 },
    { from: 7, share: 0.6 },
    { from: 13, share: 0.5 },
  ],
  surge: [
    { forMs: 20, times: 6 },
    { forMs: 100, times: 3 },
    { forMs: 500, times: 1.5 },
  ],
  source: 'shop default',
  certainty: 'to be confirmed',
};

/** Faults where a column of a list does not rise, or fall, from line to line. */
function steady<T extends object>(list: readonly T[], at: string, column: keyof T & string, up: boolean): Fault[] {
  return list.slice(1).flatMap((line, index): Fault[] => {
    const [from, to] = [Number(list[index]?.[column]), Number(line[column])];
    return (up ? to > from : to < from) ? [] : [{ path: `${at}[${index + 1}].${column}`, code: 'span-order', data: { from, to } }];
  });
}

/** Faults in meaning of a table: sizes or amperes that do not rise, shares or surges that do not fall, a place hotter than the wire may be. */
export function checkWireTable({ permitted, atC, mostC, bundle, surge }: WireTable, path: string): Fault[] {
  const none = Object.entries({ permitted, surge }).flatMap(([list, lines]): Fault[] =>
    lines.length === 0 ? [{ path: `${path}.${list}`, code: 'length', data: { least: 1 } }] : [],
  );
  return [
    ...none,
    ...steady(permitted, `${path}.permitted`, 'areaMm2', true),
    ...steady(permitted, `${path}.permitted`, 'ampere', true),
    ...(mostC > atC ? [] : [{ path: `${path}.mostC`, code: 'span-order' as const, data: { from: atC, to: mostC } }]),
    ...steady(bundle, `${path}.bundle`, 'from', true),
    ...steady(bundle, `${path}.bundle`, 'share', false),
    ...steady(surge, `${path}.surge`, 'forMs', true),
    ...steady(surge, `${path}.surge`, 'times', false),
  ];
}
