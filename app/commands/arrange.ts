import type { Edge } from '../../core/geometry/align';
import { alignMoves, distributeMoves, tidyMoves } from '../../core/geometry/align';
import { around, union } from '../../core/geometry/box';
import { frameMatrix } from '../../core/geometry/frame';
import { parentMatrix, withinMargins } from '../../core/placement/on-page';
import { boxOf } from '../../core/items/hit';
import { lineEnds } from '../../core/placement/line';
import type { Box, Point } from '../../core/geometry/matrix';
import { inverse, linear, transform } from '../../core/geometry/matrix';
import { handlePoint } from '../../core/geometry/resize';
import { resizedGroup, scaledItem } from '../../core/items/scale';
import { alteration } from '../../core/changes/between';
import type { Change } from '../../core/changes/change';
import { free, group } from '../../core/schema/defaults';
import type { FramedItem, GroupItem, Item, LineItem } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import type { Place } from '../../core/sheet/tree';
import { everyItem, findOn, idsWithin } from '../../core/sheet/tree';
import { grownHeight } from '../../core/text/fit';
import { roleOf } from '../../core/text/style';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { noneLocked, selected, untilChanged } from '../document/editor';
import { all, inOrder, movable, newId, set } from './steps';

/** Placing: moving, order, groups, sizes. */

/** Moves one item by a distance on the page. */
export function moveChange(editor: Editor, item: Item, by: Point): Change {
  const local = transform(inverse(linear(parentMatrix(editor.page, item.id))), by);
  if (item.kind === 'line') {
    const moved = (end: LineItem['from']) =>
      end.item === null ? { ...end, x: end.x + local.x, y: end.y + local.y } : end;
    const via = item.via.map(({ x, y }) => ({ x: x + local.x, y: y + local.y }));
    return set(item.id, { from: moved(item.from), to: moved(item.to), ...(via.length > 0 && { via }) });
  }
  return set(item.id, { x: item.x + local.x, y: item.y + local.y });
}

export function nudge(editor: Editor, by: Point): void {
  const items = movable(editor);
  if (items.length > 0) editor.make('Move', all(items.map((item) => moveChange(editor, item, by))));
}

export function remove(editor: Editor): void {
  const items = movable(editor);
  if (items.length === 0) {
    if (editor.selection.length > 0) editor.say('This is locked. Unlock it in the margin to delete it.', noneLocked);
    return;
  }
  const gone = new Set(items.flatMap(idsWithin));
  // Lines attached to it stay where they are, with a free end.
  const freed = everyItem(editor.page).flatMap((item): Change[] => {
    if (item.kind !== 'line' || gone.has(item.id)) return [];
    const ends = lineEnds(editor.page, item, pictureNow);
    const values = Object.fromEntries(
      (['from', 'to'] as const)
        .filter((side) => item[side].item !== null && gone.has(item[side].item))
        .map((side) => [side, free(ends[side].x, ends[side].y)]),
    );
    return Object.keys(values).length > 0 ? [set(item.id, values)] : [];
  });
  const { enteredGroup } = editor;
  const removed = editor.make(
    'Remove',
    all([...freed, ...items.map((item): Change => ({ kind: 'remove', id: item.id }))]),
  );
  // When a part of a made item is removed, the whole is selected, so that its recipe stays at hand.
  if (removed && enteredGroup?.maker) editor.select([enteredGroup.id]);
}

/** One step (by 1) or all the way (by Infinity) to the front; negative to the back. */
export function reorder(editor: Editor, by: number): void {
  const { page } = editor;
  const [id] = editor.selection;
  const place = id && editor.selection.length === 1 ? findOn(page, id) : undefined;
  if (!place) return;
  const others = place.siblings.filter((item) => item.id !== id);
  const at = Math.max(0, Math.min(others.length, place.index - by));
  if (at !== place.index) putAt(editor, by > 0 ? 'Bring forward' : 'Send back', id, place, others, at);
}

/** Moves an item to an index in its list. */
function putAt(editor: Editor, name: string, id: string, { page, groups }: Place, others: readonly Item[], at: number) {
  const spot = { page: page.id, group: groups.at(-1)?.id ?? null, behind: at > 0 ? others[at - 1].id : null };
  editor.make(name, { kind: 'reorder', id, spot });
}

