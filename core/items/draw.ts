import { getStroke } from 'perfect-freehand';
import { frameMatrix, localBox } from '../geometry/frame';
import { lineEnds, wayOfLine } from '../placement/line';
import type { Point } from '../geometry/matrix';
import { mapped, grown } from '../geometry/box';
import { OUTLINES, roundedBox, shapeInside, shapePath } from '../geometry/shapes/shapes';
import { isEmpty } from '../text/body';
import { plain } from '../schema/defaults';
import type {
  Cap,
  FramedItem,
  InkItem,
  Item,
  Lettering,
  LineItem,
  Outline,
  Page,
  Paint,
  Plate,
  Shadow,
  Sheet,
  ShapeItem,
  TextItem,
  WrittenItem,
} from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import type { Faces } from '../text/faces';
import type { Layout, Piece } from '../text/lines';
import { layOut } from '../text/fit';
import type { Warp } from '../text/lettering';
import { warpOf } from '../text/lettering';
import { wordsBox } from '../text/lines';
import { roleOfItem } from '../text/style';
import { hundredths as f } from '../values/hundredths';
import type { DisplayNode, DrawnPage, DrawnPaint, DrawnShadow, DrawnStroke } from '../drawing/list';
import { ink } from '../drawing/list';
import type { Pictures } from '../pictures/picture';
import { drawPicture } from '../drawing/picture-nodes';

/** From the document to the display list. */

export type Drawing = {
  faces: Faces;
  pictures: Pictures;
  roles: Sheet['roles'];
  page: Page;
  /** What an empty box asks for is drawn faintly: on screen, never on paper. */
  prompts?: boolean;
};

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

/** The box that words are set in, and their layout in it. A shape wraps words to its inside. */
export function wordsOf(item: WrittenItem, drawing: Pick<Drawing, 'faces' | 'roles'>): Setting {
  const role = roleOfItem(drawing, item);
  if (item.kind === 'text') return { layout: layOut(item.body, role, item, drawing.faces), origin: { x: 0, y: 0 } };
  const inside = shapeInside(item.shape, item.width, item.height, item.adjust);
  return {
    layout: layOut(
      item.body,
      role,
      { ...inside, padding: item.padding, vertical: item.vertical, fit: 'keep' },
      drawing.faces,
    ),
    origin: { x: inside.x, y: inside.y },
  };
}

type Setting = { layout: Layout; origin: Point };

function pieceNodes(piece: Piece, baseline: number, origin: Point): DisplayNode[] {
  const fill = ink(piece.style.colour);
  const x = piece.x + origin.x;
  const y = baseline + origin.y;
  const nodes: DisplayNode[] = [
    {
      kind: 'glyphs',
      file: piece.file,
      size: piece.size,
      x,
      y,
      text: piece.text,
      fill,
      glyphs: piece.glyphs.map(({ id, cluster, x: dx, dy, advance }) => ({ id, cluster, x: dx, y: dy, advance })),
    },
  ];
  if (piece.style.underline && piece.width > 0) {
    const thick = piece.size / 18;
    nodes.push({ kind: 'path', d: `M${x} ${y + piece.size * 0.12}h${piece.width}v${thick}h${-piece.width}z`, fill });
  }
  return nodes;
}

const piecesOf = ({ layout }: Setting) =>
  layout.lines.flatMap((line) =>
    [...(line.marker ? [line.marker] : []), ...line.pieces].map((piece) => ({ piece, line })),
  );

const layoutNodes = (setting: Setting): DisplayNode[] =>
  piecesOf(setting).flatMap(({ piece, line }) => pieceNodes(piece, line.baseline, setting.origin));

/** The map that bends an item's words, or null where they stand straight. */
export function warpOfItem(item: WrittenItem, layout: Layout): Warp | null {
  if (item.kind !== 'text' || !item.lettering || item.lettering.curve === 'straight') return null;
  const { padding, width, height } = item;
  const box = {
    x: padding,
    y: padding,
    width: Math.max(1, width - 2 * padding),
    height: Math.max(1, height - 2 * padding),
  };
  return warpOf(item.lettering, box, wordsBox(layout));
}

