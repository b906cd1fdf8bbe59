import type { Measures } from '@jade/core/vehicle';
import { carHeadlamp, carMirrors } from './car.ts';
import type { View } from './paths.ts';
import { archTrims, endPen, sidePen, topPen, tyres, wheels, type Pen } from './pen.ts';
import type { PlateStroke } from './plate.ts';

/** Where the cab of a pickup ends, in mm behind the front axle, and what is drawn of its doors and glass. */
export interface Cab {
  endMm: number;
  sides: (s: Pen) => PlateStroke[];
}

/** A pickup to measure: bonnet, cab, bed with its tail board; `of` are the measures that the numbers are written for. */
export function pickup(m: Measures, of: Measures, { endMm: end, sides }: Cab): Record<View, PlateStroke[]> {
  const { frontOverhangMm: nose, wheelbaseMm: base } = of;
  const half = of.widthMm / 2 - 10;
  const tail = of.lengthMm - nose;
  const s = sidePen(m, of);
  const side: PlateStroke[] = [
    s.shape(
      'body',
      [
        -nose + 70,
        330,
        -nose + 10,
        400,
        -nose,
        720,
        -nose + 30,
        900,
        -nose + 130,
        1040,
        -nose + 330,
        1100,
        480,
        1160,
        1010,
        1700,
        1200,
        1770,
        1480,
        1780,
        end - 190,
        1775,
        end - 80,
        1730,
        end,
        1180,
        end + 10,
        460,
        end - 20,
        390,
      ],
      70,
    ),
    // The bed, apart from the cab, with its hooks' rail and the tail board.
    s.shape('body', [end + 40, 1130, tail - 90, 1150, tail - 30, 1130, tail - 20, 640, tail - 60, 560, tail - 130, 520, end + 40, 430], 30),
    s.line('detail', [end + 60, 1085, tail - 110, 1105]),
    s.line('panel', [tail - 95, 1148, tail - 95, 580]),
    s.shape('black', [-nose + 70, 330, -nose + 10, 400, -nose + 4, 560, -nose + 300, 560, -nose + 330, 340], 24),
    s.shape('black', [tail - 180, 470, tail - 170, 600, tail - 20, 600, tail, 580, tail, 480, tail - 30, 450], 16),
    s.box('black', [500, 400, base - 520, 355], 16),
    ...archTrims(m, 0.22, 1.36),
    ...wheels(m, 0.16, 1.2),
    ...sides(s),
    s.shape('black', [690, 1200, 650, 1340, 740, 1390, 830, 1360, 830, 1205], 36),
    s.line('panel', [-nose + 160, 1060, 420, 1130, 600, 1160], 30),
    s.line('detail', [-nose + 380, 960, 600, 1040, end - 20, 1060], 200),
    s.box('detail', [base - 330, 1040, base - 200, 920], 24),
    s.shape('lamp', [-nose + 22, 800, -nose + 110, 960, -nose + 420, 985, -nose + 350, 880, -nose + 220, 800, -nose + 30, 760], 26),
    s.disc('lens', [-nose + 150, 865], 44),
    s.box('turn', [610, 930, 670, 895], 10),
    s.shape('red', [tail - 92, 1080, tail - 28, 1080, tail - 22, 760, tail - 92, 740], 12),
    s.line('detail', [tail - 92, 960, tail - 24, 960]),
  ];

  const e = endPen(m, of);
  const shell = [
    ...tyres(m, 255, 0.9),
    ...carMirrors(e, half, 1190),
    e.whole('body', [400, 1780, 660, 1755, 740, 1650, half - 60, 1180, half - 10, 1040, half, 780, half - 10, 430, half - 90, 340], 80),
    ...e.twin((p) => [p.shape('black', [half - 40, 900, half, 920, half + 10, 800, half + 10, 480, half - 20, 450, half - 40, 560], 24)]),
  ];
  const front: PlateStroke[] = [
    ...shell,
    e.whole('glass', [600, 1690, 680, 1630, half - 100, 1200, 560, 1150], 50),
    e.line('panel', [620, 1175, -50, 1215]),
    e.line('panel', [-540, 1165, 20, 1235]),
    e.arc('panel', [half - 80, 1130, half - 90, 1000, 560, 940], 50),
    e.line('detail', [380, 1120, 330, 960]),
    e.line('detail', [-380, 1120, -330, 960]),
    e.whole('black', [440, 905, 470, 840, 400, 660], 40),
    ...[850, 790, 730].map((up) => e.line('detail', [430, up, -430, up])),
    e.whole('blank', [90, 870, 100, 800, 60, 720], 24),
    ...e.twin((p) => carHeadlamp(p, half - 20, 1160)),
    e.whole('black', [half - 20, 560, half, 520, half - 10, 430, half - 90, 340], 30),
    e.box('blank', [-260, 560, 260, 450], 12),
    e.whole('arch', [430, 430, 400, 360], 24),
    ...e.twin((p) => [p.box('blank', [600, 540, 800, 420], 30), p.disc('lens', [700, 480], 46), p.disc('detail', [520, 400], 24)]),
  ];
  const rear: PlateStroke[] = [
    ...shell,
    e.whole('glass', [590, 1680, 650, 1640, 730, 1240, 700, 1210], 40),
    e.line('detail', [250, 1680, 260, 1215]),
    e.line('detail', [-250, 1680, -260, 1215]),
    e.box('red', [-130, 1740, 130, 1716], 8),
    e.whole('body', [half - 30, 1150, half, 1120, half - 5, 620, half - 60, 570], 30),
    // Tail board with its handle and pressed panel.
    e.whole('panel', [half - 130, 1140, half - 130, 600], 18),
    e.whole('detail', [half - 260, 1040, half - 260, 720], 40),
    e.box('black', [-120, 1100, 120, 1040], 14),
    ...e.twin((p) => [
      p.box('red', [half - 115, 1085, half - 15, 760], 16),
      p.box('turn', [half - 108, 990, half - 22, 930], 8),
      p.box('lens', [half - 108, 850, half - 22, 780], 8),
      p.box('detail', [520, 590, 700, 500], 10),
      p.disc('red', [780, 530], 22),
    ]),
    e.whole('black', [half - 20, 600, half, 570, half - 20, 470, half - 90, 450], 20),
    e.box('blank', [-260, 590, 260, 480], 10),
    e.box('lens', [-50, 605, 50, 594], 4),
    e.whole('black', [60, 450, 70, 390, 40, 370], 10),
  ];

  const t = topPen(m, of);
  const top: PlateStroke[] = [
    ...t.twin((p) => [p.shape('black', [690, half - 15, 650, half + 95, 740, half + 105, 790, half - 15], 30)]),
    t.whole('body', [end + 10, half - 40, end - 30, half - 10, 480, half, -nose * 0.4, half - 15, -nose + 80, half - 190, -nose, half - 560], 90),
    t.whole('body', [end + 40, half, tail - 40, half - 10, tail - 15, half - 30], 20),
    t.whole('panel', [end + 110, half - 110, tail - 110, half - 110], 20),
    ...[0.2, 0.4, 0.6, 0.8, 0.5].map((share) => t.line('detail', [end + 130, (share - 0.5) * 2 * (half - 130), tail - 130, (share - 0.5) * 2 * (half - 130)])),
    ...t.twin((p) => [
      p.shape('detail', [base - 420, half - 110, base - 360, half - 260, base + 360, half - 260, base + 420, half - 110], 30),
      p.line('panel', [tail - 95, half - 110, tail - 95, half - 12]),
      p.shape('red', [tail - 90, half - 100, tail - 20, half - 100, tail - 30, half - 20, tail - 90, half - 14], 6),
      p.shape('lamp', [-nose + 90, 500, -nose + 250, 580, -nose + 420, half - 60, -nose + 120, half - 190], 26),
      p.shape('glass', [760, half - 110, 1060, 690, end - 200, 680, end - 90, half - 130], 50),
    ]),
    t.line('panel', [tail - 95, -half + 110, tail - 95, half - 110]),
    t.whole('black', [tail - 20, half - 40, tail, half - 60], 8),
    t.whole('glass', [420, 0, 500, half - 180, 1010, 680, 960, 0], 80),
    t.whole('glass', [end - 110, 0, end - 125, 610, end - 40, 660, end - 25, 0], 30),
    t.arc('panel', [440, half - 120, 350, 0], 200),
    t.arc('panel', [-nose + 210, 560, -nose + 90, 0], 200),
    t.line('detail', [340, 380, -nose + 160, 330]),
    t.line('detail', [340, -380, -nose + 160, -330]),
  ];
  return { front, rear, side, top };
}
