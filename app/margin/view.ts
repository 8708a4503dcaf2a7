import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { RefObject } from 'react';
import type { Box, Point } from '../../core/geometry/matrix';
import { roomBeside } from '../../core/items/beside';
import type { Page } from '../../core/schema/sheet';

/** How the sheet lies in its stage: pixels per point, and where its corner is. */
export type View = {
  scale: number;
  /** The sheet's top left corner in the stage's visible area, in pixels. */
  left: number;
  top: number;
  stageWidth: number;
  stageHeight: number;
  /** Size of the scrolled area. */
  roomWidth: number;
  roomHeight: number;
  /** The sheet's corner within the scrolled area. */
  inset: Point;
};

/** Where a page lies in its stage, as styles. */
export const paperStyle = ({ inset, scale }: View, page: Pick<Page, 'width' | 'height'>) => ({
  left: inset.x,
  top: inset.y,
  width: page.width * scale,
  height: page.height * scale,
});

/** What lies beside a page covers this. */
export const useBeside = (page: Page): Box | null => useMemo(() => roomBeside(page), [page]);

/** Pixels to a point at 100%: a CSS inch is 96 pixels. */
export const FULL_SIZE = 96 / 72;
export type Zoom = 'fit' | number;
const PAD = 22;

export const fitScale = (page: Pick<Page, 'width' | 'height'>, width: number, height: number) =>
  Math.max(0.05, Math.min((width - 2 * PAD) / page.width, (height - 2 * PAD) / page.height));

/**
 * How large the room around a page is along one axis, and where the page begins in it: in the middle, unless what lies beside it
 * needs more room.
 */
export function roomAround(
  page: number,
  stage: number,
  before: number,
  after: number,
): { room: number; inset: number } {
  const room = Math.max(stage, page + before + after + 2 * PAD);
  return { room, inset: Math.max(before + PAD, Math.min((room - page) / 2, room - page - after - PAD)) };
}

/** Follows the size and the scrolling of a stage. @param beside what lies beside the page covers, in points of the page */
export function useView(
  page: Pick<Page, 'width' | 'height'>,
  zoom: Zoom,
  beside: Box | null = null,
): { view: View; stage: RefObject<HTMLDivElement | null> } {
  const stage = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 800, height: 580, x: 0, y: 0 });
  useEffect(() => {
    const element = stage.current;
    if (!element) return;
    const read = () => {
      const { clientWidth: width, clientHeight: height, scrollLeft: x, scrollTop: y } = element;
      setSize((old) =>
        old.width === width && old.height === height && old.x === x && old.y === y ? old : { width, height, x, y },
      );
    };
    const observer = new ResizeObserver(read);
    observer.observe(element);
    element.addEventListener('scroll', read, { passive: true });
    read();
    return () => {
      observer.disconnect();
      element.removeEventListener('scroll', read);
    };
  }, []);
  const { width, height } = page;
  const left = beside && Math.max(0, -beside.x);
  const top = beside && Math.max(0, -beside.y);
  const right = beside && Math.max(0, beside.x + beside.width - width);
  const bottom = beside && Math.max(0, beside.y + beside.height - height);
  const view = useMemo(() => {
    const scale = zoom === 'fit' ? fitScale({ width, height }, size.width, size.height) : zoom * FULL_SIZE;
    const [w, h] = [width * scale, height * scale];
    const across = roomAround(w, size.width, (left ?? 0) * scale, (right ?? 0) * scale);
    const down = roomAround(h, size.height, (top ?? 0) * scale, (bottom ?? 0) * scale);
    const [roomWidth, roomHeight] = [across.room, down.room];
    const inset = { x: across.inset, y: down.inset };
    return {
      scale,
      left: inset.x - size.x,
      top: inset.y - size.y,
      stageWidth: size.width,
      stageHeight: size.height,
      roomWidth,
      roomHeight,
      inset,
    };
  }, [width, height, zoom, size, left, right, top, bottom]);
  // When there is more room to the left or above, what is seen stays where it is.
  const { x: insetX, y: insetY } = view.inset;
  const known = useRef({ x: insetX, y: insetY, scale: view.scale });
  useLayoutEffect(() => {
    const before = known.current;
    known.current = { x: insetX, y: insetY, scale: view.scale };
    if (before.scale !== view.scale || !stage.current) return;
    stage.current.scrollLeft += insetX - before.x;
    stage.current.scrollTop += insetY - before.y;
  }, [insetX, insetY, view.scale]);
  return { view, stage };
}

export const onStage = (view: View, { x, y }: Point): Point => ({
  x: view.left + x * view.scale,
  y: view.top + y * view.scale,
});
