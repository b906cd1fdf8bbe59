export const VIEWS = ['front', 'rear', 'side', 'top'] as const;
/** Where the vehicle is looked at from; the side is the left one, the nose points to the left in side and top. */
export type View = (typeof VIEWS)[number];

/** A point on the sheet, in millimetres of the vehicle, to the right and down. */
export type SheetPoint = [number, number];

const text = ([x, y]: SheetPoint) => `${Math.round(x)} ${Math.round(y)}`;

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
