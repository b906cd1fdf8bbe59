import { ASIDE, nothingNamed, type Definition } from '../definition.ts';

/** Without a person nobody is on it. */
export interface JobAssigned {
  person?: string;
}

export const jobAssigned: Definition<JobAssigned> = {
  ...ASIDE,
  afterSigning: true,
  opposite: 'itself',
  does: (state, { person }) => void (state.assigned = person),
  names: nothingNamed,
};
