import MiniSearch from 'minisearch';

/** Something that is found by its name. */
export interface Findable {
  id: string;
  text: string;
}

/** How many letters of a word may be wrong, missing or too many: two, which a swapped pair is; one in three letters. */
const wrongIn = (word: string): number => (word.length >= 4 ? 2 : word.length === 3 ? 1 : 0);

/** Finds entries by the beginnings of their words, however they are written, and forgives typing errors; nothing asked for finds all, in their order. */
export function finder(entries: readonly Findable[]): (asked: string) => string[] {
  const search = new MiniSearch<Findable>({ fields: ['text'], searchOptions: { prefix: true, fuzzy: wrongIn, combineWith: 'AND' } });
  search.addAll(entries);
  const all = entries.map(({ id }) => id);
  return (asked) => (asked.trim() === '' ? all : search.search(asked).map(({ id }) => id as string));
}
