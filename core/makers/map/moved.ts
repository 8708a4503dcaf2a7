import { centre } from '../../geometry/box';
import type { Box, Point } from '../../geometry/matrix';
import type { Asked } from '../kit/maker';
import { tidied } from '../kit/measure';
import type { MapRecipe } from '../../schema/recipes/map';

/** Where nodes that were moved by hand stay. */

export type Offset = { dx: number; dy: number };

/**
 * How far nodes that were moved by hand are from where they are made now, by id. While a node's neighbours keep their
 * places relative to each other it keeps its place among them; otherwise it keeps its distance from its own new place.
 * `place` gives where a node is made now, `loose` how far its neighbours may drift apart (points).
 */
export function offsetsOf(
  { recipe, hand, was }: Pick<Asked<MapRecipe>, 'recipe' | 'hand' | 'was'>,
  place: ReadonlyMap<string, Box>,
  loose: number,
): Map<string, Offset> {
  const out = new Map<string, Offset>();
  const isMoved = (id: string) => {
    const done = hand.get(`n-${id}`);
    return done !== undefined && (done.dx !== 0 || done.dy !== 0);
  };
  const moved = recipe.nodes.filter(({ id }) => isMoved(id) && place.has(id));
  if (moved.length === 0) return out;
  const around = neighboursOf(recipe);
  const shiftOf = (id: string): Point | null => {
    const [old, now] = [was?.get(`n-${id}`), place.get(id)];
    if (!old || !now) return null;
    const [from, to] = [centre(old), centre(now)];
    return { x: to.x - from.x, y: to.y - from.y };
  };
  for (const { id } of moved) {
    const { dx, dy } = hand.get(`n-${id}`)!;
    const own = shiftOf(id);
    const shifts = around(id).flatMap((other) => (isMoved(other) ? [] : (shiftOf(other) ?? [])));
    const [x, y] = [middleOf(shifts.map((shift) => shift.x)), middleOf(shifts.map((shift) => shift.y))];
    const together = shifts.every((shift) => Math.abs(shift.x - x) <= loose && Math.abs(shift.y - y) <= loose);
    out.set(
      id,
      own && shifts.length > 0 && together ? { dx: dx + tidied(x - own.x), dy: dy + tidied(y - own.y) } : { dx, dy },
    );
  }
  return out;
}

const middleOf = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor((values.length - 1) / 2)] ?? 0;

/** What a node hangs under, what hangs under it or beside it, and what links across join it to. */
function neighboursOf({ nodes, links }: MapRecipe): (id: string) => string[] {
  const under = new Map<string | null, string[]>();
  const parents = new Map(nodes.map(({ id, parent }) => [id, parent]));
  for (const { id, parent } of nodes) {
    const list = under.get(parent);
    if (list) list.push(id);
    else under.set(parent, [id]);
  }
  return (id) => {
    const parent = parents.get(id) ?? null;
    const out = new Set([...(under.get(id) ?? []), ...(under.get(parent) ?? [])]);
    if (parent !== null) out.add(parent);
    for (const { from, to } of links) if (from === id || to === id) out.add(from === id ? to : from);
    out.delete(id);
    return [...out];
  };
}
