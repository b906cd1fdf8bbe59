import type { Stroke } from '@jade/core/events';

/** Strokes of a signature as one path, in the field's own thousandths. */
export function strokePath(strokes: readonly Stroke[]): string {
  return strokes.map(({ points }) => points.map((value, place) => (place % 2 === 0 ? `${place === 0 ? 'M' : 'L'}${value}` : ` ${value}`)).join('')).join('');
}
