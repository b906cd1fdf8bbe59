import type { EventType, FamilyTypes, Payloads } from '@jade/core/events';

/** A class for the payload of each type of some. */
export type Forms<T extends EventType> = { [K in T]: new () => Payloads[K] };

/** A class for the payload of each type of a family. */
export type FormsOf<F extends keyof FamilyTypes> = Forms<FamilyTypes[F]>;
