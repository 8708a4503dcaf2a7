import type { Box } from '../../geometry/matrix';
import type { Laid } from './tree';
import type { Gap } from './ways';

export type GapOf = (from: string, to: string) => Gap | null;

/** The gap between the levels of two nodes, as the map stands. */
export function gapsOf({ levels }: Laid, places: ReadonlyMap<string, Box>): GapOf {
  if (!levels) return () => null;
  const spans: { start: number; end: number }[] = [];
  for (const [id, level] of levels.of) {
    const box = places.get(id);
    if (!box) continue;
    const [start, size] = levels.axis === 'x' ? [box.x, box.width] : [box.y, box.height];
    const span = (spans[level] ??= { start, end: start + size });
    span.start = Math.min(span.start, start);
    span.end = Math.max(span.end, start + size);
  }
  return (from, to) => {
    const [a, b] = [levels.of.get(from), levels.of.get(to)];
    if (a === undefined || b === undefined || a === b) return null;
    return b > a ? { end: spans[a].end, start: spans[b].start } : { end: spans[a].start, start: spans[b].end };
  };
}
