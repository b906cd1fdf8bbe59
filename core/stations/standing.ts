import type { AccessPlan } from '../access/index.ts';
import type { ClosePlan } from '../closing/index.ts';
import { hasLeft } from '../events/index.ts';
import { nightLines, type JobContext } from '../job/index.ts';
import { planClosingOf } from '../plan/index.ts';
import * as aim from './aim/index.ts';
import * as checkIn from './check-in/index.ts';
import * as closeUp from './close-up/index.ts';
import * as fit from './fit/index.ts';
import * as gather from './gather/index.ts';
import * as handOver from './hand-over/index.ts';
import { question, STATIONS, todo, type Asked, type Hold, type Standing, type Station, type StationStanding, type StationState } from './hold.ts';
import * as match from './match/index.ts';
import * as openUp from './open-up/index.ts';
import * as probe from './probe/index.ts';
import * as sense from './sense/index.ts';
import * as wire from './wire/index.ts';

/** What the rules of a station say of it; a station without one of them does not compile. */
export interface StationRules {
  /** What is still wanted there. */
  asked: (context: JobContext, plan: AccessPlan | undefined, closing: ClosePlan) => Asked[];
  /** Whether something was done there. */
  begun: (context: JobContext) => boolean;
  /** Whether it is settled where nothing is asked and nothing was done. */
  ready: (context: JobContext) => boolean;
}

/** The rules of every station. */
const RULES: Record<Station, StationRules> = { 'check-in': checkIn, match, gather, 'open-up': openUp, wire, probe, sense, fit, 'close-up': closeUp, aim, 'hand-over': handOver };

function stateOf(holds: readonly Hold[], isBegun: boolean, ready: boolean): StationState {
  if (holds.some((hold) => hold.kind === 'block')) return 'blocked';
  if (holds.some((hold) => hold.kind === 'question')) return 'needs an answer';
  if (holds.length === 0) return ready || isBegun ? 'settled' : 'not begun';
  return isBegun ? 'under way' : 'not begun';
}

/**
 * Where every station of a job stands and what holds the job back now. A hold for which an exception is named no longer counts.
 * @param plan the way in as computed from what is open now, or undefined while it is being worked out
 * @param closing the way back, where it is known already
 */
export function standingOf(context: JobContext, plan: AccessPlan | undefined, closing = planClosingOf(context, plan)): Standing {
  const excepted = context.state.exceptions;
  const keep = (station: Station, list: Asked[]): Hold[] => list.filter((hold) => hold.about === undefined || !excepted[hold.about]).map((hold) => ({ ...hold, station }));
  const night = context.state.night && question('left-overnight', { count: nightLines(context).length });
  const stations = STATIONS.map((station): StationStanding => {
    const { asked, begun, ready } = RULES[station];
    const holds = keep(station, asked(context, plan, closing));
    if (station === 'open-up' && night) holds.unshift({ station, ...night });
    if (station === 'hand-over' && !hasLeft(context.state)) holds.push({ station, ...todo('sign-off') });
    const isBegun = begun(context);
    return { station, holds, begun: isBegun, state: stateOf(holds, isBegun, ready(context)) };
  });
  const all = stations.flatMap((entry) => entry.holds);
  const missing = all.filter((hold) => hold.code !== 'sign-off');
  return {
    stations,
    missing,
    holding: all.find((hold) => hold.code === 'left-overnight') ?? all.find((hold) => hold.kind === 'block') ?? all[0],
    readyToSign: missing.length === 0 && !hasLeft(context.state),
  };
}
