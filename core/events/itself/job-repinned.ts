import { LEARNED, nothingNamed, type Definition } from '../definition.ts';
import type { DocumentPin } from '../values.ts';

/** Newer versions taken over; `lost` names ids of the old documents that the new ones no longer have. */
export interface JobRepinned {
  profile: DocumentPin;
  kits: DocumentPin[];
  rules: DocumentPin;
  plugs?: DocumentPin;
  lost: string[];
}

export const jobRepinned: Definition<JobRepinned> = {
  ...LEARNED,
  stays: true,
  by: 'server',
  opposite: null,
  does: (state, { profile, kits, rules, plugs, lost }) => {
    if (state.opened) state.opened = { ...state.opened, profile, kits, rules, ...(plugs ? { plugs } : {}) };
    state.lost = lost;
  },
  names: nothingNamed,
};
