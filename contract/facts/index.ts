import type { Condition as PlainCondition } from '@jade/core/facts';
import { Each, Optional, Part, Slug, Text } from '@jade/contract/check';

/** Either one fact with its value, or all, any or not of other conditions. */
export class Condition implements PlainCondition {
  @Optional() @Slug() fact?: string;
  @Optional() @Text(80) is?: string;
  @Optional() @Each(() => Condition, 40) all?: Condition[];
  @Optional() @Each(() => Condition, 40) any?: Condition[];
  @Optional() @Part(() => Condition) not?: Condition;
}
