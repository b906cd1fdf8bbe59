import type { Measures } from '@jade/core/vehicle';
import type { View } from '../paths.ts';
import { endPen, sidePen, topPen, tyres, wheels } from '../pen.ts';
import type { PlateStroke } from '../plate.ts';

/** A minibus: a short sloping nose, a tall cab, a row of large windows over skirts, an entrance door and two rear doors. */
export function minibus(m: Measures): Record<View, PlateStroke[]> {
  const s = sidePen(m);
  const side: PlateStroke[] = [
    s.shape('body', [0.06, 0.1, 0, 0.3, 0.02, 0.62, 0.16, 0.96, 0.62, 1.1, 1.02, 1.84, 1.09, 1.96, 1.16, 2, 2.96, 2, 3, 1.93, 3, 0.25, 2.99, 0.12, 2.95, 0.08], 90),
    s.shape('black', [0.06, 0.1, 0, 0.3, 0.015, 0.42, 0.5, 0.42, 0.56, 0.1], 34),
    s.shape('black', [2.9, 0.32, 2.995, 0.34, 2.995, 0.25, 2.985, 0.12, 2.95, 0.08, 2.9, 0.08], 24),
    // Skirts in three lengths, lockers above them.
    ...[
      [1.13, 1.225],
      [1.232, 1.732],
      [1.744, 2.89],
    ].map(([from = 0, to = 0]) => s.box('black', [from, 0.4, to, 0.09], 16)),
    s.box('panel', [1.245, 0.8, 1.735, 0.43], 16),
    s.line('panel', [1.49, 0.8, 1.49, 0.43]),
    s.box('detail', [1.36, 0.5, 1.38, 0.47], 6),
    s.box('detail', [1.61, 0.5, 1.63, 0.47], 6),
    // Windscreen edge, cab window, entrance door with two panes.
    s.shape('glass', [0.7, 1.16, 0.97, 1.68, 0.995, 1.68, 0.995, 1.16], 24),
    s.line('panel', [1.006, 1.75, 0.62, 1.06, 0.63, 0.72, 0.76, 0.44], 50),
    s.box('panel', [1.01, 1.78, 1.128, 0.42], 50),
    s.box('glass', [1.018, 1.72, 1.065, 0.96], 24),
    s.box('glass', [1.073, 1.72, 1.12, 0.96], 24),
    s.line('detail', [1.069, 1.78, 1.069, 0.44], 5),
    ...wheels(m, 0.1, 1.18),
    s.shape('black', [0.71, 1.2, 0.66, 1.5, 0.78, 1.56, 0.83, 1.3, 0.8, 1.2], 44),
    // Saloon windows, the middle one with an emergency hinge.
    ...[
      [1.15, 1.4],
      [1.412, 1.662],
      [1.674, 1.924],
      [1.936, 2.37],
      [2.4, 2.88],
    ].map(([from = 0, to = 0]) => s.box('glass', [from, 1.74, to, 1.04], 50)),
    ...[
      [1.15, 1.4],
      [1.412, 1.662],
      [1.674, 1.924],
    ].map(([from = 0, to = 0]) => s.line('detail', [from, 1.58, to, 1.58])),
    // Roof gutter, waist rail, rear door edge, filler flap.
    s.line('detail', [1.1, 1.88, 2.97, 1.88]),
    s.line('detail', [0.4, 0.98, 0.98, 0.92, 2.97, 0.92], 60),
    s.line('panel', [2.93, 0.36, 2.93, 1.9]),
    s.line('panel', [0.16, 0.97, 0.55, 1.02, 0.64, 1.05], 40),
    s.box('detail', [2.06, 0.88, 2.12, 0.74], 24),
    // Lamps: headlamp wrapped round the corner, side repeater, markers along the skirt, tail lamp.
    s.shape('lamp', [0.03, 0.7, 0.14, 0.86, 0.36, 0.9, 0.33, 0.64, 0.12, 0.5, 0.02, 0.5], 32),
    s.disc('lens', [0.15, 0.67], 56),
    s.box('turn', [0.67, 0.86, 0.73, 0.81], 12),
    ...[1.17, 1.76, 2.3, 2.7].map((along) => s.box('turn', [along, 0.52, along + 0.03, 0.48], 8)),
    s.box('red', [2.955, 0.98, 2.996, 0.5], 14),
  ];

  const e = endPen(m);
  const outline = e.whole('body', [0.5, 2, 0.82, 1.98, 0.9, 1.85, 0.965, 1.2, 1, 0.85, 1, 0.4, 0.98, 0.12, 0.93, 0.06], 110);
  const mirrors = e.twin((p) => [p.shape('black', [0.95, 1.25, 1.07, 1.27, 1.13, 1.3, 1.13, 1.58, 1.02, 1.6, 0.99, 1.36], 40)]);
  const front: PlateStroke[] = [
    ...tyres(m, 210),
    ...mirrors,
    outline,
    e.whole('glass', [0.78, 1.74, 0.83, 1.68, 0.9, 1.2, 0.88, 1.12, 0.6, 1.09], 60),
    // Destination band over the screen, marker lamps at its ends.
    e.whole('black', [0.7, 1.91, 0.7, 1.8], 24),
    e.line('panel', [0.66, 1.14, -0.04, 1.21], 5),
    e.line('panel', [-0.76, 1.14, -0.1, 1.24], 5),
    e.whole('panel', [0.86, 1.07, 0.82, 0.95, 0.6, 0.88], 60),
    e.line('detail', [0.42, 1.06, 0.36, 0.9]),
    e.line('detail', [-0.42, 1.06, -0.36, 0.9]),
    e.whole('black', [0.53, 0.84, 0.55, 0.72, 0.5, 0.52], 40),
    ...[0.78, 0.7, 0.62, 0.55].map((up) => e.line('detail', [-0.52, up, 0.52, up])),
    e.whole('blank', [0.07, 0.83, 0.085, 0.75, 0.05, 0.68], 26),
    // Bumper in three pieces, step, plate, intake, fog places.
    e.whole('black', [0.998, 0.42, 0.985, 0.14, 0.92, 0.06], 50),
    e.line('panel', [0.68, 0.42, 0.66, 0.06]),
    e.line('panel', [-0.68, 0.42, -0.66, 0.06]),
    e.whole('arch', [0.46, 0.2, 0.44, 0.09], 20),
    e.box('blank', [-0.25, 0.4, 0.25, 0.3], 12),
    ...e.twin((p) => [
      p.shape('lamp', [0.56, 0.56, 0.56, 0.76, 0.83, 0.9, 0.9, 0.86, 0.88, 0.6, 0.8, 0.48, 0.62, 0.46], 40),
      p.disc('lens', [0.7, 0.68], 66),
      p.disc('lens', [0.625, 0.58], 40),
      p.shape('turn', [0.82, 0.86, 0.875, 0.83, 0.87, 0.6, 0.82, 0.56], 14),
      p.box('blank', [0.74, 0.3, 0.86, 0.16], 34),
      p.box('lens', [0.78, 1.95, 0.83, 1.91], 8),
    ]),
  ];

  const rear: PlateStroke[] = [
    ...tyres(m, 210),
    ...mirrors,
    outline,
    e.line('panel', [0, 1.84, 0, 0.56], 5),
    e.arc('panel', [0.82, 0.56, 0.83, 0.9, 0.81, 1.76, 0.68, 1.84], 60),
    e.line('panel', [0.82, 0.56, -0.82, 0.56]),
    ...e.twin((p) => [
      p.shape('glass', [0.06, 1.72, 0.72, 1.72, 0.76, 1.08, 0.06, 1.08], 50),
      p.box('red', [0.845, 0.94, 0.91, 0.58], 18),
      p.box('turn', [0.85, 0.83, 0.905, 0.755], 8),
      p.box('lens', [0.85, 0.665, 0.905, 0.6], 8),
      ...[0.68, 1, 1.5].map((up) => p.box('black', [0.79, up + 0.05, 0.835, up], 10)),
      p.box('red', [0.78, 1.95, 0.84, 1.91], 8),
      p.box('red', [0.66, 0.22, 0.78, 0.18], 8),
    ]),
    e.box('black', [-0.03, 0.9, -0.13, 0.84], 12),
    e.box('blank', [-0.25, 0.47, 0.25, 0.37], 12),
    e.box('lens', [-0.06, 0.515, 0.06, 0.485], 6),
    e.whole('black', [0.985, 0.32, 0.985, 0.12, 0.93, 0.06], 40),
    e.whole('detail', [0.46, 0.3, 0.46, 0.22], 10),
    e.disc('red', [0.854, 0.38], 40),
    e.box('red', [-0.09, 1.93, 0.09, 1.9], 8),
    e.box('black', [-0.4, 0.06, 0.4, 0.03], 8),
  ];

  const t = topPen(m);
  const top: PlateStroke[] = [
    ...t.twin((p) => [p.shape('black', [0.7, 0.98, 0.68, 1.11, 0.8, 1.13, 0.86, 0.98], 34)]),
    t.whole('body', [3, 0.9, 2.98, 0.965, 1.1, 0.97, 0.6, 0.98, 0.25, 0.98, 0.05, 0.82, 0, 0.4], 130),
    t.whole('glass', [0.6, 0, 0.66, 0.86, 0.98, 0.8, 0.93, 0], 100),
    t.arc('panel', [0.62, 0.92, 0.52, 0], 260),
    t.arc('panel', [0.2, 0.72, 0.12, 0], 240),
    t.line('detail', [0.5, 0.4, 0.15, 0.34]),
    t.line('detail', [0.5, -0.4, 0.15, -0.34]),
    ...t.twin((p) => [
      p.shape('lamp', [0.04, 0.6, 0.28, 0.72, 0.34, 0.95, 0.09, 0.82], 34),
      p.line('detail', [1.08, 0.84, 2.97, 0.84]),
      p.shape('red', [2.965, 0.9, 2.995, 0.9, 2.995, 0.955, 2.965, 0.955], 6),
    ]),
    // Two roof hatches, the duct between them, ribs.
    t.box('panel', [1.2, -0.36, 1.36, 0.36], 50),
    t.box('panel', [1.74, -0.36, 1.9, 0.36], 50),
    t.box('detail', [1.42, -0.3, 1.68, 0.3], 24),
    ...[2.1, 2.35, 2.6].map((along) => t.box('detail', [along, -0.56, along + 0.05, 0.56], 30)),
    t.line('detail', [1.06, -0.76, 1.06, 0.76]),
    t.line('panel', [2.95, -0.88, 2.95, 0.88]),
    t.line('panel', [2.95, 0, 2.995, 0]),
    t.box('black', [2.985, -0.86, 3, 0.86], 8),
  ];
  return { front, rear, side, top };
}
