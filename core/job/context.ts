import { factValues, type JobState, type PinnedDocuments } from '../events/index.ts';
import type { TakenBySteps } from '../schedule/index.ts';
import { onlyPresent, type Piece } from '../vehicle/index.ts';
import { withKitDescribed, onThisVehicle } from '../overlay/index.ts';

/** A job with the documents it pins: all that any station needs. */
export interface JobContext extends PinnedDocuments {
  state: JobState;
  /** Pieces that this vehicle does not have, of which its log may speak all the same. */
  absent?: readonly Piece[];
  /** Model year of the vehicle, where it is known. */
  year?: number;
  /** Whether the shop has not yet handed over a job with one of these kits: one side is then proved first. */
  newKit?: boolean;
  /** Times taken so far at this shop on vehicles of this kind. */
  taken?: TakenBySteps;
}

/** The documents of a job, and what the shop knows besides. */
export type JobDocuments = Omit<JobContext, 'state'>;

/** A job's state with the documents it pins, as they hold for this one vehicle: what it does not have is gone, what was found on it is there. */
export function jobContext(state: JobState, documents: JobDocuments): JobContext {
  const opened = new Set(Object.keys(state.reached));
  const { replaced, lost } = goneBefore(documents);
  const here = onThisVehicle(documents.profile, state);
  const kits = documents.kits.map((kit) => withKitDescribed(kit, state.kitsDescribed[kit.slug], here));
  const profile = onlyPresent(lost.length > 0 ? { ...here, functions: here.functions.filter(({ id }) => !lost.includes(id)) } : here, factValues(state), opened, replaced);
  const there = new Set(profile.pieces.map(({ id }) => id));
  const absent = [...documents.profile.pieces, ...Object.values(state.described.pieces)].filter(({ id }) => !there.has(id));
  return { ...documents, state, profile, kits, ...(absent.length > 0 ? { absent } : {}) };
}

/** What kits of an earlier job took the place of, and the factory functions that went with it. */
export function goneBefore({ profile, fitted = [] }: JobDocuments): { replaced: string[]; lost: string[] } {
  const fitments = fitted.flatMap((kit) => kit.fitments.filter(({ vehicle }) => vehicle === profile.slug));
  return { replaced: fitments.flatMap(({ replaces }) => replaces), lost: fitments.flatMap(({ losesFunctions }) => losesFunctions) };
}

/** A reading of a job that is worked out once for the same context and then given again. */
export function once<T>(work: (context: JobContext) => T): (context: JobContext) => T {
  const known = new WeakMap<JobContext, { value: T }>();
  return (context) => {
    const before = known.get(context);
    if (before) return before.value;
    const value = work(context);
    known.set(context, { value });
    return value;
  };
}
