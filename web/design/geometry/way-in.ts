import type { AccessPlan, OpenStep } from '@jade/core/access';
import type { MountPosition, VehicleProfile } from '@jade/core/vehicle';

/** A bar of the way-in drawing: one step, its length its minutes, in the layer of what must be open before it. */
export interface WayBar {
  key: string;
  piece: string;
  name: string;
  minutes: number;
  people: number;
  state: 'done' | 'next' | 'planned' | 'other';
  x: number;
  y: number;
  width: number;
  layer: number;
}

export interface WayLink {
  path: string;
  faint: boolean;
}

export interface WayDrawing {
  bars: WayBar[];
  links: WayLink[];
  targets: { id: string; name: string; x: number; y: number }[];
  layers: number;
  width: number;
  height: number;
}

export const BAR_HEIGHT = 30;
const ROW = 35;
export const LAYER = 148;
const PER_MINUTE = 9;
const LEAST = 26;
const LONGEST = LAYER - 48;

interface Step {
  piece: string;
  level: string;
  minutes: number;
  people: number;
  needs: { piece: string }[];
  done: boolean;
}

function layerOf(steps: readonly Step[]): Map<string, number> {
  const layers = new Map<string, number>();
  const visit = (piece: string, trail: readonly string[]): number => {
    const known = layers.get(piece);
    if (known !== undefined) return known;
    if (trail.includes(piece)) return 0;
    const needs = steps.filter((step) => step.piece === piece).flatMap((step) => step.needs);
    const below = needs.filter((need) => steps.some((step) => step.piece === need.piece)).map((need) => visit(need.piece, [...trail, piece]) + 1);
    const layer = Math.max(0, ...below);
    layers.set(piece, layer);
    return layer;
  };
  for (const step of steps) visit(step.piece, []);
  return layers;
}

function link(from: WayBar, to: { x: number; y: number }, faint = false): WayLink {
  const [x0, y0, x1, y1] = [from.x + from.width, from.y + BAR_HEIGHT / 2, to.x, to.y];
  const bend = Math.max(14, (x1 - x0) / 2);
  return { path: `M${x0} ${y0}C${x0 + bend} ${y0} ${x1 - bend} ${y1} ${x1} ${y1}`, faint };
}

/**
 * Lays the way in out in layers from the outside to the targets: what is done, what is next, what is planned, and the pieces of
 * ways that were not taken, fainter.
 */
export function layWayIn(profile: VehicleProfile, mounts: readonly MountPosition[], done: readonly OpenStep[], plan: AccessPlan | undefined): WayDrawing {
  const planned = plan?.steps ?? [];
  const steps: Step[] = [...done.map((step) => ({ ...step, done: true })), ...planned.map((step) => ({ ...step, done: false }))];
  const layers = layerOf(steps);
  const taken = new Set(steps.map((step) => step.piece));
  const name = (id: string) => profile.pieces.find((piece) => piece.id === id)?.name ?? id;
  const others = untaken(profile, planned, taken);
  const depth = Math.max(0, ...layers.values());
  const rows = new Map<number, number>();
  const place = (layer: number) => {
    const row = rows.get(layer) ?? 0;
    rows.set(layer, row + 1);
    return { x: 8 + layer * LAYER, y: 34 + row * ROW };
  };
  const bars: WayBar[] = [];
  const seen = new Set<string>();
  const add = (piece: string, minutes: number, people: number, state: WayBar['state'], layer: number) => {
    if (seen.has(piece)) return;
    seen.add(piece);
    const width = Math.min(LONGEST, Math.max(LEAST, minutes * PER_MINUTE));
    bars.push({ key: piece, piece, name: name(piece), minutes, people, state, width, layer, ...place(layer) });
  };
  const next = planned[0]?.piece;
  for (const step of [...steps].sort((a, b) => (layers.get(a.piece) ?? 0) - (layers.get(b.piece) ?? 0))) {
    add(step.piece, step.minutes, step.people, step.done ? 'done' : step.piece === next ? 'next' : 'planned', layers.get(step.piece) ?? 0);
  }
  for (const other of others) add(other.piece, other.minutes, 1, 'other', Math.min(depth, other.layer));
  const bar = new Map(bars.map((entry) => [entry.piece, entry]));
  const links = steps.flatMap((step) => step.needs.flatMap((need) => betweenBars(bar.get(need.piece), bar.get(step.piece))));
  const targets = mounts.map((mount, index) => ({ id: mount.id, name: mount.name, x: 8 + (depth + 1) * LAYER, y: 46 + index * 56 }));
  for (const target of targets) {
    const reach = mounts.find((mount) => mount.id === target.id)?.reach[0]?.needs ?? [];
    for (const need of reach) {
      const from = bar.get(need.piece);
      if (from) links.push(link(from, target));
    }
  }
  const height = 34 + Math.max(2, ...rows.values(), targets.length * 1.5) * ROW + 6;
  return { bars, links, targets, layers: depth + 1, width: 8 + (depth + 1) * LAYER + 150, height };
}

function betweenBars(from: WayBar | undefined, to: WayBar | undefined): WayLink[] {
  return from && to ? [link(from, { x: to.x, y: to.y + BAR_HEIGHT / 2 })] : [];
}

/** Pieces that other ways of the planned steps would have opened instead. */
function untaken(profile: VehicleProfile, planned: readonly OpenStep[], taken: ReadonlySet<string>): { piece: string; minutes: number; layer: number }[] {
  const found = new Map<string, { piece: string; minutes: number; layer: number }>();
  for (const step of planned) {
    const level = profile.pieces.find((piece) => piece.id === step.piece)?.levels.find((entry) => entry.level === step.level);
    for (const way of level?.ways ?? []) {
      if (way.id === step.way) continue;
      for (const need of way.needs) {
        const wanted = profile.pieces.find((piece) => piece.id === need.piece)?.levels.find((entry) => entry.level === need.level);
        if (!taken.has(need.piece) && wanted) found.set(need.piece, { piece: need.piece, minutes: wanted.openMin, layer: 0 });
      }
    }
  }
  return [...found.values()];
}
