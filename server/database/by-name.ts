/** Letters with their accents stand with those without; neither database has an order of its own for that everywhere. */
const order = new Intl.Collator('en', { numeric: true });

/** In the order of a class list. */
export const byName = <T>(list: readonly T[], nameOf: (one: T) => string): T[] =>
  list.toSorted((a, b) => order.compare(nameOf(a), nameOf(b)));
