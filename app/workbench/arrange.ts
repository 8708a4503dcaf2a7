import { around } from '../../core/geometry/box';
import { frameMatrix, parentMatrix } from '../../core/geometry/frame';
import { boxOf } from '../../core/geometry/hit';
import { lineEnds } from '../../core/geometry/line';
import type { Box, Point } from '../../core/geometry/matrix';
import { inverse, linear, transform } from '../../core/geometry/matrix';
import { rescaled } from '../../core/geometry/resize';
import type { Change } from '../../core/sheet/change';
import { free, group } from '../../core/sheet/make';
import type { GroupItem, Item, LineItem } from '../../core/sheet/schema';
import { isFramed } from '../../core/sheet/schema';
import { everyItem, findOn, idsWithin } from '../../core/sheet/tree';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';
import { all, inOrder, movable, newId, set } from './steps';

/** Where things are: moving, order, groups, sizes. */

/** The change of place of one item by a distance on the page. */
export function moveChange(bench: Bench, item: Item, by: Point): Change {
  const local = transform(inverse(linear(parentMatrix(bench.page, item.id))), by);
  if (item.kind === 'line') {
    const moved = (end: LineItem['from']) =>
      end.item === null ? { ...end, x: end.x + local.x, y: end.y + local.y } : end;
    return set(item.id, { from: moved(item.from), to: moved(item.to) });
  }
  return set(item.id, { x: item.x + local.x, y: item.y + local.y });
}

export function nudge(bench: Bench, by: Point): void {
  const items = movable(bench);
  if (items.length > 0) bench.make('Move', all(items.map((item) => moveChange(bench, item, by))));
}

export function remove(bench: Bench): void {
  const items = movable(bench);
  if (items.length === 0) {
    if (bench.selection.length > 0) bench.say('This is locked. Unlock it in the margin to take it away.');
    return;
  }
  const gone = new Set(items.flatMap(idsWithin));
  // Lines that held on to it stay where they are seen, free at that end.
  const freed = [...everyItem(bench.page)].flatMap((item): Change[] => {
    if (item.kind !== 'line' || gone.has(item.id)) return [];
    const ends = lineEnds(bench.page, item, pictureNow);
    const values = Object.fromEntries(
      (['from', 'to'] as const)
        .filter((side) => item[side].item !== null && gone.has(item[side].item))
        .map((side) => [side, free(ends[side].x, ends[side].y)]),
    );
    return Object.keys(values).length > 0 ? [set(item.id, values)] : [];
  });
  bench.make('Remove', all([...freed, ...items.map((item): Change => ({ kind: 'remove', id: item.id }))]));
}

/** One step (by 1) or all the way (by Infinity) to the front; negative to the back. */
export function reorder(bench: Bench, by: number): void {
  const { page } = bench;
  const [id] = bench.selection;
  const place = id && bench.selection.length === 1 ? findOn(page, id) : undefined;
  if (!place) return;
  const others = place.siblings.filter((item) => item.id !== id);
  const at = Math.max(0, Math.min(others.length, place.index - by));
  if (at === place.index) return;
  bench.make(by > 0 ? 'Bring forward' : 'Send back', {
    kind: 'reorder',
    id,
    spot: { page: page.id, group: place.groups.at(-1)?.id ?? null, behind: at === 0 ? null : others[at - 1].id },
  });
}

