import { useCallback, useEffect, useRef, useState } from 'react';
import type { PointerEvent as ReactPointerEvent } from 'react';
import { wordsOf } from '../../core/drawing/item';
import { spanned } from '../../core/geometry/box';
import { frameMatrix, parentMatrix } from '../../core/geometry/frame';
import { boxOf, isHold, itemsAt, itemsWithin, targetAt } from '../../core/geometry/hit';
import type { Point } from '../../core/geometry/matrix';
import { compose, inverse, linear, transform } from '../../core/geometry/matrix';
import type { Handle } from '../../core/geometry/resize';
import { resize, turned } from '../../core/geometry/resize';
import type { Guide } from '../../core/geometry/snap';
import { snap, snapTargets } from '../../core/geometry/snap';
import { bodyLength, bodyText } from '../../core/sheet/body';
import { free } from '../../core/sheet/make';
import { itemName } from '../../core/sheet/name';
import type { FramedItem, Item, LineItem } from '../../core/sheet/schema';
import { isFramed, isWritten } from '../../core/sheet/schema';
import { everyItem, findOn, idsWithin } from '../../core/sheet/tree';
import { positionAt } from '../../core/text/caret';
import { grownHeight } from '../../core/text/layout';
import { roleOf } from '../../core/text/style';
import { union } from '../../core/geometry/box';
import type { View } from '../margin/view';
import { PageView } from '../sheet/page-view';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';
import { useBench } from './bench';
import { DragLayer } from './drag-layer';
import { frameChanges, moveChange, resizedGroup, scaledItem } from './arrange';
import { Overlay } from './overlay';
import { all } from './steps';
import { useKeys } from './keys';
import { WordsInput } from './words';
import './stage.css';

/** The sheet under the pointer: choosing, moving, resizing, turning, leading lines, editing words. */

/** Pixels within which a dragged thing is drawn to a line, and a press meets a thin thing. */
const SNAP = 6;
const REACH = 5;

const shownPage = (bench: Bench) => bench.page;
const previewOf = (bench: Bench) => bench.preview;
const rolesOf = (bench: Bench) => bench.sheet;
const facesOf = (bench: Bench) => bench.faces;

export type Target = { item: string; target: string | null };
type Props = {
  bench: Bench;
  view: View;
  arrived: number;
  label: string;
  onDropSupply?: (data: string, at: Point) => void;
};

/** May this person do anything with it? Fixed parts are glass to a student: the pointer goes through. */
const reachable = (bench: Bench, item: Item) => bench.rights.kind === 'all' || item.touch !== 'fixed';
const mayMove = (bench: Bench, item: Item) =>
  !item.locked && !bench.shut && (bench.rights.kind === 'all' || item.touch === 'free');

