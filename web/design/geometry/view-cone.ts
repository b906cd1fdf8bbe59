import type { Sensor } from '@jade/core/vehicle';
import { project, type SheetPoint } from './outline.ts';

const DEG = Math.PI / 180;

/** A sensor's field of view from above as a sector, drawn so far out; turned by an error, if there is one. Where it is not known there is only its axis. */
export function viewSector({ pose, fieldOfView }: Sensor, turnedDeg: number, reachMm: number): { path?: string; axis: string; from: SheetPoint } {
  const from = project('top', pose);
  const ray = (angleDeg: number): SheetPoint => project('top', { xMm: pose.xMm + reachMm * Math.cos(angleDeg * DEG), yMm: pose.yMm + reachMm * Math.sin(angleDeg * DEG), zMm: 0 });
  const heading = pose.yawDeg + turnedDeg;
  const text = ([x, y]: SheetPoint) => `${Math.round(x)} ${Math.round(y)}`;
  const axis = `M${text(from)}L${text(ray(heading))}`;
  if (!fieldOfView) return { axis, from };
  const half = Math.min(89, fieldOfView.horizontalDeg / 2);
  return { path: `M${text(from)}L${text(ray(heading + half))}A${reachMm} ${reachMm} 0 0 1 ${text(ray(heading - half))}Z`, axis, from };
}
