import type { AccessPlan } from '../access/index.ts';
import type { Gate } from '../closing/index.ts';
import { PASSES, type FitStep, type KitTest } from '../kit/index.ts';
import { key, type Subject } from '../subject/index.ts';
import { levelRank, needsHold, type LevelNeed, type Side } from '../vehicle/index.ts';
import {
  lampAims,
  once,
  type JobContext,
  connectionsOf,
  feedsOf,
  fitStepsOf,
  kitsDropped,
  kitsOnVehicle,
  plugsOf,
  sideOf,
  stepReach,
  testsOf,
  type KitOnVehicle,
  placeRules,
  LOW_LIVE,
  toTakeOut,
} from '../job/index.ts';
import { leftoverPlugs, legOf, legRoutes } from '../loom/index.ts';

/** Whether a fitting step is through all its passes. */
export function stepDone({ state }: Pick<JobContext, 'state'>, kit: string, step: FitStep): boolean {
  const passes = state.passes[kit]?.[step.id] ?? [];
  return PASSES.filter((pass) => step.passes.includes(pass)).every((pass) => passes.includes(pass));
}

/** What hides the lamps that a test proves, and the plugs that feed them. */
function hiders({ profile }: JobContext, onVehicle: KitOnVehicle, test: KitTest): LevelNeed[] {
  const mounts = (onVehicle.fitment?.mounts ?? []).filter((place) => test.lamps.includes(place.lamp)).map((place) => place.mount);
  const plugs = feedsOf(onVehicle, test).flatMap((connection) => plugsOf(onVehicle, connection));
  return [
    ...profile.mounts.filter((mount) => mounts.includes(mount.id)).flatMap((mount) => mount.hiddenBy),
    ...profile.plugs.filter((plug) => plugs.includes(plug.id)).flatMap((plug) => plug.hiddenBy),
  ];
}

/** Those of the needs that this job has opened, or plans to open: only what was open can cover again. Each once. */
function opened(needs: readonly LevelNeed[], levels: ReadonlyMap<string, number>): LevelNeed[] {
  const open = needs.filter((need) => (levels.get(need.piece) ?? 0) >= levelRank(need.level));
  return [...new Map(open.map((need) => [`${need.piece}/${need.level}`, need])).values()];
}

const excepted = ({ state }: JobContext, subject: Subject) => state.exceptions[key(subject)] !== undefined;

function testGate(context: JobContext, onVehicle: KitOnVehicle, test: KitTest, levels: ReadonlyMap<string, number>): Gate {
  const subject = { kind: 'test' as const, kit: onVehicle.kit.slug, test: test.id };
  return {
    subject,
    side: test.side,
    coveredBy: opened(hiders(context, onVehicle, test), levels),
    after: test.after ?? [],
    asks: LOW_LIVE,
    passed: context.state.tests[onVehicle.kit.slug]?.[test.id] === true || excepted(context, subject),
  };
}

/** The need that ends when a piece is fitted again. */
function firstLevelOf({ profile }: JobContext, piece: string): LevelNeed[] {
  const [level] = [...(profile.pieces.find((entry) => entry.id === piece)?.levels ?? [])].sort((a, b) => levelRank(a.level) - levelRank(b.level));
  return level ? [{ piece, level: level.level }] : [];
}

function workGates(context: JobContext, onVehicle: KitOnVehicle, levels: ReadonlyMap<string, number>): Gate[] {
  const { kit } = onVehicle;
  const steps = fitStepsOf(onVehicle).map((step): Gate => {
    const subject = { kind: 'fit' as const, kit: kit.slug, step: step.id };
    const { before, after } = placeRules(context, onVehicle, step);
    const reach = stepReach(context, step);
    const way = reach.find(({ needs }) => needsHold(needs, context.state.reached)) ?? reach[0];
    const covers = [...(way?.needs ?? []), ...before.flatMap((piece) => firstLevelOf(context, piece))];
    return { subject, side: step.side, coveredBy: opened(covers, levels), after, asks: step.asks ?? [], passed: stepDone(context, kit.slug, step) };
  });
  const joints = connectionsOf(onVehicle).map((connection): Gate => {
    const plugs = plugsOf(onVehicle, connection);
    const hiddenBy = context.profile.plugs.filter(({ id }) => plugs.includes(id)).flatMap((plug) => plug.hiddenBy);
    const subject = { kind: 'joint' as const, kit: kit.slug, connection: connection.id };
    const passed = (context.state.joined[kit.slug] ?? []).includes(connection.id) || excepted(context, { kind: 'plug', connection: connection.id });
    return { subject, side: sideOf(onVehicle, connection), coveredBy: opened(hiddenBy, levels), after: [], asks: connection.asks ?? [], passed };
  });
  return [...steps, ...joints];
}

