import { legOf, legRoutes, type LegRoute } from '../../loom/index.ts';
import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { key } from '../../subject/index.ts';
import { needsHold } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act, type Refusal } from '../act.ts';
import { todo, type Asked } from '../hold.ts';
import { missingFor } from '../open-up/index.ts';

const routeOf = (context: JobContext, kit: string, leg: string) => legRoutes(context)?.find((route) => route.kit === kit && legOf(context, route) === leg);

/** Legs that hands still have to lay: those of more than one place that no fitting step of the kit lays. */
export function legsToLay(context: JobContext): LegRoute[] {
  return (legRoutes(context) ?? []).filter(({ step, laid, path }) => step === undefined && !laid && (path?.along.length ?? 0) > 0);
}

export function askedOfLegs(context: JobContext): Asked[] {
  return legsToLay(context).map((route) => {
    const leg = legOf(context, route);
    return todo('leg-to-lay', { kit: route.kit, leg, lamp: route.lamp }, key({ kind: 'leg', kit: route.kit, leg }));
  });
}

/** What stands against laying a leg by its way: no way leads there, a piece on it is not open. */
export function againstLeg(context: JobContext, route: LegRoute, path = route.path): Refusal[] {
  if (!path) return [{ code: 'no-way', leg: legOf(context, route) }];
  if (needsHold(path.needs, context.state.pieces)) return [];
  return [{ code: 'open-first', pieces: missingFor(context, path.needs) }];
}

/** A leg laid by the way that was shown to whoever laid it: with the loom, tied, away from what is hot, sharp or moves. */
export function layLeg(context: JobContext, kit: string, leg: string, way: string | undefined): Act {
  const route = routeOf(context, kit, leg);
  if (!route) return refused({ code: 'unknown', what: 'leg', id: leg });
  if (route.laid) return refused({ code: 'already' });
  if (route.step !== undefined) return refused({ code: 'step-first', steps: [{ kit, step: route.step }] });
  const path = route.paths.find(({ id }) => id === way);
  if (way !== undefined && !path) return refused({ code: 'unknown', what: 'way', id: way });
  if (!path) return refused({ code: 'no-way', leg });
  return unless(againstLeg(context, route, path), () => [{ type: 'leg.laid', payload: { kit, leg, path: path.segments } }]);
}

/** Another way for a leg, or, without one, the planner's again. */
export function chooseRoute(context: JobContext, kit: string, leg: string, path?: string): Act {
  const route = routeOf(context, kit, leg);
  if (!route) return refused({ code: 'unknown', what: 'leg', id: leg });
  const chosen = route.paths.find(({ id }) => id === path);
  if (path !== undefined && !chosen) return refused({ code: 'unknown', what: 'way', id: path });
  if (route.laid || context.state.routes[`${kit}/${leg}`] === path) return refused({ code: 'already' });
  return happened({ type: 'route.chosen', payload: { kit, leg, ...(chosen ? { path: chosen.segments } : {}) } });
}

/** A hole that may be drilled: who agreed to it, and what was seen behind it. */
export function agreeDrill(context: JobContext, segment: string, by: string, behind: string): Act {
  const known = context.profile.cableWays?.segments.find(({ id, drill }) => id === segment && drill);
  if (!known) return refused({ code: 'unknown', what: 'segment', id: segment });
  if (context.state.drillAgreed[segment]) return refused({ code: 'already' });
  const missing: Refusal[] = by.trim() === '' || behind.trim() === '' ? [{ code: 'missing', count: 1 }] : [];
  return unless([...missing, ...tooLong(by, LONGEST_TEXT.why), ...tooLong(behind, LONGEST_TEXT.why)], () => [
    { type: 'drill.agreed', payload: { segment, by: by.trim(), behind: behind.trim() } },
  ]);
}
