/**
 * A map that holds only so much: what was put in or asked for last. `weigh` says what an entry weighs (bytes, letters);
 * without it each weighs one. An entry that alone is heavier than `most` is not kept at all.
 */
export class Recent<K, V> {
  private entries = new Map<K, { value: V; weight: number }>();
  private held = 0;
  constructor(
    private most: number,
    private weigh: (value: V, key: K) => number = () => 1,
  ) {}

  get weight(): number {
    return this.held;
  }
  get size(): number {
    return this.entries.size;
  }

  has(key: K): boolean {
    return this.entries.has(key);
  }

  get(key: K): V | undefined {
    const entry = this.entries.get(key);
    if (!entry) return undefined;
    this.entries.delete(key);
    this.entries.set(key, entry);
    return entry.value;
  }

  set(key: K, value: V): this {
    this.delete(key);
    const weight = this.weigh(value, key);
    if (weight > this.most) return this;
    this.entries.set(key, { value, weight });
    this.held += weight;
    for (const oldest of this.entries.keys()) {
      if (this.held <= this.most) break;
      this.delete(oldest);
    }
    return this;
  }

  delete(key: K): boolean {
    this.held -= this.entries.get(key)?.weight ?? 0;
    return this.entries.delete(key);
  }
}
