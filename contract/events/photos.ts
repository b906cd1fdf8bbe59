import { LONGEST_TEXT as MOST, type EventType, type Payloads } from '@jade/core/events';
import { LONGEST_EDGE_PX, RING, WHOLE_EDGE, type Ring as PlainRing } from '@jade/core/photos';
import { EventId, Flag, Optional, Part, Sha256, Text, Whole } from '@jade/contract/check';
import type { FormsOf } from './forms-of.ts';

type P<T extends EventType> = Payloads[T];

class Ring implements PlainRing {
  @Whole(0, WHOLE_EDGE) x!: number;
  @Whole(0, WHOLE_EDGE) y!: number;
  @Whole(RING.least, RING.most) r!: number;
}

class PhotoTaken implements P<'photo.taken'> {
  @Sha256() hash!: string;
  @Sha256() thumb!: string;
  @Whole(1, LONGEST_EDGE_PX) widthPx!: number;
  @Whole(1, LONGEST_EDGE_PX) heightPx!: number;
  @Text(240) about!: string;
}

class PhotoMarked implements P<'photo.marked'> {
  @EventId() photo!: string;
  @Optional() @Part(() => Ring) ring?: Ring;
}

class PhotoCaptioned implements P<'photo.captioned'> {
  @EventId() photo!: string;
  @Optional() @Text(MOST.caption) note?: string;
}

class PhotoChosen implements P<'photo.chosen'> {
  @EventId() photo!: string;
  @Flag() onSheet!: boolean;
}

/** Forms of the family, each of its type's newest version. */
export const PHOTOS_FORMS = {
  'photo.taken': PhotoTaken,
  'photo.marked': PhotoMarked,
  'photo.captioned': PhotoCaptioned,
  'photo.chosen': PhotoChosen,
} satisfies FormsOf<'photos'>;
