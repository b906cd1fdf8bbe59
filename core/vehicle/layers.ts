import type { Piece } from './profile.ts';

/**
 * How far inside each piece lies, counted from outside: 1 where nothing has to be open before it, else one more than the furthest of what the
 * easiest of its ways needs. Needs that hold on some vehicles only count as well. What waits for itself, or in a circle, counts what lies outside of that.
 */
export function layersOf(pieces: readonly Piece[]): Map<string, number> {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  const layers = new Map<string, number>();
  const open = new Set<string>();
  function layerOf(id: string): number {
    const known = layers.get(id);
    const piece = byId.get(id);
    if (known !== undefined || !piece) return known ?? 0;
    if (open.has(id)) return 0;
    open.add(id);
    const levels = piece.levels.map(({ ways }) => {
      const each = ways.map(({ needs }) => Math.max(0, ...needs.map((need) => layerOf(need.piece))));
      return each.length === 0 ? 0 : Math.min(...each);
    });
    open.delete(id);
    const layer = 1 + Math.max(0, ...levels);
    layers.set(id, layer);
    return layer;
  }
  pieces.forEach(({ id }) => layerOf(id));
  return layers;
}
