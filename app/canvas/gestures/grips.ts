import type { Press } from './ground';
import { union } from '../../../core/geometry/box';
import { pageMatrix, parentMatrix } from '../../../core/placement/on-page';
import { boxOf, holdAt, targetAt } from '../../../core/items/hit';
import { bendAt, lineEnds } from '../../../core/placement/line';
import type { Point } from '../../../core/geometry/matrix';
import { inverse, linear, transform } from '../../../core/geometry/matrix';
import { adjusted } from '../../../core/geometry/shapes/shapes';
import type { Handle } from '../../../core/geometry/resize';
import { resize, turned } from '../../../core/geometry/resize';
import type { Along } from '../../../core/items/scale';
import { PLACES_ONLY, resizedGroup, scaledItem } from '../../../core/items/scale';
import { snapSides } from '../../../core/geometry/snap';
import { free, held } from '../../../core/schema/defaults';
import type { FramedItem, Item, LineItem } from '../../../core/schema/sheet';
import { isFramed } from '../../../core/schema/sheet';
import { amountAt } from '../../../core/text/lettering';
import { pictureNow } from '../../drawing/resources';
import { grownTo } from '../../commands/arrange';
import type { Tab } from '../../document/editor';
import type { Gradient } from '../../colour/gradient';
import { paintPulled } from '../../colour/gradient';
import type { Ground, Target } from './ground';
import { mayMove, SNAP, unsnapped } from './ground';

/** Dragging the handles of frames, lines, shapes, lettering and gradients. */

/** The selected item, if it is the only one and this person may change it. */
const only = ({ editor }: Ground): Item | null => {
  const item = editor.chosen;
  return item && mayMove(editor, item) ? item : null;
};

/** What scales along with a dragged corner. Sides only wrap words again and stretch. */
const alongFor = ({ editor }: Ground, corner: boolean): Along =>
  corner
    ? { words: editor.along.words ? 'all' : 'none', weights: editor.along.weights, roles: editor.sheet.roles }
    : PLACES_ONLY;

export function pullSize(ground: Ground, event: Press, handle: Handle): void {
  const { editor, scale } = ground;
  const items = editor.selectedItems.filter((item) => mayMove(editor, item));
  if (items.length === 0) return;
  const start = ground.pointOf(event);
  const corner = handle.x !== 0 && handle.y !== 0;
  const targets = ground.targets(items);
  const snapped = (frame: FramedItem | ReturnType<typeof union>, delta: Point, pointer: PointerEvent): Point => {
    const turnedFrame = 'angle' in frame && frame.angle % 360 !== 0;
    if (unsnapped(pointer) || turnedFrame) return delta;
    const box = resize({ ...frame, angle: 0, flipX: false, flipY: false }, handle, delta, { min: 0 });
    const { dx, dy, guides } = snapSides(box, handle, targets, SNAP / scale);
    ground.show({ guides });
    return { x: delta.x + dx, y: delta.y + dy };
  };
  if (items.length === 1 && isFramed(items[0])) {
    const item = items[0];
    const back = inverse(linear(parentMatrix(editor.page, item.id)));
    const onPage = editor.page.items.includes(item);
    return ground.reshape(event, 'Resize', items, (point, pointer) => {
      let delta = transform(back, { x: point.x - start.x, y: point.y - start.y });
      const inProportion = keepsProportion(item) ? !pointer.shiftKey : corner && pointer.shiftKey;
      const proportional = corner && inProportion;
      if (!proportional && !pointer.altKey && onPage) delta = snapped(item, delta, pointer);
      const frame = resize(item, handle, delta, { proportional, fromCentre: pointer.altKey });
      return [framed(ground, item, frame, proportional)];
    });
  }
  const box = union(items.map((item) => boxOf(editor.page, item, pictureNow)));
  const frame = { ...box, angle: 0, flipX: false, flipY: false };
  const along = alongFor(ground, corner);
  ground.reshape(event, 'Resize', items, (point, pointer) => {
    let delta = { x: point.x - start.x, y: point.y - start.y };
    const proportional = corner && !pointer.shiftKey;
    if (!proportional && !pointer.altKey) delta = snapped(box, delta, pointer);
    const after = resize(frame, handle, delta, { proportional, fromCentre: pointer.altKey });
    return items.map((item) => scaledItem(item, box, after, along));
  });
}

/** Items whose corners keep the proportions by themselves. Shift releases them. */
const keepsProportion = (item: FramedItem) =>
  item.kind === 'picture' || item.kind === 'group' || item.kind === 'ink' || item.kind === 'text';

/**
 * An item in a new frame. A corner of a text box scales its words; a side wraps them again, and the box stays as high as they
 * need.
 */
function framed(ground: Ground, item: FramedItem, frame: ReturnType<typeof resize>, proportional: boolean): Item {
  if (item.kind === 'group') return resizedGroup(item, frame, alongFor(ground, proportional));
  if (item.kind === 'text' && proportional) {
    const before = { x: 0, y: 0, width: item.width, height: item.height };
    const after = { x: 0, y: 0, width: frame.width, height: frame.height };
    const scaled = scaledItem(item, before, after, { words: 'all', weights: false, roles: ground.editor.sheet.roles });
    return { ...(scaled as FramedItem), x: frame.x, y: frame.y } as Item;
  }
  return grownTo(ground.editor, { ...item, ...frame } as Item);
}

