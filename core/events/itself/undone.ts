import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

/** What is taken back: one event, with all that the same act recorded; or an act by its own id. One of the two. */
export interface Undone {
  event?: string;
  act?: string;
}

export const undone: Definition<Undone> = {
  ...RECORDED,
  clock: 'goes on',
  timed: 'untouched',
  inRow: true,
  opposite: 'itself',
  does: () => undefined,
  names: nothingNamed,
};
