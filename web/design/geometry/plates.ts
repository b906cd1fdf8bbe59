import type { Body, Measures } from '@jade/core/vehicle';
import { crossover } from './bodies/crossover.ts';
import { vanHighRoof } from './bodies/van-high-roof.ts';
import type { View } from './paths.ts';
import type { PlateStroke } from './plate.ts';

/** Bodies that are drawn as the line plate of a workshop handbook, each in a file of its own; the others in outline. */
export const PLATES: Readonly<Partial<Record<Body, (measures: Measures) => Record<View, PlateStroke[]>>>> = {
  'van-high-roof': vanHighRoof,
  crossover,
};
