export { asOnePiece } from './as-one-piece.ts';
export { type IdCheck, idCheck } from './check.ts';
export { foldJob, lastEvents, readOnce, standingEvents, undoneEvents } from './fold.ts';
export { liftEvent, newestVersion } from './lift.ts';
export { minutesOfStep } from './step-clock.ts';
export { canUndo, undoFaults, undoTargets } from './undo.ts';
