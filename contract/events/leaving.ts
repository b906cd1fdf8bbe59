import { LONGEST_TEXT as MOST, MOMENTS, type EventType, type Payloads } from '@jade/core/events';
import { Amount, Flag, OneOf, Optional, Slug, Text } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';
import { LampTried } from './arrival.ts';
import { TestTried } from './fitting.ts';

type P<T extends EventType> = Payloads[T];

class WallSet implements P<'wall.set'> {
  @Slug() rule!: string;
  @Amount(500, 50_000) distanceMm!: number;
  @Optional() @Amount(-1000, 1000) floorAtWallMm?: number;
}

class AimPrepared implements P<'aim.prepared'> {
  @Flag() tyres!: boolean;
  @Flag() load!: boolean;
  @Flag() levelling!: boolean;
}

class AimMeasured implements P<'aim.measured'> {
  @Text(160) lamp!: string;
  @OneOf(MOMENTS) moment!: P<'aim.measured'>['moment'];
  @Amount(-2000, 8000) heightMm!: number;
  @Amount(50, 5000) referenceMm!: number;
}

class AimReferenced implements P<'aim.referenced'> {
  @Text(160) lamp!: string;
  @Amount(50, 5000) referenceMm!: number;
}

class AimByOthers implements P<'aim.by-others'> {
  @Text(160) lamp!: string;
  @Text(MOST.aimer) by!: string;
}

/** Forms of the family, each of its type's newest version. */
export const LEAVING_FORMS = {
  'wall.set': WallSet,
  'aim.prepared': AimPrepared,
  'aim.measured': AimMeasured,
  'aim.referenced': AimReferenced,
  'aim.by-others': AimByOthers,
  'final.tried': LampTried,
  'final.tested': TestTried,
} satisfies FormsOf<'leaving'>;
