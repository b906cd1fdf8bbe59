import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

export interface JobSigned {
  atSeq: number;
}

export const jobSigned: Definition<JobSigned> = {
  ...RECORDED,
  afterSigning: true,
  stays: true,
  right: 'sign off',
  inRow: true,
  opposite: 'job.reopened',
  unlike: { right: 'to open it again is a right of its own', stays: 'it is opened again by an entry with a reason' },
  does: (state, { atSeq }, event) => void (state.signed ??= { event: event.id, at: event.at, atSeq, by: event.person }),
  names: nothingNamed,
};

export interface JobReopened {
  why: string;
}

export const jobReopened: Definition<JobReopened> = {
  ...RECORDED,
  afterSigning: true,
  right: 'reopen',
  inRow: true,
  opposite: 'job.signed',
  does: (state) => {
    state.signed = undefined;
    // What came late was shown to whoever opened the job again, and is signed for anew; so is what the customer signed.
    state.questions = state.questions.filter(({ code }) => code !== 'late-event');
    delete state.signature;
  },
  names: nothingNamed,
};
