export {
  BASELINE_RESULTS,
  type BaselineResult,
  type BroughtIn,
  type DocumentPin,
  FACT_CERTAINTIES,
  FOLLOWS,
  type FactCertainty,
  type FittedKit,
  type FollowsWhy,
  type GroupCount,
  JOINT_CHECKS,
  type JointCheck,
  type Judged,
  LED_TO,
  LENS_GRADES,
  type LedTo,
  type LensGrade,
  MOMENTS,
  MOST_PINS,
  MOST_STROKE,
  MOST_STROKES,
  type Moment,
  NIGHT_ITEMS,
  type NightItem,
  SCHOOLS,
  type School,
  type Stroke,
  WARNING_LAMPS,
  WIRE_OPENINGS,
  type WarningLamp,
  type WireOpening,
} from './values.ts';
export type { FamilyTypes } from './catalogue.ts';
export type { EventType, Happened, JobEvent, LoggedEvent, Payloads } from './event.ts';
export { definitionOf, EVENT_TYPES, flagsOf, isEventType, PINNING, plansAnew, rightFor, TELLING, typesOfWork } from './tables.ts';
export { FASTENERS } from './fasteners/index.ts';
export { knownTo, type Told } from './known.ts';
export { WORKS, type Definition, type Flags, type Work } from './definition.ts';
export { LONGEST_TEXT, tooManyIn } from './longest.ts';
export {
  FOLD_VERSION,
  type GroupTally,
  type JobState,
  type MadeMoveRecord,
  type OpenQuestion,
  cappedKey,
  damageOn,
  emptyJob,
  factValues,
  gapWhyKey,
  hasLeft,
  lensWhyKey,
  outstanding,
  pinsOf,
  wanting,
  warningsWhyKey,
  wayPlace,
} from './state.ts';
export type { PinnedDocuments } from './documents.ts';
