import type { AccessPlan, OpenStep } from '@jade/core/access';
import type { MountPosition, VehicleProfile, Way } from '@jade/core/vehicle';

/** A bar of the way-in drawing: one step, its length its minutes, in the layer of what must be open before it. */
export interface WayBar {
  key: string;
  piece: string;
  name: string;
  minutes: number;
  people: number;
  state: 'done' | 'next' | 'planned' | 'other';
  /** Targets that share this piece. */
  shared: number;
  x: number;
  y: number;
  width: number;
  /** A way not taken that is longer than the drawing's scale. */
  cut: boolean;
  layer: number;
}

export interface WayLink {
  path: string;
  faint: boolean;
}

export interface WayDrawing {
  bars: WayBar[];
  links: WayLink[];
  /** Places to reach; those that open together stand as one. */
  targets: { id: string; names: string[]; x: number; y: number; layer: number }[];
  layers: number;
  /** Width of one layer. */
  layerWidth: number;
  width: number;
  height: number;
}

/** Height of a bar with its name above it. */
export const BAR_HEIGHT = 27;
/** Where the bar itself lies below its top. */
export const BAR_LINE = 20;
export const TARGET_WIDTH = 134;
const TOP = 30;
const ROW = 32;
/** Between the bars of one row and the names of the next. */
const GAP_LINE = 30;
/** Length of the bend into that gap. */
const DOWN = 14;
/** From one target to the next. */
const TARGET_ROW = 42;
const LEFT = 10;
const NARROWEST = 112;
const WIDEST = 210;
const LEAST = 14;
/** Room for the minutes behind a bar. */
const FIGURE = 32;
/** Pieces of other ways that are drawn; the list beside the drawing has them all. */
const MOST_OTHERS = 3;

/** What the drawing needs of a step. */
export type DrawnStep = Pick<OpenStep, 'piece' | 'level' | 'way' | 'minutes' | 'people' | 'needs'>;
type Step = DrawnStep & { done: boolean };

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

/**
 * A line from the end of a bar to where it is needed; level with the bars, so that it does not cross their names. One that passes
 * layers by goes down into the gap between two rows, so that it does not cross their bars.
 */
function link(from: WayBar, to: { x: number; y: number; layer: number }, faint: boolean): WayLink {
  const [x0, y0, x1, y1] = [from.x + from.width + FIGURE + (from.people > 1 ? FIGURE / 2 : 0), from.y + BAR_LINE, to.x, to.y];
  const passes = to.layer > from.layer + 1;
  const gap = passes ? from.y + GAP_LINE : y0;
  const down = passes ? `C${x0 + DOWN / 2} ${y0} ${x0 + DOWN / 2} ${gap} ${x0 + DOWN} ${gap}` : '';
  const start = passes ? x0 + DOWN : x0;
  const bend = Math.max(4, Math.min(60, (x1 - start) / 2));
  return { path: `M${x0} ${y0}${down}H${Math.max(start, x1 - 2 * bend)}C${x1 - bend} ${gap} ${x1 - bend} ${y1} ${x1} ${y1}`, faint };
}

/** Places that are reached in the same ways, as one. */
function sameReach(mounts: readonly MountPosition[]): MountPosition[][] {
  const groups = new Map<string, MountPosition[]>();
  for (const mount of mounts) {
    const key = JSON.stringify(mount.reach.map((way) => [way.id, way.needs]));
    groups.set(key, [...(groups.get(key) ?? []), mount]);
  }
  return [...groups.values()];
}

/**
 * Lays the way in out in layers from the outside to the targets: what is done, what is next, what is planned, and the pieces of
 * ways that were not taken, fainter. One minute is as long everywhere in one drawing; the steps to do set the scale, and a longer
 * way not taken is cut.
 * @param profile the pieces that this vehicle has
 * @param room width at hand, in pixels; the drawing is wider where its layers would not fit
 */
