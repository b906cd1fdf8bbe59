import { RECORDED, type Definition } from '../definition.ts';
import { within } from '../keep.ts';

/** What a test of a kit lights, tried once more with everything closed. */
export interface FinalTested {
  kit: string;
  test: string;
  passed: boolean;
  note?: string;
}

export const finalTested: Definition<FinalTested> = {
  ...RECORDED,
  says: ({ kit, test, passed }) => [`${kit}/${test}`, `${passed}`],
  ofFitted: true,
  work: 'leaving',
  opposite: null,
  does: (state, { kit, test, passed }) => void (within(state.finalTests, kit)[test] = passed),
  names: ({ kit, test }, { inKit, testsOf }) => inKit({ kit, test }, { test: testsOf(kit) }),
};
