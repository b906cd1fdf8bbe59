import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import { carMirrors, carNose, carOutline, carRearBumper, carScreen, carTailLamp, carTop } from '../car.ts';
import type { View } from '../paths.ts';
import { endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES.estate;

/** An estate: four doors, a long roof with rails over the load space, an upright tailgate. */
export function estate(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    s.shape(
      'body',
      [
        -810, 185, -865, 245, -880, 450, -855, 610, -730, 750, -440, 860, 400, 960, 1090, 1370, 1380, 1440, 1750, 1462, 2600, 1455, 3300, 1415, 3450, 1380, 3680, 1040, 3770, 940,
        3820, 720, 3810, 420, 3785, 250, 3680, 190,
      ],
      90,
    ),
    s.shape('black', [410, 230, 2370, 230, 2390, 190, 390, 190], 10),
    s.shape('black', [-810, 185, -865, 245, -862, 295, -430, 245, -410, 190], 20),
    s.shape('black', [3500, 195, 3540, 280, 3795, 320, 3785, 250, 3680, 190], 20),
    ...wheels(m, 0.06),
    s.shape('glass', [640, 985, 1140, 1315, 1540, 1390, 1540, 1005], 26),
    s.shape('glass', [1625, 1008, 1625, 1395, 2000, 1400, 2430, 1385, 2540, 1040], 26),
    s.shape('glass', [2620, 1045, 2520, 1382, 3000, 1368, 3290, 1330, 3400, 1170, 3400, 1090], 30),
    s.line('panel', [900, 988, 900, 1140]),
    s.line('panel', [1100, 1345, 550, 970, 525, 690, 570, 290, 1575, 260, 1582, 1425, 1400, 1415, 1100, 1345], 50),
    s.line('panel', [1582, 1425, 2000, 1432, 2470, 1415, 2590, 1030, 2500, 790, 2370, 600, 2280, 275, 1575, 260], 60),
    s.box('black', [1370, 860, 1500, 828], 14),
    s.box('black', [2270, 890, 2400, 858], 14),
    s.shape('black', [620, 990, 580, 1085, 660, 1125, 760, 1095, 770, 995], 34),
    s.box('detail', [2860, 880, 2980, 770], 24),
    s.line('detail', [-470, 755, 550, 850, 2500, 920, 3650, 905], 260),
    s.line('detail', [590, 410, 1520, 390, 2260, 450], 160),
    s.line('panel', [-730, 770, 260, 910, 520, 955], 60),
    s.shape('black', [1330, 1450, 1400, 1488, 3100, 1490, 3230, 1420, 3160, 1420, 3060, 1468, 1460, 1466], 12),
    s.line('panel', [3390, 1395, 3590, 1060, 3620, 760, 3660, 600], 60),
    s.line('panel', [-860, 600, -680, 550, -440, 550], 30),
    s.line('panel', [3817, 590, 3600, 580, 3420, 550], 30),
    s.shape('lamp', [-842, 640, -740, 730, -440, 775, -540, 680, -670, 620, -820, 590], 24),
    s.disc('lens', [-735, 668], 36),
    s.box('turn', [490, 770, 540, 740], 10),
    s.shape('red', [3480, 1010, 3660, 1030, 3755, 940, 3808, 790, 3640, 770, 3560, 880], 24),
    s.line('detail', [3590, 880, 3780, 870]),
  ];

  const face = { half: 915, roof: 1462, bonnet: 930, waist: 985, sill: 190 };
  const e = endPen(m, OF);
  const rails = e.twin((p) => [p.box('black', [560, 1490, 600, 1425], 12)]);
  const shell = [...tyres(m, 215), ...carMirrors(e, 915, 955), ...rails, carOutline(e, face)];
  const front: PlateStroke[] = [...shell, ...carScreen(e, face), ...carNose(e, face)];
  const rear: PlateStroke[] = [
    ...shell,
    e.whole('glass', [540, 1385, 620, 1340, 720, 1065, 500, 1040], 44),
    e.arc('panel', [640, 600, 640, 720, 570, 980, 790, 1040, 680, 1380, 520, 1425], 50),
    e.line('panel', [640, 600, -640, 600]),
    e.box('red', [-130, 1418, 130, 1398], 8),
    e.line('panel', [10, 1070, -260, 1120]),
    e.box('blank', [-250, 850, 250, 750], 12),
    e.box('black', [-230, 895, 230, 868], 8),
    e.box('lens', [-60, 866, 60, 854], 4),
    e.line('detail', [560, 700, -560, 700]),
    ...e.twin((p) => carTailLamp(p, 915, 1015, 770)),
    ...carRearBumper(e, face),
  ];
  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    ...carTop(t, { nose: -880, scuttle: 400, screenTop: 1100, post: 1580, roofEnd: 3420, rearFoot: 3600, tail: 3820, half: 915 }),
    t.arc('panel', [3700, 640, 3750, 0], 140),
    ...t.twin((p) => [p.box('black', [1340, 560, 3210, 600], 16)]),
    t.box('detail', [1200, -420, 1900, 420], 60),
  ];
  return { front, rear, side, top };
}
