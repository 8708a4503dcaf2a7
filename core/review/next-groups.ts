/** Who needs what next: students whose pieces miss the same, each in one group at most. */

type Missing = { id: string; missed: readonly string[] };
export type NextGroup<P> = { label: string; pieces: P[] };
export type Next<P> = {
  /** By what is missed, the largest group first; each of at least two. */
  groups: NextGroup<P>[];
  /** What only one of those left misses: each with what is missed most in the class. */
  alone: NextGroup<P>[];
  /** Nothing is missing. */
  ready: P[];
};

/**
 * The groups, found one after another: what is missed by most of those that are left makes the next one. Pieces that miss the same
 * end up together, whatever their order.
 */
export function nextGroups<P extends Missing>(pieces: readonly P[]): Next<P> {
  const counts = (those: readonly P[]): [label: string, count: number][] => {
    const found = new Map<string, number>();
    for (const { missed } of those) for (const label of new Set(missed)) found.set(label, (found.get(label) ?? 0) + 1);
    return [...found].sort(([a, n], [b, m]) => m - n || (a < b ? -1 : 1));
  };
  const inClass = counts(pieces);
  const groups: NextGroup<P>[] = [];
  let left = pieces.filter(({ missed }) => missed.length > 0);
  for (;;) {
    const [most] = counts(left);
    if (!most || most[1] < 2) break;
    const [label] = most;
    groups.push({ label, pieces: left.filter(({ missed }) => missed.includes(label)) });
    left = left.filter(({ missed }) => !missed.includes(label));
  }
  const alone = left.map((piece) => ({
    label: inClass.find(([label]) => piece.missed.includes(label))![0],
    pieces: [piece],
  }));
  return { groups, alone, ready: pieces.filter(({ missed }) => missed.length === 0) };
}
