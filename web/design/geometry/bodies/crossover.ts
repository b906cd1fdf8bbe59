import type { Measures } from '@jade/core/vehicle';
import type { SheetPoint, View } from '../paths.ts';
import { both, box, circle, line, shape, wheel, whole, type PlateStroke } from '../plate.ts';

/** A crossover: four doors and a tailgate, black arches and sills, roof rails. Heights follow the bonnet, lengths the axles and the tail. */
export function crossover(m: Measures): Record<View, PlateStroke[]> {
  const { lengthMm: long, heightMm: high, bonnetHeightMm: bonnet, groundClearanceMm: clear, frontOverhangMm: nose, wheelbaseMm: base, trackMm: track } = m;
  const half = m.widthMm / 2;
  const tyre = m.wheelDiameterMm / 2;
  const sill = clear + 45;
  const waist = bonnet * 1.05;
  const rear = nose + base;

  /** A point of the side: millimetres behind the nose, and above the ground. */
  const at = (behind: number, up: number): SheetPoint => [behind - nose, -up];
  const scuttle = nose + tyre * 1.15;
  const screenTop = scuttle + base * 0.26;
  const post = nose + base * 0.52;
  const roofEnd = long * 0.88;
  const side: PlateStroke[] = [
    shape(
      'body',
      [
        at(70, sill - 10),
        at(14, sill + 70),
        at(0, bonnet * 0.5),
        at(26, bonnet * 0.76),
        at(nose * 0.2, bonnet * 0.92),
        at(scuttle, bonnet * 1.07),
        at(screenTop, high * 0.955),
        at(screenTop + 240, high * 0.992),
        at(post + 120, high),
        at(roofEnd - 120, high * 0.985),
        at(roofEnd + 110, high * 0.94),
        at(long - 90, bonnet * 1.12),
        at(long - 12, bonnet * 0.96),
        at(long, bonnet * 0.6),
        at(long - 16, sill + 90),
        at(long - 110, sill),
      ],
      90,
    ),
    // Black sills, arch trims and bumper ends.
    shape('black', [at(nose + tyre * 1.26, sill + 110), at(rear - tyre * 1.26, sill + 110), at(rear - tyre * 1.3, sill - 4), at(nose + tyre * 1.3, sill - 4)], 12),
    shape('black', [at(70, sill - 10), at(14, sill + 70), at(4, bonnet * 0.42), at(nose - tyre * 1.5, bonnet * 0.4), at(nose - tyre * 1.26, sill)], 40),
    shape('black', [at(rear + tyre * 1.26, sill), at(rear + tyre * 1.5, bonnet * 0.42), at(long - 6, bonnet * 0.46), at(long - 16, sill + 90), at(long - 110, sill)], 40),
    ...[nose, rear].flatMap((axle) => [
      { ...wheel(at(axle, tyre), tyre, tyre * 1.36, -sill)[0], kind: 'black' } as PlateStroke,
      ...wheel(at(axle, tyre), tyre, tyre * 1.17, -sill),
    ]),
    // Glass: quarter light, doors, rear quarter.
    shape('glass', [at(scuttle + 190, waist), at(screenTop + 55, high * 0.915), at(post - 45, high * 0.945), at(post - 45, waist + 25)], 28),
    shape('glass', [at(post + 45, waist + 28), at(post + 45, high * 0.945), at(rear - 60, high * 0.925), at(rear + 20, waist + 60)], 28),
    shape('glass', [at(rear + 90, waist + 66), at(rear + 15, high * 0.915), at(roofEnd - 70, high * 0.89), at(long - 270, bonnet * 1.17)], 30),
    line('panel', [at(scuttle + 470, waist + 8), at(scuttle + 470, waist + 205)], 5),
    // Doors, handles, mirror, filler flap.
    line(
      'panel',
      [
        at(screenTop - 20, high * 0.925),
        at(scuttle + 120, waist),
        at(scuttle + 130, bonnet * 0.62),
        at(nose + tyre * 1.5, sill + 120),
        at(post - 5, sill + 120),
        at(post, high * 0.965),
        at(screenTop - 20, high * 0.925),
      ],
      60,
    ),
    line(
      'panel',
      [
        at(post, high * 0.965),
        at(rear + 10, high * 0.945),
        at(rear + 70, waist + 30),
        at(rear - tyre * 0.6, bonnet * 0.82),
        at(rear - tyre * 1.32, bonnet * 0.45),
        at(rear - tyre * 1.36, sill + 120),
        at(post, sill + 120),
      ],
      70,
    ),
    box('black', at(post - 200, bonnet * 0.9), at(post - 70, bonnet * 0.865), 14),
    box('black', at(rear - 130, bonnet * 0.94), at(rear, bonnet * 0.905), 14),
    shape(
      'black',
      [at(scuttle + 150, waist + 5), at(scuttle + 110, waist + 120), at(scuttle + 190, waist + 165), at(scuttle + 300, waist + 135), at(scuttle + 300, waist + 15)],
      40,
    ),
    box('detail', at(rear + 160, bonnet * 0.95), at(rear + 290, bonnet * 0.82), 24),
    // Crease, bonnet shut line, tailgate edge, roof rail.
    line('detail', [at(nose * 0.45, bonnet * 0.86), at(scuttle + 120, bonnet * 0.94), at(rear, bonnet * 1.0), at(long - 120, bonnet * 0.98)], 300),
    line('detail', [at(nose + tyre * 1.6, bonnet * 0.5), at(post, bonnet * 0.46), at(rear - tyre * 1.6, bonnet * 0.54)], 200),
    line('panel', [at(nose * 0.22, bonnet * 0.93), at(scuttle - 40, bonnet * 1.0), at(scuttle + 100, bonnet * 1.02)], 60),
    line('panel', [at(roofEnd + 70, high * 0.94), at(long - 150, bonnet * 1.1), at(long - 160, bonnet * 0.75), at(long - 120, bonnet * 0.5)], 80),
    shape(
      'black',
      [at(screenTop + 320, high * 0.984), at(screenTop + 370, high * 0.997), at(roofEnd - 220, high * 0.99), at(roofEnd - 160, high * 0.968), at(roofEnd - 240, high * 0.976)],
      10,
    ),
    // Lamps.
    shape(
      'lamp',
      [at(30, bonnet * 0.77), at(nose * 0.2, bonnet * 0.85), at(nose * 0.5, bonnet * 0.86), at(nose * 0.4, bonnet * 0.76), at(nose * 0.16, bonnet * 0.68), at(24, bonnet * 0.67)],
      24,
    ),
    circle('lens', at(nose * 0.15, bonnet * 0.745), 36),
    shape('red', [at(long - 260, bonnet * 1.07), at(long - 70, bonnet * 1.09), at(long - 22, bonnet * 0.96), at(long - 10, bonnet * 0.8), at(long - 130, bonnet * 0.84)], 24),
  ];

  const outlineLeft: SheetPoint[] = [
    [-half * 0.5, -high],
    [-half * 0.68, -high * 0.975],
    [-half * 0.76, -high * 0.9],
    [-half * 0.9, -bonnet * 1.06],
    [-half * 0.99, -bonnet * 0.86],
    [-half, -bonnet * 0.55],
    [-half * 0.985, -sill - 90],
    [-half * 0.9, -sill + 15],
  ];
  const outline = shape('body', whole(outlineLeft), 90);
  const tyres = both((sign) => [box('tyre', [sign * (track / 2 - 100), -tyre * 1.3], [sign * (track / 2 + 100), 0], 36)]);
  const mirrors = both((sign) => [
    shape(
      'black',
      [
        [sign * half * 0.88, -waist - 10],
        [sign * (half + 30), -waist - 10],
        [sign * (half + 115), -waist - 40],
        [sign * (half + 110), -waist - 150],
        [sign * (half + 10), -waist - 165],
        [sign * half * 0.88, -waist - 70],
      ],
      30,
    ),
  ]);
  const rails = both((sign) => [box('black', [sign * half * 0.585, -high * 0.995], [sign * half * 0.625, -high * 0.975], 6)]);
  const front: PlateStroke[] = [
    ...tyres,
    ...mirrors,
    outline,
    ...rails,
    shape(
      'glass',
      whole([
        [-half * 0.6, -high * 0.945],
        [-half * 0.67, -high * 0.91],
        [-half * 0.8, -bonnet * 1.08],
        [-half * 0.5, -bonnet * 1.045],
      ]),
      50,
    ),
    line(
      'panel',
      [
        [-half * 0.72, -bonnet * 1.06],
        [half * 0.05, -bonnet * 1.09],
      ],
      5,
    ),
    line(
      'panel',
      [
        [half * 0.62, -bonnet * 1.05],
        [-half * 0.02, -bonnet * 1.11],
      ],
      5,
    ),
    // Bonnet with its creases, grille, badge.
    shape(
      'panel',
      whole([
        [-half * 0.8, -bonnet * 1.02],
        [-half * 0.82, -bonnet * 0.87],
        [-half * 0.55, -bonnet * 0.775],
      ]),
      60,
    ),
    line('detail', [
      [-half * 0.45, -bonnet * 1.02],
      [-half * 0.36, -bonnet * 0.8],
    ]),
    line('detail', [
      [half * 0.45, -bonnet * 1.02],
      [half * 0.36, -bonnet * 0.8],
    ]),
    shape(
      'black',
      whole([
        [-half * 0.46, -bonnet * 0.715],
        [-half * 0.5, -bonnet * 0.63],
        [-half * 0.42, -bonnet * 0.535],
      ]),
      34,
    ),
    ...[0.68, 0.63, 0.58].map((up) =>
      line('detail', [
        [-half * 0.44, -bonnet * up],
        [half * 0.44, -bonnet * up],
      ]),
    ),
    shape(
      'blank',
      whole([
        [-half * 0.08, -bonnet * 0.7],
        [-half * 0.095, -bonnet * 0.64],
        [-half * 0.05, -bonnet * 0.585],
      ]),
      24,
    ),
    // Bumper: black lower part, intake, fog places, number plate.
    shape(
      'black',
      whole([
        [-half * 0.6, -bonnet * 0.33],
        [-half * 0.97, -bonnet * 0.42],
        [-half * 0.985, -sill - 60],
        [-half * 0.89, -sill + 10],
      ]),
      40,
    ),
    shape(
      'arch',
      whole([
        [-half * 0.42, -bonnet * 0.31],
        [-half * 0.48, -bonnet * 0.26],
        [-half * 0.4, -sill - 5],
      ]),
      24,
    ),
    box('blank', [-250, -bonnet * 0.49], [250, -bonnet * 0.39], 12),
    ...both((sign) => [
      shape(
        'lamp',
        [
          [sign * half * 0.53, -bonnet * 0.67],
          [sign * half * 0.56, -bonnet * 0.75],
          [sign * half * 0.86, -bonnet * 0.81],
          [sign * half * 0.93, -bonnet * 0.78],
          [sign * half * 0.88, -bonnet * 0.68],
          [sign * half * 0.8, -bonnet * 0.64],
        ],
        26,
      ),
      circle('lens', [sign * half * 0.71, -bonnet * 0.725], 40),
      circle('lens', [sign * half * 0.62, -bonnet * 0.715], 34),
      shape(
        'turn',
        [
          [sign * half * 0.79, -bonnet * 0.78],
          [sign * half * 0.85, -bonnet * 0.79],
          [sign * half * 0.86, -bonnet * 0.71],
          [sign * half * 0.8, -bonnet * 0.69],
        ],
        10,
      ),
      shape(
        'blank',
        [
          [sign * half * 0.57, -bonnet * 0.47],
          [sign * half * 0.77, -bonnet * 0.48],
          [sign * half * 0.77, -bonnet * 0.345],
          [sign * half * 0.58, -bonnet * 0.345],
        ],
        26,
      ),
    ]),
  ];

  const back: PlateStroke[] = [
    ...tyres,
    ...mirrors,
    outline,
    ...rails,
    shape(
      'glass',
      whole([
        [-half * 0.58, -high * 0.92],
        [-half * 0.66, -high * 0.88],
        [-half * 0.74, -bonnet * 1.17],
        [-half * 0.5, -bonnet * 1.13],
      ]),
      46,
    ),
    shape(
      'panel',
      whole([
        [-half * 0.66, -bonnet * 0.66],
        [-half * 0.68, -bonnet * 0.74],
        [-half * 0.63, -bonnet * 1.08],
        [-half * 0.82, -bonnet * 1.14],
        [-half * 0.7, -high * 0.93],
        [-half * 0.56, -high * 0.955],
      ]),
      50,
    ),
    line('detail', [
      [-half * 0.6, -bonnet * 0.99],
      [half * 0.6, -bonnet * 0.99],
    ]),
    box('red', [-130, -high * 0.955], [130, -high * 0.955 + 24], 8),
    box('blank', [-250, -bonnet * 0.84], [250, -bonnet * 0.73], 12),
    box('lens', [-60, -bonnet * 0.87], [60, -bonnet * 0.85], 6),
    line(
      'panel',
      [
        [-half * 0.02, -bonnet * 1.115],
        [half * 0.24, -bonnet * 1.17],
      ],
      5,
    ),
    shape(
      'black',
      whole([
        [-half * 0.55, -bonnet * 0.52],
        [-half * 0.97, -bonnet * 0.5],
        [-half * 0.985, -sill - 60],
        [-half * 0.89, -sill + 10],
      ]),
      40,
    ),
    ...both((sign) => [
      shape(
        'red',
        [
          [sign * half * 0.65, -bonnet * 1.03],
          [sign * half * 0.9, -bonnet * 1.06],
          [sign * half * 0.95, -bonnet * 0.95],
          [sign * half * 0.93, -bonnet * 0.8],
          [sign * half * 0.66, -bonnet * 0.84],
        ],
        26,
      ),
      line('detail', [
        [sign * half * 0.66, -bonnet * 0.94],
        [sign * half * 0.945, -bonnet * 0.92],
      ]),
      box('turn', [sign * half * 0.7, -bonnet * 0.61], [sign * half * 0.86, -bonnet * 0.56], 10),
    ]),
    box('lens', [-70, -bonnet * 0.46], [70, -bonnet * 0.415], 10),
    box('red', [-half * 0.41, -bonnet * 0.46], [-half * 0.26, -bonnet * 0.415], 10),
  ];

  /** A point from above: millimetres behind the nose, and to the right. */
  const above = (behind: number, right: number): SheetPoint => [behind - nose, right];
  const upper = [
    above(long, half * 0.4),
    above(long * 0.985, half * 0.66),
    above(long * 0.955, half * 0.9),
    above(roofEnd - 300, half * 0.985),
    above(scuttle, half),
    above(nose * 0.6, half * 0.985),
    above(90, half * 0.8),
    above(0, half * 0.4),
  ];
  const roof: [number, number][] = [
    [screenTop + 20, 0.66],
    [roofEnd - 60, 0.62],
  ];
  const top: PlateStroke[] = [
    ...both((sign) => [
      shape(
        'black',
        [above(scuttle + 170, sign * (half - 15)), above(scuttle + 130, sign * (half + 105)), above(scuttle + 230, sign * (half + 115)), above(scuttle + 270, sign * (half - 15))],
        30,
      ),
    ]),
    shape('body', [...upper, ...upper.map(([x, y]): SheetPoint => [x, -y]).reverse()], 120),
    shape(
      'glass',
      [
        above(scuttle + 30, -half * 0.8),
        above(scuttle - 70, 0),
        above(scuttle + 30, half * 0.8),
        above(screenTop, half * 0.66),
        above(screenTop - 50, 0),
        above(screenTop, -half * 0.66),
      ],
      90,
    ),
    shape(
      'glass',
      [
        above(roofEnd - 20, -half * 0.58),
        above(roofEnd + 10, 0),
        above(roofEnd - 20, half * 0.58),
        above(long - 210, half * 0.66),
        above(long - 180, 0),
        above(long - 210, -half * 0.66),
      ],
      60,
    ),
    ...both((sign) => [
      shape(
        'glass',
        [above(scuttle + 210, sign * half * 0.87), above(screenTop + 40, sign * half * 0.7), above(roofEnd - 160, sign * half * 0.67), above(rear + 180, sign * half * 0.85)],
        60,
      ),
      line('panel', [above(post, sign * half * 0.68), above(post, sign * half * 0.99)], 5),
      line(
        'panel',
        roof.map(([x, share]) => above(x + 60, sign * half * (share - 0.03))),
        10,
      ),
      shape('lamp', [above(70, sign * half * 0.6), above(nose * 0.28, sign * half * 0.66), above(nose * 0.5, sign * half * 0.93), above(110, sign * half * 0.78)], 26),
      shape(
        'red',
        [above(long - 300, sign * half * 0.93), above(long - 120, sign * half * 0.69), above(long - 75, sign * half * 0.69), above(long - 190, sign * half * 0.905)],
        16,
      ),
    ]),
    line('panel', [above(scuttle - 20, -half * 0.86), above(scuttle - 120, 0), above(scuttle - 20, half * 0.86)], 260),
    line('panel', [above(nose * 0.3, -half * 0.66), above(nose * 0.16, 0), above(nose * 0.3, half * 0.66)], 240),
    line('detail', [above(scuttle - 120, -half * 0.45), above(nose * 0.22, -half * 0.36)]),
    line('detail', [above(scuttle - 120, half * 0.45), above(nose * 0.22, half * 0.36)]),
    line('panel', [above(long - 100, -half * 0.66), above(long - 60, 0), above(long - 100, half * 0.66)], 160),
  ];
  return { front, rear: back, side, top };
}
