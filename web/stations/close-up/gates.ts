import type { Gate } from '@jade/core/closing';
import type { Station } from '@jade/core/stations';

/** The station at which the work of a gate is done. */
export const stationOf = (kind: Gate['subject']['kind']): Station =>
  (({ test: 'fit', fit: 'fit', joint: 'wire', cap: 'wire', out: 'fit', leg: 'wire', aim: 'aim' }) as const)[kind];
