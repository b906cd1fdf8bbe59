import type { KitLeg } from '../kit/index.ts';
import { levelRank, needsHold, type LevelNeed, type RouteSegment, type Side } from '../vehicle/index.ts';
import { assignLegs, boreFor, bundleDiameterMm, cheapestPaths, neededMm, type LegUse, type RoutePath } from '../wiring/index.ts';
import { once, type JobContext, connectionsOf, fitStepsOf, kitsOnVehicle, ledOf, type KitOnVehicle, carriedPins, wireTableOf } from '../job/index.ts';
import { jointList } from './joint-list.ts';
import { wireJoints } from './wire.ts';

/** At most so many ways are offered for a leg. */
const MOST_PATHS = 4;
/** Cable is tied so often. */
const TIE_EVERY_MM = 250;

/** A way for a leg, with what laying it asks. */
export interface LegPath extends RoutePath {
  id: string;
  along: RouteSegment[];
  needs: LevelNeed[];
  layMin: number;
}

/** A lamp of a kit and the cable that leads to it. */
export interface LegRoute {
  kit: string;
  lamp: string;
  side: Side;
  /** Cheapest first; empty where the ways of the vehicle do not lead there. */
  paths: LegPath[];
  /** The one that is laid, or to be laid. */
  path?: LegPath;
  /** Which leg goes there, how much of it is needed, and what is over or missing. */
  use?: LegUse;
  /** The fitting step that lays it, where the kit has one. */
  step?: string;
  laid: boolean;
}

export const pathId = (segments: readonly string[]): string => segments.join('+');

/** The highest level of each piece that the segments of a way need open, of those that this vehicle has. */
function needsOf({ pieces }: JobContext['profile'], along: readonly RouteSegment[]): LevelNeed[] {
  const there = new Set(pieces.map(({ id }) => id));
  const needs = new Map<string, LevelNeed>();
  for (const need of along.flatMap((segment) => segment.needs).filter(({ piece }) => there.has(piece))) {
    const known = needs.get(need.piece);
    if (!known || levelRank(need.level) > levelRank(known.level)) needs.set(need.piece, need);
  }
  return [...needs.values()];
}

/** Segments that may be used: none with a hole to be drilled that nobody agreed to. */
const allowed = once(({ profile, state }: JobContext): RouteSegment[] =>
  (profile.cableWays?.segments ?? []).filter(({ id, drill }) => !drill || state.drillAgreed[id] !== undefined),
);

/** Where the cable to a lamp begins: at the plug of the vehicle, or where the kit's own feed begins. */
function startOf({ profile }: JobContext, onVehicle: KitOnVehicle, lamp: string): string | undefined {
  const { kit } = onVehicle;
  const places = profile.cableWays?.places ?? [];
  const connection = connectionsOf(onVehicle).find(({ lamps }) => lamps.includes(lamp));
  const feed = kit.feeds.find(({ id }) => id === connection?.feed.circuit);
  const led = connection && ledOf(onVehicle, connection).find(({ circuit }) => circuit?.id === connection.feed.circuit);
  if (led?.relay) return places.find(({ role }) => role === 'relay')?.id ?? places.find(({ role }) => role === 'battery')?.id;
  if (feed) return places.find(({ role }) => role === (feed.relay === undefined ? 'battery' : 'relay'))?.id ?? places.find(({ role }) => role === 'battery')?.id;
  return places.find(({ plugs }) => connection && plugs?.includes(led?.at?.plug.id ?? connection.vehiclePlug))?.id;
}

/** Mount positions of the lamps that a leg reaches: its own, and those of its joint that have no leg. */
function endsOf(context: JobContext, onVehicle: KitOnVehicle, leg: KitLeg): string[] {
  const joint = connectionsOf(onVehicle).find(({ lamps }) => lamps.includes(leg.lamp));
  const others = (joint?.lamps ?? []).filter((lamp) => !onVehicle.kit.legs.some((entry) => entry.lamp === lamp));
  const first = onVehicle.kit.legs.find(({ lamp }) => joint?.lamps.includes(lamp))?.id === leg.id;
  const lamps = first ? [leg.lamp, ...others] : [leg.lamp];
  const mounts = (onVehicle.fitment?.mounts ?? []).filter(({ lamp }) => lamps.includes(lamp)).map(({ mount }) => mount);
  return (context.profile.cableWays?.places ?? []).filter(({ mounts: here }) => here?.some((mount) => mounts.includes(mount))).map(({ id }) => id);
}

/** Whether what a fitting step or a person lays is laid: all passes of the step, or its own tap. */
function isLaid({ state }: JobContext, kit: string, leg: string, step: { id: string; passes: readonly string[] } | undefined): boolean {
  if (step) return step.passes.every((pass) => (state.passes[kit]?.[step.id] ?? []).some((done) => done === pass));
  return state.laid[`${kit}/${leg}`] !== undefined;
}

