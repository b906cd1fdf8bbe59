import type { MirrorPen, Pen } from './pen.ts';
import type { PlateStroke } from './plate.ts';

/** Mirrors of a car, from ahead or behind: at the waist, in mm of the pen's vehicle of this half width. */
export const carMirrors = (e: MirrorPen, half: number, waist: number): PlateStroke[] =>
  e.twin((p) => [
    p.shape('black', [half * 0.9, waist + 10, half + 25, waist + 15, half + 110, waist + 40, half + 105, waist + 140, half + 10, waist + 155, half * 0.9, waist + 70], 30),
  ]);

/** Heights and half widths of a car's face, in mm of the pen's vehicle. */
export interface CarFace {
  half: number;
  roof: number;
  /** Where bonnet and windscreen meet. */
  bonnet: number;
  waist: number;
  sill: number;
}

/** Outline of a car from ahead or behind: the left half from the roof down. */
export const carOutline = (e: MirrorPen, { half, roof, bonnet, waist, sill }: CarFace): PlateStroke =>
  e.whole(
    'body',
    [
      half * 0.45,
      roof,
      half * 0.64,
      roof * 0.975,
      half * 0.74,
      roof * 0.88,
      half * 0.9,
      waist,
      half * 0.99,
      bonnet * 0.82,
      half,
      bonnet * 0.55,
      half * 0.985,
      sill + 90,
      half * 0.9,
      sill - 20,
    ],
    90,
  );

/** Windscreen with its wipers, bonnet with its creases. */
export function carScreen(e: MirrorPen, { half, roof, bonnet, waist }: CarFace): PlateStroke[] {
  return [
    e.whole('glass', [half * 0.56, roof * 0.945, half * 0.65, roof * 0.9, half * 0.81, waist + 15, half * 0.5, bonnet + 35], 50),
    e.line('panel', [half * 0.72, bonnet + 55, -half * 0.05, bonnet + 85]),
    e.line('panel', [-half * 0.62, bonnet + 45, half * 0.02, bonnet + 105]),
    e.arc('panel', [half * 0.83, bonnet + 10, half * 0.84, bonnet * 0.86, half * 0.55, bonnet * 0.775], 60),
    e.line('detail', [half * 0.42, bonnet + 15, half * 0.33, bonnet * 0.8]),
    e.line('detail', [-half * 0.42, bonnet + 15, -half * 0.33, bonnet * 0.8]),
  ];
}

/** Headlamp of one side: two lenses and the turn lamp at its outer end. */
export const carHeadlamp = (p: Pen, half: number, bonnet: number): PlateStroke[] => [
  p.shape(
    'lamp',
    [half * 0.5, bonnet * 0.68, half * 0.55, bonnet * 0.76, half * 0.88, bonnet * 0.84, half * 0.95, bonnet * 0.8, half * 0.88, bonnet * 0.68, half * 0.7, bonnet * 0.64],
    28,
  ),
  p.disc('lens', [half * 0.73, bonnet * 0.735], 48),
  p.disc('lens', [half * 0.61, bonnet * 0.715], 38),
  p.shape('turn', [half * 0.81, bonnet * 0.8, half * 0.88, bonnet * 0.815, half * 0.9, bonnet * 0.75, half * 0.83, bonnet * 0.71], 10),
];

/** The face of a road car under its bonnet: grille, bumper with intake, number plate and fog places, headlamps. */
export function carNose(e: MirrorPen, { half, bonnet, sill }: CarFace): PlateStroke[] {
  return [
    e.whole('black', [half * 0.42, bonnet * 0.72, half * 0.45, bonnet * 0.66, half * 0.36, bonnet * 0.57], 30),
    ...[0.68, 0.64, 0.6].map((up) => e.line('detail', [half * 0.41, bonnet * up, -half * 0.41, bonnet * up])),
    e.whole('blank', [half * 0.07, bonnet * 0.72, half * 0.08, bonnet * 0.66, half * 0.04, bonnet * 0.61], 20),
    e.arc('panel', [half * 0.99, bonnet * 0.6, half * 0.9, bonnet * 0.63, half * 0.5, bonnet * 0.54], 60),
    e.whole('black', [half * 0.5, bonnet * 0.4, half * 0.56, bonnet * 0.33, half * 0.46, sill + 10], 30),
    e.line('detail', [half * 0.5, bonnet * 0.33, -half * 0.5, bonnet * 0.33]),
    e.box('blank', [-250, bonnet * 0.52, 250, bonnet * 0.42], 12),
    e.whole('black', [half * 0.95, sill + 40, half * 0.89, sill - 15], 14),
    ...e.twin((p) => [
      ...carHeadlamp(p, half, bonnet),
      p.shape('blank', [half * 0.62, bonnet * 0.42, half * 0.86, bonnet * 0.46, half * 0.88, bonnet * 0.32, half * 0.66, bonnet * 0.28], 24),
      p.disc('lens', [half * 0.76, bonnet * 0.37], 34),
    ]),
  ];
}

