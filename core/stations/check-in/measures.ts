import type { JobContext } from '../../job/index.ts';
import { checkMeasures, inMeasureOrder, withMeasures, type MeasureId, type TakenMeasures } from '../../vehicle/index.ts';
import { happened, refused, type Act } from '../act.ts';

/** Measures of this kind of vehicle that nobody has taken. */
export const measuresOpen = ({ profile }: Pick<JobContext, 'profile'>): MeasureId[] => inMeasureOrder(profile.unmeasured ?? []);

/** Measures that were taken of this vehicle, in mm, of those that nobody had: it is drawn by them from then on, and so is every later one of its kind. */
export function measured(context: Pick<JobContext, 'profile'>, taken: TakenMeasures): Act {
  const { profile } = context;
  const open = measuresOpen(context);
  const ids = inMeasureOrder(Object.keys(taken) as MeasureId[]).filter((id) => taken[id] !== undefined);
  const known = ids.find((id) => !open.includes(id));
  if (known !== undefined) return refused({ code: 'unknown', what: 'measure', id: known });
  if (ids.length === 0) return refused({ code: 'nothing' });
  const odd = checkMeasures(withMeasures(profile, taken).measures);
  const bars = odd.map(({ path, data }) => ({
    code: 'measure-out' as const,
    measure: path.replace('measures.', '') as MeasureId,
    leastMm: Number(data.least),
    mostMm: Number(data.most),
  }));
  return bars.length > 0 ? refused(...bars) : happened({ type: 'kind.described', payload: { measures: taken } });
}
