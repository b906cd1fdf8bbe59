import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { archTrims, bareWheel, endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['lorry-cab'];

/** A lorry with its cab over the engine: flat face, steps before the wheel, sleeper behind the door, frame with tank and rear axle. */
export function lorryCab(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    // Frame, rear axle with its guards, tank, air bottles, coupling plate.
    s.shape('black', [900, 1000, 4480, 1000, 4530, 960, 4530, 780, 900, 760], 16),
    ...bareWheel(m, 1),
    s.shape('black', [3010, 620, 3060, 900, 3260, 1110, 4040, 1110, 4240, 900, 4290, 620, 4220, 620, 4160, 860, 4000, 1050, 3300, 1050, 3140, 860, 3080, 620], 60),
    s.box('blank', [1500, 820, 2650, 330], 90),
    s.line('detail', [1800, 815, 1800, 335]),
    s.line('detail', [2350, 815, 2350, 335]),
    s.box('black', [1540, 870, 1640, 818], 14),
    s.box('panel', [1080, 800, 1440, 420], 40),
    s.shape('body', [3220, 1180, 3260, 1240, 4080, 1240, 4140, 1150, 3220, 1120], 16),
    s.box('panel', [1450, 1180, 2900, 1010], 10),
    // Cab: face, roof with its deflector, sleeper, side skirt.
    s.shape(
      'body',
      [
        -1290, 300, -1360, 380, -1370, 900, -1350, 1900, -1230, 2750, -1100, 3060, -900, 3150, -300, 3480, 600, 3500, 960, 3440, 980, 3060, 1000, 1200, 980, 900, 760, 880, 560,
        300,
      ],
      70,
    ),
    s.line('panel', [-900, 3150, -560, 3120, 990, 3120], 60),
    s.shape('black', [-1290, 300, -1360, 380, -1368, 820, -700, 820, -640, 300], 40),
    ...archTrims(m, 0.06, 1.24).slice(0, 1),
    ...wheels(m, 0.02, 1.14).slice(0, wheels(m, 0.02).length / 2),
    // Door with its window, steps below it.
    s.shape('glass', [-1040, 1960, -1000, 2640, -940, 2760, -90, 2760, -90, 1960, -560, 1900], 60),
    s.line('panel', [-760, 1930, -760, 2760]),
    s.line('panel', [-1010, 2860, -1120, 1900, -1130, 1300, -1100, 1180, -560, 1180, -500, 1150, 20, 1150, 20, 2880, -1010, 2860], 50),
    s.box('black', [-180, 1520, -30, 1470], 18),
    s.box('panel', [-1130, 1130, -640, 850], 24),
    s.box('black', [-1080, 1060, -700, 1000], 12),
    s.box('black', [-1080, 700, -700, 640], 12),
    s.box('black', [-1080, 480, -700, 420], 12),
    s.box('detail', [160, 2700, 860, 1300], 60),
    s.box('panel', [160, 1180, 860, 940], 30),
    s.shape('black', [-1180, 1980, -1290, 2060, -1300, 2640, -1240, 2700, -1150, 2660, -1130, 2050], 40),
    s.shape('black', [-1260, 2790, -1480, 2760, -1480, 2720, -1200, 2700], 16),
    s.line('detail', [-1356, 1700, -1130, 1740, 980, 1760], 100),
    s.shape('lamp', [-1364, 640, -1360, 900, -1220, 940, -980, 920, -1060, 700, -1200, 620], 40),
    s.disc('lens', [-1230, 780], 80),
    s.box('turn', [-960, 1280, -880, 1220], 14),
    s.box('red', [4470, 900, 4530, 760], 10),
    s.box('turn', [620, 860, 700, 820], 10),
    s.box('turn', [2000, 900, 2080, 860], 10),
  ];

  const e = endPen(m, OF);
  const mirrors = e.twin((p) => [
    p.shape('black', [1190, 2660, 1260, 2720, 1330, 2720, 1350, 2660, 1350, 2080, 1320, 2020, 1250, 2020, 1230, 2300], 40),
    p.line('detail', [1240, 2300, 1345, 2300]),
  ]);
  const outline = e.whole('body', [700, 3500, 1000, 3420, 1120, 3060, 1200, 2900, 1240, 1900, 1250, 900, 1240, 380, 1140, 300], 90);
  const front: PlateStroke[] = [
    ...tyres(m, 310, 0.5),
    ...mirrors,
    outline,
    e.arc('panel', [1110, 3100, 900, 3140], 60),
    e.whole('black', [1000, 2860, 1040, 2780, 900, 2740], 40),
    ...e.twin((p) => [p.box('lens', [860, 2990, 980, 2940], 10), p.box('lens', [330, 3010, 450, 2965], 10)]),
    e.whole('glass', [1050, 2720, 1130, 2640, 1180, 2020, 1140, 1960, 700, 1930], 70),
    e.line('panel', [1000, 1965, 340, 1990]),
    e.line('panel', [300, 1950, -340, 1980]),
    e.line('panel', [-400, 1950, -1020, 1990]),
    // Flap under the screen, grille of broad bars, bumper with its steps and lamps.
    e.whole('panel', [1000, 1860, 980, 1620], 40),
    e.whole('blank', [130, 1780, 130, 1700], 24),
    e.whole('black', [900, 1560, 860, 1000], 60),
    ...[1460, 1340, 1220, 1100].map((up) => e.whole('body', [830, up + 30, 820, up - 20], 16)),
    e.line('panel', [1040, 1880, 1020, 980], 30),
    e.line('panel', [-1040, 1880, -1020, 980], 30),
    e.whole('black', [1248, 930, 1240, 380, 1140, 300], 60),
    e.whole('arch', [620, 480, 600, 360], 40),
    e.box('blank', [-270, 640, 270, 520], 12),
    e.box('panel', [-600, 860, 600, 700], 24),
    ...e.twin((p) => [
      p.shape('lamp', [760, 640, 760, 860, 1150, 920, 1225, 880, 1220, 660, 1120, 600], 46),
      p.disc('lens', [1050, 760], 84),
      p.disc('detail', [1050, 760], 48),
      p.disc('lens', [870, 745], 66),
      p.shape('turn', [1150, 880, 1212, 860, 1208, 690, 1150, 670], 14),
      p.box('blank', [820, 540, 1060, 400], 36),
      p.disc('lens', [940, 470], 54),
    ]),
  ];
  const rear: PlateStroke[] = [
    ...mirrors,
    outline,
    e.whole('detail', [900, 3020, 960, 1300], 60),
    e.line('detail', [960, 2100, -960, 2100]),
    e.twin((p) => [p.box('panel', [960, 2860, 1060, 1300], 30)]),
    // Frame ends, suspension, coupling plate, guards over twin tyres.
    e.twin((p) => [
      p.box('tyre', [720, 1000, 1010, 0], 40),
      p.box('tyre', [1030, 1000, 1240, 0], 40),
      p.shape('black', [690, 960, 700, 1110, 1230, 1110, 1250, 900, 1240, 700, 1210, 700, 1210, 1050, 720, 1050], 30),
    ]),
    e.whole('black', [430, 1000, 430, 780], 10),
    e.whole('body', [480, 1250, 560, 1180, 560, 1120], 24),
    e.box('arch', [-90, 1250, 90, 1130], 20),
    e.whole('panel', [700, 560, 700, 480], 20),
    e.disc('detail', [0, 520], 140),
    e.whole('black', [1210, 780, 1210, 660], 12),
    e.twin((p) => [p.box('red', [760, 765, 960, 675], 12), p.box('turn', [970, 765, 1080, 675], 12), p.box('lens', [1090, 765, 1190, 675], 12)]),
    e.box('blank', [-270, 770, 270, 670], 10),
    e.box('lens', [-60, 790, 60, 775], 4),
  ].flat();

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    t.box('black', [900, -430, 4530, -360], 10),
    t.box('black', [900, 360, 4530, 430], 10),
    ...t.twin((p) => [
      p.box('tyre', [3150, 720, 4150, 1010], 50),
      p.box('tyre', [3150, 1030, 4150, 1240], 50),
      p.shape('black', [3050, 700, 3050, 1250, 4250, 1250, 4250, 700], 40),
      p.shape('black', [-1180, 1180, -1270, 1250, -1300, 1330, -1200, 1350, -1140, 1240], 30),
      p.box('panel', [1080, 480, 1440, 1180], 40),
    ]),
    t.box('blank', [1500, 480, 2650, 1200], 90),
    t.box('panel', [1500, -1180, 2300, -480], 40),
    ...[1300, 2100, 2900, 4400].map((x) => t.box('detail', [x, -360, x + 80, 360], 6)),
    t.whole('body', [3220, 420, 3700, 560, 4140, 420], 60),
    t.shape('arch', [3620, -90, 3620, 90, 4160, 210, 4160, -210], 20),
    t.box('red', [4460, -700, 4530, -430], 8),
    t.box('red', [4460, 430, 4530, 700], 8),
    t.whole('body', [1000, 1200, -1050, 1240, -1290, 1150, -1370, 700], 130),
    t.whole('glass', [-1340, 0, -1300, 660, -1190, 1080, -1060, 980, -1090, 0], 70),
    t.arc('panel', [980, 1080, -300, 1060, -900, 960, -960, 0], 160),
    t.arc('detail', [940, 860, -300, 820, -640, 700, -700, 0], 120),
    t.box('panel', [-160, -380, 420, 380], 60),
    t.line('panel', [985, -1180, 985, 1180]),
  ];
  return { front, rear, side, top };
}
