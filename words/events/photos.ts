import type { LinesOf } from './lines-of.ts';
import { sayPictured } from '@jade/words/photos';
import { inSentence } from '@jade/words/units';

/** Lines of the family, as the log shows them. */
export const PHOTOS_LINES: LinesOf<'photos'> = {
  'photo.taken': ({ about }, names) => `Photo: ${inSentence(sayPictured(about, names))}`,
  'photo.marked': ({ ring }) => (ring ? 'Photo: where to look' : 'Photo: ring taken off'),
  'photo.captioned': ({ note }) => (note === undefined ? 'Photo: word taken off' : `Photo: ${note}`),
  'photo.chosen': ({ onSheet }) => (onSheet ? 'Photo for the customer’s sheet' : 'Photo no longer for the customer’s sheet'),
};