export function groupChosen(bench: Bench): void {
  const { page } = bench;
  const items = inOrder(bench, bench.selection);
  if (items.length < 2) return bench.say('Choose two things or more to group them.');
  const parent = findOn(page, items[0].id)?.groups.at(-1)?.id ?? null;
  if (items.some((item) => (findOn(page, item.id)?.groups.at(-1)?.id ?? null) !== parent))
    return bench.say('Things in different groups can not be grouped together.');
  const outer = parentMatrix(page, items[0].id);
  const back = inverse(outer);
  const box = around(
    items.flatMap((item) => {
      const b = boxOf(page, item, pictureNow);
      return [
        { x: b.x, y: b.y },
        { x: b.x + b.width, y: b.y },
        { x: b.x, y: b.y + b.height },
        { x: b.x + b.width, y: b.y + b.height },
      ].map((point) => transform(back, point));
    }),
  );
  const id = newId();
  const place = findOn(page, items[0].id)!;
  const shell: GroupItem = group({
    id,
    ...box,
    items: [],
    touch: items.every((item) => item.touch === 'free') ? 'free' : 'fixed',
  });
  const changes: Change[] = [
    {
      kind: 'insert',
      spot: { page: page.id, group: parent, behind: place.index > 0 ? place.siblings[place.index - 1].id : null },
      item: shell,
    },
  ];
  items.toReversed().forEach((item) => {
    changes.push(
      { kind: 'reorder', id: item.id, spot: { page: page.id, group: id, behind: null } },
      moveBy(item, { x: -box.x, y: -box.y }),
    );
  });
  if (bench.make('Group', all(changes))) bench.select([id]);
}

const moveBy = (item: Item, by: Point): Change =>
  item.kind === 'line'
    ? set(item.id, {
        from: { ...item.from, x: item.from.x + by.x, y: item.from.y + by.y },
        to: { ...item.to, x: item.to.x + by.x, y: item.to.y + by.y },
      })
    : set(item.id, { x: item.x + by.x, y: item.y + by.y });

export function ungroupChosen(bench: Bench): void {
  const item = bench.chosen;
  if (item?.kind !== 'group') return;
  const place = findOn(bench.page, item.id)!;
  const outer = place.groups.at(-1)?.id ?? null;
  const matrix = frameMatrix(item);
  const changes: Change[] = [];
  for (const part of item.items.toReversed()) {
    changes.push({ kind: 'reorder', id: part.id, spot: { page: bench.page.id, group: outer, behind: item.id } });
    if (part.kind === 'line') {
      const end = (e: LineItem['from']) => ({ ...e, ...transform(matrix, e) });
      changes.push(set(part.id, { from: end(part.from), to: end(part.to) }));
    } else {
      const middle = transform(matrix, { x: part.x + part.width / 2, y: part.y + part.height / 2 });
      const turned = item.flipX !== item.flipY ? item.angle - part.angle : item.angle + part.angle;
      changes.push(
        set(part.id, {
          x: middle.x - part.width / 2,
          y: middle.y - part.height / 2,
          angle: turned % 360,
          flipX: part.flipX !== item.flipX,
          flipY: part.flipY !== item.flipY,
        }),
      );
    }
  }
  const ids = item.items.map((part) => part.id);
  if (bench.make('Ungroup', all([...changes, { kind: 'remove', id: item.id }]))) bench.select(ids);
}

/** The items as they are when the box around them goes from `before` to `after`; groups take their parts along. */
export function scaledItem(item: Item, before: Box, after: Box): Item {
  const sx = before.width > 0 ? after.width / before.width : 1;
  const sy = before.height > 0 ? after.height / before.height : 1;
  if (item.kind === 'line') {
    const end = (e: LineItem['from']) => ({
      ...e,
      x: after.x + (e.x - before.x) * sx,
      y: after.y + (e.y - before.y) * sy,
    });
    return { ...item, from: end(item.from), to: end(item.to) };
  }
  const frame = rescaled(item, before, after);
  if (item.kind !== 'group') return { ...item, ...frame };
  return resizedGroup(item, frame);
}

export function resizedGroup(item: GroupItem, frame: Partial<GroupItem>): GroupItem {
  const next = { ...item, ...frame };
  const [inner, outer] = [item, next].map(({ width, height }) => ({ x: 0, y: 0, width, height }));
  return { ...next, items: item.items.map((part) => scaledItem(part, inner, outer)) };
}

/** The changes that lead from items to what they were resized to. */
export function frameChanges(before: Item, after: Item): Change[] {
  if (before.kind === 'line' && after.kind === 'line') return [set(before.id, { from: after.from, to: after.to })];
  if (!isFramed(before) || !isFramed(after)) return [];
  const { x, y, width, height, angle } = after;
  const own = set(before.id, { x, y, width, height, angle });
  if (before.kind !== 'group' || after.kind !== 'group') return [own];
  return [own, ...before.items.flatMap((part, i) => frameChanges(part, after.items[i]))];
}
