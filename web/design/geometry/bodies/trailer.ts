import { TYPICAL_MEASURES, type Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { bareWheel, endPen, sidePen, topPen, tyres } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** What the numbers below are written for. */
const OF = TYPICAL_MEASURES.trailer;

/** A trailer with two close axles: drawbar with coupling and jockey wheel, drop sides, tail board, a lamp bar under the bed. */
export function trailer(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m, OF);
  const side: PlateStroke[] = [
    // Drawbar, coupling, hand brake, jockey wheel on its post.
    s.shape('black', [-2780, 470, -2600, 500, -1500, 560, -1500, 470, -2600, 430], 16),
    s.shape('black', [-2820, 470, -2800, 540, -2620, 560, -2560, 470, -2620, 420, -2790, 420], 24),
    s.line('panel', [-2600, 540, -2480, 860, -2450, 870], 10),
    s.box('black', [-2310, 900, -2260, 300], 8),
    s.line('panel', [-2285, 900, -2220, 930]),
    s.disc('tyre', [-2285, 160], 110),
    s.disc('rim', [-2285, 160], 60),
    s.shape('black', [-1560, 640, 2130, 640, 2180, 600, 2180, 560, -1560, 560], 10),
    ...bareWheel(m, 0),
    ...bareWheel(m, 1),
    // One guard over both wheels.
    s.shape('black', [-420, 420, -390, 600, -240, 720, 1000, 720, 1150, 600, 1180, 420, 1110, 420, 1080, 570, 950, 665, -190, 665, -320, 570, -350, 420], 60),
    // Drop side in two lengths with posts, latches and rope hooks.
    s.shape('body', [-1560, 640, -1560, 1150, 2180, 1150, 2180, 640], 16),
    s.shape('black', [-420, 640, -390, 690, -240, 720, 1000, 720, 1150, 690, 1180, 640], 30),
    s.line('panel', [300, 1140, 300, 725]),
    s.line('panel', [-1500, 1150, -1500, 645]),
    s.line('panel', [2120, 1150, 2120, 645]),
    ...[1040, 930, 820].map((up) => s.line('detail', [-1490, up, 2110, up])),
    ...[-1460, 240, 360, 2080].map((x) => s.box('black', [x - 22, 1110, x + 22, 1020], 8)),
    ...[-1100, -700, -300, 800, 1200, 1700].map((x) => s.box('detail', [x, 635, x + 70, 600], 12)),
    s.box('turn', [-1300, 625, -1220, 590], 8),
    s.box('turn', [-640, 625, -560, 590], 8),
    s.box('turn', [1500, 625, 1580, 590], 8),
    s.box('blank', [-1480, 720, -1420, 660], 6),
    s.box('red', [2120, 590, 2180, 460], 10),
  ];

  const e = endPen(m, OF);
  const bed = e.whole('body', [1010, 1150, 1010, 640], 14);
  const guards = e.twin((p) => [p.shape('black', [770, 660, 770, 720, 1010, 720, 1025, 600, 1025, 420, 1000, 420, 1000, 660], 20)]);
  const boards = [1040, 930, 820].map((up) => e.line('detail', [940, up, -940, up]));
  const front: PlateStroke[] = [
    ...tyres(m, 185, 1),
    e.box('black', [-720, 440, 720, 380], 20),
    ...guards,
    bed,
    ...boards,
    ...e.twin((p) => [
      p.line('panel', [960, 1145, 960, 645]),
      p.box('black', [935, 1110, 985, 1020], 8),
      p.box('lens', [880, 625, 960, 580], 8),
      p.box('turn', [1012, 700, 1025, 640], 4),
    ]),
    e.whole('black', [980, 640, 980, 570], 10),
    // Drawbar end on, coupling with its lever, jockey wheel.
    e.shape('black', [-500, 570, -60, 500, -60, 430, -560, 560], 10),
    e.shape('black', [500, 570, 60, 500, 60, 430, 560, 560], 10),
    e.box('black', [-90, 560, 90, 420], 30),
    e.disc('detail', [0, 480], 40),
    e.line('panel', [20, 560, 40, 870]),
    e.box('black', [-190, 900, -150, 280], 8),
    e.box('tyre', [-205, 270, -135, 50], 20),
  ];
  const rear: PlateStroke[] = [
    ...tyres(m, 185, 1),
    e.box('black', [-720, 440, 720, 380], 20),
    ...guards,
    bed,
    ...boards,
    ...e.twin((p) => [
      p.line('panel', [960, 1145, 960, 645]),
      p.box('black', [930, 1120, 990, 1030], 8),
      p.box('detail', [560, 660, 640, 625], 8),
      p.box('detail', [120, 660, 200, 625], 8),
    ]),
    // Lamp bar with triangles, number plate.
    e.whole('black', [1000, 610, 1000, 450], 14),
    ...e.twin((p) => [
      p.box('red', [760, 595, 880, 465], 10),
      p.box('turn', [888, 595, 985, 465], 10),
      p.box('lens', [640, 580, 745, 480], 10),
      p.shape('red', [480, 470, 620, 470, 550, 590], 6),
    ]),
    e.box('blank', [-270, 590, 270, 475], 10),
    e.box('lens', [-300, 560, -275, 520], 4),
    e.box('lens', [275, 560, 300, 520], 4),
  ];

  const t = topPen(m, OF);
  const top: PlateStroke[] = [
    ...t.twin((p) => [p.shape('black', [-2700, 40, -1500, 560, -1380, 560, -1500, 460, -2620, 20], 10), p.box('black', [-420, 960, 1180, 1025], 24)]),
    t.shape('black', [-2820, -60, -2820, 60, -2760, 90, -2480, 80, -2380, 60, -2380, -60, -2480, -80, -2760, -90], 30),
    t.disc('detail', [-2740, 0], 40),
    t.disc('black', [-2285, -170], 50),
    t.line('panel', [-2285, -120, -2285, -60]),
    t.whole('body', [-1560, 1010, 2180, 1010], 16),
    t.whole('panel', [-1490, 955, 2110, 955], 8),
    ...[-800, -600, -400, -200, 0, 200, 400, 600, 800].map((y) => t.line('detail', [-1490, y, 2110, y])),
    ...t.twin((p) => [p.line('panel', [300, 955, 300, 1010]), p.box('red', [2150, 760, 2180, 985], 6)]),
    t.line('panel', [-1500, -1010, -1500, 1010]),
    t.line('panel', [2120, -1010, 2120, 1010]),
  ];
  return { front, rear, side, top };
}
