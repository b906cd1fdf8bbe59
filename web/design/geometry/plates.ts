import type { Body, Measures } from '@jade/core/vehicle';
import { crossover } from './bodies/crossover.ts';
import { estate } from './bodies/estate.ts';
import { hatchback } from './bodies/hatchback.ts';
import { lorryCab } from './bodies/lorry-cab.ts';
import { minibus } from './bodies/minibus.ts';
import { motorcycleFaired } from './bodies/motorcycle-faired.ts';
import { motorcycleNaked } from './bodies/motorcycle-naked.ts';
import { offRoadWagon } from './bodies/off-road-wagon.ts';
import { pickupDoubleCab } from './bodies/pickup-double-cab.ts';
import { pickupSingleCab } from './bodies/pickup-single-cab.ts';
import { saloon } from './bodies/saloon.ts';
import { scooterBox } from './bodies/scooter-box.ts';
import { trailer } from './bodies/trailer.ts';
import { utilitySideBySide } from './bodies/utility-side-by-side.ts';
import { vanHighRoof } from './bodies/van-high-roof.ts';
import { vanLowRoof } from './bodies/van-low-roof.ts';
import type { View } from './paths.ts';
import type { PlateStroke } from './plate.ts';

/** Bodies, each drawn as the line plate of a workshop handbook by a file of its own. */
export const PLATES: Readonly<Record<Body, (measures: Measures) => Record<View, PlateStroke[]>>> = {
  hatchback,
  saloon,
  estate,
  crossover,
  'off-road-wagon': offRoadWagon,
  'pickup-single-cab': pickupSingleCab,
  'pickup-double-cab': pickupDoubleCab,
  'van-low-roof': vanLowRoof,
  'van-high-roof': vanHighRoof,
  minibus,
  'lorry-cab': lorryCab,
  'motorcycle-naked': motorcycleNaked,
  'motorcycle-faired': motorcycleFaired,
  'scooter-box': scooterBox,
  'utility-side-by-side': utilitySideBySide,
  trailer,
};
