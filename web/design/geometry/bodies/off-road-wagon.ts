import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import { carMirrors } from '../car.ts';
import type { View } from '../paths.ts';
import { archTrims, endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import { circle, type PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['off-road-wagon'];

/** An off-road wagon: upright glass, flared arches, running board, snorkel-free wing, a spare wheel on a side-hung rear door. */
export function offRoadWagon(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    s.shape(
      'body',
      [
        -700, 380, -760, 420, -780, 760, -765, 960, -700, 1090, -500, 1140, 520, 1190, 880, 1780, 1060, 1860, 1500, 1880, 3300, 1875, 3460, 1850, 3560, 1760, 3610, 1200, 3640,
        1120, 3640, 500, 3600, 400, 3500, 370,
      ],
      70,
    ),
    // Steel bumpers, running board, arch flares.
    s.shape('black', [-830, 420, -830, 620, -800, 650, -560, 650, -520, 560, -560, 400, -760, 390], 24),
    s.shape('black', [3420, 380, 3440, 620, 3660, 620, 3690, 590, 3690, 420, 3660, 390], 24),
    s.box('black', [520, 330, 2280, 280], 20),
    s.line('panel', [620, 380, 620, 330]),
    s.line('panel', [2180, 380, 2180, 330]),
    ...archTrims(m, 0.16, 1.4),
    ...wheels(m, 0.12, 1.22),
    // Spare wheel on the rear door.
    s.shape('tyre', [3645, 880, 3680, 640, 3800, 640, 3850, 700, 3870, 1000, 3850, 1300, 3800, 1360, 3680, 1360, 3645, 1120], 50),
    s.line('detail', [3740, 660, 3740, 1340]),
    // Glass: front door with quarter light, rear door, load space.
    s.shape('glass', [690, 1230, 950, 1690, 1480, 1740, 1480, 1230], 30),
    s.shape('glass', [1570, 1230, 1570, 1742, 2320, 1745, 2320, 1230], 30),
    s.shape('glass', [2420, 1230, 2420, 1742, 3420, 1725, 3480, 1230], 36),
    s.line('panel', [870, 1230, 870, 1540]),
    s.line('detail', [2860, 1736, 2860, 1235]),
    s.line('panel', [920, 1740, 590, 1220, 560, 900, 610, 430, 1515, 420, 1525, 1800, 980, 1790, 920, 1740], 50),
    s.line('panel', [1525, 1800, 2360, 1800, 2375, 1000, 2300, 880, 2230, 640, 2220, 430, 1515, 420], 50),
    s.box('black', [1300, 1080, 1440, 1045], 14),
    s.box('black', [2140, 1080, 2280, 1045], 14),
    s.shape('black', [650, 1240, 600, 1400, 690, 1450, 780, 1420, 780, 1245], 36),
    s.box('detail', [2880, 1080, 3020, 950], 24),
    s.line('detail', [-560, 1040, 560, 1120, 3600, 1140], 80),
    s.line('detail', [620, 640, 2180, 640]),
    s.line('panel', [-660, 1110, 380, 1160, 560, 1180], 30),
    s.line('panel', [3480, 1800, 3540, 1180, 3560, 640], 20),
    s.line('detail', [1100, 1800, 3420, 1800]),
    s.shape('black', [1120, 1868, 1160, 1900, 3220, 1900, 3260, 1866, 3200, 1866, 3180, 1880, 1200, 1880, 1180, 1868], 8),
    s.shape('lamp', [-768, 780, -760, 980, -640, 1010, -560, 990, -560, 800], 22),
    s.disc('lens', [-690, 895], 62),
    s.box('turn', [-545, 960, -480, 860], 12),
    s.box('red', [3560, 1130, 3636, 780], 14),
    s.line('detail', [3560, 960, 3636, 960]),
  ];

  const e = endPen(m, OF);
  const shell = [
    ...tyres(m, 265, 0.9),
    ...carMirrors(e, 940, 1230),
    ...e.twin((p) => [p.box('black', [700, 1895, 740, 1850], 8)]),
    e.whole('body', [400, 1880, 740, 1860, 800, 1760, 880, 1200, 930, 1120, 940, 760, 930, 420, 860, 370], 70),
    ...e.twin((p) => [p.shape('black', [895, 980, 940, 1000, 965, 900, 965, 520, 930, 480, 900, 600], 30)]),
  ];
  const front: PlateStroke[] = [
    ...shell,
    e.whole('glass', [690, 1770, 740, 1720, 820, 1250, 600, 1220], 40),
    e.line('panel', [640, 1240, -60, 1270]),
    e.line('panel', [-560, 1230, 20, 1290]),
    e.arc('panel', [860, 1190, 850, 1060, 640, 1030], 40),
    e.arc('panel', [500, 1195, 430, 1060, 300, 1050], 40),
    // Grille of three bars between square headlamps.
    e.whole('black', [470, 990, 500, 970, 500, 790, 470, 770], 20),
    ...[955, 895, 835].map((up) => e.box('body', [-440, up, 440, up - 34], 14)),
    e.box('blank', [-150, 950, 150, 870], 12),
    ...e.twin((p) => [
      p.shape('lamp', [530, 1000, 860, 1010, 895, 960, 890, 790, 850, 760, 530, 760], 30),
      p.box('lens', [560, 970, 680, 800], 24),
      p.disc('detail', [620, 885], 44),
      p.box('lens', [695, 970, 775, 800], 20),
      p.shape('turn', [790, 980, 865, 985, 865, 800, 790, 800], 16),
    ]),
    // Steel bumper with winch plate, tow hooks and fog places.
    e.whole('black', [900, 650, 930, 620, 920, 430, 840, 400], 26),
    e.box('blank', [-260, 640, 260, 530], 10),
    e.whole('arch', [330, 500, 330, 430], 14),
    ...e.twin((p) => [p.box('blank', [560, 600, 760, 460], 20), p.disc('lens', [660, 530], 52), p.shape('panel', [430, 520, 480, 520, 480, 450, 430, 450], 18)]),
    e.whole('black', [560, 390, 500, 320], 16),
  ];
  const rear: PlateStroke[] = [
    ...shell,
    e.whole('glass', [640, 1760, 690, 1720, 760, 1270, 700, 1240], 40),
    // Door hung on the right, spare wheel on it.
    e.arc('panel', [780, 660, 800, 1200, 730, 1790, 600, 1820], 40),
    e.line('panel', [780, 660, -780, 660]),
    e.box('black', [-800, 1330, -740, 1270], 8),
    e.box('black', [-830, 820, -770, 760], 8),
    circle('tyre', e.at(40, 1000), 370),
    circle('rim', e.at(40, 1000), 236),
    circle('detail', e.at(40, 1000), 70),
    ...Array.from({ length: 5 }, (_, index) => {
      const turn = (index * 2 * Math.PI) / 5 - Math.PI / 2;
      return e.line('detail', [40 + Math.cos(turn) * 70, 1000 - Math.sin(turn) * 70, 40 + Math.cos(turn) * 214, 1000 - Math.sin(turn) * 214]);
    }),
    e.box('black', [560, 1110, 680, 1070], 10),
    e.box('red', [-110, 1820, 110, 1798], 6),
    e.line('panel', [10, 1270, -280, 1340]),
    e.box('blank', [430, 930, 730, 790], 10),
    e.box('lens', [530, 955, 630, 940], 4),
    ...e.twin((p) => [
      p.box('red', [820, 1130, 910, 780], 16),
      p.box('turn', [826, 1040, 904, 970], 8),
      p.box('lens', [826, 955, 904, 890], 8),
      p.box('red', [640, 560, 780, 520], 8),
      p.disc('detail', [560, 540], 26),
    ]),
    e.whole('black', [900, 620, 940, 590, 930, 430, 850, 390], 26),
    e.box('detail', [-340, 590, 340, 540], 10),
    e.whole('black', [50, 420, 60, 360, 40, 340], 10),
    e.box('red', [640, 560, 780, 520], 8),
    e.box('red', [-780, 560, -640, 520], 8),
  ];

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    t.shape('tyre', [3650, -410, 3650, 330, 3840, 330, 3870, 280, 3870, -360, 3840, -410], 40),
    ...t.twin((p) => [
      p.shape('black', [650, 920, 610, 1030, 700, 1050, 760, 920], 30),
      p.shape('black', [-470, 850, -430, 950, -380, 965, 380, 965, 440, 940, 480, 850], 40),
      p.shape('black', [2310, 850, 2360, 950, 2410, 965, 3160, 965, 3230, 940, 3270, 850], 40),
    ]),
    t.whole('black', [-830, 0, -830, 560, -760, 880, -690, 910, -680, 0], 30),
    t.whole('body', [3640, 800, 3600, 920, 560, 930, -500, 920, -720, 860, -780, 700], 60),
    t.whole('black', [3640, 780, 3640, 880, 3690, 860], 20),
    t.whole('glass', [520, 0, 560, 790, 900, 720, 870, 0], 60),
    t.whole('glass', [3540, 0, 3520, 690, 3590, 720, 3610, 0], 30),
    ...t.twin((p) => [
      p.shape('glass', [700, 860, 960, 760, 3420, 740, 3500, 830], 40),
      p.line('panel', [1520, 750, 1520, 925]),
      p.line('panel', [2370, 745, 2370, 925]),
      p.box('black', [1130, 690, 3240, 725], 12),
      p.shape('lamp', [-770, 560, -740, 820, -600, 860, -600, 600], 24),
      p.box('red', [3570, 830, 3636, 905], 10),
    ]),
    t.arc('panel', [500, 850, 440, 0], 100),
    t.arc('panel', [-690, 600, -720, 0], 80),
    t.whole('panel', [430, 330, -640, 290], 60),
    ...[1400, 1900, 2400, 2900].map((x) => t.line('detail', [x, -600, x, 600])),
  ];
  return { front, rear, side, top };
}
