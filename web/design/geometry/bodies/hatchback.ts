import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import { carMirrors, carNose, carOutline, carRearBumper, carScreen, carTailLamp, carTop } from '../car.ts';
import type { View } from '../paths.ts';
import { endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES.hatchback;

/** A hatchback: four doors, a short tail, the tailgate with its window over the lamps. */
export function hatchback(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    s.shape(
      'body',
      [
        -760, 190, -815, 250, -830, 460, -805, 620, -690, 770, -420, 870, 330, 965, 1000, 1395, 1250, 1455, 1600, 1470, 2300, 1450, 2740, 1390, 2870, 1330, 3110, 1010, 3190, 920,
        3220, 700, 3215, 420, 3195, 260, 3100, 195,
      ],
      90,
    ),
    s.shape('black', [400, 235, 2180, 235, 2200, 195, 380, 195], 10),
    s.shape('black', [-760, 190, -815, 250, -812, 300, -420, 250, -400, 195], 20),
    s.shape('black', [2960, 200, 2990, 300, 3205, 330, 3195, 260, 3100, 195], 20),
    ...wheels(m, 0.06),
    s.shape('glass', [560, 985, 1045, 1335, 1420, 1400, 1420, 1010], 26),
    s.shape('glass', [1500, 1012, 1500, 1400, 1900, 1405, 2240, 1370, 2330, 1050], 26),
    s.shape('glass', [2400, 1058, 2320, 1350, 2480, 1320, 2700, 1140, 2680, 1090], 26),
    s.line('panel', [820, 990, 820, 1160]),
    s.line('panel', [1010, 1365, 480, 975, 460, 700, 500, 300, 1450, 265, 1462, 1430, 1300, 1425, 1010, 1365], 50),
    s.line('panel', [1462, 1430, 1900, 1432, 2290, 1390, 2375, 1040, 2300, 800, 2160, 620, 2080, 280, 1450, 265], 60),
    s.box('black', [1250, 860, 1380, 828], 14),
    s.box('black', [2090, 895, 2220, 863], 14),
    s.shape('black', [540, 990, 500, 1090, 580, 1130, 680, 1100, 690, 995], 34),
    s.box('detail', [2560, 860, 2680, 750], 24),
    s.line('detail', [-450, 770, 480, 850, 2300, 920, 3080, 900], 260),
    s.line('detail', [520, 420, 1400, 400, 2060, 460], 160),
    s.line('panel', [-680, 790, 200, 915, 440, 960], 60),
    s.line('panel', [2790, 1395, 3030, 1030, 3060, 700, 3090, 560], 60),
    s.line('panel', [-810, 610, -640, 560, -420, 560], 30),
    s.line('panel', [3214, 560, 3000, 555, 2920, 520], 30),
    s.shape('lamp', [-792, 650, -700, 745, -430, 790, -520, 690, -640, 630, -770, 600], 24),
    s.disc('lens', [-690, 685], 36),
    s.box('turn', [420, 780, 470, 750], 10),
    s.shape('red', [2960, 960, 3080, 985, 3185, 890, 3208, 740, 3070, 740, 3030, 850], 24),
    s.line('detail', [3050, 830, 3200, 810]),
  ];

  const face = { half: 885, roof: 1470, bonnet: 930, waist: 985, sill: 195 };
  const e = endPen(m, OF);
  const shell = [...tyres(m, 195), ...carMirrors(e, 885, 960), carOutline(e, face)];
  const front: PlateStroke[] = [...shell, ...carScreen(e, face), ...carNose(e, face)];
  const rear: PlateStroke[] = [
    ...shell,
    e.whole('glass', [500, 1360, 590, 1310, 660, 1060, 480, 1030], 50),
    e.arc('panel', [600, 590, 600, 700, 560, 960, 720, 1020, 640, 1370, 480, 1415], 50),
    e.line('panel', [600, 590, -600, 590]),
    e.line('detail', [540, 985, -540, 985]),
    e.box('red', [-120, 1400, 120, 1378], 8),
    e.line('panel', [10, 1065, -230, 1120]),
    e.box('blank', [-250, 790, 250, 690], 12),
    e.box('black', [-80, 840, 80, 815], 8),
    e.box('lens', [-40, 812, 40, 800], 4),
    ...e.twin((p) => carTailLamp(p, 885, 985, 740)),
    ...carRearBumper(e, face),
  ];
  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    ...carTop(t, { nose: -830, scuttle: 330, screenTop: 1010, post: 1460, roofEnd: 2740, rearFoot: 3010, tail: 3220, half: 885 }),
    t.arc('panel', [3110, 600, 3150, 0], 140),
    t.line('detail', [1060, 520, 2680, 480]),
    t.line('detail', [1060, -520, 2680, -480]),
  ];
  return { front, rear, side, top };
}
