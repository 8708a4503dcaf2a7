/** Stands in for a browser's storage: stored values are its own properties, as in a browser. */
class Plain {
  [key: string]: unknown;
  getItem(key: string): unknown {
    return this[key] ?? null;
  }
  setItem(key: string, value: string): void {
    this[key] = value;
  }
  removeItem(key: string): void {
    delete this[key];
  }
}
export const plainStorage = () => new Plain();
