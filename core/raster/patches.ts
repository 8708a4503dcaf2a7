import type { Mosaic } from './mosaic';
import { besides } from './pixels';

/** A part of a picture that is of one kind of colour: its innermost place as shares across and down, and which kind. */
export type Patch = { x: number; y: number; kind: number };

/** Patches smaller than this share of the picture, or thinner than this many cells from their middle, hold no number. */
const LEAST = 0.012;
const THINNEST = 2;

/** The patches of a mosaic that are large enough to colour in, in reading order. `kindOf` names the kind of a colour. */
export function patchesOf({ columns, rows, cells }: Mosaic, kindOf: (hex: string) => number): Patch[] {
  const kinds = cells.map((hex) => (hex ? kindOf(hex) : -1));
  const seen = new Uint8Array(cells.length);
  const out: Patch[] = [];
  kinds.forEach((kind, start) => {
    if (kind < 0 || seen[start]) return;
    const patch = [start];
    const inside = new Set(patch);
    seen[start] = 1;
    for (let at = 0; at < patch.length; at++)
      for (const next of besides(patch[at], columns))
        if (kinds[next] === kind && !seen[next]) {
          seen[next] = 1;
          inside.add(next);
          patch.push(next);
        }
    if (patch.length < cells.length * LEAST) return;
    const { cell, room } = innermost(patch, inside, columns, rows);
    if (room >= THINNEST)
      out.push({ x: ((cell % columns) + 0.5) / columns, y: (Math.floor(cell / columns) + 0.5) / rows, kind });
  });
  return out;
}

/** The cell farthest from all that is not of the patch, and how far, in cells. */
function innermost(patch: readonly number[], inside: ReadonlySet<number>, columns: number, rows: number) {
  const has = (x: number, y: number) => x >= 0 && y >= 0 && x < columns && y < rows && inside.has(y * columns + x);
  let best = { cell: patch[0], room: 0 };
  for (const cell of patch) {
    const [x, y] = [cell % columns, Math.floor(cell / columns)];
    let room = 1;
    while (room < 12 && [-1, 0, 1].every((dx) => [-1, 0, 1].every((dy) => has(x + dx * room, y + dy * room)))) room++;
    if (room > best.room) best = { cell, room };
  }
  return best;
}
