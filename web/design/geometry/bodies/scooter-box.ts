import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { bareWheel, endPen, sidePen, topPen, tyreInLine, tyres } from '../pen.ts';
import { circle, type PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['scooter-box'];

/** A three-wheel scooter: apron with screen before the handlebar, floor, seat, two wheels under cowls at the rear and a tall box over them. */
export function scooterBox(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const tyre = m.wheelDiameterMm / 2;
  const side: PlateStroke[] = [
    // Fork and screen lie behind the shell.
    s.shape('black', [-30, 210, 30, 230, 150, 700, 90, 700], 16),
    ...bareWheel(m, 0),
    ...bareWheel(m, 1),
    s.shape('glass', [-150, 900, -70, 1060, 150, 1560, 190, 1560, 190, 1500, 60, 1040, -20, 920], 40),
    s.shape(
      'body',
      [
        -330, 640, -312, 740, -200, 880, -60, 1000, 70, 1040, 120, 990, 170, 520, 260, 350, 440, 340, 490, 640, 450, 750, 470, 790, 1080, 790, 1850, 760, 1950, 740, 1945, 620,
        1870, 430, 1740, 400, 1690, 470, 1580, 520, 1380, 520, 1270, 470, 1220, 330, 1100, 250, 560, 190, 330, 190, 180, 260, 130, 420, 20, 480, -120, 500, -240, 560,
      ],
      60,
    ),
    // Mudguard over the front wheel.
    s.shape('black', [-225, 250, -180, 420, -70, 480, 70, 470, 190, 330, 160, 330, 60, 440, -60, 440, -150, 390, -200, 250], 40),
    // Floor mat, seat, grab of the seat base, engine cover.
    s.shape('black', [230, 385, 260, 345, 445, 335, 450, 365, 275, 385], 10),
    s.shape('black', [440, 800, 470, 890, 640, 905, 760, 870, 1040, 880, 1075, 800], 40),
    s.line('panel', [500, 640, 560, 480, 640, 300, 1100, 290], 60),
    s.line('panel', [480, 790, 620, 620, 1080, 600, 1110, 790], 60),
    s.shape('panel', [1110, 460, 1850, 460, 1860, 620, 1840, 700, 1110, 700], 30),
    s.line('detail', [1160, 580, 1800, 580]),
    s.line('detail', [190, 480, 60, 600, -60, 860, 60, 990], 120),
    s.line('panel', [-310, 700, -120, 700, 10, 560, 130, 520], 60),
    // Handlebar with its lever, mirror on its stalk.
    s.shape('black', [70, 1010, 160, 1000, 290, 1050, 290, 1090, 150, 1060, 80, 1050], 20),
    s.line('panel', [110, 1050, 150, 1090, 250, 1115], 10),
    s.line('panel', [120, 1060, 150, 1250]),
    s.shape('black', [110, 1240, 105, 1330, 135, 1350, 165, 1330, 160, 1240], 20),
    // The box: lid with hinge, ribs, tail cover below.
    s.shape('body', [1080, 660, 1080, 1740, 1100, 1760, 1920, 1760, 1950, 1735, 1950, 660, 1930, 640, 1100, 640], 20),
    s.line('panel', [1080, 1655, 1950, 1655]),
    s.box('detail', [1140, 1590, 1880, 720], 50),
    s.box('black', [1470, 1680, 1560, 1630], 8),
    s.box('black', [1090, 640, 1900, 610], 8),
    s.shape('blank', [1955, 600, 1985, 590, 1995, 420, 1970, 420, 1935, 500], 8),
    // Lamps: headlamp in the beak, turn lamps front and rear, tail lamp.
    s.shape('lamp', [-325, 690, -305, 745, -215, 860, -110, 800, -150, 700, -230, 660], 30),
    s.shape('turn', [-130, 830, -60, 900, -20, 880, -70, 800], 12),
    s.shape('red', [1880, 745, 1948, 735, 1943, 630, 1890, 640], 12),
    s.box('turn', [1850, 745, 1878, 690], 8),
    circle('detail', s.at(1480, 210), tyre * 0.3),
  ];

  const e = endPen(m, OF);
  const box = e.whole('body', [380, 1760, 400, 1740, 400, 660, 380, 640], 20);
  const mirrors = e.twin((p) => [p.line('panel', [230, 1060, 330, 1220]), p.shape('black', [290, 1220, 290, 1340, 310, 1360, 405, 1350, 415, 1250, 390, 1215], 26)]);
  const bar = [...e.twin((p) => [p.box('black', [250, 1080, 400, 1040], 16), p.line('panel', [260, 1090, 390, 1110])]), e.whole('black', [250, 1070, 250, 1020], 10)];
  const front: PlateStroke[] = [
    ...tyres(m, 120),
    box,
    e.line('panel', [-400, 1655, 400, 1655]),
    ...mirrors,
    ...bar,
    e.whole('glass', [120, 1560, 190, 1500, 250, 1060, 200, 930], 70),
    // One wheel in its fork, guard over it, apron with leg shields.
    tyreInLine(m, 120, 40),
    e.shape('black', [-95, 470, -85, 210, -62, 210, -62, 430, 62, 430, 62, 210, 85, 210, 95, 470], 20),
    e.whole('body', [140, 1040, 235, 970, 300, 800, 330, 620, 320, 400, 250, 300, 200, 300, 190, 470, 120, 520], 50),
    e.whole('black', [95, 540, 130, 400, 90, 300, 62, 300, 62, 430], 26),
    e.arc('panel', [300, 720, 210, 640, 110, 600], 60),
    e.arc('detail', [230, 960, 150, 900, 60, 890], 60),
    e.box('black', [-120, 590, 120, 560], 12),
    e.whole('lamp', [90, 860, 190, 850, 220, 790, 150, 690, 70, 660], 34),
    e.line('detail', [0, 860, 0, 660]),
    ...e.twin((p) => [p.disc('lens', [95, 765], 58), p.disc('detail', [95, 765], 30), p.shape('turn', [215, 900, 262, 880, 280, 800, 235, 830], 12)]),
    e.box('blank', [-30, 960, 30, 920], 10),
  ];
  const rear: PlateStroke[] = [
    ...mirrors,
    ...bar,
    e.whole('black', [70, 420, 90, 250], 16),
    ...tyres(m, 120, 1),
    e.whole('body', [320, 760, 340, 700, 335, 460, 300, 430, 180, 430, 160, 520], 26),
    box,
    e.line('panel', [-400, 1655, 400, 1655]),
    e.whole('detail', [330, 1590, 330, 720], 40),
    e.box('black', [-70, 1690, 70, 1630], 10),
    ...e.twin((p) => [p.box('black', [300, 1000, 345, 900], 8), p.box('black', [300, 1480, 345, 1380], 8)]),
    // Tail cover with its lamps, plate holder.
    e.whole('black', [300, 765, 300, 610, 270, 595], 16),
    ...e.twin((p) => [
      p.shape('red', [120, 750, 225, 750, 225, 625, 120, 625], 14),
      p.shape('turn', [232, 750, 296, 750, 294, 640, 232, 625], 12),
      p.line('panel', [320, 580, 190, 580]),
      p.disc('red', [180, 500], 20),
    ]),
    e.box('red', [-60, 745, 60, 695], 10),
    e.box('lens', [-80, 625, 80, 605], 6),
    e.box('blank', [-140, 590, 140, 430], 10),
  ];

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    t.box('tyre', [-210, -60, 210, 60], 40),
    ...t.twin((p) => [
      p.box('tyre', [1270, 220, 1690, 340], 40),
      p.box('black', [90, 250, 160, 400], 16),
      p.shape('black', [60, 290, 40, 390, 60, 412, 120, 412, 130, 300], 24),
      p.line('panel', [120, 240, 130, 320]),
    ]),
    t.whole('body', [1950, 300, 1860, 335, 1110, 330, 500, 260, 300, 240, 160, 330, 40, 320, -60, 270, -230, 150, -330, 50], 60),
    t.whole('glass', [-150, 0, -90, 200, 180, 150, 180, 0], 60),
    t.line('panel', [200, -290, 200, 290]),
    t.shape('black', [450, -150, 470, -210, 640, -220, 1050, -220, 1050, 220, 640, 220, 470, 210, 450, 150], 60),
    t.line('detail', [740, -215, 720, 0, 740, 215], 60),
    t.box('black', [100, -250, 150, 250], 20),
    t.whole('body', [1080, 390, 1920, 400, 1950, 380], 20),
    t.whole('detail', [1130, 340, 1890, 340], 40),
    t.line('panel', [1930, -395, 1930, 395]),
    t.box('black', [1935, -70, 1955, 70], 8),
    t.whole('lamp', [-322, 60, -240, 160, -130, 190, -190, 90, -280, 30], 20),
  ];
  return { front, rear, side, top };
}
