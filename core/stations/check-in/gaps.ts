import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { judgeGap, type MeasureDoubt } from '../../judging/index.ts';
import { levelRank, pieceKey, type GapPoint, type PointMm, type Side } from '../../vehicle/index.ts';
import { refused, tooLong, unlessDoubtful, type Act, type Refusal } from '../act.ts';

/** A panel gap that was measured where nobody had described one: between what, where, how wide. */
export interface GapMeasured {
  name: string;
  side?: Side;
  at?: PointMm;
  widthMm?: number;
}

/** Whether a gap can still be measured as it came: once a panel was moved it says nothing of that any more. */
export const gapsAsItCame = ({ state }: Pick<JobContext, 'state'>): boolean => Object.values(state.reached).every((level) => levelRank(level) === 0);

const pointOf = ({ name, side = 'centre', at = { xMm: 0, yMm: 0, zMm: 0 } }: GapMeasured, id: string): GapPoint => ({ id, name: name.trim(), side, at });

/** What makes one wonder about a gap that nobody described: that of the other side, and others of the same width. What it is meant to be nobody knows. */
export function doubtsOfGapFound({ profile, state }: Pick<JobContext, 'profile' | 'state'>, gap: GapMeasured, id: string): MeasureDoubt[] {
  const { widthMm } = gap;
  return widthMm === undefined ? [] : judgeGap(pointOf(gap, id), widthMm, [...profile.gaps, pointOf(gap, id)], state.gaps.before);
}

/**
 * A panel gap measured on arrival that nobody had described: from now on it is measured leaving too, and of every such vehicle.
 * @param id for good: of its name and four letters drawn by the device
 * @param why what was said where it made one wonder
 */
export function gapFound(context: JobContext, gap: GapMeasured, id: string, why?: string): Act {
  const { name, side, at, widthMm } = gap;
  if (!gapsAsItCame(context)) return refused({ code: 'opened-already' });
  const missing = [name.trim() === '', side === undefined, at === undefined, !(widthMm !== undefined && widthMm >= 0)].filter(Boolean).length;
  const faults: Refusal[] = [...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []), ...tooLong(name, LONGEST_TEXT.accessory)];
  if (faults.length > 0 || side === undefined || widthMm === undefined) return refused(...faults);
  if (context.profile.gaps.some((known) => known.id === id || pieceKey(known) === pieceKey({ name, side }))) return refused({ code: 'already' });
  const measured = unlessDoubtful(doubtsOfGapFound(context, gap, id), why, (word) => ({ type: 'gap.measured', payload: { gap: id, moment: 'before', widthMm, ...word } }));
  return 'refused' in measured ? measured : { events: [{ type: 'kind.described', payload: { gaps: [pointOf(gap, id)] } }, ...measured.events] };
}
