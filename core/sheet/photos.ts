import { damageOn } from '../events/index.ts';
import type { With } from './entries.ts';
import type { PhotoLine } from './sheet.ts';

/** Photos that were chosen to go with the sheet. */
export function photoLines({ said, state }: With): PhotoLine[] {
  return Object.values(state.photos)
    .filter(({ onSheet }) => onSheet)
    .map((photo): PhotoLine => {
      const of = (own: { photo: string }) => own.photo === photo.event;
      const damage = damageOn(state, photo);
      return {
        photo,
        ...(damage ? { damage: { place: damage.place, note: damage.note } } : {}),
        from: [photo.event, ...(damage ? [damage.event] : []), ...said.last('photo.marked', of), ...said.last('photo.captioned', of), ...said.last('photo.chosen', of)],
      };
    });
}
