import type { MouseEvent, PointerEvent } from 'react';
import { useMemo, useRef, useState } from 'react';
import { svgMarkup } from '../../core/drawing/svg';
import type { DisplayNode } from '../../core/drawing/list';
import type { Point } from '../../core/geometry/matrix';
import type { PenPoint } from '../../core/placement/erase';
import { inkAt, inkNodes, inkWords, spotOf, strokeMark, strokeNode } from '../../core/review/ink';
import type { Ink, InkMark } from '../../core/review/said';
import { stampNode } from '../../core/review/stamps';
import type { Page } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import { pressureOf } from '../browser/pointer';
import { pictureNow } from '../drawing/resources';
import type { Tool } from './tool';
import styles from './ink.module.css';

/** How near to a stroke the rubber has to come, in pixels: a fingertip is wider than a mouse. */
const REACH = { mouse: 5, pen: 6, touch: 14 };

type Spotted = ReturnType<typeof spotOf>;
type Props = {
  page: Page;
  ink: readonly Ink[];
  faces: Faces;
  /** Pixels to a point. */
  scale: number;
  /** What is drawn with; null where it is only looked at. */
  tool?: Tool | null;
  /** What was drawn, and the spot it is about. */
  onDraw?: (drawn: Spotted & { mark: InkMark }) => void;
  onRubOut?: (id: string) => void;
};

/** What is drawn on a page by hand, over it. */
export default function InkLayer({ page, ink, faces, scale, tool = null, onDraw, onRubOut }: Props) {
  const markup = (nodes: readonly DisplayNode[], prefix: string) => svgMarkup(nodes, faces, { prefix });
  const drawn = useMemo(
    () => markup(inkNodes(page, ink, pictureNow), 'ink'),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [page, ink, faces],
  );
  const here = ink.filter(({ pageId }) => pageId === page.id);
  const [live, setLive] = useState<DisplayNode | null>(null);
  const pen = useRef<{ pointer: number; points: PenPoint[] } | null>(null);
  // Beside a pen the hand draws nothing.
  const seenPen = useRef(false);

  const pointOf = ({ clientX, clientY }: { clientX: number; clientY: number }, svg: Element): Point => {
    const box = svg.getBoundingClientRect();
    return { x: (clientX - box.left) / scale, y: (clientY - box.top) / scale };
  };
  const rubOut = (event: PointerEvent) => {
    const reach = REACH[event.pointerType as keyof typeof REACH] ?? REACH.mouse;
    const met = inkAt(page, ink, pointOf(event, event.currentTarget), reach / scale, pictureNow);
    if (met) onRubOut?.(met.id);
  };
  const draw = (mark: InkMark) => onDraw?.({ ...spotOf(page, mark, pictureNow), mark });
  const stop = () => {
    pen.current = null;
    setLive(null);
  };

  const down = (event: PointerEvent<SVGSVGElement>) => {
    if (!tool || event.button !== 0) return;
    if (event.pointerType === 'pen') seenPen.current = true;
    else if (event.pointerType === 'touch' && seenPen.current) return;
    // A second finger ends what the first began: it is there to zoom.
    if (pen.current) return stop();
    event.preventDefault();
    const at = pointOf(event, event.currentTarget);
    if (tool.kind === 'stamp') return draw({ kind: 'stamp', stamp: tool.stamp, ...at });
    event.currentTarget.setPointerCapture(event.pointerId);
    pen.current = { pointer: event.pointerId, points: [[at.x, at.y, pressureOf(event)]] };
    if (tool.kind === 'rubber') rubOut(event);
    else setLive(strokeNode(pen.current.points, tool));
  };
  const move = (event: PointerEvent<SVGSVGElement>) => {
    if (pen.current?.pointer !== event.pointerId || !tool) return;
    if (tool.kind === 'rubber') return rubOut(event);
    if (tool.kind !== 'pen') return;
    // All positions since the last frame, so that fast strokes stay round.
    const all = event.nativeEvent.getCoalescedEvents?.() ?? [];
    for (const one of all.length > 0 ? all : [event.nativeEvent]) {
      const { x, y } = pointOf(one, event.currentTarget);
      pen.current.points.push([x, y, pressureOf(one)]);
    }
    setLive(strokeNode(pen.current.points, tool));
  };
  const up = (event: PointerEvent) => {
    if (pen.current?.pointer !== event.pointerId) return;
    const { points } = pen.current;
    stop();
    if (tool?.kind === 'pen') draw(strokeMark(points, tool));
  };

  return (
    <svg
      className={`${styles.layer}${tool ? ` ${styles.inHand}` : ''}${tool?.kind === 'rubber' ? ` ${styles.rubbing}` : ''}`}
      viewBox={`0 0 ${page.width} ${page.height}`}
      role="img"
      aria-label={here.length > 0 ? `Drawn by hand: ${inkWords(here)}` : 'Nothing is drawn by hand'}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={stop}
      onClick={(event: MouseEvent) => tool && event.stopPropagation()}
    >
      <g dangerouslySetInnerHTML={{ __html: drawn }} />
      {live && <g dangerouslySetInnerHTML={{ __html: markup([live], 'live') }} />}
    </svg>
  );
}

/** A stamp as it is seen on its button. */
export const StampPicture = ({ stamp, faces }: { stamp: Extract<Tool, { kind: 'stamp' }>['stamp']; faces: Faces }) => (
  <svg
    width="26"
    height="26"
    viewBox="-18.5 -18.5 37 37"
    aria-hidden="true"
    dangerouslySetInnerHTML={{ __html: svgMarkup([stampNode(stamp, 0, 0)], faces, { prefix: `stamp-${stamp}` }) }}
  />
);
