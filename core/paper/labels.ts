import { type JobContext, replacedPieces } from '../job/index.ts';
import { traySlots } from './tray.ts';

/** What a job sticks a label on: a slot of the tray, an original part that is kept, the keys. */
export type JobLabel =
  { kind: 'keys'; where?: string } | { kind: 'slot'; slot: number; piece: string; groups: { group: string; count: number }[] } | { kind: 'part'; piece: string; where?: string };

/** Labels of a job: its keys, then each slot of the tray with what came out there, then each original part that a kit took the place of and that is off. */
export function labelsOf(context: JobContext): JobLabel[] {
  const { state } = context;
  const replaced = replacedPieces(context);
  const slots = new Map<number, JobLabel & { kind: 'slot' }>();
  for (const { slot, piece, group, out } of traySlots(context)) {
    if (slot === 0 || replaced.includes(piece)) continue;
    const label = slots.get(slot) ?? { kind: 'slot', slot, piece, groups: [] };
    slots.set(slot, { ...label, groups: [...label.groups, { group, count: out }] });
  }
  const parts = replaced
    .filter((piece) => state.pieces[piece] === 'off')
    .map((piece): JobLabel => ({ kind: 'part', piece, ...(state.bagged[piece] ? { where: state.bagged[piece] } : {}) }));
  return [{ kind: 'keys', ...(state.opened?.keys ? { where: state.opened.keys } : {}) }, ...slots.values(), ...parts];
}
