import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import { carMirrors, carNose, carOutline, carRearBumper, carScreen, carTailLamp, carTop } from '../car.ts';
import type { View } from '../paths.ts';
import { endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES.saloon;

/** A saloon: four doors, a boot of its own behind the sloping rear window. */
export function saloon(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    s.shape(
      'body',
      [
        -810, 185, -865, 245, -880, 450, -855, 610, -730, 750, -440, 860, 400, 960, 1100, 1360, 1400, 1425, 1750, 1440, 2250, 1415, 2600, 1330, 3080, 1040, 3250, 1015, 3720, 1000,
        3775, 960, 3800, 720, 3790, 420, 3765, 250, 3660, 190,
      ],
      90,
    ),
    s.shape('black', [410, 230, 2370, 230, 2390, 190, 390, 190], 10),
    s.shape('black', [-810, 185, -865, 245, -862, 295, -430, 245, -410, 190], 20),
    s.shape('black', [3500, 195, 3540, 280, 3775, 320, 3765, 250, 3660, 190], 20),
    ...wheels(m, 0.06),
    s.shape('glass', [640, 985, 1150, 1305, 1540, 1375, 1540, 1005], 26),
    s.shape('glass', [1625, 1008, 1625, 1380, 1900, 1380, 2280, 1330, 2480, 1210, 2560, 1050], 26),
    s.shape('glass', [2640, 1055, 2580, 1190, 2720, 1125, 2810, 1065], 18),
    s.line('panel', [900, 988, 900, 1130]),
    s.line('panel', [1110, 1330, 550, 970, 525, 690, 570, 290, 1575, 260, 1582, 1405, 1420, 1398, 1110, 1330], 50),
    s.line('panel', [1582, 1405, 1900, 1408, 2320, 1360, 2560, 1220, 2620, 1030, 2500, 790, 2370, 600, 2280, 275, 1575, 260], 60),
    s.box('black', [1370, 860, 1500, 828], 14),
    s.box('black', [2270, 890, 2400, 858], 14),
    s.shape('black', [620, 990, 580, 1085, 660, 1125, 760, 1095, 770, 995], 34),
    s.box('detail', [2860, 870, 2980, 760], 24),
    s.line('detail', [-470, 755, 550, 850, 2500, 920, 3680, 890], 260),
    s.line('detail', [590, 410, 1520, 390, 2260, 450], 160),
    s.line('panel', [-730, 770, 260, 910, 520, 955], 60),
    // Boot lid, bumper joints.
    s.line('panel', [3090, 1030, 3210, 985, 3640, 930, 3700, 860], 40),
    s.line('panel', [-860, 600, -680, 550, -440, 550], 30),
    s.line('panel', [3797, 620, 3560, 600, 3420, 560], 30),
    s.shape('lamp', [-842, 640, -740, 730, -440, 775, -540, 680, -670, 620, -820, 590], 24),
    s.disc('lens', [-735, 668], 36),
    s.box('turn', [490, 770, 540, 740], 10),
    s.shape('red', [3420, 900, 3640, 935, 3760, 930, 3790, 790, 3600, 770, 3500, 830], 24),
    s.line('detail', [3540, 850, 3782, 850]),
  ];

  const face = { half: 915, roof: 1440, bonnet: 930, waist: 980, sill: 190 };
  const e = endPen(m, OF);
  const shell = [...tyres(m, 215), ...carMirrors(e, 915, 955), carOutline(e, face)];
  const front: PlateStroke[] = [...shell, ...carScreen(e, face), ...carNose(e, face)];
  const rear: PlateStroke[] = [
    ...shell,
    e.whole('glass', [480, 1370, 580, 1320, 730, 1075, 500, 1050], 50),
    // Boot lid between the lamps, its edge over them.
    e.arc('panel', [610, 640, 640, 940, 720, 1000, 500, 1035], 40),
    e.line('panel', [610, 640, -610, 640]),
    e.arc('detail', [640, 985, 400, 1005], 60),
    e.box('red', [-110, 1085, 110, 1066], 6),
    e.box('blank', [-250, 830, 250, 730], 12),
    e.box('black', [-210, 865, 210, 842], 8),
    e.box('lens', [-60, 842, 60, 832], 4),
    ...e.twin((p) => [...carTailLamp(p, 915, 950, 760), p.line('panel', [620, 760, 620, 940])]),
    ...carRearBumper(e, face),
  ];
  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    ...carTop(t, { nose: -880, scuttle: 400, screenTop: 1110, post: 1580, roofEnd: 2500, rearFoot: 3030, tail: 3800, half: 915 }),
    t.arc('panel', [3760, 560, 3700, 620, 3160, 680, 3110, 0], 60),
    t.arc('detail', [3690, 560, 3720, 0], 200),
    t.line('detail', [1160, 530, 2440, 500]),
    t.line('detail', [1160, -530, 2440, -500]),
  ];
  return { front, rear, side, top };
}
