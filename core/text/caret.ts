import type { Layout, Line } from './lines';
import type { Box, Point } from '../geometry/matrix';

/** Carets and selections from a layout, in the box's own coordinates. Positions are flat (see body.ts). */

/** The line a position stands on; at a soft break it is the start of the next line. */
export function lineAt(layout: Layout, position: number): number {
  let found = 0;
  layout.lines.forEach((line, i) => {
    if (line.start <= position) found = i;
  });
  return found;
}

const stopAt = (line: Line, position: number) =>
  line.stops[Math.max(0, Math.min(line.stops.length - 1, position - line.start))];

export function caretAt(layout: Layout, position: number): Box {
  const line = layout.lines[lineAt(layout, position)];
  return { x: stopAt(line, position), y: line.top, width: 0, height: line.bottom - line.top };
}

/** The position nearest to a point: the line at its height, then the nearest stop. */
export function positionAt(layout: Layout, { x, y }: Point): number {
  const index = layout.lines.findIndex((line) => y < line.bottom);
  const line = layout.lines[index < 0 ? layout.lines.length - 1 : index];
  const next = layout.lines[layout.lines.indexOf(line) + 1];
  // The last stop of a line that breaks softly belongs to the next line.
  const soft = next && next.start === line.end;
  const count = soft ? line.stops.length - 1 : line.stops.length;
  let best = 0;
  for (let i = 1; i < count; i++) if (Math.abs(line.stops[i] - x) < Math.abs(line.stops[best] - x)) best = i;
  return line.start + best;
}

/** One line up or down from a position, keeping to `x`. Past the first or last line: its very start or end. */
export function vertical(layout: Layout, position: number, by: -1 | 1, x: number): number {
  const target = lineAt(layout, position) + by;
  if (target < 0) return 0;
  if (target >= layout.lines.length) return layout.lines[layout.lines.length - 1].end;
  const line = layout.lines[target];
  return positionAt(layout, { x, y: (line.top + line.bottom) / 2 });
}

/** The start or end of the line a position stands on. */
export function lineEdge(layout: Layout, position: number, edge: 'start' | 'end'): number {
  const index = lineAt(layout, position);
  const line = layout.lines[index];
  if (edge === 'start') return line.start;
  const next = layout.lines[index + 1];
  return next && next.start === line.end ? Math.max(line.start, line.end - 1) : line.end;
}

/** The boxes that mark [from, to), one a line. */
export function selectionBoxes(layout: Layout, from: number, to: number): Box[] {
  return layout.lines.flatMap((line) => {
    const start = Math.max(from, line.start);
    const end = Math.min(to, line.end);
    if (
      start > end ||
      (start === end && !(line.start === line.end && from < to && from <= line.start && to > line.end))
    )
      return [];
    const x = stopAt(line, start);
    return [{ x, y: line.top, width: Math.max(3, stopAt(line, end) - x), height: line.bottom - line.top }];
  });
}

/** The position nearest to a point, for words along a curve: the nearest of all carets. */
export function positionNear(layout: Layout, bent: (point: Point) => { point: Point }, at: Point): number {
  let best = 0;
  let nearest = Infinity;
  for (const line of layout.lines) {
    const y = (line.top + line.bottom) / 2;
    line.stops.forEach((x, i) => {
      const { point } = bent({ x, y });
      const far = Math.hypot(point.x - at.x, point.y - at.y);
      if (far < nearest) [nearest, best] = [far, line.start + i];
    });
  }
  return best;
}
