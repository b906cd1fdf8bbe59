import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import { carHeadlamp, carMirrors } from '../car.ts';
import type { View } from '../paths.ts';
import { endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['van-low-roof'];

/** A panel van with a low roof: short bonnet, cab door, sliding door on its rail, a tailgate that lifts. */
export function vanLowRoof(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    s.shape(
      'body',
      [
        -860, 220, -915, 290, -930, 540, -905, 780, -800, 960, -380, 1120, 420, 1760, 700, 1910, 1000, 1965, 1500, 1970, 3700, 1955, 3900, 1920, 3960, 1820, 4010, 1150, 4030, 760,
        4030, 380, 4010, 270, 3920, 215,
      ],
      90,
    ),
    s.shape('black', [-860, 220, -915, 290, -928, 470, -430, 470, -410, 220], 30),
    s.shape('black', [3520, 220, 3540, 430, 4028, 470, 4030, 380, 4010, 270, 3920, 215], 24),
    s.box('black', [430, 260, 2670, 210], 10),
    s.box('black', [430, 640, 2660, 560], 18),
    s.shape('glass', [-160, 1190, 480, 1690, 800, 1740, 800, 1190], 36),
    s.line('panel', [170, 1190, 170, 1420]),
    s.line('panel', [430, 1740, -250, 1160, -270, 840, -240, 720, 260, 560, 430, 320, 890, 280, 900, 1830, 640, 1830, 430, 1740], 50),
    ...wheels(m, 0.06),
    s.box('black', [680, 1020, 820, 985], 14),
    s.shape('black', [-120, 1195, -160, 1370, -70, 1430, 40, 1400, 40, 1200], 40),
    // Sliding door with its rail, pressed panels behind.
    s.box('panel', [930, 1840, 2060, 280], 50),
    s.box('black', [990, 1020, 1130, 985], 14),
    s.box('detail', [1010, 1720, 1980, 1190], 60),
    s.box('detail', [2170, 1720, 3080, 1190], 60),
    s.box('detail', [3160, 1710, 3760, 1190], 60),
    s.line('panel', [2060, 1060, 3560, 1060]),
    s.line('detail', [-560, 920, -240, 1010, 900, 1100, 3940, 1110], 200),
    s.line('panel', [-780, 960, -420, 1080, -260, 1130], 40),
    s.line('panel', [3880, 1930, 3930, 1150, 3940, 480], 30),
    s.box('detail', [2190, 930, 2320, 810], 24),
    s.shape('lamp', [-892, 760, -810, 910, -480, 960, -560, 830, -700, 740, -890, 700], 30),
    s.disc('lens', [-740, 820], 50),
    s.box('turn', [440, 880, 500, 845], 10),
    s.shape('red', [3945, 1240, 3990, 1240, 4024, 800, 3945, 790], 14),
    s.line('detail', [3945, 1040, 4008, 1040]),
  ];

  const half = 960;
  const e = endPen(m, OF);
  const shell = [...tyres(m, 215), ...carMirrors(e, half, 1170), e.whole('body', [440, 1970, 760, 1930, 830, 1780, 900, 1250, 950, 980, 960, 700, 950, 280, 880, 200], 100)];
  const front: PlateStroke[] = [
    ...shell,
    e.whole('glass', [640, 1840, 720, 1780, 830, 1210, 600, 1160], 60),
    e.line('panel', [700, 1185, -40, 1225]),
    e.line('panel', [-640, 1180, 20, 1250]),
    e.arc('panel', [840, 1140, 820, 980, 560, 890], 60),
    e.line('detail', [400, 1130, 340, 910]),
    e.line('detail', [-400, 1130, -340, 910]),
    e.whole('black', [430, 840, 450, 780, 390, 660], 40),
    ...[790, 740, 700].map((up) => e.line('detail', [420, up, -420, up])),
    e.whole('blank', [80, 820, 90, 760, 50, 700], 24),
    ...e.twin((p) => carHeadlamp(p, half - 20, 1130)),
    e.whole('black', [945, 520, 950, 300, 880, 210], 50),
    e.arc('panel', [955, 640, 700, 620, 500, 590], 40),
    e.whole('arch', [440, 370, 470, 330, 420, 250], 24),
    e.box('blank', [-260, 520, 260, 420], 12),
    ...e.twin((p) => [p.box('blank', [590, 440, 780, 310], 30), p.disc('lens', [685, 375], 44)]),
  ];
  const rear: PlateStroke[] = [
    ...shell,
    // A tailgate with its window, hinged at the roof.
    e.arc('panel', [800, 480, 860, 800, 830, 1250, 780, 1800, 700, 1890], 50),
    e.line('panel', [800, 480, -800, 480]),
    e.whole('glass', [650, 1780, 710, 1730, 770, 1240, 720, 1200], 50),
    e.line('panel', [20, 1240, -320, 1320]),
    e.whole('detail', [680, 1060, 660, 560], 50),
    e.box('red', [-120, 1890, 120, 1866], 8),
    e.box('blank', [-260, 860, 260, 745], 12),
    e.box('black', [-240, 910, 240, 880], 10),
    e.box('lens', [-70, 878, 70, 866], 4),
    ...e.twin((p) => [
      p.shape('red', [850, 1240, 900, 1240, 950, 800, 880, 790], 22),
      p.shape('turn', [860, 1130, 912, 1130, 924, 1040, 866, 1040], 8),
      p.shape('lens', [873, 920, 938, 920, 944, 840, 880, 840], 8),
      p.box('red', [720, 420, 880, 380], 8),
    ]),
    e.whole('black', [950, 450, 950, 300, 880, 205], 40),
    e.box('detail', [-480, 450, 480, 410], 10),
  ];

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    ...t.twin((p) => [p.shape('black', [-110, half - 15, -150, half + 95, -60, half + 110, 0, half - 15], 34)]),
    t.whole('body', [4030, 800, 4000, 900, 600, 930, -380, 950, -760, 860, -900, 660, -930, 380], 110),
    t.whole('glass', [-360, 0, -250, 820, 430, 700, 370, 0], 110),
    t.arc('panel', [-330, 880, -440, 0], 280),
    t.arc('panel', [-780, 640, -870, 0], 240),
    t.line('detail', [-440, 400, -820, 330]),
    t.line('detail', [-440, -400, -820, -330]),
    ...t.twin((p) => [
      p.shape('lamp', [-890, 520, -760, 620, -480, 900, -740, 850], 30),
      p.shape('glass', [-100, 880, 480, 760, 800, 760, 800, 890], 40),
      p.line('detail', [700, 760, 3900, 780]),
      p.shape('red', [3950, 850, 4010, 790, 4000, 890, 3950, 900], 6),
    ]),
    ...[900, 1450, 2000, 2550, 3100, 3600].map((x) => t.box('detail', [x, -560, x + 90, 560], 40)),
    t.whole('panel', [3900, 760, 3990, 740], 20),
    t.whole('black', [4010, 760, 4030, 720], 6),
  ];
  return { front, rear, side, top };
}
