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

/** How many points stand for a curve of a path, at each turn. */
const CURVE_POINTS = 3;

/**
 * The points of a closed or open path of the kinds that are drawn here: straight lines, quadratic corners (`Q`), half circles (`a`) and arches (`A`),
 * curves as points along them. In millimetres of the sheet.
 */
export function flattened(path: string): SheetPoint[] {
  const points: SheetPoint[] = [];
  let from: SheetPoint = [0, 0];
  const add = (point: SheetPoint) => points.push((from = point));
  const round = ([x, y]: SheetPoint, radius: number, start: number, end: number) => {
    const turns = CURVE_POINTS * 4;
    for (let step = 1; step <= turns; step += 1) {
      const angle = start + ((end - start) * step) / turns;
      points.push([x + Math.cos(angle) * radius, y + Math.sin(angle) * radius]);
    }
    from = points.at(-1) ?? from;
  };
  for (const [, command = '', rest = ''] of path.matchAll(/([MLQAa])([^MLQAaZ]*)/g)) {
    const numbers = rest.match(/-?\d+(\.\d+)?/g)?.map(Number) ?? [];
    const [x = 0, y = 0] = numbers.slice(-2);
    if (command === 'a') round([from[0] + x / 2, from[1]], Math.abs(x / 2), x > 0 ? Math.PI : 0, x > 0 ? 2 * Math.PI : Math.PI);
    else if (command === 'A') {
      const [radius = 0, , , large] = numbers;
      const middle = (from[0] + x) / 2;
      const rise = Math.sqrt(Math.max(0, radius ** 2 - ((x - from[0]) / 2) ** 2)) * (large ? -1 : 1);
      const spread = Math.atan2(-rise, (x - from[0]) / 2);
      round([middle, y + rise], radius, -Math.PI - spread, spread);
    } else if (command === 'Q') {
      const [cx = 0, cy = 0] = numbers;
      const [x0, y0] = from;
      for (let step = 1; step <= CURVE_POINTS; step += 1) {
        const t = step / CURVE_POINTS;
        const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t ** 2];
        add([a * x0 + b * cx + c * x, a * y0 + b * cy + c * y]);
      }
    } else add([x, y]);
  }
  return points;
}
