import type { Press } from './ground';
import { inkPath } from '../../../core/items/ink';
import type { PenPoint } from '../../../core/placement/erase';
import { erased, mayTouch, strokeOf } from '../../../core/placement/erase';
import { pageMatrix, parentMatrix } from '../../../core/placement/on-page';
import type { Point } from '../../../core/geometry/matrix';
import { IDENTITY, inverse, transform } from '../../../core/geometry/matrix';
import type { Change } from '../../../core/changes/change';
import { ink } from '../../../core/schema/defaults';
import type { InkItem } from '../../../core/schema/sheet';
import { everyItem, findOn } from '../../../core/sheet/tree';
import { pressureOf } from '../../browser/pointer';
import type { Tool } from '../../document/editor';
import { all, newId, touch } from '../../commands/steps';
import type { Ground } from './ground';
import { mayMove } from './ground';

/** Drawing and erasing by hand. */

export function drawStroke(ground: Ground, event: Press, tool: Extract<Tool, { kind: 'pen' }>): void {
  const { editor } = ground;
  const group = editor.enteredGroup;
  const back = group ? inverse(pageMatrix(editor.page, group)) : IDENTITY;
  const start = ground.pointOf(event);
  const points: PenPoint[] = [[start.x, start.y, pressureOf(event)]];
  const made = (list: readonly PenPoint[]) =>
    ink({ id: newId(), touch: touch(editor), colour: tool.colour, weight: tool.weight, ...strokeOf(list) });
  ground.follow(
    event,
    (_, pointer) => {
      // All pen positions since the last frame, so that fast strokes stay round.
      const all = pointer.getCoalescedEvents?.() ?? [];
      for (const one of all.length > 0 ? all : [pointer]) {
        const { x, y } = ground.pointOf(one);
        points.push([x, y, pressureOf(one)]);
      }
      const item = made(points);
      ground.show({ stroke: { d: inkPath(item), at: item, colour: tool.colour } });
    },
    () => {
      const local = points.map(([x, y, pressure]): PenPoint => {
        const at = transform(back, { x, y });
        return [at.x, at.y, pressure];
      });
      // A press without a move is a dot.
      if (local.length === 1) local.push([local[0][0] + 0.1, local[0][1], local[0][2]]);
      editor.make('Draw', {
        kind: 'insert',
        spot: { page: editor.page.id, group: editor.entered, behind: null },
        item: made(local),
      });
    },
    () => {},
    1,
  );
}

export function erase(ground: Ground, event: Press, tool: Extract<Tool, { kind: 'eraser' }>): void {
  const { editor } = ground;
  const path: Point[] = [ground.pointOf(event)];
  const radius = tool.size / 2;
  const strokes = everyItem(editor.page).filter(
    (item): item is InkItem => item.kind === 'ink' && mayMove(editor, item) && !item.hidden,
  );
  const circle = `M${-radius} 0a${radius} ${radius} 0 1 0 ${tool.size} 0a${radius} ${radius} 0 1 0 ${-tool.size} 0Z`;
  const showAt = (at: Point) => ground.show({ stroke: { d: circle, at, colour: 'rgb(178 80 28 / 25%)' } });
  showAt(path[0]);
  ground.follow(
    event,
    (point) => {
      path.push(point);
      showAt(point);
    },
    () => {
      const changes: Change[] = [];
      for (const item of strokes) {
        const back = inverse(parentMatrix(editor.page, item.id));
        const local = path.map((point) => transform(back, point));
        const reach = radius + longestStep(local);
        if (!local.some((at) => mayTouch(item, at, reach))) continue;
        const pieces = erased(item, local, radius);
        if (!pieces) continue;
        const place = findOn(editor.page, item.id)!;
        const spot = { page: editor.page.id, group: place.groups.at(-1)?.id ?? null, behind: item.id };
        for (const piece of pieces.toReversed())
          changes.push({
            kind: 'insert',
            spot,
            item: { ...item, angle: 0, flipX: false, flipY: false, id: newId(), ...strokeOf(piece) },
          });
        changes.push({ kind: 'remove', id: item.id });
      }
      if (changes.length > 0) editor.make('Erase', all(changes));
    },
    () => {},
    1,
  );
}

function longestStep(path: readonly Point[]): number {
  let most = 0;
  for (let i = 1; i < path.length; i++)
    most = Math.max(most, Math.hypot(path[i].x - path[i - 1].x, path[i].y - path[i - 1].y));
  return most;
}
