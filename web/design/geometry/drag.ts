import type { BoxMm, PointMm } from '@jade/core/vehicle';
import type { View } from './paths.ts';

type Axis = 'xMm' | 'yMm' | 'zMm';
/** Which way of the vehicle a way on the sheet is, and whether it runs against it. */
const ACROSS: Readonly<Record<View, { axis: Axis; sign: 1 | -1 }>> = {
  front: { axis: 'yMm', sign: 1 },
  rear: { axis: 'yMm', sign: -1 },
  side: { axis: 'xMm', sign: -1 },
  top: { axis: 'xMm', sign: -1 },
};
const DOWN: Readonly<Record<View, { axis: Axis; sign: 1 | -1 }>> = {
  front: { axis: 'zMm', sign: -1 },
  rear: { axis: 'zMm', sign: -1 },
  side: { axis: 'zMm', sign: -1 },
  top: { axis: 'yMm', sign: 1 },
};

/** What is taken hold of on a box: an edge as it is seen on the sheet, or all of it. */
export const GRIPS = ['left', 'right', 'above', 'below', 'whole'] as const;
export type Grip = (typeof GRIPS)[number];

/** Places are set by hand to five millimetres; nobody measures a panel more closely. */
const STEP_MM = 5;
const stepped = (mm: number) => Math.round(mm / STEP_MM) * STEP_MM;

function shifted([low, high]: [number, number], by: number, end: 'low' | 'high' | 'both'): [number, number] {
  if (end === 'both') return [low + by, high + by];
  // An edge that is dragged over the other stops there.
  return end === 'low' ? [Math.min(low + by, high), high] : [low, Math.max(high + by, low)];
}

/** A box of which an edge, or all, was dragged by so many millimetres of the sheet, across and down; what is not seen in the view stays. */
export function draggedBox(view: View, box: BoxMm, grip: Grip, [dx, dy]: readonly [number, number]): BoxMm {
  const next = { ...box };
  const move = ({ axis, sign }: { axis: Axis; sign: 1 | -1 }, mm: number, ahead: boolean | undefined) => {
    const by = stepped(mm) * sign;
    if (by === 0) return;
    // The edge that lies ahead on the sheet is the higher end where the sheet runs along the vehicle.
    next[axis] = shifted(next[axis], by, ahead === undefined ? 'both' : ahead === sign > 0 ? 'high' : 'low');
  };
  if (grip === 'left' || grip === 'right' || grip === 'whole') move(ACROSS[view], dx, grip === 'whole' ? undefined : grip === 'right');
  if (grip === 'above' || grip === 'below' || grip === 'whole') move(DOWN[view], dy, grip === 'whole' ? undefined : grip === 'below');
  return next;
}

/** A point that was dragged by so many millimetres of the sheet. */
export function draggedPoint<P extends PointMm>(view: View, point: P, [dx, dy]: readonly [number, number]): P {
  const next = { ...point };
  for (const [{ axis, sign }, mm] of [
    [ACROSS[view], dx],
    [DOWN[view], dy],
  ] as const)
    next[axis] = (point[axis] + stepped(mm) * sign) as P[Axis];
  return next;
}
