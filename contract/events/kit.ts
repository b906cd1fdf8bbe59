import { FITMENT_LISTS, KIT_LISTS } from '@jade/core/kit';
import { type EventType, type Payloads } from '@jade/core/events';
import { SEEN_LIT } from '@jade/core/wiring';
import { Connection, ContentItem, FitStep, KitFeed, KitPlug, KitRelay, KitTest, Lamp, Leg } from '@jade/contract/kit';
import { Amount, Each, OneOf, OneOfEach, Optional, Slug, Slugs, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class OptionChosen implements P<'option.chosen'> {
  @Slug() kit!: string;
  @Slug() option!: string;
  @Slug() choice!: string;
}

class MatchConfirmed implements P<'match.confirmed'> {
  @Slug() kit!: string;
}

class ContentCounted implements P<'content.counted'> {
  @Slug() kit!: string;
  @Slug() item!: string;
  @Whole(0, 1000) count!: number;
}

class BenchDone implements P<'bench.done'> {
  @Slug() kit!: string;
  @Slug() task!: string;
}

/** Where a lamp sits; a place that was described holds whatever the facts are. */
class LampPlace {
  @Slug() lamp!: string;
  @Slug() mount!: string;
}

class KitDescribed implements P<'kit.described'> {
  @Slug() kit!: string;
  @Optional() @Each(() => Lamp, 60) lamps?: Lamp[];
  @Optional() @Each(() => ContentItem, 120) contents?: ContentItem[];
  @Optional() @Each(() => LampPlace, 60) mounts?: LampPlace[];
  @Optional() @Each(() => FitStep, 20) fitSteps?: FitStep[];
  @Optional() @Each(() => KitTest, 120) tests?: KitTest[];
  @Optional() @Each(() => KitPlug, 20) plugs?: KitPlug[];
  @Optional() @Each(() => KitRelay, 20) relays?: KitRelay[];
  @Optional() @Each(() => KitFeed, 20) feeds?: KitFeed[];
  @Optional() @Each(() => Leg, 20) legs?: Leg[];
  @Optional() @Each(() => Connection, 20) connections?: Connection[];
  @Optional() @Slugs(60) replaces?: string[];
  @Optional() @OneOfEach([...KIT_LISTS, ...FITMENT_LISTS], KIT_LISTS.length + FITMENT_LISTS.length) whole?: P<'kit.described'>['whole'];
}

class LampPowered implements P<'lamp.powered'> {
  @Slug() kit!: string;
  @Slug() plug!: string;
  @Slug() pin!: string;
  @Amount(0.1, 60) volts!: number;
  @Amount(0, 500) ampere!: number;
  @OneOf(SEEN_LIT) lit!: P<'lamp.powered'>['lit'];
}

/** Forms of the family, each of its type's newest version. */
export const KIT_FORMS = {
  'option.chosen': OptionChosen,
  'match.confirmed': MatchConfirmed,
  'content.counted': ContentCounted,
  'bench.done': BenchDone,
  'lamp.powered': LampPowered,
  'kit.described': KitDescribed,
} satisfies FormsOf<'kit'>;
