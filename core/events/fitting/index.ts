import { stepPassed, stepUndone } from './step.ts';
import { stepRechecked } from './step-rechecked.ts';
import { testTried } from './test.ts';
import { consentGiven } from './consent.ts';

export const FITTING = {
  'step.passed': stepPassed,
  'step.undone': stepUndone,
  'step.rechecked': stepRechecked,
  'test.tried': testTried,
  'consent.given': consentGiven,
} as const;
