import { ink } from '../drawing/list';
import type { DrawnPaint, DrawnStroke } from '../drawing/list';
import type { Outline, Paint } from '../schema/sheet';

/** Paints and outlines of the document, as they are drawn. */

export function paintOf(paint: Paint, width: number, height: number): DrawnPaint {
  if (paint.kind === 'solid') return ink(paint.colour, paint.opacity);
  const stops = paint.stops.map(({ offset, colour, opacity }): [number, string, number] => [offset, colour, opacity]);
  if (paint.kind === 'radial')
    return {
      kind: 'radial',
      cx: width * paint.x,
      cy: height * paint.y,
      r: Math.max(0.1, (Math.hypot(width, height) / 2) * paint.reach),
      stops,
    };
  const turn = (paint.angle * Math.PI) / 180;
  const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
  const reach = (Math.abs(width * dx) + Math.abs(height * dy)) / 2;
  return {
    kind: 'linear',
    x1: width / 2 - dx * reach,
    y1: height / 2 - dy * reach,
    x2: width / 2 + dx * reach,
    y2: height / 2 + dy * reach,
    stops,
  };
}

export function strokeOf({ colour, width, dash }: Outline): DrawnStroke {
  const round = dash === 'dotted';
  const pattern = dash === 'dashed' ? [width * 4, width * 3] : round ? [0.01, width * 2.2] : undefined;
  return { paint: ink(colour), width, cap: round ? 'round' : 'butt', join: 'round', ...(pattern && { dash: pattern }) };
}
