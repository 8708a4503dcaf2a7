/** What stands in a class's way: each look-for, or each part of a diagram, with how many pieces miss it. */
export type Missed = { label: string; count: number };

/** What most pieces of a class miss, with how many. */
export function missedMost(pieces: readonly { missed: readonly string[] }[]): Missed[] {
  const counts = new Map<string, number>();
  for (const label of pieces.flatMap(({ missed }) => missed)) counts.set(label, (counts.get(label) ?? 0) + 1);
  return [...counts]
    .map(([label, count]) => ({ label, count }))
    .sort((a, b) => b.count - a.count || a.label.localeCompare(b.label));
}
