import { LONGEST_TEXT, hasLeft, type Payloads } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { MOST_ON_SHEET, MOST_PHOTOS, type PhotoSubject, type Ring } from '../../photos/index.ts';
import { key } from '../../subject/index.ts';
import { happened, refused, tooLong, unless, type Act } from '../act.ts';

type With = Pick<JobContext, 'state'>;
const unknown = (photo: string): Act => refused({ code: 'unknown', what: 'photo', id: photo });

/** A photo of a subject, once its picture is ready. The same picture of the same subject is taken once. */
export function photographed({ state }: { state: Pick<JobContext['state'], 'photos'> }, subject: PhotoSubject, picture: Omit<Payloads['photo.taken'], 'about'>): Act {
  const taken = Object.values(state.photos);
  const about = key(subject);
  if (taken.some((photo) => photo.hash === picture.hash && photo.about === about)) return refused({ code: 'already' });
  if (taken.length >= MOST_PHOTOS) return refused({ code: 'too-many-photos', most: MOST_PHOTOS });
  return happened({ type: 'photo.taken', payload: { ...picture, about } });
}

/** Where to look on a photo; nowhere in particular any more without a ring. */
export function ringed({ state }: With, photo: string, ring: Ring | undefined): Act {
  const { ring: before } = state.photos[photo] ?? {};
  if (!state.photos[photo]) return unknown(photo);
  if (before?.x === ring?.x && before?.y === ring?.y && before?.r === ring?.r) return refused({ code: 'already' });
  return happened({ type: 'photo.marked', payload: { photo, ...(ring ? { ring } : {}) } });
}

/** What a photo shows, in a word; nothing any more where none is left. */
export function captioned({ state }: With, photo: string, text: string): Act {
  const note = text.trim();
  if (!state.photos[photo]) return unknown(photo);
  if ((state.photos[photo].note ?? '') === note) return refused({ code: 'already' });
  return unless(tooLong(note, LONGEST_TEXT.caption), () => [{ type: 'photo.captioned', payload: { photo, ...(note === '' ? {} : { note }) } }]);
}

/** Whether the customer gets a photo with the sheet; what was signed for stays as it was signed. */
export function onTheSheet({ state }: With, photo: string, onSheet: boolean): Act {
  if (!state.photos[photo]) return unknown(photo);
  if (hasLeft(state)) return refused({ code: 'has-left' });
  if (state.photos[photo].onSheet === onSheet) return refused({ code: 'already' });
  const chosen = Object.values(state.photos).filter((other) => other.onSheet).length;
  if (onSheet && chosen >= MOST_ON_SHEET) return refused({ code: 'too-many-on-sheet', most: MOST_ON_SHEET });
  return happened({ type: 'photo.chosen', payload: { photo, onSheet } });
}
