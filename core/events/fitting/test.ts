import { RECORDED, type Definition } from '../definition.ts';
import { within } from '../keep.ts';

export interface TestTried {
  kit: string;
  test: string;
  passed: boolean;
  note?: string;
}

export const testTried: Definition<TestTried> = {
  ...RECORDED,
  timed: 'ticked',
  planAnew: ({ passed }) => !passed,
  says: ({ kit, test, passed }) => [`${kit}/${test}`, `${passed}`],
  work: 'testing',
  opposite: null,
  does: (state, { kit, test, passed }) => void (within(state.tests, kit)[test] = passed),
  names: ({ kit, test }, { inKit, testsOf }) => inKit({ kit, test }, { test: testsOf(kit) }),
};
