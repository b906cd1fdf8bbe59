import type { Measures } from '@jade/core/vehicle';
import type { SheetPoint, View } from '../paths.ts';
import { both, box, circle, line, shape, wheel, whole, type PlateStroke } from '../plate.ts';

/** A panel van with a high roof: sliding door on the side, two doors at the rear. Heights follow the bonnet, lengths the axles and the tail. */
export function vanHighRoof(m: Measures): Record<View, PlateStroke[]> {
  const { lengthMm: long, heightMm: high, bonnetHeightMm: bonnet, groundClearanceMm: clear, frontOverhangMm: nose, wheelbaseMm: base, trackMm: track } = m;
  const half = m.widthMm / 2;
  const tyre = m.wheelDiameterMm / 2;
  const sill = clear + 60;
  const waist = bonnet * 1.15;

  /** A point of the side: millimetres behind the nose, and above the ground. */
  const at = (behind: number, up: number): SheetPoint => [behind - nose, -up];
  const screenFoot = nose * 0.74;
  const screenTop = nose * 1.42;
  const pillar = nose + tyre * 2.95;
  const slide = pillar + base * 0.37;
  const side: PlateStroke[] = [
    shape(
      'body',
      [
        at(60, sill - 40),
        at(8, sill + 90),
        at(0, bonnet * 0.5),
        at(40, bonnet * 0.76),
        at(nose * 0.13, bonnet * 0.92),
        at(screenFoot, bonnet * 1.12),
        at(screenTop, high * 0.925),
        at(screenTop + 330, high * 0.985),
        at(screenTop + 700, high),
        at(long * 0.95, high * 0.998),
        at(long * 0.988, high * 0.985),
        at(long, high * 0.93),
        at(long, clear + 330),
        at(long - 10, sill + 70),
        at(long - 70, sill - 10),
      ],
      110,
    ),
    // Skirts, bumper corners and the rubbing strip.
    box('black', at(nose + tyre * 1.2, sill + 115), at(nose + base - tyre * 1.2, sill - 5)),
    shape('black', [at(60, sill - 40), at(8, sill + 90), at(0, bonnet * 0.47), at(nose - tyre * 1.42, bonnet * 0.47), at(nose - tyre * 1.2, sill - 10)], 40),
    shape(
      'black',
      [at(nose + base + tyre * 1.2, sill + 130), at(long - 8, sill + 200), at(long - 8, sill + 60), at(long - 70, sill - 10), at(nose + base + tyre * 1.2, sill - 5)],
      30,
    ),
    box('black', at(nose + tyre * 1.5, bonnet * 0.66), at(long - 90, bonnet * 0.59), 20),
    ...wheel(at(nose, tyre), tyre, tyre * 1.2, -sill),
    ...wheel(at(nose + base, tyre), tyre, tyre * 1.2, -sill),
    // The cab: window with its quarter light, door, mirror, handle.
    shape('glass', [at(screenFoot + 170, waist), at(screenTop + 35, high * 0.8), at(pillar - 70, high * 0.8), at(pillar - 70, waist)], 45),
    line('panel', [at(screenFoot + 420, waist), at(screenFoot + 420, bonnet * 1.42)], 5),
    line(
      'panel',
      [
        at(screenTop + 20, high * 0.835),
        at(screenFoot + 95, waist * 0.99),
        at(screenFoot + 105, bonnet * 0.72),
        at(nose + tyre * 1.05, bonnet * 0.47),
        at(nose + tyre * 1.32, sill + 115),
        at(pillar - 25, sill + 115),
        at(pillar - 15, high * 0.84),
        at(screenTop + 20, high * 0.835),
      ],
      70,
    ),
    box('black', at(pillar - 260, bonnet * 0.98), at(pillar - 120, bonnet * 0.94), 14),
    shape(
      'black',
      [at(screenFoot + 130, waist + 10), at(screenFoot + 95, waist + 300), at(screenFoot + 190, waist + 360), at(screenFoot + 300, waist + 330), at(screenFoot + 300, waist + 20)],
      50,
    ),
    // The load space: sliding door with its rail, pressed panels, rear door edge.
    box('panel', at(pillar + 20, high * 0.9), at(slide, sill + 115), 60),
    box('black', at(pillar + 110, bonnet * 0.98), at(pillar + 250, bonnet * 0.94), 14),
    box('detail', at(pillar + 110, high * 0.83), at(slide - 90, waist), 70),
    box('detail', at(slide + 90, high * 0.83), at(nose + base - 20, waist), 70),
    box('detail', at(nose + base + 60, high * 0.83), at(long - 150, waist), 70),
    line('detail', [at(slide, bonnet * 0.98), at(long - 170, bonnet * 0.98)]),
    line('panel', [at(long - 62, sill + 215), at(long - 62, high * 0.965)], 5),
    line('detail', [at(screenTop + 380, high * 0.945), at(long - 40, high * 0.945)]),
    line('detail', [at(nose * 0.2, bonnet * 0.86), at(screenFoot + 90, bonnet * 1.0), at(pillar, bonnet * 1.06), at(long - 70, bonnet * 1.08)], 300),
    line('panel', [at(nose * 0.15, bonnet * 0.93), at(screenFoot - 10, bonnet * 1.06), at(screenFoot + 95, bonnet * 1.06)], 60),
    box('detail', at(pillar + 60, bonnet * 0.86), at(pillar + 180, bonnet * 0.76), 20),
    // Lamps.
    shape(
      'lamp',
      [at(42, bonnet * 0.77), at(nose * 0.15, bonnet * 0.9), at(nose * 0.5, bonnet * 0.94), at(nose * 0.44, bonnet * 0.8), at(nose * 0.22, bonnet * 0.68), at(34, bonnet * 0.66)],
      40,
    ),
    circle('lens', at(nose * 0.2, bonnet * 0.79), 62),
    box('turn', at(nose + tyre * 1.02, bonnet * 0.8), at(nose + tyre * 1.32, bonnet * 0.76), 14),
    box('red', at(long - 55, bonnet * 1.2), at(long - 4, bonnet * 0.7), 16),
    line('detail', [at(long - 55, bonnet * 1.02), at(long - 4, bonnet * 1.02)]),
  ];

  const foot = -bonnet * 1.12;
  const roofLeft: SheetPoint[] = [
    [-half * 0.5, -high],
    [-half * 0.76, -high * 0.985],
    [-half * 0.86, -high * 0.9],
    [-half * 0.935, -high * 0.62],
    [-half * 0.985, -bonnet * 0.95],
    [-half, -bonnet * 0.62],
    [-half * 0.995, -sill - 160],
    [-half * 0.94, -sill + 30],
  ];
  const outline = shape('body', whole(roofLeft), 130);
  const tyres = both((sign) => [box('tyre', [sign * (track / 2 - 105), -tyre * 1.4], [sign * (track / 2 + 105), 0], 40)]);
  const mirrors = both((sign) => [
    shape(
      'black',
      [
        [sign * half * 0.93, -waist - 40],
        [sign * (half + 60), -waist - 20],
        [sign * (half + 125), -waist - 60],
        [sign * (half + 125), -waist - 330],
        [sign * (half + 20), -waist - 350],
        [sign * half * 0.98, -waist - 120],
      ],
      40,
    ),
  ]);
  const front: PlateStroke[] = [
    ...tyres,
    ...mirrors,
    outline,
    shape(
      'glass',
      whole([
        [-half * 0.7, -high * 0.865],
        [-half * 0.765, -high * 0.82],
        [-half * 0.845, foot - 40],
        [-half * 0.6, foot - 5],
      ]),
      70,
    ),
    line(
      'detail',
      whole([
        [-half * 0.83, -high * 0.92],
        [-half * 0.6, -high * 0.945],
      ]),
      90,
    ),
    line(
      'panel',
      [
        [-half * 0.75, foot - 30],
        [half * 0.02, foot - 70],
      ],
      5,
    ),
    line(
      'panel',
      [
        [half * 0.66, foot - 30],
        [-half * 0.06, foot - 95],
      ],
      5,
    ),
    // Bonnet, grille with its slats and badge.
    shape(
      'panel',
      whole([
        [-half * 0.82, foot + 30],
        [-half * 0.74, -bonnet * 0.93],
        [-half * 0.55, -bonnet * 0.825],
      ]),
      90,
    ),
    line('detail', [
      [-half * 0.4, foot + 70],
      [-half * 0.36, -bonnet * 0.87],
    ]),
    line('detail', [
      [half * 0.4, foot + 70],
      [half * 0.36, -bonnet * 0.87],
    ]),
    shape(
      'black',
      whole([
        [-half * 0.52, -bonnet * 0.795],
        [-half * 0.57, -bonnet * 0.73],
        [-half * 0.53, -bonnet * 0.58],
      ]),
      50,
    ),
    ...[0.75, 0.705, 0.66, 0.62].map((up) =>
      line('detail', [
        [-half * 0.52, -bonnet * up],
        [half * 0.52, -bonnet * up],
      ]),
    ),
    shape(
      'blank',
      whole([
        [-half * 0.075, -bonnet * 0.785],
        [-half * 0.088, -bonnet * 0.74],
        [-half * 0.05, -bonnet * 0.69],
      ]),
      30,
    ),
    // Bumper: skin, lower intake, fog places, number plate, tow eye.
    shape(
      'black',
      whole([
        [-half * 0.995, -bonnet * 0.5],
        [-half * 0.985, -sill - 60],
        [-half * 0.9, -sill + 20],
      ]),
      80,
    ),
    shape(
      'panel',
      whole([
        [-half * 0.62, -bonnet * 0.575],
        [-half * 0.992, -bonnet * 0.6],
        [-half * 0.985, -sill - 60],
        [-half * 0.9, -sill + 20],
      ]),
      80,
    ),
    shape(
      'arch',
      whole([
        [-half * 0.5, -sill - 95],
        [-half * 0.54, -sill - 50],
        [-half * 0.49, -sill - 5],
      ]),
      30,
    ),
    box('blank', [-260, -bonnet * 0.455], [260, -bonnet * 0.362], 14),
    ...both((sign) => [
      shape(
        'lamp',
        [
          [sign * half * 0.59, -bonnet * 0.7],
          [sign * half * 0.62, -bonnet * 0.79],
          [sign * half * 0.925, -bonnet * 0.86],
          [sign * half * 0.95, -bonnet * 0.72],
          [sign * half * 0.88, -bonnet * 0.635],
          [sign * half * 0.63, -bonnet * 0.625],
        ],
        45,
      ),
      circle('lens', [sign * half * 0.765, -bonnet * 0.735], 54),
      circle('lens', [sign * half * 0.665, -bonnet * 0.718], 44),
      shape(
        'turn',
        [
          [sign * half * 0.855, -bonnet * 0.815],
          [sign * half * 0.905, -bonnet * 0.83],
          [sign * half * 0.92, -bonnet * 0.72],
          [sign * half * 0.865, -bonnet * 0.69],
        ],
        14,
      ),
      shape(
        'blank',
        [
          [sign * half * 0.592, -sill - 250],
          [sign * half * 0.767, -sill - 255],
          [sign * half * 0.767, -sill - 120],
          [sign * half * 0.592, -sill - 115],
        ],
        40,
      ),
    ]),
    box('detail', [-half * 0.41, -bonnet * 0.418], [-half * 0.32, -bonnet * 0.352], 14),
  ];

  const rear: PlateStroke[] = [
    ...tyres,
    ...mirrors,
    outline,
    line(
      'panel',
      [
        [0, -high * 0.93],
        [0, -sill - 200],
      ],
      5,
    ),
    line(
      'panel',
      whole([
        [-half * 0.9, -sill - 200],
        [-half * 0.955, -bonnet * 0.75],
        [-half * 0.88, -high * 0.7],
        [-half * 0.84, -high * 0.89],
        [-half * 0.7, -high * 0.93],
      ]),
      80,
    ),
    ...both((sign) => [
      shape(
        'glass',
        [
          [sign * half * 0.1, -high * 0.83],
          [sign * half * 0.72, -high * 0.83],
          [sign * half * 0.77, -waist - 40],
          [sign * half * 0.1, -waist - 40],
        ],
        60,
      ),
      shape(
        'red',
        [
          [sign * half * 0.905, -bonnet * 1.28],
          [sign * half * 0.955, -bonnet * 1.28],
          [sign * half * 0.99, -bonnet * 0.72],
          [sign * half * 0.915, -bonnet * 0.72],
        ],
        30,
      ),
      shape(
        'turn',
        [
          [sign * half * 0.906, -bonnet * 1.08],
          [sign * half * 0.967, -bonnet * 1.08],
          [sign * half * 0.974, -bonnet * 0.98],
          [sign * half * 0.909, -bonnet * 0.98],
        ],
        10,
      ),
      shape(
        'lens',
        [
          [sign * half * 0.913, -bonnet * 0.82],
          [sign * half * 0.983, -bonnet * 0.82],
          [sign * half * 0.988, -bonnet * 0.745],
          [sign * half * 0.914, -bonnet * 0.745],
        ],
        10,
      ),
      ...[0.42, 0.66, 0.88].map((up) => box('black', [sign * half * 0.84, -high * up], [sign * half * 0.885, -high * up + 70], 10)),
      box('red', [sign * half * 0.6, -sill - 110], [sign * half * 0.78, -sill - 70], 8),
    ]),
    box('black', [half * 0.03, -bonnet * 0.98], [half * 0.14, -bonnet * 0.9], 14),
    box('blank', [-570, -bonnet * 0.79], [-50, -bonnet * 0.79 + 115], 12),
    shape(
      'black',
      whole([
        [-half * 0.985, -sill - 185],
        [-half * 0.985, -sill - 40],
        [-half * 0.93, -sill + 30],
      ]),
      50,
    ),
    box('detail', [-half * 0.5, -sill - 185], [half * 0.5, -sill - 140], 10),
    box('red', [-110, -high * 0.955], [110, -high * 0.955 + 34], 10),
    box('lens', [-70, -bonnet * 0.83], [70, -bonnet * 0.805], 8),
    box('red', [-half * 0.9, -bonnet * 0.49], [-half * 0.83, -bonnet * 0.43], 10),
  ];

  /** A point from above: millimetres behind the nose, and to the right. */
  const above = (behind: number, right: number): SheetPoint => [behind - nose, right];
  const mirrored = (kind: PlateStroke['kind'], points: readonly SheetPoint[], radius: number) =>
    both((sign) => [
      shape(
        kind,
        points.map(([x, y]): SheetPoint => [x, sign * y]),
        radius,
      ),
    ]);
  const upper = [
    above(long * 0.995, half * 0.95),
    above(screenTop + 250, half * 0.955),
    above(screenFoot, half * 0.97),
    above(nose * 0.35, half * 0.985),
    above(70, half * 0.82),
    above(0, half * 0.42),
  ];
  const top: PlateStroke[] = [
    ...mirrored('black', [above(screenFoot + 150, half - 20), above(screenFoot + 120, half + 120), above(screenFoot + 250, half + 125), above(screenFoot + 290, half - 20)], 40),
    shape('body', [...upper, ...upper.map(([x, y]): SheetPoint => [x, -y]).reverse()], 150),
    shape(
      'glass',
      [
        above(screenFoot + 40, -half * 0.84),
        above(screenFoot - 60, 0),
        above(screenFoot + 40, half * 0.84),
        above(screenTop - 20, half * 0.76),
        above(screenTop - 80, 0),
        above(screenTop - 20, -half * 0.76),
      ],
      120,
    ),
    line('panel', [above(screenFoot - 20, -half * 0.9), above(screenFoot - 120, 0), above(screenFoot - 20, half * 0.9)], 300),
    line('panel', [above(nose * 0.24, -half * 0.72), above(nose * 0.12, 0), above(nose * 0.24, half * 0.72)], 300),
    line('detail', [above(screenFoot - 110, -half * 0.4), above(nose * 0.16, -half * 0.33)]),
    line('detail', [above(screenFoot - 110, half * 0.4), above(nose * 0.16, half * 0.33)]),
    ...mirrored('lamp', [above(40, half * 0.6), above(nose * 0.3, half * 0.74), above(nose * 0.36, half * 0.95), above(90, half * 0.82)], 40),
    line('detail', [above(screenTop + 60, -half * 0.72), above(screenTop + 60, half * 0.72)]),
    ...[0.32, 0.44, 0.56, 0.68, 0.8, 0.91].map((share) => box('detail', above(long * share, -half * 0.6), above(long * share + 90, half * 0.6), 40)),
    ...both((sign) => [line('detail', [above(screenTop + 200, sign * half * 0.8), above(long * 0.985, sign * half * 0.82)])]),
    line('panel', [above(long - 50, -half * 0.88), above(long - 50, half * 0.88)]),
    line('panel', [above(long - 50, 0), above(long - 6, 0)]),
    box('black', above(long - 20, -half * 0.9), above(long, half * 0.9), 8),
  ];
  return { front, rear, side, top };
}