/** Moves an item just in front of another in the same list. */
export function putBefore(editor: Editor, id: string, other: string): void {
  const place = findOn(editor.page, other);
  if (!place || id === other || !findOn(editor.page, id)) return;
  const others = place.siblings.filter((item) => item.id !== id);
  const at = others.findIndex((item) => item.id === other);
  putAt(editor, 'Reorder', id, place, others, at);
}

export function groupChosen(editor: Editor): void {
  const { page } = editor;
  const items = inOrder(editor, editor.selection);
  if (items.length < 2) return editor.say('Select two or more things to group them.', selected(2));
  const parent = findOn(page, items[0].id)?.groups.at(-1)?.id ?? null;
  if (items.some((item) => (findOn(page, item.id)?.groups.at(-1)?.id ?? null) !== parent))
    return editor.say('Things in different groups can’t be grouped together.', untilChanged(editor));
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
  if (editor.make('Group', all(changes))) editor.select([id]);
}

const moveBy = (item: Item, by: Point): Change =>
  item.kind === 'line'
    ? set(item.id, {
        from: { ...item.from, x: item.from.x + by.x, y: item.from.y + by.y },
        to: { ...item.to, x: item.to.x + by.x, y: item.to.y + by.y },
        ...(item.via.length > 0 && { via: item.via.map(({ x, y }) => ({ x: x + by.x, y: y + by.y })) }),
      })
    : set(item.id, { x: item.x + by.x, y: item.y + by.y });

export function ungroupChosen(editor: Editor): void {
  const item = editor.chosen;
  if (item?.kind !== 'group') return;
  const place = findOn(editor.page, item.id)!;
  const outer = place.groups.at(-1)?.id ?? null;
  const matrix = frameMatrix(item);
  const changes: Change[] = [];
  for (const part of item.items.toReversed()) {
    changes.push({ kind: 'reorder', id: part.id, spot: { page: editor.page.id, group: outer, behind: item.id } });
    if (part.kind === 'line') {
      const end = (e: LineItem['from']) => ({ ...e, ...transform(matrix, e) });
      const via = part.via.map((point) => transform(matrix, point));
      changes.push(set(part.id, { from: end(part.from), to: end(part.to), via, made: null }));
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
          made: null,
        }),
      );
    }
  }
  const ids = item.items.map((part) => part.id);
  if (editor.make('Ungroup', all([...changes, { kind: 'remove', id: item.id }]))) editor.select(ids);
}

/** The changes from an item to its new state, including the parts of groups. */
export function itemChanges(before: Item, after: Item): Change[] {
  const own = alteration(before, after);
  if (before.kind !== 'group' || after.kind !== 'group') return own;
  return [...own, ...before.items.flatMap((part, i) => itemChanges(part, after.items[i]))];
}

type Anchor = 'page' | 'margin' | 'first' | 'each other';

const boxesOf = (editor: Editor, items: readonly Item[]) => items.map((item) => boxOf(editor.page, item, pictureNow));

/** Moves items on the page, each by its own distance. Null where none moves. */
function moveEach(editor: Editor, name: string, items: readonly Item[], moves: readonly Point[]): void {
  const changes = items.flatMap((item, i) => {
    const { x, y } = moves[i];
    return Math.abs(x) < 0.005 && Math.abs(y) < 0.005 ? [] : [moveChange(editor, item, moves[i])];
  });
  if (changes.length > 0) editor.make(name, all(changes));
}

/** The selected items that can be placed. Attached lines follow what they are attached to. */
const placeable = (editor: Editor) =>
  movable(editor).filter((item) => item.kind !== 'line' || (item.from.item === null && item.to.item === null));

export function align(editor: Editor, edge: Edge, to: Anchor): void {
  const items = placeable(editor);
  if (items.length === 0) return;
  const { width, height } = editor.page;
  const boxes = boxesOf(editor, items);
  const targets: Record<Anchor, Box> = {
    page: { x: 0, y: 0, width, height },
    margin: withinMargins(editor.page),
    first: boxes[0],
    'each other': union(boxes),
  };
  moveEach(editor, 'Align', items, alignMoves(boxes, edge, targets[to]));
}

export function distribute(editor: Editor, axis: 'x' | 'y', by: 'gap' | 'centre'): void {
  const items = placeable(editor);
  if (items.length < 3) return editor.say('Select three or more things to distribute them evenly.', selected(3));
  moveEach(editor, 'Distribute', items, distributeMoves(boxesOf(editor, items), axis, by));
}

