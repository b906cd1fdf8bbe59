import type { Body, BoxMm, Measures, Piece, PointMm, VehicleProfile } from '@jade/core/vehicle';

export const VIEWS = ['front', 'rear', 'side', 'top'] as const;
/** Where the vehicle is looked at from; the side is the left one, the nose points to the left in side and top. */
export type View = (typeof VIEWS)[number];

/** A point on the sheet, in millimetres of the vehicle, to the right and down. */
export type SheetPoint = [number, number];

export interface Stroke {
  kind: 'body' | 'glass' | 'line' | 'wheel';
  path: string;
}

/** Puts a point of the vehicle onto the sheet of a view. */
export function project(view: View, { xMm, yMm, zMm }: PointMm): SheetPoint {
  if (view === 'front') return [yMm, -zMm];
  if (view === 'rear') return [-yMm, -zMm];
  return view === 'side' ? [-xMm, -zMm] : [-xMm, yMm];
}

/** The rectangle that a box of the vehicle covers on the sheet of a view. */
export function projectBox(view: View, box: BoxMm): { x: number; y: number; width: number; height: number } {
  const corners = [0, 1].map((end): SheetPoint => project(view, { xMm: box.xMm[end] ?? 0, yMm: box.yMm[end] ?? 0, zMm: box.zMm[end] ?? 0 }));
  const [[x0, y0], [x1, y1]] = [corners[0] ?? [0, 0], corners[1] ?? [0, 0]];
  return { x: Math.min(x0, x1), y: Math.min(y0, y1), width: Math.abs(x1 - x0), height: Math.abs(y1 - y0) };
}

/** A closed or open path through points with rounded corners. */
export function rounded(points: readonly SheetPoint[], radius: number, closed = true): string {
  const n = points.length;
  const toward = (from: SheetPoint, to: SheetPoint): SheetPoint => {
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
    const step = Math.min(radius, length / 2) / length;
    return [from[0] + (to[0] - from[0]) * step, from[1] + (to[1] - from[1]) * step];
  };
  const parts: string[] = [];
  points.forEach((point, index) => {
    const before = points[(index - 1 + n) % n] ?? point;
    const after = points[(index + 1) % n] ?? point;
    const end = !closed && (index === 0 || index === n - 1);
    const [into, out] = end ? [point, point] : [toward(point, before), toward(point, after)];
    const start = parts.length === 0 ? 'M' : 'L';
    parts.push(end ? `${start}${text(point)}` : `${start}${text(into)}Q${text(point)} ${text(out)}`);
  });
  return parts.join('') + (closed ? 'Z' : '');
}

const text = ([x, y]: SheetPoint) => `${Math.round(x)} ${Math.round(y)}`;
const circle = (x: number, y: number, radius: number) =>
  `M${Math.round(x - radius)} ${Math.round(y)}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0Z`;

/** Shares of a body's own proportions: lengths along x as shares of the length from the nose, heights as shares of the height. */
interface Shape {
  /** Side outline from the nose's foot over the roof to the tail: [share of length, share of height]. */
  side: SheetPoint[];
  glass: SheetPoint[][];
  lines: SheetPoint[][];
  /** Half widths from the ground up: [share of half width, share of height]. */
  front: SheetPoint[];
  windscreen: [number, number, number, number];
  /** Plan: windscreen and rear window as shares of the length. */
  plan: number[];
}

