import { moveNamed, planAccess, type AccessPlan, type AccessRequest, type FurtherKit, type FurtherTarget } from '../access/index.ts';
import { matchKit, withOptions } from '../match/index.ts';
import type { Kit } from '../kit/index.ts';
import type { TakenBySteps } from '../schedule/index.ts';
import { key } from '../subject/index.ts';
import { isUndescribed, levelRank, needsHold, type Level, type LevelNeed, type MountPosition, type SupplyAsk, type SupplyId, type Way } from '../vehicle/index.ts';
import {
  once,
  type JobContext,
  connectionsOf,
  fitmentOn,
  fitStepsOf,
  kitsOnVehicle,
  ledOf,
  plugsOf,
  replacedPieces,
  sideOf,
  stepReach,
  targetMounts,
  testsOf,
  unplacedKits,
  LOW_LIVE,
  suppliesNow,
  inReach,
  toTakeOut,
} from '../job/index.ts';
import { type School, factValues } from '../events/index.ts';
import { gatesOf, stepDone } from './gates.ts';
import { leftoverPlugs, legOf, legRoutes } from '../loom/index.ts';

const holdsBy = (way: Way, levels: Readonly<Record<string, Level>>) => needsHold(way.needs, levels);

/** Mount positions of the job. */
export function mountsOf(context: JobContext): MountPosition[] {
  const ids = targetMounts(context);
  return context.profile.mounts.filter((mount) => ids.includes(mount.id));
}

/** Mount positions that have not been reachable at any moment of this job. */
function mountsToReach(context: JobContext): MountPosition[] {
  return mountsOf(context).filter((mount) => !mount.reach.some((way) => holdsBy(way, context.state.reached)));
}

const needsAsWay = (needs: LevelNeed[], asks: SupplyAsk[] | undefined): Way[] => [{ id: 'open', needs, extraMin: 0, ...(asks ? { asks } : {}) }];
const dead = (asks: readonly SupplyAsk[] | undefined) => (asks ?? []).filter((ask) => ask.is === 'dead');

/**
 * Work that is still to be done and what must be open for it: fitting steps, plugs to be joined, plugs left over to be capped, legs to be laid, a failed test whose place is covered
 * again, a supply that must still be isolated. What is open enough already is no target.
 */
function workToReach(context: JobContext): FurtherTarget[] {
  const { pieces } = context.state;
  const supplies = suppliesNow(context);
  const isDead = (asks: readonly SupplyAsk[] | undefined) => dead(asks).every((ask) => supplies.find(({ supply }) => supply.id === ask.supply)?.is !== 'live');
  const failed = new Set(Object.entries(context.state.tests).flatMap(([kit, tests]) => Object.entries(tests).flatMap(([test, passed]) => (passed ? [] : [`${kit}/${test}`]))));
  const work = kitsOnVehicle(context).flatMap((onVehicle): FurtherTarget[] => {
    const { kit } = onVehicle;
    const steps = fitStepsOf(onVehicle).flatMap((step): FurtherTarget[] => {
      const reach = stepReach(context, step);
      if (stepDone(context, kit.slug, step) || (reach.some((way) => holdsBy(way, pieces)) && isDead(step.asks))) return [];
      const ways = reach.map((way) => ({ ...way, asks: [...(way.asks ?? []), ...dead(step.asks)] }));
      return [{ id: key({ kind: 'fit', kit: kit.slug, step: step.id }), side: step.side, ways }];
    });
    const joints = connectionsOf(onVehicle).flatMap((connection): FurtherTarget[] => {
      if ((context.state.joined[kit.slug] ?? []).includes(connection.id)) return [];
      const worked = plugsOf(onVehicle, connection);
      const plugs = context.profile.plugs.filter(({ id }) => worked.includes(id)).sort((a, b) => worked.indexOf(a.id) - worked.indexOf(b.id));
      return plugs.flatMap((plug, place): FurtherTarget[] => {
        if ((plug.reach.length === 0 || plug.reach.some((way) => holdsBy(way, pieces))) && isDead(connection.asks)) return [];
        const ways = plug.reach.length > 0 ? plug.reach.map((way) => ({ ...way, asks: [...(way.asks ?? []), ...dead(connection.asks)] })) : needsAsWay([], dead(connection.asks));
        // Where its wires are led to further plugs, each is a place of its own.
        const further = ledOf(onVehicle, connection).find(({ at }) => place > 0 && at?.plug.id === plug.id)?.at;
        const id = further ? key({ kind: 'wire', plug: plug.id, pin: further.pin.id }) : key({ kind: 'joint', kit: kit.slug, connection: connection.id });
        return [{ id, side: sideOf(onVehicle, connection), ways }];
      });
    });
    const tests = testsOf(onVehicle).flatMap((test): FurtherTarget[] => {
      if (!failed.has(`${kit.slug}/${test.id}`)) return [];
      const gate = gatesOf(context, undefined).find((entry) => entry.subject.kind === 'test' && entry.subject.kit === kit.slug && entry.subject.test === test.id);
      if (!gate || needsHold(gate.coveredBy, pieces)) return [];
      return [{ id: key(gate.subject), side: gate.side, ways: needsAsWay(gate.coveredBy, undefined) }];
    });
    return [...steps, ...joints, ...tests];
  });
  const caps = leftoverPlugs(context).flatMap(({ plug, capped }): FurtherTarget[] => {
    if (capped || !('reach' in plug) || plug.reach.length === 0 || plug.reach.some((way) => holdsBy(way, pieces))) return [];
    return [{ id: key({ kind: 'cap', plug: plug.id }), side: plug.side, ways: plug.reach }];
  });
  return [...work, ...caps, ...wantedBesides(context), ...legsToLay(context), ...takeOutsToReach(context), ...isolationsToReach(context)];
}

