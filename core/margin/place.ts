/** Places margin entries beside their anchors. */

export type Entry = { id: string; /** Where the top of the entry would like to be. */ wish: number; height: number };

/**
 * Tops of the entries so that none overlap, in the order of their wishes, with the least sum of squared distances from
 * them (pool adjacent violators: Barlow et al. 1972). If they can't all fit between `top` and `bottom`, they run on below
 * it and the margin scrolls.
 */
export function place(entries: readonly Entry[], top: number, bottom: number, gap: number): Map<string, number> {
  const sorted = [...entries].sort((a, b) => a.wish - b.wish);
  type Block = { sum: number; count: number; from: number };
  const blocks: Block[] = [];
  let used = 0;
  const offsets = sorted.map(({ height }) => {
    const at = used;
    used += height + gap;
    return at;
  });
  sorted.forEach(({ wish }, i) => {
    blocks.push({ sum: wish - offsets[i], count: 1, from: i });
    while (blocks.length > 1) {
      const [a, b] = blocks.slice(-2);
      if (a.sum / a.count <= b.sum / b.count) break;
      blocks.splice(-2, 2, { sum: a.sum + b.sum, count: a.count + b.count, from: a.from });
    }
  });
  const highest = Math.max(top, bottom - (used - gap));
  const out = new Map<string, number>();
  blocks.forEach(({ sum, count, from }) => {
    const start = Math.min(highest, Math.max(top, sum / count));
    for (let i = from; i < from + count; i++) out.set(sorted[i].id, start + offsets[i]);
  });
  return out;
}