/** Where the cabin of a car lies along it, in mm behind the front axle. */
export interface CarPlan {
  nose: number;
  scuttle: number;
  screenTop: number;
  post: number;
  roofEnd: number;
  /** Foot of the rear window. */
  rearFoot: number;
  tail: number;
  half: number;
}

/** A car from above: bonnet, windscreen, side glass, roof, rear window, tail. */
export function carTop(t: MirrorPen, { nose, scuttle, screenTop, post, roofEnd, rearFoot, tail, half }: CarPlan): PlateStroke[] {
  return [
    ...t.twin((p) => [p.shape('black', [scuttle + 190, half - 15, scuttle + 150, half + 95, scuttle + 240, half + 105, scuttle + 290, half - 15], 30)]),
    t.whole('body', [tail, half * 0.5, tail - 60, half * 0.86, tail - 330, half * 0.98, scuttle, half, nose * 0.35, half * 0.98, nose * 0.9, half * 0.8, nose, half * 0.4], 120),
    t.whole('glass', [scuttle - 60, 0, scuttle + 30, half * 0.8, screenTop, half * 0.64, screenTop - 45, 0], 90),
    t.whole('glass', [roofEnd + 25, 0, roofEnd, half * 0.58, rearFoot, half * 0.68, rearFoot + 35, 0], 60),
    ...t.twin((p) => [
      p.shape('glass', [scuttle + 210, half * 0.86, screenTop + 40, half * 0.69, roofEnd - 120, half * 0.65, rearFoot - 200, half * 0.82], 60),
      p.line('panel', [post, half * 0.66, post, half * 0.99]),
      p.shape('lamp', [nose * 0.92, half * 0.55, nose * 0.68, half * 0.64, nose * 0.42, half * 0.93, nose * 0.86, half * 0.78], 26),
      p.shape('red', [tail - 260, half * 0.94, tail - 110, half * 0.72, tail - 50, half * 0.72, tail - 110, half * 0.87], 16),
    ]),
    t.arc('panel', [scuttle - 20, half * 0.86, scuttle - 110, 0], 260),
    t.arc('panel', [nose * 0.74, half * 0.62, nose * 0.88, 0], 240),
    t.line('detail', [scuttle - 110, half * 0.44, nose * 0.8, half * 0.34]),
    t.line('detail', [scuttle - 110, -half * 0.44, nose * 0.8, -half * 0.34]),
  ];
}

/** A tail lamp that reaches from the wing onto the lid, from behind. */
export const carTailLamp = (p: Pen, half: number, top: number, bottom: number): PlateStroke[] => [
  p.shape('red', [half * 0.6, top - 20, half * 0.88, top, half * 0.94, top - 60, half * 0.93, bottom + 10, half * 0.62, bottom + 20], 24),
  p.shape('turn', [half * 0.8, top - 30, half * 0.87, top - 24, half * 0.9, (top + bottom) / 2, half * 0.8, (top + bottom) / 2 - 5], 10),
  p.shape('lens', [half * 0.66, (top + bottom) / 2 - 5, half * 0.77, (top + bottom) / 2 - 3, half * 0.77, bottom + 35, half * 0.66, bottom + 35], 10),
];

/** Rear bumper: black lower part, reflectors, reversing place, exhaust side left plain. */
export function carRearBumper(e: MirrorPen, { half, bonnet, sill }: CarFace): PlateStroke[] {
  return [
    e.arc('panel', [half * 0.99, bonnet * 0.62, half * 0.7, bonnet * 0.6], 40),
    e.whole('black', [half * 0.58, bonnet * 0.34, half * 0.9, bonnet * 0.32, half * 0.93, sill + 30, half * 0.88, sill - 15], 30),
    ...e.twin((p) => [p.box('red', [half * 0.68, bonnet * 0.44, half * 0.86, bonnet * 0.4], 8)]),
    e.box('lens', [-70, bonnet * 0.3, 70, bonnet * 0.25], 8),
  ];
}
