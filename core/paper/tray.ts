import type { FastenerGroup } from '../vehicle/index.ts';
import { type JobContext, replacedPieces } from '../job/index.ts';
import { outstanding, type GroupTally } from '../events/index.ts';

/** One fastener group of a step as it lies in the tray. */
export interface TraySlot extends GroupTally {
  /** Number of the step it came out with; slots are numbered in the order of opening. */
  slot: number;
  piece: string;
  group: string;
  /** As the profile knows it; undefined where the documents no longer have it. */
  fastener?: FastenerGroup;
  /** Still to go back; nothing of a piece that a kit takes the place of, whose fasteners are bagged with it. */
  left: number;
}

/** Every slot of the tray in the order of opening, fasteners of one drive and size beside each other with the longest first. */
export function traySlots(context: JobContext): TraySlot[] {
  const { state, profile } = context;
  const replaced = new Set(replacedPieces(context));
  const numberOf = new Map<string, number>();
  for (const move of state.history) if (!numberOf.has(move.piece)) numberOf.set(move.piece, numberOf.size + 1);
  const slots = Object.entries(state.tray).flatMap(([piece, groups]) => {
    const definition = profile.pieces.find((entry) => entry.id === piece);
    return Object.entries(groups).map(([group, tally]): TraySlot => {
      const fastener = definition?.fasteners.find((entry) => entry.id === group);
      return { ...tally, slot: numberOf.get(piece) ?? 0, piece, group, fastener, left: replaced.has(piece) ? 0 : outstanding(tally) };
    });
  });
  const kind = (slot: TraySlot) => `${slot.fastener?.drive ?? ''} ${slot.fastener?.size ?? ''}`;
  return slots.sort((a, b) => a.slot - b.slot || kind(a).localeCompare(kind(b)) || (b.fastener?.lengthMm ?? 0) - (a.fastener?.lengthMm ?? 0));
}
