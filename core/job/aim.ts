import { aimError, wallMarks, type AimError, type WallMark } from '../aiming/index.ts';
import type { Moment } from '../events/index.ts';
import { once, type JobContext } from './context.ts';
import { lampsToAim, type LampToAim } from './kits.ts';

export interface LampAim extends LampToAim {
  key: string;
  referenceMm: number;
  /** Whether that height was measured on this vehicle; else it is the profile's. */
  referenced: boolean;
  mark?: WallMark;
  before?: AimError & { heightMm: number };
  after?: AimError & { heightMm: number };
  byOthers?: string;
}

/** Height of a lamp's rule reference by the profile: the mount's centre, or half the lamp's box below it for the lower edge. */
function referenceByProfileMm({ lamp, mount, rule }: LampToAim): number {
  return rule.reference === 'centre' ? mount.at.zMm : mount.at.zMm - lamp.box.heightMm / 2;
}

/** How far the floor at the wall lies off the plane that the wheels stand on, in millimetres for each metre of the way to it. */
export interface FloorSlope {
  mmPerM: number;
  toleranceMmPerM: number;
  /** Beyond what the rule set allows: then what is read on the wall is not certified. */
  beyond: boolean;
}

/** The floor between the vehicle and the wall against the rule set's tolerance; undefined until it was measured. */
export function floorSlope({ state: { wall }, rules }: Pick<JobContext, 'state' | 'rules'>): FloorSlope | undefined {
  if (wall?.floorAtWallMm === undefined) return undefined;
  const mmPerM = Math.abs(wall.floorAtWallMm) / (wall.distanceMm / 1000);
  return { mmPerM, toleranceMmPerM: rules.floorToleranceMmPerM, beyond: mmPerM > rules.floorToleranceMmPerM + 1e-9 };
}

/** Every lamp to be aimed with its wall mark and its errors before and after; heights measured on this vehicle win over the profile's. */
export const lampAims = once((context: JobContext): LampAim[] => {
  const { aims, aimByOthers, references } = context.state;
  // A floor that is not measured counts as level until it is; the station asks for it.
  const wall = context.state.wall && { floorAtWallMm: 0, ...context.state.wall };
  return lampsToAim(context).map((entry) => {
    const key = `${entry.kit.slug}/${entry.lamp.id}`;
    const measured = aims[key] ?? {};
    const known = references[key];
    const referenceMm = known ?? measured.after?.referenceMm ?? measured.before?.referenceMm ?? referenceByProfileMm(entry);
    const markFor = (heightMm: number) => wall && wallMarks(entry.rule, [{ lamp: key, referenceMm: heightMm, sidewaysMm: entry.mount.at.yMm }], wall).marks[0];
    const errorAt = (moment: Moment) => {
      const reading = measured[moment];
      const mark = reading && markFor(known ?? reading.referenceMm);
      return wall && reading && mark ? { ...aimError(mark, reading.heightMm, wall.distanceMm, entry.lamp.aimDegPerTurn), heightMm: reading.heightMm } : undefined;
    };
    return {
      ...entry,
      key,
      referenceMm,
      referenced: known !== undefined,
      mark: markFor(referenceMm),
      before: errorAt('before'),
      after: errorAt('after'),
      byOthers: aimByOthers[key],
    };
  });
});