export function layWayIn(profile: VehicleProfile, mounts: readonly MountPosition[], done: readonly DrawnStep[], plan: AccessPlan | undefined, room: number): WayDrawing {
  const planned = (plan?.steps ?? []).map((step) => ({ ...step, minutes: step.estimate.medianMin }));
  const steps: Step[] = [...done.map((step) => ({ ...step, done: true })), ...planned.map((step) => ({ ...step, done: false }))];
  const layers = layerOf(steps);
  const taken = new Set(steps.map((step) => step.piece));
  const others = untaken(profile, mounts, planned, taken).slice(0, MOST_OTHERS);
  const depth = Math.max(0, ...layers.values());
  const layerWidth = Math.max(NARROWEST, Math.min(WIDEST, (room - LEFT - TARGET_WIDTH) / (depth + 1)));
  const longest = Math.max(1, ...steps.map((step) => step.minutes));
  const widest = layerWidth - 52;
  const perMinute = widest / longest;
  const rows = new Map<number, number>();
  const bars: WayBar[] = [];
  const add = (piece: string, minutes: number, people: number, state: WayBar['state'], layer: number) => {
    if (bars.some((bar) => bar.piece === piece)) return;
    const row = rows.get(layer) ?? 0;
    rows.set(layer, row + 1);
    const name = profile.pieces.find((entry) => entry.id === piece)?.name ?? piece;
    const shared = plan?.neededBy[piece]?.length ?? 0;
    bars.push({
      key: piece,
      piece,
      name,
      minutes,
      people,
      state,
      shared,
      width: Math.max(LEAST, Math.min(widest, minutes * perMinute)),
      cut: minutes > longest,
      layer,
      x: LEFT + layer * layerWidth,
      y: TOP + row * ROW,
    });
  };
  const next = planned[0]?.piece;
  for (const step of [...steps].sort((a, b) => (layers.get(a.piece) ?? 0) - (layers.get(b.piece) ?? 0))) {
    add(step.piece, step.minutes, step.people, step.done ? 'done' : step.piece === next ? 'next' : 'planned', layers.get(step.piece) ?? 0);
  }
  for (const other of others) add(other.piece, other.minutes, 1, 'other', 0);
  const bar = (piece: string) => bars.filter((entry) => entry.piece === piece);
  const links = steps.flatMap((step) =>
    step.needs.flatMap((need) => bar(need.piece).flatMap((from) => bar(step.piece).map((to) => link(from, { x: to.x, y: to.y + BAR_LINE, layer: to.layer }, false)))),
  );
  const targets = sameReach(mounts).map((group, index) => ({
    id: group[0]?.id ?? '',
    names: group.map((mount) => mount.name),
    x: LEFT + (depth + 1) * layerWidth,
    y: TOP + 14 + index * TARGET_ROW,
    layer: depth + 1,
  }));
  for (const target of targets) {
    const mount = mounts.find((entry) => entry.id === target.id);
    const way = plan?.targetWays.find((entry) => entry.target === target.id)?.way ?? heldWay(mount?.reach ?? [], taken);
    for (const reach of mount?.reach ?? []) {
      for (const need of reach.needs) for (const from of bar(need.piece)) if (reach.id === way || from.state === 'other') links.push(link(from, target, reach.id !== way));
    }
  }
  const height = TOP + Math.max(2 * ROW, ...[...rows.values()].map((count) => count * ROW), targets.length * TARGET_ROW) + 2;
  return { bars, links, targets, layers: depth + 1, layerWidth, width: LEFT + (depth + 1) * layerWidth + TARGET_WIDTH, height };
}

/** The way by which a target is held once everything is open: the first whose pieces are all there. */
function heldWay(ways: readonly Way[], taken: ReadonlySet<string>): string | undefined {
  return ways.find((way) => way.needs.every((need) => taken.has(need.piece)))?.id;
}

/** Pieces that other ways of the planned steps and of the targets would have opened instead. */
function untaken(profile: VehicleProfile, mounts: readonly MountPosition[], planned: readonly DrawnStep[], taken: ReadonlySet<string>): { piece: string; minutes: number }[] {
  const found = new Map<string, { piece: string; minutes: number }>();
  const collect = (ways: readonly Way[]) => {
    for (const need of ways.flatMap((way) => way.needs)) {
      const wanted = profile.pieces.find((piece) => piece.id === need.piece)?.levels.find((entry) => entry.level === need.level);
      if (!taken.has(need.piece) && wanted) found.set(need.piece, { piece: need.piece, minutes: wanted.openMin });
    }
  };
  if (planned.length > 0) for (const mount of mounts) collect(mount.reach);
  for (const step of planned) {
    const level = profile.pieces.find((piece) => piece.id === step.piece)?.levels.find((entry) => entry.level === step.level);
    collect((level?.ways ?? []).filter((way) => way.id !== step.way));
  }
  return [...found.values()];
}
