import type { DisplayNode } from '../drawing/list';
import { ink } from '../drawing/list';
import type { Point } from '../geometry/matrix';
import type { Pictures } from '../pictures/picture';
import { distanceTo, lineEnds, wayOfLine } from '../placement/line';
import type { Cap, LineItem, Outline, Page } from '../schema/sheet';
import type { ItemKind } from './kind';
import { recoloured } from './colours';
import { thicker } from './measures';
import { strokeOf } from './paint';

const CAP_SIZE = 3.2;
const circlePath = (x: number, y: number, r: number) => {
  const k = r * 0.5523;
  return `M${x - r} ${y}C${x - r} ${y - k} ${x - k} ${y - r} ${x} ${y - r}C${x + k} ${y - r} ${x + r} ${y - k} ${x + r} ${y}C${x + r} ${y + k} ${x + k} ${y + r} ${x} ${y + r}C${x - k} ${y + r} ${x - r} ${y + k} ${x - r} ${y}Z`;
};

/** The cap at the end of a line that arrives at an angle. */
function capNode(cap: Cap, { x, y }: Point, angle: number, { colour, width }: Outline): DisplayNode[] {
  const size = 4 + CAP_SIZE * width;
  const turn = (angle * Math.PI) / 180;
  const at = (back: number, side: number) =>
    `${Math.round((x - back * Math.cos(turn) - side * Math.sin(turn)) * 100) / 100} ${Math.round((y - back * Math.sin(turn) + side * Math.cos(turn)) * 100) / 100}`;
  const filled = (d: string): DisplayNode[] => [{ kind: 'path', fill: ink(colour), d }];
  const stroked = (d: string): DisplayNode[] => [
    { kind: 'path', d, stroke: { paint: ink(colour), width, cap: 'round', join: 'round' } },
  ];
  switch (cap) {
    case 'none':
      return [];
    case 'arrow':
      return filled(`M${at(0, 0)}L${at(size, size * 0.42)}L${at(size * 0.72, 0)}L${at(size, -size * 0.42)}Z`);
    case 'open':
      return stroked(`M${at(size, size * 0.5)}L${at(0, 0)}L${at(size, -size * 0.5)}`);
    case 'dot':
      return filled(circlePath(x, y, size * 0.32));
    case 'ring':
      return [
        {
          kind: 'path',
          d: circlePath(x, y, size * 0.34),
          fill: ink('#ffffff'),
          stroke: { paint: ink(colour), width, cap: 'butt', join: 'round' },
        },
      ];
    case 'bar':
      return stroked(`M${at(0, size * 0.45)}L${at(0, -size * 0.45)}`);
    case 'square': {
      const half = size * 0.3;
      return filled(`M${at(half, half)}L${at(-half, half)}L${at(-half, -half)}L${at(half, -half)}Z`);
    }
  }
}

/** How far a line's light edge reaches beyond it on either side, in points. */
const edgeWidth = (width: number) => Math.max(1, width * 0.8);

export function drawLine(item: LineItem, from: Point, to: Point): DisplayNode[] {
  const way = wayOfLine(item, from, to);
  const drawn = (outline: Outline): DisplayNode[] => [
    {
      kind: 'path',
      d: way.d,
      stroke: { ...strokeOf(outline), cap: outline.dash === 'dashed' ? 'butt' : 'round' },
    },
    ...capNode(item.startCap, from, way.startAngle, outline),
    ...capNode(item.endCap, to, way.endAngle, outline),
  ];
  if (item.edge === null) return drawn(item.outline);
  const width = item.outline.width + 2 * edgeWidth(item.outline.width);
  return [...drawn({ colour: item.edge, width, dash: 'solid' }), ...drawn(item.outline)];
}

/** The points that a line runs through, in its parent's coordinates. */
export const linePoints = (page: Page, item: LineItem, pictures: Pictures): Point[] => {
  const { from, to } = lineEnds(page, item, pictures);
  return wayOfLine(item, from, to).points;
};

/** How a part of a picture is called: by its name, or as a spot where names are withheld. */
export const partName = (target: string): string => (target.startsWith('@') ? 'a part' : target);

export const LINE: ItemKind<LineItem> = {
  kind: 'line',
  name: 'line',
  called({ from, to }) {
    const target = to.target ?? from.target;
    // An unnamed spot would say nothing.
    return target === null ? 'line' : `line to ${partName(target)}`;
  },
  look: ['opacity', 'route', 'outline', 'edge', 'startCap', 'endCap'],
  filled: () => ['from', 'to'],
  pointedAt: false,
  seenIn: ({ outline }) => outline.colour,
  draw(item, drawing) {
    const { from, to } = lineEnds(drawing.page, item, drawing.pictures);
    return drawLine(item, from, to);
  },
  meets: (item, { at, reach, page, pictures }) =>
    distanceTo(linePoints(page, item, pictures), at) <= reach + item.outline.width / 2,
  grown: (item, { weight }) => ({ ...item, outline: thicker(item.outline, weight) }),
  recoloured: (item, to) => ({ ...item, outline: recoloured(item.outline, to) }),
};