/** Pieces that somebody wants open as well and that were not yet. */
function wantedBesides({ state, profile }: JobContext): FurtherTarget[] {
  return state.wanted.flatMap((need): FurtherTarget[] => {
    const piece = profile.pieces.find(({ id }) => id === need.piece);
    return !piece || needsHold([need], state.reached) ? [] : [{ id: key({ kind: 'piece', ...need }), side: piece.side, ways: needsAsWay([need], undefined) }];
  });
}

/** What is to be taken out again of kits that are not fitted after all and lies behind something that went back. */
function takeOutsToReach(context: JobContext): FurtherTarget[] {
  const supplies = suppliesNow(context);
  return toTakeOut(context).flatMap((out): FurtherTarget[] => {
    const isolated = dead(out.asks).every((ask) => supplies.find(({ supply }) => supply.id === ask.supply)?.is !== 'live');
    if (inReach(context, out) && isolated) return [];
    return [
      {
        id: key({ kind: 'out', kit: out.kit, what: `${out.kind}/${out.id}` }),
        side: out.side,
        ways: (out.reach.length > 0 ? out.reach : needsAsWay([], undefined)).map((way) => ({ ...way, asks: [...(way.asks ?? []), ...dead(out.asks)] })),
      },
    ];
  });
}

/** Legs that are still to be laid, each with its cheapest ways: what is opened for it and the way it takes are least together. */
function legsToLay(context: JobContext): FurtherTarget[] {
  const { pieces, routes } = context.state;
  return (legRoutes(context) ?? []).flatMap((route): FurtherTarget[] => {
    const leg = legOf(context, route);
    const chosen = route.paths.filter(({ id }) => id === routes[`${route.kit}/${leg}`]);
    const offered = chosen.length > 0 ? chosen : route.paths;
    // A step of the kit that lays it has its own minutes: only what another way takes more counts.
    const counted = route.step === undefined ? 0 : Math.min(...offered.map(({ layMin }) => layMin));
    const ways = offered.map(({ id, needs, layMin }): Way => ({ id, needs, extraMin: layMin - counted }));
    if (route.laid || ways.length === 0 || ways.some((way) => holdsBy(way, pieces))) return [];
    return [{ id: key({ kind: 'leg', kit: route.kit, leg }), side: route.side, ways }];
  });
}

/** What leads to the isolation of a supply that is live while something open has to go back dead: it has to be in reach again. */
function isolationsToReach(context: JobContext): FurtherTarget[] {
  const { state, profile } = context;
  return suppliesNow(context).flatMap(({ supply, is }): FurtherTarget[] => {
    if (is === 'dead') return [];
    const opened = state.moves.some((move) => {
      const level = profile.pieces.find((piece) => piece.id === move.piece)?.levels.find((entry) => entry.level === move.level);
      const way = level?.ways.find((entry) => entry.id === move.way);
      return dead([...(level?.asks ?? []), ...(way?.asks ?? [])]).some((ask) => ask.supply === supply.id) && !replacedPieces(context).includes(move.piece);
    });
    const isolating = profile.pieces.find((piece) => piece.id === supply.piece);
    const ways = isolating?.levels.find((level) => level.level === supply.level)?.ways ?? [];
    if (!opened || ways.length === 0 || ways.some((way) => holdsBy(way, state.pieces))) return [];
    return [{ id: key({ kind: 'supply', supply: supply.id, to: 'dead' }), side: isolating?.side ?? 'centre', ways }];
  });
}

/** All of this job that is still to be made reachable; a piece that a kit takes the place of counts by itself. */
const openTargets = once((context): { mounts: string[]; further: FurtherTarget[]; replaced: string[] } => {
  const further = workToReach(context);
  const mounts = mountsToReach(context).map((mount) => mount.id);
  const replaced = replacedPieces(context);
  const toReplace = replaced.filter((piece) => levelRank(context.state.reached[piece] ?? 'fitted') < levelRank('off'));
  return { mounts, further, replaced: mounts.length + further.length + toReplace.length > 0 ? replaced : [] };
});

