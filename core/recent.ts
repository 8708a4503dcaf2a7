/** A map that holds only so many things: those that were put in last. */
export class Recent<K, V> extends Map<K, V> {
  constructor(private most: number) {
    super();
  }

  override set(key: K, value: V): this {
    this.delete(key);
    super.set(key, value);
    if (this.size > this.most) this.delete(this.keys().next().value!);
    return this;
  }
}
