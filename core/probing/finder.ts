import type { RuleSet } from '../rules/index.ts';
import type { VehicleState } from '../states/index.ts';
import { classifyReading, type Reading, type ReadingClass } from './proof.ts';

/** What is wanted of a source in a state. */
export type WantedEffect = 'on' | 'off' | 'any';

export interface SlotToFind {
  slot: string;
  ratedA?: number;
  readings: Reading[];
  /** Named where nobody may work on it. */
  neverUse?: string;
}

/** A slot against the wanted behaviour. */
export interface SlotFound {
  slot: string;
  ratedA?: number;
  value: 'as wanted' | 'otherwise' | 'not yet measured';
  /** States in which it was measured otherwise, with what was found there. */
  conflicts: { state: VehicleState; wanted: 'on' | 'off'; found: ReadingClass }[];
  untested: VehicleState[];
  /** What a lamp would take over from it. */
  inherits: ('flashing' | 'dimming')[];
}

export interface FuseFinding {
  /** Best first: as wanted, then those with least to measure, then those that are otherwise. */
  slots: SlotFound[];
  refused: { slot: string; why: string }[];
  /** The slot and state to measure next: of the one that has least against it and least left to measure. */
  next?: { slot: string; state: VehicleState };
}

const LIVE: readonly ReadingClass[] = ['on', 'flashing', 'dimmed or modulated'];

/**
 * Slots as they were measured over the states against a wanted behaviour. Those that are never used are refused before anything is measured. What reads in
 * between and was not tried under a test lamp is neither on nor off, and is otherwise than wanted.
 */
export function findFuse(
  slots: readonly SlotToFind[],
  wanted: Partial<Record<VehicleState, WantedEffect>>,
  systemV: number,
  rules: RuleSet['probing'],
  neverUse: readonly string[] = [],
): FuseFinding {
  const refused = slots.flatMap(({ slot, neverUse: why }) => (why !== undefined ? [{ slot, why }] : neverUse.includes(slot) ? [{ slot, why: 'the shop never uses it' }] : []));
  const asked = Object.entries(wanted).filter(([, effect]) => effect !== 'any') as [VehicleState, 'on' | 'off'][];
  const found = slots
    .filter(({ slot }) => !refused.some((entry) => entry.slot === slot))
    .map(({ slot, ratedA, readings }): SlotFound => {
      const read = new Map(readings.map((reading) => [reading.state, classifyReading(reading, systemV, rules)]));
      const untested = asked.flatMap(([state]) => (read.has(state) ? [] : [state]));
      const conflicts = asked.flatMap(([state, effect]) => {
        const is = read.get(state);
        const fits = is === undefined || (effect === 'on' ? LIVE.includes(is) : is === 'off');
        return fits ? [] : [{ state, wanted: effect, found: is }];
      });
      const on = asked.flatMap(([state, effect]) => (effect === 'on' ? (read.get(state) ?? []) : []));
      const inherits = [...(on.includes('flashing') ? ['flashing' as const] : []), ...(on.includes('dimmed or modulated') ? ['dimming' as const] : [])];
      const value = conflicts.length > 0 ? 'otherwise' : untested.length > 0 ? 'not yet measured' : 'as wanted';
      return { slot, ...(ratedA === undefined ? {} : { ratedA }), value, conflicts, untested, inherits };
    });
  const rank = { 'as wanted': 0, 'not yet measured': 1, otherwise: 2 } as const;
  const sorted = [...found].sort((a, b) => rank[a.value] - rank[b.value] || a.untested.length - b.untested.length || a.conflicts.length - b.conflicts.length);
  const open = sorted.find(({ value }) => value === 'not yet measured');
  const [state] = open?.untested ?? [];
  const enough = sorted[0]?.value === 'as wanted';
  return { slots: sorted, refused, ...(open && state && !enough ? { next: { slot: open.slot, state } } : {}) };
}