const SHAPES: Record<Body, Shape> = {
  'van-high-roof': {
    side: [
      [0.012, 0.1],
      [0, 0.19],
      [0.004, 0.3],
      [0.02, 0.4],
      [0.09, 0.475],
      [0.205, 0.9],
      [0.25, 0.975],
      [0.3, 1],
      [0.99, 0.985],
      [1, 0.92],
      [1, 0.2],
      [0.985, 0.1],
    ],
    glass: [
      [
        [0.118, 0.5],
        [0.205, 0.82],
        [0.3, 0.82],
        [0.3, 0.5],
      ],
    ],
    lines: [
      [
        [0.112, 0.47],
        [0.3, 0.47],
      ],
      [
        [0.31, 0.12],
        [0.31, 0.86],
      ],
      [
        [0.52, 0.14],
        [0.52, 0.9],
      ],
      [
        [0.1, 0.36],
        [0.99, 0.36],
      ],
      [
        [0.32, 0.4],
        [0.34, 0.4],
      ],
    ],
    front: [
      [0.8, 0.07],
      [0.97, 0.12],
      [1, 0.36],
      [0.96, 0.47],
      [0.9, 0.9],
      [0.78, 1],
    ],
    windscreen: [0.86, 0.49, 0.76, 0.84],
    plan: [0.11, 0.215],
  },
  crossover: {
    side: [
      [0.015, 0.13],
      [0, 0.26],
      [0.01, 0.42],
      [0.04, 0.55],
      [0.22, 0.62],
      [0.36, 0.93],
      [0.48, 1],
      [0.72, 0.985],
      [0.9, 0.85],
      [0.98, 0.66],
      [1, 0.5],
      [0.995, 0.25],
      [0.975, 0.14],
    ],
    glass: [
      [
        [0.27, 0.64],
        [0.38, 0.9],
        [0.52, 0.93],
        [0.52, 0.64],
      ],
      [
        [0.54, 0.64],
        [0.54, 0.93],
        [0.72, 0.91],
        [0.86, 0.68],
      ],
    ],
    lines: [
      [
        [0.53, 0.18],
        [0.53, 0.62],
      ],
      [
        [0.06, 0.5],
        [0.97, 0.56],
      ],
      [
        [0.3, 0.22],
        [0.3, 0.6],
      ],
      [
        [0.77, 0.4],
        [0.74, 0.62],
      ],
    ],
    front: [
      [0.82, 0.1],
      [0.98, 0.2],
      [1, 0.45],
      [0.95, 0.62],
      [0.78, 0.93],
      [0.6, 1],
    ],
    windscreen: [0.84, 0.65, 0.64, 0.94],
    plan: [0.24, 0.37, 0.84, 0.93],
  },
  minibus: {
    side: [
      [0.01, 0.1],
      [0, 0.2],
      [0.006, 0.34],
      [0.02, 0.45],
      [0.06, 0.49],
      [0.15, 0.92],
      [0.2, 1],
      [0.985, 0.99],
      [1, 0.93],
      [1, 0.18],
      [0.985, 0.1],
    ],
    glass: [
      [
        [0.082, 0.52],
        [0.145, 0.82],
        [0.215, 0.82],
        [0.215, 0.52],
      ],
      [
        [0.27, 0.52],
        [0.27, 0.84],
        [0.5, 0.84],
        [0.5, 0.52],
      ],
      [
        [0.515, 0.52],
        [0.515, 0.84],
        [0.74, 0.84],
        [0.74, 0.52],
      ],
      [
        [0.755, 0.52],
        [0.755, 0.84],
        [0.96, 0.84],
        [0.96, 0.52],
      ],
    ],
    lines: [
      [
        [0.225, 0.12],
        [0.225, 0.86],
      ],
      [
        [0.26, 0.12],
        [0.26, 0.86],
      ],
      [
        [0.05, 0.38],
        [0.99, 0.38],
      ],
    ],
    front: [
      [0.82, 0.07],
      [0.97, 0.12],
      [1, 0.4],
      [0.97, 0.5],
      [0.93, 0.92],
      [0.8, 1],
    ],
    windscreen: [0.87, 0.5, 0.8, 0.85],
    plan: [0.075, 0.16],
  },
  'scooter-box': {
    side: [
      [0.02, 0.34],
      [0.0, 0.42],
      [0.04, 0.5],
      [0.12, 0.56],
      [0.16, 0.62],
      [0.24, 0.62],
      [0.27, 0.3],
      [0.46, 0.28],
      [0.48, 0.46],
      [0.56, 0.5],
      [0.58, 0.42],
      [0.6, 1],
      [0.985, 1],
      [1, 0.97],
      [1, 0.42],
      [0.96, 0.34],
      [0.72, 0.26],
    ],
    glass: [
      [
        [0.16, 0.62],
        [0.2, 0.9],
        [0.225, 0.9],
        [0.24, 0.62],
      ],
    ],
    lines: [
      [
        [0.6, 0.44],
        [1, 0.44],
      ],
      [
        [0.63, 0.94],
        [0.97, 0.94],
        [0.97, 0.5],
        [0.63, 0.5],
        [0.63, 0.94],
      ],
    ],
    front: [
      [0.16, 0.2],
      [0.4, 0.36],
      [0.5, 0.42],
      [0.98, 0.44],
      [1, 0.7],
      [1, 1],
    ],
    windscreen: [0.42, 0.62, 0.36, 0.9],
    plan: [0.16, 0.24, 0.6],
  },
  'utility-side-by-side': {
    side: [
      [0.05, 0.2],
      [0.02, 0.34],
      [0.04, 0.5],
      [0.24, 0.56],
      [0.4, 0.97],
      [0.46, 1],
      [0.76, 0.99],
      [0.78, 0.94],
      [0.72, 0.54],
      [0.99, 0.54],
      [1, 0.5],
      [0.99, 0.3],
      [0.93, 0.22],
      [0.78, 0.24],
      [0.6, 0.18],
      [0.36, 0.18],
    ],
    glass: [
      [
        [0.29, 0.57],
        [0.42, 0.93],
        [0.73, 0.93],
        [0.68, 0.57],
      ],
    ],
    lines: [
      [
        [0.36, 0.2],
        [0.36, 0.56],
      ],
      [
        [0.68, 0.54],
        [0.62, 0.2],
      ],
      [
        [0.74, 0.42],
        [0.98, 0.42],
      ],
      [
        [0.44, 0.52],
        [0.6, 0.52],
      ],
    ],
    front: [
      [0.6, 0.16],
      [0.8, 0.24],
      [0.86, 0.5],
      [0.82, 0.56],
      [0.8, 0.94],
      [0.72, 1],
    ],
    windscreen: [0.76, 0.58, 0.72, 0.92],
    plan: [0.28, 0.42, 0.76],
  },
};

