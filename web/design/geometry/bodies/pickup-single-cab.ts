import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { pickup } from '../pickup.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['pickup-single-cab'];

/** A pickup with one row of seats and a long bed. */
export const pickupSingleCab = (m: Measures): Record<View, PlateStroke[]> =>
  pickup(m, OF, {
    endMm: 2010,
    sides: (s) => [
      s.shape('glass', [740, 1190, 1070, 1640, 1600, 1690, 1600, 1190], 30),
      s.shape('glass', [1680, 1190, 1680, 1690, 1800, 1680, 1870, 1190], 24),
      s.line('panel', [940, 1190, 940, 1430]),
      s.line('panel', [1040, 1690, 640, 1180, 610, 880, 650, 450, 1630, 440, 1640, 1735, 1100, 1725, 1040, 1690], 50),
      s.box('black', [1420, 1060, 1560, 1025], 14),
      s.line('detail', [680, 640, 1600, 640]),
    ],
  });
