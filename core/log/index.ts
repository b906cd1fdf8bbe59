export { asOnePiece } from './as-one-piece.ts';
export { type IdCheck, idCheck } from './check.ts';
export { cappedKey, foldJob, lastEvents, readOnce, standingEvents, undoneEvents } from './fold.ts';
export { liftEvent, newestVersion } from './lift.ts';
export { minutesBetween, minutesOfStep } from './step-clock.ts';
export { canUndo, undoFaults, undoTargets } from './undo.ts';
