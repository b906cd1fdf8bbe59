import type { BoltStack, ThreadInto } from '../kit/index.ts';

export interface StackCheck {
  stackMm: number;
  engagementMm: number;
  /** Undefined where only the maker knows. */
  wantedMm?: number;
  value: 'enough' | 'too short' | 'comes through' | 'ask the maker';
  /** The shortest standard length that gives the engagement wanted. */
  lengthMm?: number;
  /** How far the washer lies over the diagonal of the hole; negative where it falls in. */
  washerOverMm?: number;
  washerHolds?: boolean;
}

/** Standard bolt lengths. */
export const BOLT_LENGTHS_MM = [8, 10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80, 90, 100];
/** Share of the thread diameter wanted in the thread. */
const ENGAGEMENT: Partial<Record<ThreadInto, number>> = { steel: 1, nut: 1, aluminium: 1.5 };
/** Below it two lengths count as equal, so that a sum such as 0.2 + 4.9 + 0.9 is 6. */
const EQUAL_MM = 1e-6;
/** How far a washer has to lie over the diagonal of its hole. */
const WASHER_OVER_MM = 2;

/**
 * Thread engagement left when parts lie under a bolt: length − stack, wanted at least 1.0 × the thread's diameter into steel or a nut,
 * 1.5 × into aluminium, the maker's value into plastic. Equality is enough. A washer must lie over the diagonal of its hole by 2 mm.
 */
export function checkStack(stack: BoltStack): StackCheck {
  const { boltMm, threadMm, partsMm, into, roomMm, washerMm, holeMm } = stack;
  const stackMm = partsMm.reduce((sum, part) => sum + part, 0);
  const engagementMm = boltMm - stackMm;
  const share = ENGAGEMENT[into];
  const wantedMm = stack.wantedMm ?? (share === undefined ? undefined : share * threadMm);
  const lengthMm = wantedMm === undefined ? undefined : BOLT_LENGTHS_MM.find((length) => length - stackMm >= wantedMm - EQUAL_MM);
  const washerOverMm = washerMm === undefined || holeMm === undefined ? undefined : washerMm - Math.hypot(holeMm[0], holeMm[1]);
  return {
    stackMm,
    engagementMm,
    ...(wantedMm === undefined ? {} : { wantedMm }),
    value: valueOf(engagementMm, wantedMm, roomMm),
    ...(lengthMm === undefined ? {} : { lengthMm }),
    ...(washerOverMm === undefined ? {} : { washerOverMm, washerHolds: washerOverMm >= WASHER_OVER_MM - EQUAL_MM }),
  };
}

function valueOf(engagementMm: number, wantedMm: number | undefined, roomMm: number | undefined): StackCheck['value'] {
  if (engagementMm <= EQUAL_MM) return 'too short';
  if (roomMm !== undefined && engagementMm > roomMm + EQUAL_MM) return 'comes through';
  if (wantedMm === undefined) return 'ask the maker';
  return engagementMm >= wantedMm - EQUAL_MM ? 'enough' : 'too short';
}
