import { PASSES } from '@jade/core/kit';
import { LONGEST_TEXT as MOST, type EventType, type Payloads } from '@jade/core/events';
import { Flag, OneOf, Optional, Slug, Slugs, Text } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class StepUndone implements P<'step.undone'> {
  @Slug() kit!: string;
  @Slug() step!: string;
  @Slugs(40) lamps!: string[];
}

class StepRechecked implements P<'step.rechecked'> {
  @Slug() kit!: string;
  @Slug() step!: string;
}

class StepPassed implements P<'step.passed'> {
  @Slug() kit!: string;
  @Slug() step!: string;
  @OneOf(PASSES) pass!: P<'step.passed'>['pass'];
}

export class TestTried implements P<'test.tried'> {
  @Slug() kit!: string;
  @Slug() test!: string;
  @Flag() passed!: boolean;
  @Optional() @Text(MOST.note) note?: string;
}

class ConsentGiven implements P<'consent.given'> {
  @Text(200) about!: string;
  @Text(MOST.consent) by!: string;
}

/** Forms of the family, each of its type's newest version. */
export const FITTING_FORMS = {
  'step.passed': StepPassed,
  'step.undone': StepUndone,
  'step.rechecked': StepRechecked,
  'test.tried': TestTried,
  'consent.given': ConsentGiven,
} satisfies FormsOf<'fitting'>;