function letteringNodes(item: TextItem, lettering: Lettering, setting: Setting): DisplayNode[] {
  const warp = warpOfItem(item, setting.layout);
  const fill = lettering.fill && paintOf(lettering.fill, item.width, item.height);
  const stroke = lettering.outline && strokeOf(lettering.outline);
  return piecesOf(setting).map(({ piece, line }) => ({
    kind: 'glyphs',
    file: piece.file,
    size: piece.size,
    x: 0,
    y: 0,
    text: piece.text,
    fill: fill ?? ink(piece.style.colour),
    ...(stroke && { stroke: { ...stroke, cap: 'round' as const } }),
    glyphs: piece.glyphs.map(({ id, cluster, x, dy, advance }) => {
      const at = { x: piece.x + x, y: line.baseline + dy };
      if (!warp) return { id, cluster, ...at, advance };
      // A letter stands on the curve with its middle.
      const { point, turn } = warp({ x: at.x + advance / 2, y: at.y });
      return {
        id,
        cluster,
        x: point.x - (turn[0] * advance) / 2,
        y: point.y - (turn[1] * advance) / 2,
        advance,
        turn,
      };
    }),
  }));
}

/** The backing behind each line of words. */
function plateNodes({ colour, opacity, spread, corner }: Plate, { layout, origin }: Setting): DisplayNode[] {
  return layout.lines
    .filter((line) => line.width > 0)
    .map((line) => ({
      kind: 'group',
      matrix: [1, 0, 0, 1, origin.x + line.x - spread, origin.y + line.top - spread * 0.5],
      children: [
        {
          kind: 'path',
          d: roundedBox(line.width + 2 * spread, line.bottom - line.top + spread, corner),
          fill: ink(colour, opacity),
        },
      ],
    }));
}

function promptNodes(item: TextItem, drawing: Drawing): DisplayNode[] {
  const words = layoutNodes(wordsOf({ ...item, body: plain(item.prompt), fit: 'keep' }, drawing));
  return words.map((node) => (node.kind === 'glyphs' ? { ...node, fill: ink('#8a8471') } : node));
}

function drawText(item: TextItem, drawing: Drawing): DisplayNode[] {
  const { width, height, fill, outline } = item;
  const nodes: DisplayNode[] = [];
  if (fill || outline)
    nodes.push({
      kind: 'path',
      d: roundedBox(width, height, item.corner),
      ...(fill && { fill: paintOf(fill, width, height) }),
      ...(outline && { stroke: strokeOf(outline) }),
    });
  if (isEmpty(item.body)) return drawing.prompts && item.prompt ? [...nodes, ...promptNodes(item, drawing)] : nodes;
  const setting = wordsOf(item, drawing);
  if (item.plate) nodes.push(...plateNodes(item.plate, setting));
  return [...nodes, ...(item.lettering ? letteringNodes(item, item.lettering, setting) : layoutNodes(setting))];
}

function drawShape(item: ShapeItem, drawing: Drawing): DisplayNode[] {
  const { width, height, fill, outline } = item;
  const outlined: DisplayNode = {
    kind: 'path',
    d: shapePath(item.shape, width, height, item.adjust),
    ...(fill && !OUTLINES[item.shape].open && { fill: paintOf(fill, width, height) }),
    ...(outline && { stroke: strokeOf(outline) }),
  };
  return isEmpty(item.body) ? [outlined] : [outlined, ...layoutNodes(wordsOf(item, drawing))];
}

