import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { bareWheel, endPen, sidePen, topPen, tyres } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['utility-side-by-side'];

/** A side-by-side utility vehicle: an open cab in a frame of tubes with a roof, flared guards over large tyres, a tipping bed with a rack. */
export function utilitySideBySide(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  /** A tube of the frame between points, drawn as its two edges. */
  const tube = (shares: number[]) => s.shape('body', shares, 26);
  const side: PlateStroke[] = [
    // Far side and seats seen through the open cab.
    s.shape('black', [900, 700, 860, 1230, 900, 1330, 960, 1330, 990, 1230, 1010, 820, 1000, 700], 40),
    s.shape('black', [560, 700, 520, 800, 560, 830, 940, 800, 960, 700], 30),
    s.shape('black', [330, 1010, 420, 1180, 450, 1170, 380, 1000], 10),
    s.shape('detail', [395, 1200, 370, 1160, 470, 1010, 500, 1050], 14),
    // Skid plate and sill.
    s.shape('black', [-330, 420, -200, 320, 380, 300, 1750, 300, 1820, 400, 380, 400], 20),
    ...bareWheel(m, 0),
    ...bareWheel(m, 1),
    // Front body with flared guard.
    s.shape(
      'body',
      [
        -480, 520, -470, 700, -440, 840, -360, 980, -160, 1050, 260, 1085, 430, 1130, 470, 1060, 440, 700, 460, 560, 520, 440, 420, 440, 370, 620, 200, 750, -60, 780, -250, 740,
        -340, 620, -370, 500,
      ],
      50,
    ),
    s.shape('black', [-400, 470, -380, 660, -270, 790, -50, 830, 220, 800, 400, 650, 450, 440, 385, 440, 340, 620, 190, 740, -60, 770, -240, 730, -330, 620, -350, 470], 50),
    // Door sill, half door with its latch.
    s.shape('body', [440, 420, 470, 900, 560, 960, 1010, 940, 1060, 880, 1180, 700, 1320, 560, 1420, 420], 40),
    s.shape('panel', [510, 460, 530, 870, 1010, 870, 1120, 700, 1240, 520, 1250, 460], 40),
    s.box('black', [880, 850, 980, 810], 12),
    s.line('detail', [520, 640, 1130, 640]),
    // Bed with tail board, rack, flared guard.
    s.shape(
      'body',
      [1090, 780, 1110, 1000, 1140, 1030, 2560, 1030, 2600, 990, 2640, 620, 2600, 580, 2480, 580, 2440, 700, 2300, 790, 2000, 800, 1800, 740, 1720, 620, 1640, 600, 1400, 640],
      40,
    ),
    s.shape(
      'black',
      [1650, 470, 1690, 640, 1800, 770, 2010, 830, 2290, 820, 2440, 730, 2520, 560, 2465, 560, 2390, 700, 2270, 775, 2010, 780, 1830, 720, 1740, 610, 1710, 470],
      50,
    ),
    s.line('panel', [2520, 1028, 2560, 600]),
    ...[1380, 1660, 1940, 2220].map((x) => s.line('detail', [x, 1010, x + 6, 850])),
    s.line('detail', [1140, 930, 2560, 930]),
    s.shape('body', [2000, 1080, 2500, 1080, 2500, 1050, 2000, 1050], 8),
    s.line('panel', [2060, 1050, 2060, 1030]),
    s.line('panel', [2440, 1050, 2440, 1030]),
    // Frame of tubes and roof.
    tube([400, 1120, 690, 1880, 740, 1880, 455, 1120]),
    tube([1060, 900, 1140, 1890, 1190, 1890, 1115, 1000]),
    tube([1190, 1840, 1760, 1040, 1700, 1030, 1165, 1770]),
    s.shape('body', [560, 1890, 620, 1945, 760, 1960, 1560, 1955, 1640, 1915, 1620, 1880, 600, 1870], 24),
    s.line('detail', [640, 1915, 1620, 1915]),
    s.shape('glass', [442, 1150, 660, 1730, 690, 1730, 480, 1150], 14),
    s.line('panel', [560, 1460, 480, 1500]),
    s.shape('black', [440, 1430, 430, 1560, 470, 1575, 510, 1555, 505, 1450], 20),
    // Bull bar, winch, tow hook.
    s.shape('black', [-440, 560, -478, 620, -478, 850, -440, 900, -420, 870, -440, 840, -440, 640, -400, 580], 14),
    s.box('black', [-475, 530, -420, 430], 12),
    s.box('black', [2590, 560, 2640, 480], 10),
    // Lamps.
    s.shape('lamp', [-470, 860, -370, 985, -270, 1000, -300, 860, -420, 820], 24),
    s.disc('lens', [-400, 900], 40),
    s.shape('red', [2568, 900, 2612, 900, 2634, 730, 2580, 730], 10),
  ];

  const e = endPen(m, OF);
  const frame = (screen: boolean): PlateStroke[] => [
    ...(screen ? [e.whole('glass', [500, 1850, 560, 1780, 640, 1160, 600, 1110], 30)] : []),
    ...e.twin((p) => [p.shape('body', [640, 1060, 700, 1060, 610, 1880, 560, 1880], 14)]),
    e.whole('body', [560, 1960, 640, 1930, 660, 1880, 560, 1860], 24),
    e.arc('detail', [630, 1915, 500, 1925], 20),
  ];
  const guards = e.twin((p) => [p.shape('black', [520, 620, 560, 790, 640, 850, 780, 830, 810, 700, 810, 560, 770, 560, 760, 680, 700, 700, 560, 640], 40)]);
  const mirrors = e.twin((p) => [p.line('panel', [650, 1480, 760, 1500]), p.shape('black', [720, 1430, 720, 1560, 740, 1580, 805, 1570, 810, 1450, 790, 1425], 24)]);
  const front: PlateStroke[] = [
    ...tyres(m, 250, 1),
    // Arms and shock absorbers, seats behind the screen.
    ...e.twin((p) => [p.line('panel', [260, 420, 560, 340]), p.line('panel', [260, 480, 560, 420]), p.shape('detail', [420, 640, 470, 640, 560, 380, 520, 370], 10)]),
    ...e.twin((p) => [p.shape('black', [110, 1050, 110, 1290, 160, 1340, 420, 1340, 470, 1290, 470, 1050], 40)]),
    ...frame(true),
    e.disc('detail', [330, 1150], 150),
    ...mirrors,
    e.whole('body', [480, 1110, 620, 1050, 640, 900, 600, 640, 480, 540, 260, 480], 50),
    ...guards,
    e.arc('panel', [560, 1060, 520, 900, 380, 800, 200, 780], 50),
    e.line('detail', [250, 1090, 200, 800]),
    e.line('detail', [-250, 1090, -200, 800]),
    e.whole('black', [300, 770, 340, 720, 320, 560, 240, 530], 30),
    ...[720, 670, 620, 570].map((up) => e.line('detail', [-310, up, 310, up])),
    // Lamps under their cowls.
    ...e.twin((p) => [
      p.shape('lamp', [360, 830, 390, 950, 560, 1000, 600, 960, 600, 850, 540, 810], 26),
      p.disc('lens', [475, 905], 62),
      p.disc('detail', [475, 905], 34),
      p.shape('turn', [566, 980, 598, 955, 597, 865, 566, 850], 8),
    ]),
    // Bull bar of tubes, winch with its fairlead, skid plate.
    e.whole('panel', [380, 880, 420, 840, 420, 500, 340, 440], 40),
    e.whole('black', [400, 640, 400, 610], 8),
    e.box('black', [-170, 540, 170, 420], 16),
    e.box('lens', [-90, 500, 90, 470], 10),
    e.whole('black', [300, 410, 260, 310], 12),
  ];
  const rear: PlateStroke[] = [
    ...tyres(m, 280, 1),
    ...e.twin((p) => [p.line('panel', [240, 440, 540, 350]), p.shape('detail', [400, 620, 450, 620, 540, 380, 500, 370], 10)]),
    ...e.twin((p) => [p.shape('black', [110, 1050, 110, 1290, 160, 1340, 420, 1340, 470, 1290, 470, 1050], 40)]),
    ...frame(false),
    ...mirrors,
    e.shape('body', [-500, 1020, 500, 1020, 610, 1880, 560, 1880, 450, 1080, -450, 1080, -560, 1880, -610, 1880], 16),
    ...guards,
    e.whole('body', [690, 1030, 700, 1000, 690, 620, 640, 580], 26),
    // Tail board with its latches and pressed panel, rack above it.
    e.whole('panel', [620, 1000, 640, 960, 630, 640, 600, 620], 24),
    e.whole('detail', [400, 940, 400, 700], 30),
    ...e.twin((p) => [
      p.box('black', [570, 990, 625, 930], 10),
      p.box('panel', [540, 1080, 560, 1030], 4),
      p.shape('red', [645, 900, 690, 900, 688, 730, 640, 730], 12),
      p.line('detail', [642, 815, 688, 815]),
      p.disc('red', [600, 660], 20),
    ]),
    e.whole('body', [560, 1085, 560, 1055], 8),
    e.box('blank', [-120, 690, 120, 610], 10),
    e.box('lens', [-60, 720, 60, 700], 6),
    e.whole('black', [70, 570, 90, 480, 60, 440], 14),
    e.whole('black', [420, 580, 400, 520], 10),
  ];

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    ...t.twin((p) => [p.box('tyre', [-345, 530, 345, 790], 40), p.box('tyre', [1785, 530, 2475, 810], 40)]),
    t.whole('body', [2640, 600, 2600, 690, 1140, 700, 1040, 720, 470, 700, 380, 640, -250, 560, -440, 420, -480, 280], 60),
    ...t.twin((p) => [
      p.shape('black', [-390, 470, -370, 760, -260, 800, 220, 800, 430, 760, 440, 560, 380, 520, -250, 500], 60),
      p.shape('black', [1650, 640, 1680, 790, 1800, 806, 2290, 806, 2480, 790, 2520, 640], 50),
      p.line('panel', [-420, 300, 380, 420]),
      p.shape('lamp', [-478, 360, -440, 420, -300, 560, -250, 400, -380, 350], 26),
      p.shape('red', [2575, 640, 2635, 600, 2625, 690, 2585, 690], 8),
      p.shape('black', [420, 720, 430, 800, 500, 806, 510, 720], 20),
    ]),
    t.box('panel', [-420, -300, 260, 300], 60),
    t.line('detail', [-300, -180, 200, -220]),
    t.line('detail', [-300, 180, 200, 220]),
    t.whole('glass', [440, 0, 450, 620, 640, 560, 640, 0], 30),
    t.whole('body', [580, 560, 620, 640, 1600, 640, 1640, 600], 50),
    t.whole('detail', [680, 540, 1560, 540], 60),
    t.line('detail', [680, 0, 1560, 0]),
    t.whole('panel', [1700, 620, 2560, 620], 16),
    ...[-400, -200, 0, 200, 400].map((y) => t.line('detail', [1720, y, 2540, y])),
    // Rack over the bed.
    t.whole('panel', [2000, 560, 2500, 560], 20),
    t.line('panel', [2250, -560, 2250, 560]),
    t.box('black', [-478, -150, -430, 150], 12),
  ];
  return { front, rear, side, top };
}