function sideStrokes(shape: Shape, m: Measures): Stroke[] {
  const at = ([along, up]: SheetPoint): SheetPoint => [along * m.lengthMm - m.frontOverhangMm, -up * m.heightMm];
  const wheel = m.wheelDiameterMm / 2;
  const axles = [0, m.wheelbaseMm];
  return [
    { kind: 'body', path: rounded(shape.side.map(at), m.heightMm * 0.05) },
    ...shape.glass.map((points): Stroke => ({ kind: 'glass', path: rounded(points.map(at), m.heightMm * 0.02) })),
    ...shape.lines.map((points): Stroke => ({ kind: 'line', path: rounded(points.map(at), 10, false) })),
    ...axles.flatMap((x): Stroke[] => [
      { kind: 'wheel', path: circle(x, -wheel, Math.round(wheel)) },
      { kind: 'line', path: circle(x, -wheel, Math.round(wheel * 0.58)) },
    ]),
  ];
}

function endStrokes(shape: Shape, m: Measures, rear: boolean): Stroke[] {
  const half = m.widthMm / 2;
  const at = ([out, up]: SheetPoint, sign: number): SheetPoint => [sign * out * half, -up * m.heightMm];
  const outline = [...shape.front.map((point) => at(point, -1)), ...[...shape.front].reverse().map((point) => at(point, 1))];
  const [low, lowUp, high, highUp] = shape.windscreen;
  const screen: SheetPoint[] = [
    [-low, lowUp],
    [-high, highUp],
    [high, highUp],
    [low, lowUp],
  ];
  const wheelWidth = m.wheelDiameterMm * 0.32;
  const wheels = m.trackMm > 0 ? [-1, 1] : [];
  return [
    ...wheels.map((sign): Stroke => {
      const middle = (sign * m.trackMm) / 2;
      const box: SheetPoint[] = [
        [middle - wheelWidth / 2, 0],
        [middle - wheelWidth / 2, -m.wheelDiameterMm],
        [middle + wheelWidth / 2, -m.wheelDiameterMm],
        [middle + wheelWidth / 2, 0],
      ];
      return { kind: 'wheel', path: rounded(box, 40) };
    }),
    { kind: 'body', path: rounded(outline, m.heightMm * 0.045) },
    {
      kind: 'glass',
      path: rounded(
        screen.map((point) => at(point, 1)),
        m.heightMm * 0.02,
      ),
    },
    ...(rear
      ? [{ kind: 'line' as const, path: rounded([at([0, 0.12], 1), at([0, 0.95], 1)], 5, false) }]
      : [{ kind: 'line' as const, path: rounded([at([low, lowUp - 0.03], -1), at([low, lowUp - 0.03], 1)], 5, false) }]),
  ];
}

