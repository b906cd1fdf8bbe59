import type { SheetPoint } from './outline.ts';

const ROUNDS = 200;

/**
 * Moves points apart until any two are at least so far from each other, each as little as may be, so that every one can be
 * tapped. Points that lie on one spot go apart sideways. The order is kept.
 */
export function spread(points: readonly SheetPoint[], least: number): SheetPoint[] {
  const moved = points.map(([x, y]): SheetPoint => [x, y]);
  for (let round = 0; round < ROUNDS; round++) {
    let still = true;
    moved.forEach((a, index) => {
      for (const b of moved.slice(index + 1)) {
        const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
        const distance = Math.hypot(dx, dy);
        if (distance >= least - 0.5) continue;
        still = false;
        const push = (least - distance) / 2;
        const [ux, uy] = distance < 1e-6 ? [1, 0] : [dx / distance, dy / distance];
        a[0] -= ux * push;
        a[1] -= uy * push;
        b[0] += ux * push;
        b[1] += uy * push;
      }
    });
    if (still) break;
  }
  return moved;
}
