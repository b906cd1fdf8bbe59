import type { KindCaptured, Taken } from '../index.ts';

const ids = (list: readonly { entry: { id: string } }[]) => list.map(({ entry }) => entry.id);

/** All that jobs of a kind teach, as whoever takes it whole sends it. */
export const allTaken = ({
  pieces,
  functions,
  mounts,
  supplies,
  sensors,
  gaps,
  plugs,
  circuits,
  facts,
  confirmed,
  otherwise,
  without,
  revived,
  measures,
  notes,
  kits,
  changes,
  whole,
}: KindCaptured): Taken => ({
  pieces: ids(pieces),
  functions: ids(functions),
  mounts: ids(mounts),
  supplies: ids(supplies),
  sensors: ids(sensors),
  gaps: ids(gaps),
  plugs: ids(plugs),
  circuits: ids(circuits),
  facts: ids(facts),
  confirmed: ids(confirmed),
  otherwise: ids(otherwise),
  without: without.map(({ piece }) => piece),
  revived: ids(revived),
  measures: measures.map(({ measure }) => measure),
  notes: ids(notes),
  kits: kits.map(({ kit }) => kit.slug),
  ways: changes.map(({ way }) => way.id),
  whole: whole.map(({ list }) => list),
});
