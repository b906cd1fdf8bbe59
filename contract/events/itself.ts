import {
  LONGEST_TEXT as MOST,
  FOLLOWS,
  NIGHT_ITEMS,
  MOST_STROKE,
  MOST_STROKES,
  type DocumentPin as PlainPin,
  type FittedKit as PlainFitted,
  type BroughtIn as PlainBroughtIn,
  type EventType,
  type FollowsWhy,
  type Stroke as PlainStroke,
  type Payloads,
} from '@jade/core/events';
import { STATIONS } from '@jade/core/subject';
import { Mileage } from '@jade/contract/customers';
import { Amounts, Each, EventId, Flag, Moment, OneOf, OneOfEach, Optional, Part, Slug, Text, Texts, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

export class DocumentPin implements PlainPin {
  @Slug() slug!: string;
  @Whole(1, 1_000_000) version!: number;
}

/** How a vehicle came in, as the counter wrote it down. */
export class BroughtIn implements PlainBroughtIn {
  @Optional() @Text(MOST.wish) wish?: string;
  @Optional() @Part(() => Mileage) mileage?: Mileage;
  @Optional() @Text(MOST.keys) keys?: string;
}

class FittedChoice {
  @Slug() option!: string;
  @Slug() choice!: string;
}

/** A kit that an earlier job fitted, with the choices that stand for it. */
class FittedKit extends DocumentPin implements PlainFitted {
  @Each(() => FittedChoice, 40) options!: FittedChoice[];
}

/** The job that another one follows, and why. */
export class Follows {
  @Slug() job!: string;
  @OneOf(FOLLOWS) why!: FollowsWhy;
}

class JobOpened extends BroughtIn implements P<'job.opened'> {
  @Slug() vehicle!: string;
  @Part(() => DocumentPin) profile!: DocumentPin;
  @Each(() => DocumentPin, 20) kits!: DocumentPin[];
  @Part(() => DocumentPin) rules!: DocumentPin;
  @Optional() @Part(() => DocumentPin) plugs?: DocumentPin;
  @Optional() @Moment() promisedAt?: string;
  @Optional() @Text(40) bay?: string;
  @Optional() @Part(() => Follows) follows?: Follows;
  @Optional() @Each(() => FittedKit, 20) fitted?: FittedKit[];
}

class JobRepinned implements P<'job.repinned'> {
  @Part(() => DocumentPin) profile!: DocumentPin;
  @Each(() => DocumentPin, 20) kits!: DocumentPin[];
  @Part(() => DocumentPin) rules!: DocumentPin;
  @Optional() @Part(() => DocumentPin) plugs?: DocumentPin;
  @Texts(2000, 500) lost!: string[];
}

class JobAssigned implements P<'job.assigned'> {
  @Optional() @Slug() person?: string;
}

class PromiseMade implements P<'promise.made'> {
  @Optional() @Moment() at?: string;
  @Optional() @Text(MOST.why) why?: string;
}

class BayTaken implements P<'bay.taken'> {
  @Optional() @Text(40) bay?: string;
}

class WishWritten implements P<'wish.written'> {
  @Optional() @Text(MOST.wish) wish?: string;
}

class NoteWritten implements P<'note.written'> {
  @OneOf(STATIONS) station!: P<'note.written'>['station'];
  @Text(MOST.jobNote) note!: string;
}

class KitAdded implements P<'kit.added'> {
  @Part(() => DocumentPin) kit!: DocumentPin;
}

class KitDropped implements P<'kit.dropped'> {
  @Slug() kit!: string;
  @Text(MOST.why) why!: string;
}

class JobCancelled implements P<'job.cancelled'> {
  @Text(MOST.why) why!: string;
}

/** What says itself by its type. */
class NothingMore implements P<'work.paused'> {}

class NightLeft implements P<'night.left'> {
  @OneOfEach(NIGHT_ITEMS, 20) seen!: P<'night.left'>['seen'];
  @Optional() @Text(MOST.where) where?: string;
}

class NightOver implements P<'night.over'> {
  @Flag() asLeft!: boolean;
  @Optional() @Text(MOST.note) note?: string;
}

class Stroke implements PlainStroke {
  @Amounts(MOST_STROKE, 0, 1000) points!: number[];
}

class CustomerSigned implements P<'customer.signed'> {
  @Each(() => Stroke, MOST_STROKES) strokes!: Stroke[];
}

class ExceptionNamed implements P<'exception.named'> {
  @Text(200) about!: string;
  @Text(MOST.exception) note!: string;
}

class JobSigned implements P<'job.signed'> {
  @Whole(0, 10_000_000) atSeq!: number;
}

class JobReopened implements P<'job.reopened'> {
  @Text(MOST.why) why!: string;
}

class Undone implements P<'undone'> {
  @Optional() @EventId() event?: string;
  @Optional() @EventId() act?: string;
}

/** Forms of the family, each of its type's newest version. */
export const ITSELF_FORMS = {
  'job.opened': JobOpened,
  'job.repinned': JobRepinned,
  'job.assigned': JobAssigned,
  'promise.made': PromiseMade,
  'bay.taken': BayTaken,
  'wish.written': WishWritten,
  'note.written': NoteWritten,
  'kit.added': KitAdded,
  'kit.dropped': KitDropped,
  'job.cancelled': JobCancelled,
  'work.paused': NothingMore,
  'work.resumed': NothingMore,
  'night.left': NightLeft,
  'night.over': NightOver,
  'exception.named': ExceptionNamed,
  'job.signed': JobSigned,
  'job.reopened': JobReopened,
  'customer.signed': CustomerSigned,
  undone: Undone,
} satisfies FormsOf<'itself'>;
