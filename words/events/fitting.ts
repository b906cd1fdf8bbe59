import type { LinesOf } from './lines-of.ts';
import type { Pass } from '@jade/core/kit';
import { sayKey } from '@jade/words/subject';
import { inSentence } from '@jade/words/units';

/** What is done to the fasteners of a step in each pass. */
export const PASS_WORDS: Record<Pass, string> = { start: 'all started', align: 'aligned', tighten: 'tightened' };

/** Lines of the family, as the log shows them. */
export const FITTING_LINES: LinesOf<'fitting'> = {
  'step.passed': ({ kit, step, pass }, names) => `${names.step(kit, step)}: ${PASS_WORDS[pass]}`,
  'step.undone': ({ kit, step }, names) => `${names.step(kit, step)}: undone`,
  'step.rechecked': ({ kit, step }, names) => `${names.step(kit, step)}: bolts held again, they do not move`,
  'test.tried': ({ kit, test, passed, note }, names) => `${names.test(kit, test)}: ${passed ? 'passed' : 'failed'}${note ? `, ${note}` : ''}`,
  'consent.given': ({ about, by }, names) => `Agreed to by ${by}: ${inSentence(sayKey(about, names))}`,
};
