import { noneLocked } from '../../document/editor';
import type { Press } from './ground';
import { spanned, union } from '../../../core/geometry/box';
import { boxOf, itemsWithin } from '../../../core/items/hit';
import type { Box, Point } from '../../../core/geometry/matrix';
import { snap } from '../../../core/geometry/snap';
import type { Item } from '../../../core/schema/sheet';
import { pictureNow } from '../../drawing/resources';
import { moveChange } from '../../commands/arrange';
import { DragLayer } from './drag-layer';
import { all } from '../../commands/steps';
import type { Ground } from './ground';
import { mayMove, reachable, SNAP, unsnapped } from './ground';

/** Moves items with the pointer. Shift keeps to one direction, Ctrl turns snapping off. */
export function dragItems(ground: Ground, event: Press, items: readonly Item[], onClick: () => void): void {
  const { editor, scale } = ground;
  const moving = items.filter((item) => mayMove(editor, item));
  if (moving.length === 0)
    return ground.follow(
      event,
      () => {},
      (moved) => {
        if (!moved) onClick();
        else if (items.some((item) => item.locked))
          editor.say('This is locked. Unlock it in the margin to move it.', noneLocked);
      },
      () => {},
    );
  const start = ground.pointOf(event);
  const box = union(moving.map((item) => boxOf(editor.page, item, pictureNow)));
  const targets = ground.targets(moving);
  const layer = new DragLayer(editor, ground.paper(), moving, scale);
  let by: Point = { x: 0, y: 0 };
  let last = start;
  let shown = false;
  ground.follow(
    event,
    (point, pointer) => {
      last = point;
      by = { x: point.x - start.x, y: point.y - start.y };
      if (pointer.shiftKey) by = Math.abs(by.x) > Math.abs(by.y) ? { x: by.x, y: 0 } : { x: 0, y: by.y };
      if (!unsnapped(pointer)) {
        const { dx, dy, guides, gaps } = snap({ ...box, x: box.x + by.x, y: box.y + by.y }, targets, SNAP / scale);
        by = {
          x: by.x + (pointer.shiftKey && by.x === 0 ? 0 : dx),
          y: by.y + (pointer.shiftKey && by.y === 0 ? 0 : dy),
        };
        const some = guides.length + gaps.length > 0;
        if (some || shown) ground.show({ guides, gaps });
        shown = some;
      } else if (shown) {
        ground.show({ guides: [], gaps: [] });
        shown = false;
      }
      layer.moveBy(by);
    },
    (moved) => {
      layer.done();
      if (!moved) onClick();
      else if (moving.length === 1 && editor.onSheet.some((maker) => maker.drop?.(editor, moving[0], last))) return;
      else if (by.x !== 0 || by.y !== 0) editor.make('Move', all(moving.map((item) => moveChange(editor, item, by))));
    },
    () => layer.done(),
  );
}

/** Selects what lies entirely in the swept area. */
export function sweepFrom(ground: Ground, event: Press, add: boolean): void {
  const { editor } = ground;
  const start = ground.pointOf(event);
  const had = add ? editor.selection : [];
  let box: Box | null = null;
  ground.follow(
    event,
    (point) => {
      box = spanned(start, point);
      ground.show({ sweep: box });
    },
    (moved) => {
      if (!moved || !box) {
        if (!add) {
          editor.select([]);
          editor.enter(null);
        }
        return;
      }
      const found = itemsWithin(editor.page, editor.enteredGroup, box, pictureNow).filter(
        (item) => reachable(editor, item) && !item.locked,
      );
      editor.select([...new Set([...had, ...found.map((item) => item.id)])]);
    },
    () => {},
  );
}
