import { withinMargins } from '../../../core/placement/on-page';
import { boxOf } from '../../../core/items/hit';
import type { Box, Point } from '../../../core/geometry/matrix';
import type { Gaps, Guide } from '../../../core/geometry/snap';
import { snapTargets } from '../../../core/geometry/snap';
import type { Item } from '../../../core/schema/sheet';
import { idsWithin } from '../../../core/sheet/tree';
import { pictureNow } from '../../drawing/resources';
import { itemChanges } from '../../commands/arrange';
import type { Editor } from '../../document/editor';
import { all } from '../../commands/steps';

/** The part of a pointer event that gestures use, whichever library it comes from. */
export type Press = Pick<
  PointerEvent,
  | 'clientX'
  | 'clientY'
  | 'pointerId'
  | 'pressure'
  | 'pointerType'
  | 'isPrimary'
  | 'timeStamp'
  | 'ctrlKey'
  | 'metaKey'
  | 'shiftKey'
  | 'altKey'
  | 'preventDefault'
> & { currentTarget: EventTarget | null };

/** What a line's end would attach to. */
export type Target = { item: string; target: string | null };
/** What is drawn above the sheet while a gesture goes on. */
export type Shown = {
  guides: readonly Guide[];
  gaps: readonly Gaps[];
  sweep: Box | null;
  hold: Target | null;
  /** A pen stroke on its way: an SVG path in points, where it stands on the page, and its colour. */
  stroke: { d: string; at: Point; colour: string } | null;
};
export const NOTHING: Shown = { guides: [], gaps: [], sweep: null, hold: null, stroke: null };

/** Pixels within which a dragged item snaps to a line, and within which a press hits a thin item. */
export const SNAP = 6;
export const REACH = 5;
/** The same for a finger. */
export const FINGER = 14;

/** Whether this person can do anything with the item. For students, presses go through fixed parts as through glass. */
export const reachable = (editor: Editor, item: Item) => editor.rights.kind === 'all' || item.touch !== 'fixed';
export const mayMove = (editor: Editor, item: Item) =>
  !item.locked && !editor.shut && (editor.rights.kind === 'all' || item.touch === 'free');
/** Snapping is off while Ctrl or ⌘ is held. */
export const unsnapped = (event: { ctrlKey: boolean; metaKey: boolean }) => event.ctrlKey || event.metaKey;

/** Where a gesture takes place: the paper under the pointer, its scale, and what is drawn above it. */
export class Ground {
  constructor(
    readonly editor: Editor,
    readonly paper: () => HTMLElement,
    /** Pixels to a point. */
    readonly scale: number,
    readonly show: (patch: Partial<Shown>) => void,
  ) {}

  pointOf = (event: { clientX: number; clientY: number }): Point => {
    const box = this.paper().getBoundingClientRect();
    return { x: (event.clientX - box.left) / this.scale, y: (event.clientY - box.top) / this.scale };
  };

  /** Follows the pointer until it is released. Escape cancels. */
  follow(
    start: Press,
    move: (point: Point, event: PointerEvent) => void,
    end: (moved: boolean) => void,
    abandon: () => void,
    /** Pixels the pointer has to move before it counts as a drag. */
    slack = 3,
  ): void {
    const origin = { x: start.clientX, y: start.clientY };
    let moved = false;
    const element = start.currentTarget as HTMLElement;
    const { pointerId } = start;
    try {
      element.setPointerCapture(pointerId);
    } catch {
      // A pointer that is already gone can't be captured. The window's own events are enough then.
    }
    const onMove = (event: PointerEvent) => {
      if (event.pointerId !== pointerId) return;
      if (!moved && Math.hypot(event.clientX - origin.x, event.clientY - origin.y) < slack) return;
      moved = true;
      move(this.pointOf(event), event);
    };
    const stop = () => {
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onCancel);
      this.editor.cancelGesture = null;
      this.show(NOTHING);
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
    this.editor.cancelGesture = onCancel;
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onCancel);
  }

  /** Shows items as they would be, and makes the change when the gesture ends. */
  reshape(
    event: Press,
    name: string,
    before: readonly Item[],
    next: (point: Point, pointer: PointerEvent) => Item[],
    slack?: number,
  ): void {
    const { editor } = this;
    let after: Item[] | null = null;
    this.follow(
      event,
      (point, pointer) => {
        after = next(point, pointer);
        editor.show(new Map(after.map((item) => [item.id, item])));
      },
      () => {
        editor.show(new Map());
        if (!after) return;
        const changes = before.flatMap((item, i) => itemChanges(item, after![i]));
        editor.make(name, all(changes));
      },
      () => editor.show(new Map()),
      slack,
    );
  }

  /** What a dragged item snaps to: items that stay, the page and its margin, guides and the grid. */
  targets(moving: readonly Item[]) {
    const { editor } = this;
    const gone = new Set(moving.flatMap(idsWithin));
    const boxes = editor.page.items
      .filter((item) => !gone.has(item.id) && !item.hidden && item.kind !== 'line')
      .map((item) => boxOf(editor.page, item, pictureNow));
    const { width, height, guides, grid } = editor.page;
    return snapTargets(boxes, [{ x: 0, y: 0, width, height }, withinMargins(editor.page)], guides, grid);
  }
}
