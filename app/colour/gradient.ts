import type { Point } from '../../core/geometry/matrix';
import type { Paint } from '../../core/schema/sheet';

/** Where the handles of a gradient are on an item (in its own coordinates), and what dragging them does. */

export type PaintGrip = { what: string; point: Point; colour: string | null };
export type Gradient = Exclude<Paint, { kind: 'solid' }>;

const axisOf = (paint: Extract<Paint, { kind: 'linear' }>, width: number, height: number) => {
  const turn = (paint.angle * Math.PI) / 180;
  const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
  const reach = (Math.abs(width * dx) + Math.abs(height * dy)) / 2;
  return { dx, dy, reach, middle: { x: width / 2, y: height / 2 } };
};

const radius = (paint: Extract<Paint, { kind: 'radial' }>, width: number, height: number) =>
  (Math.hypot(width, height) / 2) * paint.reach;

/** The line along which the stops lie. */
export function paintAxis(paint: Gradient, width: number, height: number): [Point, Point] {
  if (paint.kind === 'linear') {
    const { dx, dy, reach, middle } = axisOf(paint, width, height);
    return [
      { x: middle.x - dx * reach, y: middle.y - dy * reach },
      { x: middle.x + dx * reach, y: middle.y + dy * reach },
    ];
  }
  const centre = { x: paint.x * width, y: paint.y * height };
  return [centre, { x: centre.x + radius(paint, width, height), y: centre.y }];
}

export function paintGrips(paint: Gradient, width: number, height: number): PaintGrip[] {
  const [from, to] = paintAxis(paint, width, height);
  const stops = paint.stops.map(({ offset, colour }, i): PaintGrip => ({
    what: `${i}`,
    point: { x: from.x + (to.x - from.x) * offset, y: from.y + (to.y - from.y) * offset },
    colour,
  }));
  const ends: PaintGrip[] = [
    { what: paint.kind === 'linear' ? 'start' : 'middle', point: from, colour: null },
    { what: 'end', point: to, colour: null },
  ];
  return [...ends, ...stops];
}

const share = (value: number) => Math.round(Math.max(0, Math.min(1, value)) * 1000) / 1000;

/** The gradient after one of its handles was dragged to a point. */
export function paintPulled(paint: Gradient, width: number, height: number, what: string, at: Point): Paint {
  const [from, to] = paintAxis(paint, width, height);
  if (what === 'middle' && paint.kind === 'radial')
    return { ...paint, x: share(at.x / Math.max(1, width)), y: share(at.y / Math.max(1, height)) };
  if (what === 'start' || what === 'end') {
    if (paint.kind === 'radial') {
      const reach = Math.hypot(at.x - from.x, at.y - from.y) / Math.max(1, Math.hypot(width, height) / 2);
      return { ...paint, reach: Math.round(Math.max(0.05, Math.min(3, reach)) * 1000) / 1000 };
    }
    const way = what === 'end' ? 1 : -1;
    const angle = (Math.atan2((at.y - height / 2) * way, (at.x - width / 2) * way) * 180) / Math.PI;
    return { ...paint, angle: Math.round(angle * 10) / 10 };
  }
  const index = Number(what);
  const length = (to.x - from.x) ** 2 + (to.y - from.y) ** 2;
  const t = length === 0 ? 0 : ((at.x - from.x) * (to.x - from.x) + (at.y - from.y) * (to.y - from.y)) / length;
  // Stops keep their order.
  const low = paint.stops[index - 1]?.offset ?? 0;
  const high = paint.stops[index + 1]?.offset ?? 1;
  const offset = share(Math.max(low, Math.min(high, t)));
  return { ...paint, stops: paint.stops.map((stop, i) => (i === index ? { ...stop, offset } : stop)) };
}

/** A gradient that starts from a colour: towards a lighter one. */
export function gradientFrom(kind: 'linear' | 'radial', colour: string, other: string): Paint {
  const stops = [
    { offset: 0, colour, opacity: 1 },
    { offset: 1, colour: other, opacity: 1 },
  ];
  return kind === 'linear' ? { kind, angle: 90, stops } : { kind, x: 0.5, y: 0.5, reach: 1, stops };
}

/** Adds a stop in the widest gap between two. */
export function withStop(paint: Gradient): { paint: Paint; index: number } {
  if (paint.stops.length >= 12) return { paint, index: 0 };
  let index = 1;
  for (let i = 1; i < paint.stops.length; i++)
    if (paint.stops[i].offset - paint.stops[i - 1].offset > paint.stops[index].offset - paint.stops[index - 1].offset)
      index = i;
  const [a, b] = [paint.stops[index - 1], paint.stops[index]];
  const stop = { offset: share((a.offset + b.offset) / 2), colour: a.colour, opacity: (a.opacity + b.opacity) / 2 };
  return { paint: { ...paint, stops: paint.stops.toSpliced(index, 0, stop) }, index };
}

export function withoutStop(paint: Gradient, index: number): Paint {
  return paint.stops.length <= 2 ? paint : { ...paint, stops: paint.stops.toSpliced(index, 1) };
}