/** Aims that must come before a piece hides the adjuster. */
function aimGates(context: JobContext, levels: ReadonlyMap<string, number>): Gate[] {
  return lampAims(context).flatMap((aim): Gate[] => {
    const coveredBy = opened(aim.mount.adjusterHiddenBy ?? [], levels);
    const subject = { kind: 'aim' as const, kit: aim.kit.slug, lamp: aim.lamp.id };
    const passed = aim.after?.within === true || aim.byOthers !== undefined || excepted(context, subject);
    return coveredBy.length > 0 ? [{ subject, side: aim.lamp.side, coveredBy, after: aim.mount.aimAfter ?? [], asks: LOW_LIVE, passed }] : [];
  });
}

/** Legs that no fitting step lays: laid before something covers their way. */
function legGates(context: JobContext, levels: ReadonlyMap<string, number>): Gate[] {
  return (legRoutes(context) ?? []).flatMap((route): Gate[] => {
    const { kit, side, path, step, laid } = route;
    const subject = { kind: 'leg' as const, kit, leg: legOf(context, route) };
    const coveredBy = opened(path?.needs ?? [], levels);
    return step !== undefined || coveredBy.length === 0 ? [] : [{ subject, side, coveredBy, after: [], asks: [], passed: laid || excepted(context, subject) }];
  });
}

/** Plugs of the vehicle that are left over: capped before something hides them. */
function capGates(context: JobContext, levels: ReadonlyMap<string, number>): Gate[] {
  return leftoverPlugs(context).flatMap(({ plug, capped }): Gate[] => {
    if (!('hiddenBy' in plug)) return [];
    const subject = { kind: 'cap' as const, plug: plug.id };
    const coveredBy = opened(plug.hiddenBy, levels);
    return coveredBy.length === 0 ? [] : [{ subject, side: plug.side, coveredBy, after: [], asks: [], passed: capped || excepted(context, subject) }];
  });
}

/** What is taken out again of a dropped kit: before something covers it, and before what it took the place of goes back. */
function takeOutGates(context: JobContext, levels: ReadonlyMap<string, number>): Gate[] {
  const kits = kitsDropped(context);
  return toTakeOut(context).map((out): Gate => {
    const replaced = kits.find(({ kit }) => kit.slug === out.kit)?.fitment?.replaces ?? [];
    const inTheWay = out.kind === 'step' ? replaced.filter((piece) => sideBeside(context, piece, out.side)).flatMap((piece) => firstLevelOf(context, piece)) : [];
    const needs = out.reach.find((way) => needsHold(way.needs, context.state.reached))?.needs ?? out.reach[0]?.needs ?? [];
    const subject = { kind: 'out' as const, kit: out.kit, what: `${out.kind}/${out.id}` };
    return { subject, side: out.side, coveredBy: opened([...needs, ...inTheWay], levels), after: [], asks: out.asks, passed: false };
  });
}

const sideBeside = ({ profile }: JobContext, id: string, side: Side): boolean => {
  const own = profile.pieces.find((piece) => piece.id === id)?.side ?? 'centre';
  return own === side || own === 'centre' || side === 'centre';
};

/**
 * All that must be behind the job before something covers it: tests that are gates, fitting steps and joints while what they need is
 * open, aims whose adjuster goes out of reach. A test that has passed, an aim that is in, aim by others and a named exception pass.
 */
export function gatesOf(context: JobContext, plan: AccessPlan | undefined): Gate[] {
  return plan === undefined || plan.steps.length === 0 ? gatesWithoutPlan(context) : gatesAt(context, plan);
}

const gatesWithoutPlan = once((context) => gatesAt(context, undefined));

function gatesAt(context: JobContext, plan: AccessPlan | undefined): Gate[] {
  const levels = new Map(Object.entries(context.state.reached).map(([piece, level]) => [piece, levelRank(level)]));
  for (const step of plan?.steps ?? []) levels.set(step.piece, Math.max(levels.get(step.piece) ?? 0, levelRank(step.level)));
  const kits = kitsOnVehicle(context);
  return [
    ...kits.flatMap((onVehicle) => workGates(context, onVehicle, levels)),
    ...kits.flatMap((onVehicle) =>
      testsOf(onVehicle)
        .filter((test) => test.gate)
        .map((test) => testGate(context, onVehicle, test, levels)),
    ),
    ...takeOutGates(context, levels),
    ...capGates(context, levels),
    ...legGates(context, levels),
    ...aimGates(context, levels),
  ];
}
