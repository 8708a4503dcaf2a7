import { useEffect, useMemo, useRef, useState } from 'react';
import type { RefObject } from 'react';
import type { Point } from '../../core/geometry/matrix';
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

/** Pixels to a point at 100%: a CSS inch is 96 pixels. */
export const FULL_SIZE = 96 / 72;
export type Zoom = 'fit' | number;
const PAD = 22;

export const fitScale = (page: Pick<Page, 'width' | 'height'>, width: number, height: number) =>
  Math.max(0.05, Math.min((width - 2 * PAD) / page.width, (height - 2 * PAD) / page.height));

/** Follows the size and the scrolling of a stage. */
export function useView(
  page: Pick<Page, 'width' | 'height'>,
  zoom: Zoom,
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
  const view = useMemo(() => {
    const scale = zoom === 'fit' ? fitScale({ width, height }, size.width, size.height) : zoom * FULL_SIZE;
    const [w, h] = [width * scale, height * scale];
    const roomWidth = Math.max(size.width, w + 2 * PAD);
    const roomHeight = Math.max(size.height, h + 2 * PAD);
    const inset = { x: (roomWidth - w) / 2, y: (roomHeight - h) / 2 };
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
  }, [width, height, zoom, size]);
  return { view, stage };
}

export const onStage = (view: View, { x, y }: Point): Point => ({
  x: view.left + x * view.scale,
  y: view.top + y * view.scale,
});
