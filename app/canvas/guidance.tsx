import type { PointerEvent as ReactPointerEvent } from 'react';
import { inUnit } from '../../core/sheet/units';
import type { Page, Sheet } from '../../core/schema/sheet';
import type { Gaps, Guide } from '../../core/geometry/snap';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import type { Shown } from './gestures/ground';

/** Lines to align things with: the margin, the grid, guides, and what a dragged item lines up with. */

/** Fewer grid lines on a small page, so that they never hide it. */
function gridLines(length: number, mesh: number, scale: number): number[] {
  let step = mesh;
  while (step * scale < 6) step *= 2;
  return Array.from({ length: Math.floor(length / step) }, (_, i) => (i + 1) * step).filter((at) => at < length - 0.01);
}

const GuideLine = ({ guide: { axis, at, from, to }, scale }: { guide: Guide; scale: number }) =>
  axis === 'x' ? (
    <line className="guide" x1={at * scale} x2={at * scale} y1={from * scale} y2={to * scale} />
  ) : (
    <line className="guide" y1={at * scale} y2={at * scale} x1={from * scale} x2={to * scale} />
  );

/** Equal gaps, each with its size in the page's unit. */
function GapMarks({ gaps, scale, unit }: { gaps: Gaps; scale: number; unit: Sheet['unit'] }) {
  const across = gaps.axis === 'x';
  const at = gaps.at * scale;
  return (
    <g>
      {gaps.spans.map(({ from, to }) => {
        const [a, b] = [from * scale, to * scale];
        const d = across
          ? `M${a} ${at - 5}v10M${a} ${at}H${b}M${b} ${at - 5}v10`
          : `M${at - 5} ${a}h10M${at} ${a}V${b}M${at - 5} ${b}h10`;
        const [x, y] = across ? [(a + b) / 2, at - 6] : [at + 20, (a + b) / 2 + 4];
        return (
          <g key={from}>
            <path className="gap-mark" d={d} />
            <text className="gap-words" x={x} y={y}>
              {inUnit(gaps.size, unit)}
            </text>
          </g>
        );
      })}
    </g>
  );
}

/** Drags one of the page's guides. Dragged off the page it is removed. */
export function dragGuide(
  editor: Editor,
  event: ReactPointerEvent,
  axis: 'x' | 'y',
  scale: number,
  index: number | null,
) {
  if (event.button !== 0 || editor.shut) return;
  event.preventDefault();
  event.stopPropagation();
  const paper = document.querySelector('.paper')!;
  const { page } = editor;
  let at: number | null = null;
  const move = (pointer: PointerEvent) => {
    const box = paper.getBoundingClientRect();
    at = (axis === 'x' ? pointer.clientX - box.left : pointer.clientY - box.top) / scale;
    paper
      .querySelector<HTMLElement>('.guide-on-the-way')
      ?.setAttribute('transform', axis === 'x' ? `translate(${at * scale} 0)` : `translate(0 ${at * scale})`);
    paper.querySelector('.guide-on-the-way')?.setAttribute('data-axis', axis);
  };
  const end = () => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', end);
    paper.querySelector('.guide-on-the-way')?.removeAttribute('data-axis');
    if (at === null) return;
    const length = axis === 'x' ? page.width : page.height;
    const rest = index === null ? page.guides : page.guides.filter((_, i) => i !== index);
    const inside = at >= 0 && at <= length;
    if (!inside && index === null) return;
    const guides = inside ? [...rest, { axis, at: Math.round(at * 4) / 4 }] : rest;
    if (guides.length > 60) return editor.say('A page holds sixty guides. Drag one off the page first.');
    editor.make(inside ? 'Guide' : 'Remove guide', { kind: 'page-set', id: page.id, values: { guides } });
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', end);
}

export function Guidance({ editor, page, scale, shown }: { editor: Editor; page: Page; scale: number; shown: Shown }) {
  const { unit } = useEditor(editor, 'sheet');
  const chosen = useEditor(editor, 'selection').length > 0;
  const { width, height, margin, grid } = page;
  const teacher = editor.rights.kind === 'all';
  return (
    <g>
      {grid > 0 && teacher && (
        <path
          className="grid-line"
          d={[
            ...gridLines(width, grid, scale).map((x) => `M${x * scale} 0V${height * scale}`),
            ...gridLines(height, grid, scale).map((y) => `M0 ${y * scale}H${width * scale}`),
          ].join('')}
        />
      )}
      {margin > 0 && teacher && chosen && (
        <rect
          className="margin-mark"
          x={margin * scale}
          y={margin * scale}
          width={Math.max(0, width - 2 * margin) * scale}
          height={Math.max(0, height - 2 * margin) * scale}
        />
      )}
      {teacher &&
        page.guides.map(({ axis, at }, i) => {
          const line =
            axis === 'x'
              ? { x1: at * scale, x2: at * scale, y1: 0, y2: height * scale }
              : { x1: 0, x2: width * scale, y1: at * scale, y2: at * scale };
          return (
            <g key={i} onPointerDown={(event) => dragGuide(editor, event, axis, scale, i)}>
              <line className="own-guide-hit" {...line} />
              <line className="own-guide" {...line} />
            </g>
          );
        })}
      <g className="guide-on-the-way">
        <path className="own-guide way-x" d={`M0 0V${height * scale}`} />
        <path className="own-guide way-y" d={`M0 0H${width * scale}`} />
      </g>
      {shown.guides.map((guide, i) => (
        <GuideLine key={i} guide={guide} scale={scale} />
      ))}
      {shown.gaps.map((gaps, i) => (
        <GapMarks key={i} gaps={gaps} scale={scale} unit={unit} />
      ))}
    </g>
  );
}
