import { withinMargins } from '../../../core/placement/on-page';
import { boxOf } from '../../../core/items/hit';
import type { Box, Point } from '../../../core/geometry/matrix';
import type { Gaps, Guide } from '../../../core/geometry/snap';
import { snapTargets } from '../../../core/geometry/snap';
import type { Item } from '../../../core/schema/sheet';
import { idsWithin } from '../../../core/sheet/tree';
import { pictureNow } from '../../drawing/resources';
import { itemChanges } from '../../commands/arrange';
import type { Bench } from '../../document/bench';
import { all } from '../../commands/steps';

/** What gestures read of the press that begins them, whichever library tells of it. */
export type Press = Pick<
  PointerEvent,
  | 'clientX'
  | 'clientY'
  | 'pointerId'
  | 'pressure'
  | 'pointerType'
  | 'ctrlKey'
  | 'metaKey'
  | 'shiftKey'
  | 'altKey'
  | 'preventDefault'
> & { currentTarget: EventTarget | null };

/** What a line's end would hold on to. */
export type Target = { item: string; target: string | null };
/** What a gesture shows while it goes on. */
export type Shown = {
  guides: readonly Guide[];
  gaps: readonly Gaps[];
  sweep: Box | null;
  hold: Target | null;
  /** A pen stroke on its way: an SVG path in points, where it stands on the page, and its colour. */
  stroke: { d: string; at: Point; colour: string } | null;
};
export const NOTHING: Shown = { guides: [], gaps: [], sweep: null, hold: null, stroke: null };

/** Pixels within which a dragged thing is drawn to a line, and a press meets a thin thing. */
export const SNAP = 6;
export const REACH = 5;

/** May this person do anything with it? Fixed parts are glass to a student: the pointer goes through. */
export const reachable = (bench: Bench, item: Item) => bench.rights.kind === 'all' || item.touch !== 'fixed';
export const mayMove = (bench: Bench, item: Item) =>
  !item.locked && !bench.shut && (bench.rights.kind === 'all' || item.touch === 'free');
/** Without drawing to anything while Ctrl or ⌘ is held. */
export const unsnapped = (event: { ctrlKey: boolean; metaKey: boolean }) => event.ctrlKey || event.metaKey;

/** Where gestures take place: the paper under the pointer, its scale, and what is shown above it. */
export class Ground {
  constructor(
    readonly bench: Bench,
    readonly paper: () => HTMLElement,
    /** Pixels to a point. */
    readonly scale: number,
    readonly show: (patch: Partial<Shown>) => void,
  ) {}

  pointOf = (event: { clientX: number; clientY: number }): Point => {
    const box = this.paper().getBoundingClientRect();
    return { x: (event.clientX - box.left) / this.scale, y: (event.clientY - box.top) / this.scale };
  };

  /** Follows the pointer until it is let go; Escape calls it off. */
  follow(
    start: Press,
    move: (point: Point, event: PointerEvent) => void,
    end: (moved: boolean) => void,
    abandon: () => void,
    /** Pixels that the pointer has to go before it counts as a move. */
    slack = 3,
  ): void {
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
      if (!moved && Math.hypot(event.clientX - origin.x, event.clientY - origin.y) < slack) return;
      moved = true;
      move(this.pointOf(event), event);
    };
    const stop = () => {
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onCancel);
      this.bench.cancelGesture = null;
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
    this.bench.cancelGesture = onCancel;
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onCancel);
  }

  /** Shows items as they would be and makes the change at the end. */
  reshape(
    event: Press,
    name: string,
    before: readonly Item[],
    next: (point: Point, pointer: PointerEvent) => Item[],
    slack?: number,
  ): void {
    const { bench } = this;
    let after: Item[] | null = null;
    this.follow(
      event,
      (point, pointer) => {
        after = next(point, pointer);
        bench.show(new Map(after.map((item) => [item.id, item])));
      },
      () => {
        bench.show(new Map());
        if (!after) return;
        const changes = before.flatMap((item, i) => itemChanges(item, after![i]));
        bench.make(name, all(changes));
      },
      () => bench.show(new Map()),
      slack,
    );
  }

  /** What a dragged thing is drawn to: the things that stay, page and margin, own guides and the grid. */
  targets(moving: readonly Item[]) {
    const { bench } = this;
    const gone = new Set(moving.flatMap(idsWithin));
    const boxes = bench.page.items
      .filter((item) => !gone.has(item.id) && !item.hidden && item.kind !== 'line')
      .map((item) => boxOf(bench.page, item, pictureNow));
    const { width, height, guides, grid } = bench.page;
    return snapTargets(boxes, [{ x: 0, y: 0, width, height }, withinMargins(bench.page)], guides, grid);
  }
}