export function Stage({ bench, view, arrived, label, onDropSupply }: Props) {
  const page = useBench(bench, shownPage);
  const preview = useBench(bench, previewOf);
  const sheet = useBench(bench, rolesOf);
  const faces = useBench(bench, facesOf);
  const paper = useRef<HTMLDivElement>(null);
  const [guides, setGuides] = useState<Guide[]>([]);
  const [sweep, setSweep] = useState<ReturnType<typeof spanned> | null>(null);
  const [hold, setHold] = useState<Target | null>(null);
  const [said, setSaid] = useState('');
  const cancel = useRef<(() => void) | null>(null);
  const { scale } = view;

  useKeys(bench, paper, cancel);

  const pointOf = useCallback(
    (event: { clientX: number; clientY: number }): Point => {
      const box = paper.current!.getBoundingClientRect();
      return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
    },
    [scale],
  );

  const under = (point: Point) =>
    itemsAt(bench.page, bench.enteredGroup, point, REACH / scale, pictureNow).filter((item) => reachable(bench, item));

  /** Follows the pointer until it is let go; Escape calls it off. */
  function follow(
    start: ReactPointerEvent,
    move: (point: Point, event: PointerEvent) => void,
    end: (moved: boolean) => void,
    abandon: () => void,
  ) {
    const origin = { x: start.clientX, y: start.clientY };
    let moved = false;
    const element = start.currentTarget as HTMLElement;
    const { pointerId } = start;
    try {
      element.setPointerCapture(pointerId);
    } catch {
      // A pointer that is gone already can't be captured; the window's own events will do.
    }
    const onMove = (event: PointerEvent) => {
      if (event.pointerId !== pointerId) return;
      if (!moved && Math.hypot(event.clientX - origin.x, event.clientY - origin.y) < 3) return;
      moved = true;
      move(pointOf(event), event);
    };
    const stop = () => {
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onCancel);
      cancel.current = null;
      setGuides([]);
      setHold(null);
      setSweep(null);
    };
    const onUp = (event: PointerEvent) => {
      if (event.pointerId !== pointerId) return;
      stop();
      end(moved);
    };
    const onCancel = () => {
      stop();
      abandon();
    };
    cancel.current = onCancel;
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onCancel);
  }

  const still = (moving: readonly Item[]) => {
    const gone = new Set(moving.flatMap(idsWithin));
    const boxes = bench.page.items
      .filter((item) => !gone.has(item.id) && !item.hidden && item.kind !== 'line')
      .map((item) => boxOf(bench.page, item, pictureNow));
    const { width, height, margin } = bench.page;
    return snapTargets([
      ...boxes,
      { x: 0, y: 0, width, height },
      { x: margin, y: margin, width: width - 2 * margin, height: height - 2 * margin },
    ]);
  };

  function dragItems(event: ReactPointerEvent, items: Item[], onClick: () => void) {
    const moving = items.filter((item) => mayMove(bench, item));
    if (moving.length === 0)
      return follow(
        event,
        () => {},
        (moved) => {
          if (!moved) onClick();
          else if (items.some((item) => item.locked)) bench.say('This is locked. Unlock it in the margin to move it.');
        },
        () => {},
      );
    const start = pointOf(event);
    const box = union(moving.map((item) => boxOf(bench.page, item, pictureNow)));
    const targets = still(moving);
    const layer = new DragLayer(bench, paper.current!, moving, scale);
    let by: Point = { x: 0, y: 0 };
    follow(
      event,
      (point, pointer) => {
        by = { x: point.x - start.x, y: point.y - start.y };
        if (pointer.shiftKey) by = Math.abs(by.x) > Math.abs(by.y) ? { x: by.x, y: 0 } : { x: 0, y: by.y };
        if (!pointer.altKey) {
          const { dx, dy, guides: found } = snap({ ...box, x: box.x + by.x, y: box.y + by.y }, targets, SNAP / scale);
          by = {
            x: by.x + (pointer.shiftKey && by.x === 0 ? 0 : dx),
            y: by.y + (pointer.shiftKey && by.y === 0 ? 0 : dy),
          };
          setGuides((old) => (old.length === 0 && found.length === 0 ? old : found));
        }
        layer.moveBy(by);
      },
      (moved) => {
        layer.done();
        if (!moved) onClick();
        else if (by.x !== 0 || by.y !== 0) {
          const changes = moving.map((item) => moveChange(bench, item, by));
          bench.make('Move', all(changes));
        }
      },
      () => layer.done(),
    );
  }

  /** Shows items as they would be and makes the change at the end. */
  function reshape(
    event: ReactPointerEvent,
    name: string,
    before: Item[],
    next: (point: Point, pointer: PointerEvent) => Item[],
  ) {
    let after: Item[] | null = null;
    follow(
      event,
      (point, pointer) => {
        after = next(point, pointer);
        bench.show(new Map(after.map((item) => [item.id, item])));
      },
      () => {
        bench.show(new Map());
        if (!after) return;
        const changes = before.flatMap((item, i) => frameChanges(item, after![i]));
        bench.make(name, all(changes));
      },
      () => bench.show(new Map()),
    );
  }

  function pullHandle(event: ReactPointerEvent, handle: Handle) {
    const items = bench.selectedItems.filter((item) => mayMove(bench, item));
    if (items.length === 0) return;
    const start = pointOf(event);
    if (items.length === 1 && isFramed(items[0])) {
      const item = items[0];
      const back = inverse(linear(parentMatrix(bench.page, item.id)));
      reshape(event, 'Resize', items, (point, pointer) => {
        const delta = transform(back, { x: point.x - start.x, y: point.y - start.y });
        const corner = handle.x !== 0 && handle.y !== 0;
        const proportional =
          corner && (item.kind === 'picture' || item.kind === 'group') ? !pointer.shiftKey : corner && pointer.shiftKey;
        return [reshaped(item, resize(item, handle, delta, { proportional, fromCentre: pointer.altKey }))];
      });
    } else {
      const box = union(items.map((item) => boxOf(bench.page, item, pictureNow)));
      const frame = { ...box, angle: 0, flipX: false, flipY: false };
      reshape(event, 'Resize', items, (point, pointer) => {
        const after = resize(
          frame,
          handle,
          { x: point.x - start.x, y: point.y - start.y },
          { proportional: pointer.shiftKey, fromCentre: pointer.altKey },
        );
        return items.map((item) => scaledItem(item, box, after));
      });
    }
  }

  /** An item with a new frame; text boxes stay as high as their words. */
  function reshaped(item: FramedItem, frame: ReturnType<typeof resize>): Item {
    if (item.kind === 'group') return resizedGroup(item, frame);
    const next = { ...item, ...frame };
    if (next.kind === 'text' && next.fit === 'grow' && bench.faces) {
      const need = grownHeight(next.body, roleOf(bench.sheet, next.role), next, bench.faces);
      if (next.height < need) return { ...next, height: need };
    }
    return next;
  }

  function turn(event: ReactPointerEvent) {
    const item = bench.chosen;
    if (!item || !isFramed(item) || !mayMove(bench, item)) return;
    const outer = inverse(parentMatrix(bench.page, item.id));
    reshape(event, 'Turn', [item], (point, pointer) => {
      // The handle hangs below the box: half a turn from where turned() measures.
      const raw = turned(item, transform(outer, point), pointer.shiftKey ? 15 : undefined);
      const angle = (raw + 180) % 360;
      const near = Math.round(angle / 90) * 90;
      return [{ ...item, angle: Math.abs(angle - near) < 2 ? near % 360 : angle }];
    });
  }

  function leadEnd(event: ReactPointerEvent, side: 'from' | 'to') {
    const item = bench.chosen;
    if (item?.kind !== 'line') return;
    if (!(mayMove(bench, item) || (bench.rights.kind === 'student' && item.touch === 'fill' && !bench.shut))) return;
    const outer = inverse(parentMatrix(bench.page, item.id));
    reshape(event, 'Lead line', [item], (point, pointer) => {
      const found = pointer.altKey ? null : holdAt(point, item);
      setHold(found);
      const local = transform(outer, point);
      const end: LineItem['from'] = found
        ? { ...local, item: found.item, target: found.target }
        : free(local.x, local.y);
      return [{ ...item, [side]: end }];
    });
  }

  /** What a line's end would hold on to at a point: a named part first, else the foremost box there. */
  function holdAt(point: Point, line: LineItem): Target | null {
    const part = targetAt(bench.page, point, 9 / scale, pictureNow);
    if (part) return part;
    const box = itemsAt(bench.page, null, point, 2 / scale, pictureNow).find(
      (item) => isHold(item) && item.id !== line.id && item.kind !== 'picture',
    );
    return box ? { item: box.id, target: null } : null;
  }

  function sweepFrom(event: ReactPointerEvent, add: boolean) {
    const start = pointOf(event);
    const had = add ? bench.selection : [];
    let box: ReturnType<typeof spanned> | null = null;
    follow(
      event,
      (point) => {
        box = spanned(start, point);
        setSweep(box);
      },
      (moved) => {
        if (!moved || !box) {
          if (!add) {
            bench.select([]);
            bench.enter(null);
          }
          return;
        }
        const found = itemsWithin(bench.page, bench.enteredGroup, box, pictureNow).filter(
          (item) => reachable(bench, item) && !item.locked,
        );
        bench.select([...new Set([...had, ...found.map((item) => item.id)])]);
      },
      () => {},
    );
  }

  const positionIn = (item: Item, point: Point): number => {
    if (!isWritten(item) || !bench.faces) return 0;
    const local = transform(inverse(compose(parentMatrix(bench.page, item.id), frameMatrix(item))), point);
    const { layout, origin } = wordsOf(item, { faces: bench.faces, roles: bench.sheet.roles });
    return positionAt(layout, { x: local.x - origin.x, y: local.y - origin.y });
  };

  function editFrom(event: ReactPointerEvent, item: Item, extend: boolean) {
    const position = positionIn(item, pointOf(event));
    const anchor = extend && bench.editing?.id === item.id ? bench.editing.anchor : position;
    bench.edit({ id: item.id, anchor, focus: position, typing: null });
    follow(
      event,
      (point) => bench.editing && bench.edit({ ...bench.editing, focus: positionIn(item, point) }),
      () => {},
      () => {},
    );
  }

  const canWrite = (item: Item) =>
    isWritten(item) && !item.locked && !bench.shut && (bench.rights.kind === 'all' || item.touch !== 'fixed');

  function onPointerDown(event: ReactPointerEvent<HTMLDivElement>) {
    if (event.button !== 0 || !bench.faces) return;
    const mark = (event.target as Element).closest<SVGElement>('[data-grip]');
    // The text area keeps the focus while words are edited; elsewhere the stage takes it.
    event.preventDefault();
    if (mark) {
      const [kind, x, y] = mark.dataset.grip!.split(' ');
      if (kind === 'size') return pullHandle(event, { x: Number(x), y: Number(y) } as Handle);
      if (kind === 'turn') return turn(event);
      return leadEnd(event, kind as 'from' | 'to');
    }
    const point = pointOf(event);
    const { editing } = bench;
    const editedItem = editing && findOn(bench.page, editing.id)?.item;
    const here = under(point);
    if (editedItem && here.some((item) => item.id === editedItem.id))
      return editFrom(event, editedItem, event.shiftKey);
    if (!editing) paper.current?.closest<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });
    const [top] = here;
    if (!top) {
      if (bench.enteredGroup && itemsAt(bench.page, null, point, REACH / scale, pictureNow).length > 0) {
        bench.enter(null);
        bench.select([]);
      }
      return sweepFrom(event, event.shiftKey);
    }
    if (event.shiftKey) {
      const chosen = bench.selection.includes(top.id);
      bench.select(chosen ? bench.selection.filter((id) => id !== top.id) : [...bench.selection, top.id]);
      return;
    }
    // What a student is to fill in opens at the first press.
    if (bench.rights.kind === 'student' && top.touch === 'fill' && canWrite(top)) return editFrom(event, top, false);
    const already = here.find((item) => bench.selection.includes(item.id));
    const item = already ?? top;
    const wasOnly = bench.selection.length === 1 && bench.selection[0] === item.id;
    if (!already) bench.select([item.id]);
    setSaid(`${itemName(item)}, chosen`);
    dragItems(event, already ? bench.selectedItems : [item], () => {
      if (wasOnly && top.id !== item.id) bench.select([top.id]);
      else if (already && bench.selection.length > 1) bench.select([item.id]);
    });
  }

  function onDoubleClick(event: React.MouseEvent) {
    const point = pointOf(event);
    const [top] = under(point);
    if (!top) return;
    if (top.kind === 'group') {
      bench.enter(top.id);
      const [inner] = itemsAt(bench.page, top, point, REACH / scale, pictureNow);
      if (inner) bench.select([inner.id]);
      return;
    }
    if (!isWritten(top) || !canWrite(top)) return;
    if (bench.editing?.id === top.id) {
      // The word under the pointer.
      const words = bodyText(top.body);
      const at = positionIn(top, point);
      const start = words.slice(0, at).search(/[\p{L}\p{N}'’-]+$/u);
      const end = words.slice(at).search(/[^\p{L}\p{N}'’-]/u);
      bench.edit({
        id: top.id,
        anchor: start < 0 ? at : start,
        focus: end < 0 ? words.length : at + end,
        typing: null,
      });
    } else bench.edit({ id: top.id, anchor: 0, focus: bodyLength(top.body), typing: null });
  }

  // A student goes from blank to blank with Tab, in reading order.
  useEffect(() => {
    bench.onTab = (by) => {
      const fields = [...everyItem(bench.page)]
        .filter((item): item is FramedItem => isFramed(item) && canWrite(item) && item.touch === 'fill')
        .sort((a, b) => (Math.abs(a.y - b.y) > 12 ? a.y - b.y : a.x - b.x));
      const at = fields.findIndex((item) => item.id === bench.editing?.id);
      const next = fields[(at + by + fields.length) % fields.length];
      if (next && isWritten(next)) bench.edit({ id: next.id, anchor: 0, focus: bodyLength(next.body), typing: null });
    };
    return () => {
      bench.onTab = null;
    };
  });

  const shown = preview.size > 0 ? bench.shownPage : page;
  return (
    <div
      className="paper"
      ref={paper}
      style={{ left: view.inset.x, top: view.inset.y, width: page.width * scale, height: page.height * scale }}
      onPointerDown={onPointerDown}
      onDoubleClick={onDoubleClick}
      onDragOver={(event) => onDropSupply && event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        onDropSupply?.(event.dataTransfer.getData('text/plain'), pointOf(event));
      }}
    >
      {faces ? (
        <>
          <PageView sheet={sheet} page={shown} faces={faces} arrived={arrived} scale={scale} prompts label={label} />
          <Overlay bench={bench} page={shown} scale={scale} guides={guides} sweep={sweep} hold={hold} />
          <WordsInput bench={bench} scale={scale} />
        </>
      ) : (
        <p className="paper-wait" role="status">
          Laying out the sheet …
        </p>
      )}
      <span className="sr" aria-live="polite">
        {said}
      </span>
    </div>
  );
}