export function tidyUp(editor: Editor): void {
  const items = placeable(editor);
  if (items.length < 2) return editor.say('Select two or more things to tidy them up.', selected(2));
  moveEach(editor, 'Tidy up', items, tidyMoves(boxesOf(editor, items)));
}

/** Gives all selected items the first one's width, height or both. */
export function sameSize(editor: Editor, what: 'width' | 'height' | 'size'): void {
  const items = movable(editor).filter(isFramed);
  if (items.length < 2) return editor.say('Select two or more things: they get the size of the first.', selected(2));
  const [first, ...others] = items;
  const values = {
    ...(what !== 'height' && { width: first.width }),
    ...(what !== 'width' && { height: first.height }),
  };
  editor.make('Same size', all(others.flatMap((item) => resizeChanges(editor, item, values))));
}

/** A new width or height of an item about its middle (when turned) or its top left corner. */
export function resizeChanges(editor: Editor, item: FramedItem, values: { width?: number; height?: number }): Change[] {
  const next = { ...item, ...values };
  // A rotated frame keeps its visible top left corner in place.
  const corner = { x: -1, y: -1 } as const;
  const [was, is] = [handlePoint(item, corner), handlePoint(next, corner)];
  const frame = { ...next, x: item.x + was.x - is.x, y: item.y + was.y - is.y };
  if (item.kind === 'group') return itemChanges(item, resizedGroup(item, frame));
  return itemChanges(item, grownTo(editor, frame as Item));
}

/** A box that grows is at least as high as its text. */
export function grownTo(editor: Editor, item: Item): Item {
  if (item.kind !== 'text' || !editor.faces) return item;
  const need = () => grownHeight(item.body, roleOf(editor.sheet, item.role), item, editor.faces!);
  // Text fitted line by line gets higher and lower with its box.
  if (item.fit === 'width' || item.fit === 'lines') return { ...item, height: need() };
  return item.fit === 'grow' ? { ...item, height: Math.max(item.height, need()) } : item;
}

/** Moves what is chosen so that the box around it begins at a place. */
export function placeAt(editor: Editor, axis: 'x' | 'y', at: number): void {
  const items = movable(editor);
  if (items.length === 0) return;
  const box = union(boxesOf(editor, items));
  const by = at - box[axis];
  moveEach(
    editor,
    'Move',
    items,
    items.map(() => (axis === 'x' ? { x: by, y: 0 } : { x: 0, y: by })),
  );
}

/** Whether the lock keeps the proportions: stretched pictures, groups and arrangements are rarely wanted. */
export const hasRatio = ([item, ...others]: readonly Item[]): boolean =>
  others.length > 0 || item.kind === 'picture' || item.kind === 'group';

/** Sets the width or height of the selection; with the lock on, the other side in proportion. */
export function sizeTo(editor: Editor, side: 'width' | 'height', length: number): void {
  const items = movable(editor);
  if (items.length === 0) return;
  const [item] = items;
  const one = items.length === 1 && isFramed(item) ? item : null;
  const box = one ?? union(boxesOf(editor, items));
  if (box[side] < 0.1) return;
  const factor = length / box[side];
  const sides =
    editor.along.ratio && hasRatio(items)
      ? { width: box.width * factor, height: box.height * factor }
      : { [side]: length };
  if (one) {
    const changes = resizeChanges(editor, one, sides);
    if (changes.length > 0) editor.make('Resize', all(changes));
    return;
  }
  const after = { ...box, ...sides };
  editor.make('Resize', all(items.flatMap((item) => itemChanges(item, scaledItem(item, box, after)))));
}

/** Resizes the selected item by keys. */
export function stretch(editor: Editor, by: Point): void {
  const items = movable(editor).filter(isFramed);
  if (items.length === 0) return;
  const changes = items.flatMap((item) =>
    resizeChanges(editor, item, { width: Math.max(4, item.width + by.x), height: Math.max(4, item.height + by.y) }),
  );
  if (changes.length > 0) editor.make('Resize', all(changes));
}

export function turnBy(editor: Editor, degrees: number): void {
  const items = movable(editor).filter(isFramed);
  const changes = items.map((item) => set(item.id, { angle: (item.angle + degrees) % 360 }));
  if (changes.length > 0) editor.make('Rotate', all(changes));
}
