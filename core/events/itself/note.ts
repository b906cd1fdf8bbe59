import type { StationId } from '../../subject/index.ts';
import { ASIDE, nothingNamed, type Definition } from '../definition.ts';

/** What a person wants to keep, at the station where it came up. */
export interface NoteWritten {
  station: StationId;
  note: string;
}

export const noteWritten: Definition<NoteWritten> = {
  ...ASIDE,
  afterSigning: true,
  opposite: null,
  does: (state, { station, note }, { id, at, person }) => void state.notes.push({ event: id, at, station, note, ...(person === undefined ? {} : { by: person }) }),
  names: nothingNamed,
};
