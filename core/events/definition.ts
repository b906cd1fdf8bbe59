import type { Fault } from '../faults/index.ts';
import type { Right } from '../shop/index.ts';
import type { Known, Told } from './known.ts';
import type { JobState } from './state.ts';

/** What an entry carries besides its payload: which one it is, when by the device's clock, and of whom and which device where the server has said so. */
export interface Entry {
  id: string;
  at: string;
  seq?: number;
  act?: string;
  person?: string;
  device?: string;
}

export const WORKS = ['arrival', 'opening', 'wiring', 'fitting', 'testing', 'aiming', 'leaving'] as const;
/** Work that the customer's sheet names people for. */
export type Work = (typeof WORKS)[number];

/** What hangs on an entry of a type. Each definition says all of it, by the kind of entry that it is and where it is otherwise. */
export interface Flags<P> {
  /** Whether it changes something on the vehicle: it is touched then, does not leave without being looked over, and is no longer as the customer signed for. */
  touches: boolean;
  /** Whether it changes what is fitted on the job: the customer signed for something else. */
  orders: boolean;
  /** Whether it may come after a job was signed without changing what was signed for. */
  afterSigning: boolean;
  /** The clock of the next step: begins with it, and a pause is over; goes on, where it is said in a pause; or goes on in any case. */
  clock: 'begins' | 'goes on in a pause' | 'goes on';
  /** The time that a step took: ends with it; is not touched by it; ends without being known; ends so, and what is done at that piece takes longer. */
  timed: 'ticked' | 'untouched' | 'unknown' | 'trouble';
  /** Whether the way in is made anew after it: something was learned or chosen. */
  planAnew: (payload: P) => boolean;
  /** What it says of what: two people who say otherwise within a minute are told. Null where it says nothing that another could say otherwise. */
  says: ((payload: P) => [of: string, is: string | number]) | null;
  /** Whether it is taken back by an entry of its own type or its opposite only, never by undoing it. */
  stays: boolean;
  /** Who writes it: a device, or the server alone, which pins documents with it. */
  by: 'device' | 'server';
  /** The right that recording it asks for. */
  right: Right;
  /** Whether it can change what stands in the job's row: whether it has left, what is promised, where it stands, which kits it has. */
  inRow: boolean;
  /** Whether it may also be of a kit that an earlier job fitted. */
  ofFitted: boolean;
  /** The work that whoever recorded it did, as the customer's sheet names it; null where it names nobody for it. */
  work: Work | null;
  /** What later entries may name by it; null where they may name nothing more. */
  tells: ((told: Told, payload: P) => Told) | null;
}

/** What a type of entry is: what it does to the state of a job, which ids it names, what hangs on it, and what undoes it at the vehicle. */
export interface Definition<P> extends Flags<P> {
  /** What it leaves in the state. What does not fit becomes a question there; nothing is refused. */
  does: (state: JobState, payload: P, entry: Entry) => void;
  /** Faults of ids that nothing has. Whether it fits what happened before it is not asked here. */
  names: (payload: P, known: Known) => Fault[];
  /** The type that turns it back at the vehicle or in the shop; `itself` where that is said by one of its own type; null where nothing does. */
  opposite: string | null;
  /** Flags that it does not share with its opposite, each with the reason; it shares all others. */
  unlike?: Partial<Record<keyof Flags<P>, string>>;
}

const never = () => false;

/** Written down: what was read, tried, measured or said. Nothing on the vehicle is changed by it. */
export const RECORDED = {
  touches: false,
  orders: false,
  afterSigning: false,
  clock: 'begins',
  timed: 'unknown',
  planAnew: never,
  says: null,
  stays: false,
  by: 'device',
  right: 'record',
  inRow: false,
  ofFitted: false,
  work: null,
  tells: null,
} as const satisfies Flags<never>;

/** Learned or chosen, so that the way in may be another. */
export const LEARNED = { ...RECORDED, planAnew: () => true } as const;

/** Done at the vehicle. */
export const DONE = { ...RECORDED, touches: true } as const;

/** Said beside the work: a pause goes on. */
export const ASIDE = { ...RECORDED, clock: 'goes on in a pause' } as const;

/** What is fitted on the job is another. */
export const ORDERED = { ...LEARNED, orders: true, inRow: true } as const;

/** What names no id that a document could lack. */
export const nothingNamed = (): Fault[] => [];
