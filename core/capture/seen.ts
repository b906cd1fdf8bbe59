import type { GroupCount } from '../events/index.ts';
import type { Level, LevelNeed, OpenLevel, Way } from '../vehicle/index.ts';

/**
 * Everything that was open at a moment: the piece's own lower level too, what was open on arrival, and as off what this vehicle lacks. A supply that was
 * dead stands in it by the piece that isolates it.
 */
export type OpenThen = readonly LevelNeed[];

/** What held at a moment besides what was open: how the vehicle stood, where it did not stand as it comes. */
export type HeldThen = Pick<Way, 'position' | 'also'>;

/** A piece brought to a level, with what was open before it. */
export interface SeenMove extends HeldThen {
  event: string;
  piece: string;
  from: Level;
  level: OpenLevel;
  open: OpenThen;
  /** Person-minutes of this move alone; absent where they were not measured. */
  personMin?: number;
  people: number;
  /** Fasteners that came out with it, as they were counted. */
  fasteners?: readonly GroupCount[];
  /** Something broke: it came by force, so it proves no way. */
  broken?: boolean;
  /** What whoever did it said at once of what was open then: of this move alone. */
  answers?: readonly CloseUpAnswer[];
}

/** A place at which the first fitting step or joint was made, with what was open then. */
export interface SeenTarget {
  event: string;
  target: string;
  open: OpenThen;
  /** It was worked at after it was said what could have stayed on, which so says nothing of it. */
  later?: boolean;
}

/** A piece that did not come to a level, with what was open then. */
export interface TriedMove extends HeldThen {
  event: string;
  piece: string;
  level: OpenLevel;
  open: OpenThen;
}

/**
 * What a person said at Close up of one piece of one job: that it could have stayed on, that a lower level was enough, or that it had to be.
 * It speaks of this job alone, and of all pieces that could have stayed on together.
 */
export interface CloseUpAnswer {
  event: string;
  piece: string;
  /** `fitted` where it could have stayed on, the level that was enough, or `needed` as it was. */
  enough: Level | 'needed';
}

/** Person-minutes that putting a piece back from a level took. */
export interface SeenClosing {
  event: string;
  piece: string;
  from: Level;
  personMin: number;
}

/** What one job of a kind of vehicle showed. Moves in the order in which they were made, without those that were taken back. */
export interface SeenJob {
  job: string;
  moves: readonly SeenMove[];
  targets: readonly SeenTarget[];
  tried: readonly TriedMove[];
  closings: readonly SeenClosing[];
  answers: readonly CloseUpAnswer[];
}
