import type { Photo, Ring } from '../../photos/index.ts';
import { ASIDE, nothingNamed, type Definition } from '../definition.ts';
import { type JobState } from '../state.ts';

/** What is said of a photo that was taken back says nothing. */
function changePhoto(state: JobState, id: string, change: (before: Photo) => Photo): void {
  const before = state.photos[id];
  if (before) state.photos[id] = change(before);
}

/** Where to look on a photo; nowhere in particular any more without a ring. */
export interface PhotoMarked {
  photo: string;
  ring?: Ring;
}

export const photoMarked: Definition<PhotoMarked> = {
  ...ASIDE,
  afterSigning: true,
  opposite: 'itself',
  does: (state, { photo, ring }) => changePhoto(state, photo, ({ ring: _before, ...rest }) => (ring ? { ...rest, ring } : rest)),
  names: nothingNamed,
};

/** What a photo shows, in a word; nothing any more without one. */
export interface PhotoCaptioned {
  photo: string;
  note?: string;
}

export const photoCaptioned: Definition<PhotoCaptioned> = {
  ...ASIDE,
  afterSigning: true,
  opposite: 'itself',
  does: (state, { photo, note }) => changePhoto(state, photo, ({ note: _before, ...rest }) => (note === undefined ? rest : { ...rest, note })),
  names: nothingNamed,
};

/** Whether the customer gets a photo with the sheet. */
export interface PhotoChosen {
  photo: string;
  onSheet: boolean;
}

export const photoChosen: Definition<PhotoChosen> = {
  ...ASIDE,
  opposite: 'itself',
  does: (state, { photo, onSheet }) => changePhoto(state, photo, (before) => ({ ...before, onSheet })),
  names: nothingNamed,
};
