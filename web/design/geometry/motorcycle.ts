import type { Measures } from '@jade/core/vehicle';
import { tyreInLine, type MirrorPen, type Pen } from './pen.ts';
import { circle, line, type PlateStroke } from './plate.ts';

/** A wheel of a motorcycle from the side: tyre, wide rim, five spokes, brake disc. */
function spokedWheel(m: Measures, axle: 0 | 1, discMm: number): PlateStroke[] {
  const [x, radius] = [axle * m.wheelbaseMm, m.wheelDiameterMm / 2];
  const spokes = Array.from({ length: 5 }, (_, index) => {
    const turn = (index * 2 * Math.PI) / 5 - Math.PI / 2;
    return line('panel', [
      [x + Math.cos(turn) * 50, -radius + Math.sin(turn) * 50],
      [x + Math.cos(turn) * radius * 0.74, -radius + Math.sin(turn) * radius * 0.74],
    ]);
  });
  return [circle('tyre', [x, -radius], radius), circle('rim', [x, -radius], radius * 0.76), ...spokes, circle('detail', [x, -radius], discMm), circle('black', [x, -radius], 46)];
}

/** What runs and drives, from the left: wheels, frame, engine, swing arm with chain, fork. Written for a wheelbase of 1430 mm. */
export function runningGear(m: Measures, s: Pen): PlateStroke[] {
  return [
    ...spokedWheel(m, 1, 110),
    ...spokedWheel(m, 0, 150),
    // Swing arm, sprocket and chain, frame, engine with its covers.
    s.shape('black', [860, 470, 900, 480, 1430, 350, 1460, 310, 1420, 280, 860, 400], 30),
    s.line('detail', [880, 500, 1420, 400]),
    s.shape('black', [300, 930, 350, 930, 560, 820, 900, 700, 960, 480, 910, 360, 850, 360, 850, 620, 560, 740, 480, 620, 420, 640], 30),
    s.shape('blank', [400, 620, 480, 700, 600, 690, 640, 590, 620, 500, 420, 520], 30),
    ...[650, 620, 590, 560, 530].map((up) => s.line('detail', [430, up, 620, up - 12])),
    s.shape('blank', [440, 500, 640, 520, 860, 480, 880, 380, 820, 290, 520, 270, 420, 340], 50),
    s.disc('detail', [570, 390], 80),
    s.disc('detail', [770, 390], 70),
    s.line('panel', [700, 500, 690, 290], 10),
    s.shape('black', [392, 560, 420, 560, 440, 250, 560, 215, 900, 225, 900, 260, 570, 262, 470, 290, 430, 560], 30),
    s.line('panel', [830, 300, 760, 190, 720, 180], 10),
    s.box('black', [840, 330, 920, 305], 8),
    s.shape('black', [-32, 300, 20, 290, 330, 960, 280, 980], 16),
  ];
}

/** From ahead: the wheel in its fork with a guard over it, pegs. */
export const forkFromAhead = (m: Measures, e: MirrorPen): PlateStroke[] => [
  ...e.twin((p) => [p.box('black', [200, 345, 330, 318], 8), p.line('panel', [180, 300, 290, 330])]),
  tyreInLine(m, 116, 50),
  e.line('detail', [0, 600, 0, 20]),
  ...e.twin((p) => [p.box('black', [84, 960, 124, 290], 14), p.box('detail', [64, 380, 82, 240], 4)]),
  e.whole('black', [70, 640, 80, 560, 66, 470], 30),
];

/** From behind: the wheel, swing arm, plate on its hanger, silencer on the right. */
export const rearFromBehind = (m: Measures, e: MirrorPen): PlateStroke[] => [
  ...e.twin((p) => [p.box('black', [200, 345, 330, 318], 8)]),
  e.shape('blank', [-130, 520, -220, 560, -250, 520, -230, 400, -140, 400], 40),
  e.disc('detail', [-190, 470], 40),
  tyreInLine(m, 184, 70),
  e.line('detail', [0, 600, 0, 20]),
  ...e.twin((p) => [p.box('black', [100, 350, 150, 270], 10)]),
];

/** Mirrors and grips of a handlebar this wide and high, from ahead or behind. */
export const barsFrom = (e: MirrorPen, half: number, up: number, mirrorUp: number): PlateStroke[] =>
  e.twin((p) => [
    p.line('panel', [60, up - 30, half - 140, up + 10, half, up], 20),
    p.box('black', [half - 130, up + 22, half, up - 16], 14),
    p.line('panel', [half - 150, up + 10, half - 120, mirrorUp - 60]),
    p.shape('black', [half - 200, mirrorUp, half - 60, mirrorUp, half - 40, mirrorUp - 70, half - 180, mirrorUp - 80], 24),
  ]);
