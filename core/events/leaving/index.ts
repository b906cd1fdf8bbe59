import { wallSet } from './wall.ts';
import { aimPrepared } from './aim-prepared.ts';
import { aimMeasured } from './aim-measured.ts';
import { aimReferenced } from './aim-reference.ts';
import { aimByOthers } from './aim-by-others.ts';
import { finalTried } from './final-lamp.ts';
import { finalTested } from './final-test.ts';

export const LEAVING = {
  'wall.set': wallSet,
  'aim.prepared': aimPrepared,
  'aim.measured': aimMeasured,
  'aim.referenced': aimReferenced,
  'aim.by-others': aimByOthers,
  'final.tried': finalTried,
  'final.tested': finalTested,
} as const;
