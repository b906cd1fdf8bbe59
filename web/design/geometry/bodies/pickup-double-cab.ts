import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { pickup } from '../pickup.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['pickup-double-cab'];

/** A pickup with four doors and a short bed. */
export const pickupDoubleCab = (m: Measures): Record<View, PlateStroke[]> =>
  pickup(m, OF, {
    endMm: 2700,
    sides: (s) => [
      s.shape('glass', [740, 1190, 1070, 1640, 1560, 1690, 1560, 1190], 30),
      s.shape('glass', [1650, 1190, 1650, 1692, 2280, 1690, 2410, 1620, 2470, 1190], 40),
      s.line('panel', [940, 1190, 940, 1430]),
      s.line('panel', [1040, 1690, 640, 1180, 610, 880, 650, 450, 1590, 440, 1605, 1735, 1100, 1725, 1040, 1690], 50),
      s.line('panel', [1605, 1735, 2330, 1735, 2470, 1660, 2550, 1180, 2560, 900, 2500, 700, 2480, 450, 1590, 440], 60),
      s.box('black', [1390, 1060, 1530, 1025], 14),
      s.box('black', [2350, 1060, 2490, 1025], 14),
      s.line('detail', [680, 640, 2460, 640]),
    ],
  });
