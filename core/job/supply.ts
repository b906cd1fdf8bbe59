import type { AccessPlan } from '../access/index.ts';
import { keptDeadAt } from '../closing/index.ts';
import { levelRank, type Supply, type SupplyAsk, type SupplyId, type SupplyState } from '../vehicle/index.ts';
import type { JobContext } from './context.ts';

/** How a supply is now, by the log. */
export interface SupplyNow {
  supply: Supply;
  is: SupplyState;
  /** Device time from which it counts as dead; absent while it is live. */
  deadAt?: string;
  /** Whether it has ever been isolated on this job. */
  wasDead: boolean;
  /** What the vehicle has forgotten and has not been set again. */
  forgotten: string[];
}

const MINUTE_MS = 60_000;

/** How the supplies that this vehicle's profile describes are now: the last that the log says of each, or of the piece that isolates it. */
export function suppliesNow({ state, profile }: Pick<JobContext, 'state' | 'profile'>): SupplyNow[] {
  return profile.supplies.map((supply) => {
    const said = state.supplies[supply.id];
    const off = levelRank(state.pieces[supply.piece] ?? 'fitted') >= levelRank(supply.level);
    const moved = state.lastMoved[supply.piece];
    // What came last counts: what was said of the supply, or that its isolation was opened or put back.
    const bySaying = said !== undefined && (moved === undefined || moved.order <= said.order);
    const is: SupplyState = bySaying ? said.is : off ? 'dead' : 'live';
    const since = bySaying ? said.at : moved?.at;
    const wasDead = said !== undefined || levelRank(state.reached[supply.piece] ?? 'fitted') >= levelRank(supply.level);
    const again = state.settings[supply.id] ?? [];
    return {
      supply,
      is,
      ...(is === 'dead' && since !== undefined ? { deadAt: new Date(Date.parse(since) + supply.waitMin * MINUTE_MS).toISOString() } : {}),
      wasDead,
      forgotten: wasDead ? supply.forgets.filter((setting) => !again.includes(setting)) : [],
    };
  });
}

/** How the supplies will be once a plan of opening is carried out. */
export function suppliesAfter(context: JobContext, plan: AccessPlan | undefined): Partial<Record<SupplyId, SupplyState>> {
  const isolated = new Set((plan?.steps ?? []).flatMap((step) => step.isolates ?? []));
  return Object.fromEntries(suppliesNow(context).map(({ supply, is }) => [supply.id, isolated.has(supply.id) ? 'dead' : is]));
}

/** What stands against work that asks for supplies: a supply that is the other way, one that is not dead yet, pieces that keep it from being live. */
export type SupplyBar =
  | { code: 'supply-live'; supply: SupplyId; piece: string }
  | { code: 'supply-dead'; supply: SupplyId; piece: string }
  | { code: 'supply-waits'; supply: SupplyId; until: string }
  | { code: 'kept-dead'; supply: SupplyId; piece: string };

/**
 * What stands against asks for supplies at a moment. An ask for a supply that the profile does not describe is not held back.
 * @param now device time of the act
 */
export function supplyBars(context: JobContext, asks: readonly SupplyAsk[], now: string): SupplyBar[] {
  const supplies = suppliesNow(context);
  return asks.flatMap((ask): SupplyBar[] => {
    const known = supplies.find(({ supply }) => supply.id === ask.supply);
    if (!known) return [];
    const { supply, is, deadAt } = known;
    if (ask.is === 'dead') {
      if (is === 'live') return [{ code: 'supply-live', supply: supply.id, piece: supply.piece }];
      return deadAt !== undefined && Date.parse(now) < Date.parse(deadAt) ? [{ code: 'supply-waits', supply: supply.id, until: deadAt }] : [];
    }
    if (is === 'dead') return [{ code: 'supply-dead', supply: supply.id, piece: supply.piece }];
    return keepingDead(context, supply.id).map((piece) => ({ code: 'kept-dead', supply: supply.id, piece }));
  });
}

/** Pieces that must not be open while a supply is live, and are. */
export function keepingDead({ state, profile }: Pick<JobContext, 'state' | 'profile'>, supply: SupplyId): string[] {
  return profile.pieces.filter((piece) => keptDeadAt(piece, state.pieces[piece.id] ?? 'fitted').includes(supply)).map((piece) => piece.id);
}

/** Tests, aims and readings run with the low supply live. */
export const LOW_LIVE: SupplyAsk[] = [{ supply: 'low', is: 'live' }];
