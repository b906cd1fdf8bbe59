import { LONGEST_TEXT as MOST, type EventType, type Payloads } from '@jade/core/events';
import { Amount, Optional, Slug, Text, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class FastenerSeized implements P<'fastener.seized'> {
  @Slug() piece!: string;
  @Slug() group!: string;
  @Whole(1, 500) count!: number;
  @Amount(0, 600) addMin!: number;
  @Optional() @Text(MOST.why) why?: string;
}

class FastenersNoted implements P<'fastener.broken'> {
  @Slug() piece!: string;
  @Slug() group!: string;
  @Whole(1, 500) count!: number;
}

/** Forms of the family, each of its type's newest version. */
export const FASTENERS_FORMS = {
  'fastener.seized': FastenerSeized,
  'fastener.broken': FastenersNoted,
  'fastener.renewed': FastenersNoted,
  'fastener.dropped': FastenersNoted,
  'fastener.found': FastenersNoted,
} satisfies FormsOf<'fasteners'>;