function topStrokes(shape: Shape, m: Measures): Stroke[] {
  const half = m.widthMm / 2;
  const nose = -m.frontOverhangMm;
  const tail = nose + m.lengthMm;
  const outline: SheetPoint[] = [
    [nose + 90, half * 0.9],
    [nose, half * 0.55],
    [nose, -half * 0.55],
    [nose + 90, -half * 0.9],
    [nose + 320, -half],
    [tail - 60, -half * 0.98],
    [tail, -half * 0.9],
    [tail, half * 0.9],
    [tail - 60, half * 0.98],
    [nose + 320, half],
  ];
  const cross = shape.plan.map((share): Stroke => ({
    kind: 'line',
    path: rounded(
      [
        [nose + share * m.lengthMm, -half * 0.9],
        [nose + share * m.lengthMm - 40, 0],
        [nose + share * m.lengthMm, half * 0.9],
      ],
      200,
      false,
    ),
  }));
  return [{ kind: 'body', path: rounded(outline, 140) }, ...cross];
}

/** The lines of a body in one view, drawn to its measures. */
export function outline(body: Body, view: View, measures: Measures): Stroke[] {
  const shape = SHAPES[body];
  if (view === 'side') return sideStrokes(shape, measures);
  return view === 'top' ? topStrokes(shape, measures) : endStrokes(shape, measures, view === 'rear');
}

/** The part of the sheet a view takes, with a margin all round: x, y, width, height in millimetres. */
export function frame(view: View, m: Measures, marginMm = 160): [number, number, number, number] {
  const half = m.widthMm / 2;
  const [x, y, width, height] =
    view === 'side'
      ? [-m.frontOverhangMm, -m.heightMm, m.lengthMm, m.heightMm]
      : view === 'top'
        ? [-m.frontOverhangMm, -half, m.lengthMm, m.widthMm]
        : [-half, -m.heightMm, m.widthMm, m.heightMm];
  return [x - marginMm, y - marginMm, width + 2 * marginMm, height + 2 * marginMm];
}

/** The part of a view round some points, no larger than the whole view, at least `leastMm` each way. */
export function frameAround(view: View, m: Measures, points: readonly PointMm[], marginMm = 300, leastMm = 1400): [number, number, number, number] {
  const [x, y, width, height] = frame(view, m);
  if (points.length === 0) return [x, y, width, height];
  const spot = points.map((point) => project(view, point));
  const span = (values: number[], low: number, size: number): [number, number] => {
    const middle = (Math.min(...values) + Math.max(...values)) / 2;
    const wanted = Math.min(size, Math.max(leastMm, Math.max(...values) - Math.min(...values) + 2 * marginMm));
    return [Math.max(low, Math.min(middle - wanted / 2, low + size - wanted)), wanted];
  };
  const [left, wide] = span(
    spot.map((point) => point[0]),
    x,
    width,
  );
  const [top, high] = span(
    spot.map((point) => point[1]),
    y,
    height,
  );
  return [left, top, wide, high];
}

/** Pieces that make up the face of a view: those at the very front or rear, to give the drawing its features. */
export function outerPieces({ pieces, measures }: VehicleProfile, view: View): Piece[] {
  const nose = measures.frontOverhangMm;
  if (view === 'front') return pieces.filter((piece) => piece.zone === 'front' && piece.box.xMm[1] > nose - 130);
  return view === 'rear' ? pieces.filter((piece) => piece.zone === 'rear' && piece.box.xMm[0] < nose - measures.lengthMm + 130) : [];
}
