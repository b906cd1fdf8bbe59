import { nothingNamed, ORDERED, type Definition } from '../definition.ts';

/** The work is not done after all: every kit is taken out again, what is open is closed, and the vehicle leaves. */
export interface JobCancelled {
  why: string;
}

export const jobCancelled: Definition<JobCancelled> = {
  ...ORDERED,
  right: 'change the order',
  opposite: null,
  does: (state, { why }, { at }) => void (state.cancelled = { why, at }),
  names: nothingNamed,
};
