/** A record without a prototype, so that an id may be any word. */
export function records<T>(): Record<string, T> {
  return Object.create(null) as Record<string, T>;
}
