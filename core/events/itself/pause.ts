import { minutesBetween } from '../../units/index.ts';
import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

/** Hands are off the vehicle for a while: what a step takes is counted without it. */
export type WorkPaused = Record<never, never>;

export const workPaused: Definition<WorkPaused> = {
  ...RECORDED,
  afterSigning: true,
  clock: 'goes on',
  opposite: 'work.resumed',
  does: (state, _nothing, { at, person }) => void (state.pause ??= { at, ...(person === undefined ? {} : { by: person }) }),
  names: nothingNamed,
};

export type WorkResumed = Record<never, never>;

export const workResumed: Definition<WorkResumed> = {
  ...RECORDED,
  afterSigning: true,
  clock: 'goes on',
  opposite: 'work.paused',
  does: (state, _nothing, { at }) => {
    if (state.pause && state.begun) state.begun = { ...state.begun, restMin: state.begun.restMin + Math.max(0, minutesBetween(state.pause.at, at)) };
    delete state.pause;
  },
  names: nothingNamed,
};