/** Whether what has to be open hangs on what nobody has described: a person says when it is enough. */
export const reachUnknown = (context: JobContext): boolean => unplacedKits(context).some((kit) => !context.state.enough.includes(kit));

/** Whether that nothing is planned to come off says nothing: the pieces are not described, or how a kit sits is not. */
export const openingUnknown = (context: JobContext): boolean => context.profile.pieces.length === 0 || isUndescribed(context.profile, 'pieces') || unplacedKits(context).length > 0;

/** Whether all that this job works on can be reached, or was and is done with: opening is then done. */
export const openingDone = once((context: JobContext): boolean => {
  const { mounts, further, replaced } = openTargets(context);
  return mounts.length + further.length + replaced.length === 0 && !reachUnknown(context);
});

/** The order of opening: as chosen for this job, else one side first with a kit that is new to the shop. */
export function schoolOf({ state, newKit }: Pick<JobContext, 'state' | 'newKit'>): School {
  return state.order?.school ?? (newKit ? 'prove one side first' : 'least set-up');
}

/** By how much the clips of this vehicle break more often than new ones, by its model year and the year the job was opened. */
export function ageFactorOf({ state, rules, year }: JobContext): number {
  if (!rules.ageing || year === undefined || state.openedYear === undefined) return 1;
  return 1 + rules.ageing.perYear * Math.max(0, state.openedYear - year - rules.ageing.fromYears);
}

/** Times taken that hold for this vehicle: none for opening a piece whose bolts are seized here. */
function takenHere({ taken = {}, state }: JobContext): TakenBySteps {
  const seized = new Set(state.seized.map((entry) => entry.piece));
  if (seized.size === 0) return taken;
  return Object.fromEntries(
    Object.entries(taken).filter(([name]) => {
      const move = moveNamed(name);
      return move?.way === undefined || !seized.has(move.piece);
    }),
  );
}

/** Whether all work and tests of a side are behind the job. */
function sideProved(context: JobContext, side: 'left' | 'right'): boolean {
  const own = gatesOf(context, undefined).filter((gate) => gate.side === side && gate.subject.kind !== 'aim');
  return own.length > 0 ? own.every((gate) => gate.passed) : mountsToReach(context).every((mount) => mount.side !== side);
}

/** The side that was begun first and is still to be proved, where one side is proved before the other. */
export function provingSide(context: JobContext): 'left' | 'right' | undefined {
  const side = context.state.order?.side;
  // What comes out again comes out as it lies.
  if (toTakeOut(context).length > 0) return undefined;
  return side === undefined || schoolOf(context) !== 'prove one side first' || sideProved(context, side) ? undefined : side;
}

/** What is to be opened from what is open now: nothing once every target is reached or done with, or once opening was given up. */
export function openingRequest(context: JobContext): AccessRequest {
  const { state, profile, rules } = context;
  const { mounts, further, replaced } = openTargets(context);
  const present = Object.entries(state.pieces)
    .filter(([, level]) => level !== 'fitted')
    .map(([piece, level]) => ({ piece, level }));
  const side = provingSide(context);
  const untilDeadMin: Partial<Record<SupplyId, number>> = {};
  for (const { supply, deadAt } of suppliesNow(context)) {
    const leftMin = deadAt === undefined || state.at === undefined ? 0 : (Date.parse(deadAt) - Date.parse(state.at)) / 60_000;
    if (leftMin > 0) untilDeadMin[supply.id] = leftMin;
  }
  return {
    profile,
    facts: factValues(state),
    mounts,
    further,
    present,
    replaced,
    rules,
    chosen: state.waysChosen,
    // Once a side is proved the rest is opened as it comes.
    school: state.order?.side !== undefined && side === undefined ? 'least set-up' : schoolOf(context),
    people: state.order?.people ?? 1,
    ageFactor: ageFactorOf(context),
    taken: takenHere(context),
    untilDeadMin,
    stand: state.stand,
    ...(side ? { provingSide: side } : {}),
    provedLive: LOW_LIVE.map((ask) => ask.supply),
  };
}

/** The least-labour way in from what is open now; `enough` as of `planAccess`. */
export function planOpening(context: JobContext, enough?: Parameters<typeof planAccess>[1]): AccessPlan {
  return planAccess(openingRequest(context), enough);
}

/** Kits that are not on the job and have a fitment for its vehicle that the facts known do not rule out. */
export function furtherKits(context: JobContext, library: readonly Kit[]): FurtherKit[] {
  const { profile, kits, year } = context;
  return library.flatMap((kit) => {
    const facts = withOptions(factValues(context.state), kit, {});
    const fitment = fitmentOn(kit, context, facts);
    if (!fitment || kits.some((own) => own.slug === kit.slug)) return [];
    if (matchKit(kit, profile, year, facts).value === 'no') return [];
    return [{ kit: kit.slug, mounts: [...new Set(fitment.mounts.map((place) => place.mount))], replaces: fitment.replaces }];
  });
}
