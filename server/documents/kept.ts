/** Keeps the values that were used last, at most so many; the one that was not used for longest goes first. */
export class Kept<V> {
  private readonly values = new Map<string, V>();
  private readonly most: number;

  constructor(most: number) {
    this.most = most;
  }

  get(key: string): V | undefined {
    const value = this.values.get(key);
    if (value !== undefined) this.set(key, value);
    return value;
  }

  set(key: string, value: V): void {
    this.values.delete(key);
    this.values.set(key, value);
    if (this.values.size <= this.most) return;
    const [oldest] = this.values.keys();
    if (oldest !== undefined) this.values.delete(oldest);
  }
}