export function pullTurn(ground: Ground, event: Press): void {
  const item = only(ground);
  if (!item || !isFramed(item)) return;
  const outer = inverse(parentMatrix(ground.editor.page, item.id));
  ground.reshape(event, 'Rotate', [item], (point, pointer) => {
    // The handle hangs below the box, half a turn from where turned() measures.
    const raw = turned(item, transform(outer, point), pointer.shiftKey ? 15 : undefined);
    const angle = (raw + 180) % 360;
    const near = Math.round(angle / 90) * 90;
    return [{ ...item, angle: Math.abs(angle - near) < 2 ? near % 360 : angle }];
  });
}

/** Shift moves the end in steps of 45 degrees, Alt moves both ends from the middle, Ctrl attaches to nothing. */
export function pullEnd(ground: Ground, event: Press, side: 'from' | 'to'): void {
  const { editor } = ground;
  const item = editor.chosen;
  if (item?.kind !== 'line' || item.locked) return;
  if (!(mayMove(editor, item) || (editor.rights.kind === 'student' && item.touch === 'fill' && !editor.shut))) return;
  const outer = inverse(parentMatrix(editor.page, item.id));
  const other = side === 'from' ? 'to' : 'from';
  const ends = lineEnds(editor.page, item, pictureNow);
  const middle = { x: (ends.from.x + ends.to.x) / 2, y: (ends.from.y + ends.to.y) / 2 };
  ground.reshape(event, 'Lead line', [item], (point, pointer) => {
    const found = unsnapped(pointer) || pointer.shiftKey || pointer.altKey ? null : holdFor(ground, point, item);
    ground.show({ hold: found });
    let local = transform(outer, point);
    const centred = pointer.altKey && item[other].item === null;
    if (pointer.shiftKey) local = inSteps(centred ? middle : ends[other], local, 45);
    const end: LineItem['from'] = found ? held(found.item, found.target, local.x, local.y) : free(local.x, local.y);
    return [
      {
        ...item,
        [side]: end,
        via: [],
        ...(centred && { [other]: free(2 * middle.x - local.x, 2 * middle.y - local.y) }),
      },
    ];
  });
}

/** The point at the same distance from `from`, in the nearest of the directions that are whole steps of degrees. */
export function inSteps(from: Point, to: Point, step: number): Point {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const turn = (step * Math.PI) / 180;
  const angle = Math.round(Math.atan2(to.y - from.y, to.x - from.x) / turn) * turn;
  const tidy = (value: number) => Math.round(value * 1000) / 1000;
  return { x: tidy(from.x + length * Math.cos(angle)), y: tidy(from.y + length * Math.sin(angle)) };
}

/** What a line's end would attach to at a point: a named part first, else the front box there. */
function holdFor({ editor, scale }: Ground, point: Point, line: LineItem): Target | null {
  const part = targetAt(editor.page, point, 9 / scale, pictureNow);
  if (part) return part;
  const box = holdAt(editor.page, point, 2 / scale, pictureNow, line.id);
  return box ? { item: box.id, target: null } : null;
}

export function pullBend(ground: Ground, event: Press): void {
  const item = only(ground);
  if (item?.kind !== 'line') return;
  const outer = inverse(parentMatrix(ground.editor.page, item.id));
  const { from, to } = lineEnds(ground.editor.page, item, pictureNow);
  ground.reshape(event, 'Bend line', [item], (point) => [{ ...item, bend: bendAt(from, to, transform(outer, point)) }]);
}

/** A handle of a shape itself: corner, tail, points, thickness. */
export function pullShape(ground: Ground, event: Press, handle: number): void {
  const item = only(ground);
  if (item?.kind !== 'shape') return;
  const back = inverse(pageMatrix(ground.editor.page, item));
  ground.reshape(event, 'Form', [item], (point) => [
    { ...item, adjust: adjusted(item.shape, item.width, item.height, item.adjust, handle, transform(back, point)) },
  ]);
}

/** How much lettering curves. */
export function pullAmount(ground: Ground, event: Press): void {
  const item = only(ground);
  if (item?.kind !== 'text' || !item.lettering) return;
  const { lettering } = item;
  const back = inverse(pageMatrix(ground.editor.page, item));
  const box = { x: 0, y: 0, width: item.width, height: item.height };
  ground.reshape(event, 'Curve', [item], (point) => [
    grownTo(ground.editor, {
      ...item,
      lettering: { ...lettering, amount: amountAt(lettering.curve, box, transform(back, point)) },
    }),
  ]);
}

/** The gradient whose grips an item shows: that of its letters beside their settings, that of its fill beside those. */
export function gradientOf(item: Item, tab: Tab): { of: 'fill' | 'letters'; paint: Gradient } | null {
  const letters = item.kind === 'text' && tab === 'words' ? (item.lettering?.fill ?? null) : null;
  if (letters && letters.kind !== 'solid') return { of: 'letters', paint: letters };
  const fill = (item.kind === 'text' || item.kind === 'shape') && tab === 'look' ? item.fill : null;
  return fill && fill.kind !== 'solid' ? { of: 'fill', paint: fill } : null;
}

/** Drags an end or a stop of a gradient, on the item itself. */
export function pullPaint(ground: Ground, event: Press, what: string): void {
  const { editor } = ground;
  const item = only(ground);
  const found = item && gradientOf(item, editor.tab);
  if (!item || !isFramed(item) || !found) return;
  if (/^\d+$/.test(what)) editor.put({ stop: Number(what) });
  const back = inverse(pageMatrix(editor.page, item));
  ground.reshape(event, 'Gradient', [item], (point) => {
    const paint = paintPulled(found.paint, item.width, item.height, what, transform(back, point));
    if (found.of === 'letters' && item.kind === 'text')
      return [{ ...item, lettering: item.lettering && { ...item.lettering, fill: paint } }];
    return [{ ...item, fill: paint } as Item];
  });
}