/** The outline of a pen stroke at the size of its frame; its weight stays as it is. */
export function inkPath({ points, width, height, weight }: InkItem): string {
  const list: [number, number, number][] = [];
  for (let i = 0; i < points.length; i += 3) list.push([points[i] * width, points[i + 1] * height, points[i + 2]]);
  const edge = getStroke(list, {
    size: weight,
    thinning: 0.35,
    smoothing: 0.5,
    streamline: 0.25,
    simulatePressure: false,
  });
  if (edge.length < 3) return '';
  const middle = ([ax, ay]: number[], [bx, by]: number[]) => `${f((ax + bx) / 2)} ${f((ay + by) / 2)}`;
  let d = `M${middle(edge[edge.length - 1], edge[0])}`;
  edge.forEach((p, i) => (d += `Q${f(p[0])} ${f(p[1])} ${middle(p, edge[(i + 1) % edge.length])}`));
  return `${d}Z`;
}

const drawInk = (item: InkItem): DisplayNode[] => {
  const d = inkPath(item);
  return d ? [{ kind: 'path', d, fill: ink(item.colour) }] : [];
};

const CAP_SIZE = 3.2;
const circlePath = (x: number, y: number, r: number) => {
  const k = r * 0.5523;
  return `M${x - r} ${y}C${x - r} ${y - k} ${x - k} ${y - r} ${x} ${y - r}C${x + k} ${y - r} ${x + r} ${y - k} ${x + r} ${y}C${x + r} ${y + k} ${x + k} ${y + r} ${x} ${y + r}C${x - k} ${y + r} ${x - r} ${y + k} ${x - r} ${y}Z`;
};

/** What stands at the end of a line that arrives there at an angle. */
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

const KINDS: { [K in Item['kind']]: (item: Extract<Item, { kind: K }>, drawing: Drawing) => DisplayNode[] } = {
  text: drawText,
  shape: drawShape,
  picture: (item, drawing) => drawPicture(item, drawing.pictures),
  ink: drawInk,
  line(item, drawing) {
    const { from, to } = lineEnds(drawing.page, item, drawing.pictures);
    return drawLine(item, from, to);
  },
  group: (item, drawing) => drawItems(item.items, drawing),
};

/** One item in its parent's coordinates; undefined when it is hidden. */
export function drawItem(item: Item, drawing: Drawing): DisplayNode | undefined {
  if (item.hidden) return undefined;
  const children = (KINDS[item.kind] as (item: Item, drawing: Drawing) => DisplayNode[])(item, drawing);
  return {
    kind: 'group',
    id: item.id,
    children,
    ...(isFramed(item) && { matrix: frameMatrix(item) }),
    ...(item.opacity < 1 && { opacity: item.opacity }),
    ...(item.shadow && isFramed(item) && { shadow: shadowOf(item, item.shadow) }),
  };
}

function shadowOf(item: FramedItem, { dx, dy, blur, colour, opacity }: Shadow): DrawnShadow {
  const around = mapped(localBox(item), frameMatrix(item));
  // Tails, outlines and curved letters reach beyond the frame.
  const reach = Math.max(item.width, item.height) * 0.7 + 24;
  return {
    dx,
    dy,
    blur: blur / 2,
    hex: colour,
    alpha: opacity,
    box: grown(around, reach + blur * 2 + Math.max(Math.abs(dx), Math.abs(dy))),
  };
}

/** Items lie front to back in the document and are drawn back to front. */
export const drawItems = (items: readonly Item[], drawing: Drawing): DisplayNode[] =>
  items.toReversed().flatMap((item) => drawItem(item, drawing) ?? []);

export function drawPage(sheet: Sheet, page: Page, resources: Omit<Drawing, 'roles' | 'page'>): DrawnPage {
  const { width, height, background } = page;
  const ground: DisplayNode[] = background
    ? [{ kind: 'path', d: `M0 0H${width}V${height}H0Z`, fill: paintOf(background, width, height) }]
    : [];
  return { width, height, nodes: [...ground, ...drawItems(page.items, { ...resources, roles: sheet.roles, page })] };
}