function routesOfKit(context: JobContext, onVehicle: KitOnVehicle): LegRoute[] {
  const { profile, state, rules } = context;
  const { kit } = onVehicle;
  const segments = allowed(context);
  const byId = new Map(segments.map((segment) => [segment.id, segment]));
  const ends = kit.legs.map((leg) => {
    const from = startOf(context, onVehicle, leg.lamp);
    const far = endsOf(context, onVehicle, leg).map((to) => (from === undefined ? [] : cheapestPaths(segments, from, to, MOST_PATHS)));
    // The last of several lamps on one run: the others are passed on the way.
    const found = far.reduce<RoutePath[]>((most, paths) => ((paths[0]?.costMm ?? -1) > (most[0]?.costMm ?? -1) ? paths : most), []);
    const paths = found.map((path): LegPath => {
      const along = path.segments.flatMap((id) => byId.get(id) ?? []);
      return { ...path, id: pathId(path.segments), along, needs: needsOf(profile, along), layMin: along.reduce((sum, { layMin }) => sum + layMin, 0) };
    });
    const wanted = state.laid[`${kit.slug}/${leg.id}`] ?? state.routes[`${kit.slug}/${leg.id}`];
    const path = paths.find(({ id }) => id === wanted) ?? (wanted === undefined ? paths.find(({ needs }) => needsHold(needs, state.pieces)) : undefined) ?? paths[0];
    const liftOutMm = profile.cableWays?.places.find(({ id }) => id === path?.places.at(-1))?.liftOutMm ?? 0;
    return { leg, paths, path, liftOutMm };
  });
  const needs = ends.flatMap(({ leg, path, liftOutMm }) => (path ? [{ lamp: leg.lamp, neededMm: neededMm(path.lengthMm, rules.electrics.slackEndMm, liftOutMm) }] : []));
  const uses = assignLegs(needs, kit.legs);
  return ends.map(({ leg, paths, path }): LegRoute => {
    const step = fitStepsOf(onVehicle).find(({ lays }) => lays?.includes(leg.id));
    const use = uses.find(({ lamp }) => lamp === leg.lamp);
    const side = kit.lamps.find(({ id }) => id === leg.lamp)?.side ?? 'centre';
    return {
      kit: kit.slug,
      lamp: leg.lamp,
      side,
      paths,
      ...(path ? { path } : {}),
      ...(use ? { use } : {}),
      ...(step ? { step: step.id } : {}),
      laid: isLaid(context, kit.slug, leg.id, step),
    };
  });
}

/** The ways of all legs of the job; undefined where the ways for cable of this vehicle are not described. */
export const legRoutes = once((context: JobContext): LegRoute[] | undefined =>
  context.profile.cableWays ? kitsOnVehicle(context).flatMap((onVehicle) => routesOfKit(context, onVehicle)) : undefined,
);

/** The leg that a route was planned for: its kit's leg of that lamp. */
export const legOf = ({ kits }: JobContext, { kit, lamp }: Pick<LegRoute, 'kit' | 'lamp'>): string =>
  kits.find(({ slug }) => slug === kit)?.legs.find((leg) => leg.lamp === lamp)?.id ?? lamp;

/** What laying the legs of the job uses up. */
export interface RouteParts {
  ties: number;
  /** Seals that are opened and closed again. */
  seals: string[];
  /** Loom over a leg of its own: the bore that goes over its wires, and how long; undefined bore where nobody said how thick the wires are. */
  looms: { kit: string; leg: string; boreMm?: number; lengthMm: number }[];
  /** Sleeves for joints: one for each wire that is extended, one for each ring terminal, each tap and each crimped joint. */
  sleeves: number;
}

/** How thick the wires of a leg are over their insulation, by the rule set's table: the next size that says so. */
function outerMmOf({ rules }: JobContext, areaMm2: number): number | undefined {
  return wireTableOf({ rules }).permitted.find((line) => line.areaMm2 >= areaMm2 - 1e-9)?.outerMm;
}

/** Wires that go to a lamp in a leg: those of its plug that carry something, its ground where that comes back in the leg. */
function wiresIn(context: JobContext, { kit: slug, lamp }: LegRoute): number {
  const kit = context.kits.find((entry) => entry.slug === slug);
  const joint = wireJoints(context).find((entry) => entry.kit.slug === slug && entry.connection.lamps.includes(lamp));
  const ground = kit?.legs.find((leg) => leg.lamp === lamp)?.wire?.ground;
  return Math.max(1, (joint ? carriedPins(joint) : []).filter(({ carries }) => carries !== 'empty' && (carries !== 'ground' || ground !== 'at lamp')).length);
}

/** What laying the legs of the job uses up: ties, seals, loom by its bore, sleeves for what is extended, tapped or put on a stud. */
export function routeParts(context: JobContext): RouteParts {
  const routes = (legRoutes(context) ?? []).filter(({ path }) => path && path.lengthMm > 0);
  const looms = routes.map((route) => {
    const leg = legOf(context, route);
    const wire = context.kits.find(({ slug }) => slug === route.kit)?.legs.find(({ id }) => id === leg)?.wire;
    const outerMm = wire && outerMmOf(context, wire.areaMm2);
    const boreMm = outerMm === undefined ? undefined : boreFor(bundleDiameterMm(new Array<number>(wiresIn(context, route)).fill(outerMm)));
    return { kit: route.kit, leg, ...(boreMm === undefined ? {} : { boreMm }), lengthMm: route.path?.lengthMm ?? 0 };
  });
  const extended = routes.filter(({ use }) => (use?.surplusMm ?? 0) < 0).reduce((sum, route) => sum + wiresIn(context, route), 0);
  const onStudsAndWires = jointList(context).filter(({ method }) => ['ring terminal', 'tap', 'crimp', 'fuse tap'].includes(method)).length;
  return {
    ties: routes.reduce((sum, { path }) => sum + Math.ceil((path?.lengthMm ?? 0) / TIE_EVERY_MM) + 1, 0),
    seals: [...new Set(routes.flatMap(({ path }) => (path?.along ?? []).flatMap(({ seal }) => seal ?? [])))],
    looms,
    sleeves: extended + onStudsAndWires,
  };
}
