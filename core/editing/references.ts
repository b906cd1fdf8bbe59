import { valueAt } from './places.ts';

/** In which lists of the same document the ids lie that a field may name. */
const LISTS: Readonly<Record<string, readonly string[]>> = {
  piece: ['pieces'],
  on: ['pieces'],
  first: ['pieces'],
  then: ['pieces'],
  circuit: ['circuits'],
  channel: ['channels'],
  function: ['functions'],
  fact: ['facts'],
  plugs: ['plugs'],
  mounts: ['mounts'],
  from: ['cableWays.places'],
  to: ['cableWays.places'],
  lamp: ['lamps'],
  lamps: ['lamps'],
  kitPlug: ['plugs'],
  feed: ['feeds'],
  relay: ['relays'],
  adapter: ['contents'],
  lays: ['legs'],
};

/** Ids that a field may name, in the order of the document; none where it names none of the same document. */
export function idsFor(document: unknown, field: string): string[] {
  return (LISTS[field] ?? []).flatMap((list) => {
    const entries = valueAt(document, list.split('.'));
    return Array.isArray(entries) ? (entries as unknown[]).flatMap((entry) => (typeof (entry as { id?: unknown }).id === 'string' ? [(entry as { id: string }).id] : [])) : [];
  });
}
