import { numberRecorded } from './number.ts';
import { factRecorded } from './fact.ts';
import { baselineTried } from './baseline.ts';
import { batteryMeasured } from './battery-at-rest.ts';
import { codeRecorded, codesRead } from './codes.ts';
import { warningsRead } from './warnings.ts';
import { lensGraded } from './lens.ts';
import { gapMeasured } from './gap.ts';
import { damageNoted } from './damage.ts';
import { accessoryFound } from './accessory.ts';

export const ARRIVAL = {
  'number.recorded': numberRecorded,
  'fact.recorded': factRecorded,
  'baseline.tried': baselineTried,
  'battery.measured': batteryMeasured,
  'code.recorded': codeRecorded,
  'codes.read': codesRead,
  'warnings.read': warningsRead,
  'lens.graded': lensGraded,
  'gap.measured': gapMeasured,
  'damage.noted': damageNoted,
  'accessory.found': accessoryFound,
} as const;
