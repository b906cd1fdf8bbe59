import { standingEvents } from '../log/index.ts';
import type { LoggedEvent } from '../events/index.ts';
import { subjectOf, type StationId } from '../subject/index.ts';
import type { KindNote } from '../vehicle/index.ts';

/** Where it matters again how something was done with a kit of which nobody had described it. */
const STATION_OF: Readonly<Record<string, StationId>> = { wired: 'wire', fitted: 'fit', aimed: 'aim' };

/** What stands in the log of a job that the next one of the kind may want to know: what was noted, and how a kit was wired, fitted or aimed that nobody had described. */
export function notesOf(log: readonly LoggedEvent[]): KindNote[] {
  const notes = standingEvents(log).flatMap(({ id, at, type, payload }): (KindNote & { about?: string })[] => {
    const on = at.slice(0, 10);
    if (type === 'note.written') return [{ id, station: payload.station, text: payload.note, on }];
    const about = type === 'exception.named' ? subjectOf(payload.about) : undefined;
    const station = about?.kind === 'unplaced' ? STATION_OF[about.what] : undefined;
    if (type !== 'exception.named' || about?.kind !== 'unplaced' || !station) return [];
    return [{ id, station, text: payload.note, on, kit: about.kit, about: payload.about }];
  });
  // Said again it stands as it was said last.
  return notes.filter(({ about }, index) => about === undefined || !notes.slice(index + 1).some((later) => later.about === about)).map(({ about: _about, ...note }) => note);
}
