import type { FamilyTypes, Payloads } from '@jade/core/events';
import type { Names } from '@jade/words/names';

/** What the log says of each type of a family. */
export type LinesOf<F extends keyof FamilyTypes> = { [T in FamilyTypes[F]]: (payload: Payloads[T], names: Names) => string };
