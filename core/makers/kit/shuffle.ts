/** A list in another order that follows from the numbers alone (R. Fisher and F. Yates 1938). */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const out = list.slice();
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j], out[i]];
  }
  return out;
}

/**
 * An order in which nothing stands at its own place. From four on it is none that could be guessed either: neither the order
 * turned round, nor all moved on by the same number of places.
 */
export function deranged(count: number, random: () => number): number[] {
  const start = Array.from({ length: count }, (_, i) => i);
  if (count < 2) return start;
  for (;;) {
    const order = shuffled(start, random);
    if (order.some((to, i) => to === i)) continue;
    if (count < 4) return order;
    const moves = new Set(order.map((to, i) => (to - i + count) % count));
    const turned = order.every((to, i) => to === count - 1 - i);
    if (moves.size > 1 && !turned) return order;
  }
}
