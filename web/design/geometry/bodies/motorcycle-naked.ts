import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import { barsFrom, forkFromAhead, rearFromBehind, runningGear } from '../motorcycle.ts';
import type { View } from '../paths.ts';
import { endPen, sidePen, topPen } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES['motorcycle-naked'];

/** A motorcycle without fairing: round headlamp before the fork, tank, engine in sight, short tail. */
export function motorcycleNaked(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    ...runningGear(m, s),
    s.shape('black', [-270, 470, -190, 590, -40, 650, 110, 620, 170, 560, 110, 580, -30, 630, -170, 570, -250, 460], 30),
    s.line('panel', [-20, 620, 10, 310]),
    // Tank, side cover, seat, tail.
    s.shape('body', [310, 900, 350, 1000, 440, 1040, 600, 1020, 790, 870, 800, 800, 700, 760, 420, 800], 60),
    s.line('detail', [360, 880, 520, 850, 760, 820], 60),
    s.box('detail', [470, 1052, 560, 1036], 8),
    s.shape('body', [700, 760, 800, 790, 1060, 780, 1000, 660, 860, 600], 40),
    s.shape('body', [980, 790, 1240, 830, 1480, 930, 1540, 900, 1500, 850, 1260, 740, 1000, 710], 40),
    s.shape('black', [760, 870, 820, 860, 940, 830, 1080, 850, 1140, 910, 1400, 950, 1460, 930, 1240, 850, 1000, 790, 800, 800], 36),
    // Headlamp, instrument, handlebar, mirror.
    s.shape('lamp', [10, 900, 30, 970, 110, 1000, 200, 960, 210, 850, 120, 790, 30, 820], 60),
    s.line('detail', [60, 985, 50, 805], 30),
    s.shape('black', [120, 1010, 110, 1060, 200, 1100, 240, 1070, 220, 1010], 16),
    s.shape('black', [250, 1010, 280, 1050, 470, 1030, 470, 995, 300, 1010, 280, 980], 16),
    s.line('panel', [290, 1030, 260, 1110]),
    s.shape('black', [225, 1100, 220, 1150, 245, 1160, 290, 1155, 295, 1110], 16),
    s.shape('turn', [150, 850, 165, 885, 205, 890, 215, 850, 190, 830], 10),
    // Tail lamp, plate on its hanger.
    s.shape('red', [1490, 900, 1545, 915, 1560, 885, 1510, 850], 12),
    s.shape('black', [1400, 800, 1470, 840, 1730, 610, 1770, 520, 1750, 510, 1690, 590, 1460, 790], 20),
    s.shape('blank', [1735, 600, 1765, 590, 1790, 420, 1762, 425], 6),
    s.shape('turn', [1560, 770, 1610, 770, 1615, 735, 1565, 730], 8),
  ];

  const e = endPen(m, OF);
  const front: PlateStroke[] = [
    // Tank and engine behind the fork, silencer on the right of the machine.
    e.shape('blank', [150, 520, 240, 560, 260, 420, 160, 400], 30),
    e.whole('body', [110, 1045, 170, 1000, 190, 880, 150, 790], 50),
    e.whole('blank', [170, 690, 190, 480, 170, 300, 110, 240], 40),
    ...[640, 600, 560, 520].map((up) => e.line('detail', [170, up, -170, up])),
    e.whole('black', [130, 480, 110, 260], 20),
    ...forkFromAhead(m, e),
    ...barsFrom(e, 400, 1020, 1160),
    e.whole('black', [90, 1095, 110, 1050, 90, 1000], 20),
    e.whole('black', [140, 980, 140, 800], 20),
    e.disc('lamp', [0, 895], 106),
    e.disc('lens', [0, 895], 82),
    e.disc('detail', [0, 895], 36),
    e.line('detail', [-80, 895, 80, 895]),
    ...e.twin((p) => [p.box('black', [130, 862, 180, 848], 4), p.shape('turn', [175, 885, 250, 880, 250, 835, 175, 830], 20)]),
  ];
  const rear: PlateStroke[] = [
    ...barsFrom(e, 400, 1020, 1160),
    e.whole('body', [110, 1045, 170, 1000, 185, 880, 150, 790], 50),
    ...rearFromBehind(m, e),
    e.whole('black', [110, 950, 150, 920, 140, 820, 90, 780], 30),
    e.whole('body', [110, 920, 125, 880, 90, 800, 60, 760], 30),
    e.whole('red', [92, 910, 84, 860], 16),
    e.whole('black', [70, 790, 60, 600, 50, 520], 16),
    ...e.twin((p) => [p.box('black', [60, 758, 130, 744], 4), p.shape('turn', [125, 780, 195, 775, 195, 730, 125, 728], 18)]),
    e.box('lens', [-40, 628, 40, 614], 4),
    e.box('blank', [-105, 600, 105, 430], 10),
    e.disc('red', [0, 405], 22),
  ];

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    t.box('tyre', [-310, -58, 310, 58], 60),
    t.box('tyre', [1120, -90, 1740, 90], 60),
    t.shape('blank', [850, -150, 1250, -170, 1480, -240, 1500, -190, 1480, -130, 1200, -110], 30),
    t.box('black', [-150, -78, 150, 78], 40),
    t.whole('blank', [400, 180, 860, 190, 880, 120], 50),
    ...t.twin((p) => [
      p.box('black', [840, 190, 920, 320], 8),
      p.shape('black', [300, 280, 330, 400, 380, 400, 370, 280], 12),
      p.line('panel', [260, 60, 280, 200, 330, 300], 20),
      p.shape('black', [230, 210, 215, 330, 250, 345, 280, 330, 280, 215], 20),
      p.box('black', [140, 120, 180, 190], 4),
      p.shape('turn', [150, 180, 150, 250, 200, 250, 200, 180], 14),
      p.shape('turn', [1560, 120, 1560, 195, 1605, 195, 1605, 120], 12),
    ]),
    t.whole('body', [310, 70, 360, 150, 560, 180, 780, 110, 810, 0], 60),
    t.disc('detail', [510, 0], 44),
    t.whole('body', [980, 130, 1200, 130, 1480, 90, 1545, 50], 40),
    t.whole('black', [760, 90, 860, 150, 1060, 140, 1420, 110, 1470, 50], 50),
    t.line('detail', [1120, -135, 1100, 0, 1120, 135], 60),
    t.whole('red', [1490, 60, 1550, 40], 10),
    t.whole('black', [1550, 50, 1770, 60], 10),
    t.box('blank', [1765, -105, 1790, 105], 4),
    t.whole('lamp', [10, 60, 40, 106, 180, 106, 200, 70], 40),
    t.whole('black', [110, 90, 220, 100, 240, 70], 20),
  ];
  return { front, rear, side, top };
}
