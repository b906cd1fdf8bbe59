import { photoTaken } from './photo-taken.ts';
import { photoMarked, photoCaptioned, photoChosen } from './photo-changed.ts';

export const PHOTOS = {
  'photo.taken': photoTaken,
  'photo.marked': photoMarked,
  'photo.captioned': photoCaptioned,
  'photo.chosen': photoChosen,
} as const;
