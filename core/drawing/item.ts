import { frameMatrix } from '../geometry/frame';
import { lineEnds, route } from '../geometry/line';
import type { Point } from '../geometry/matrix';
import { OUTLINES, roundedBox } from '../geometry/outline';
import { isEmpty } from '../sheet/body';
import { plain } from '../sheet/make';
import type {
  Item,
  LineItem,
  Outline,
  Page,
  Paint,
  PictureItem,
  Sheet,
  ShapeItem,
  TextItem,
  WrittenItem,
} from '../sheet/schema';
import type { Faces } from '../text/faces';
import type { Layout, Piece } from '../text/layout';
import { layOut } from '../text/layout';
import { roleOf } from '../text/style';
import type { DisplayNode, DrawnPage, DrawnPaint, DrawnStroke } from './list';
import { ink } from './list';
import type { Pictures } from './picture';

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
    return { kind: 'radial', cx: width / 2, cy: height / 2, r: Math.hypot(width, height) / 2, stops };
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
export function wordsOf(
  item: WrittenItem,
  drawing: Pick<Drawing, 'faces' | 'roles'>,
): { layout: Layout; origin: Point } {
  const role = roleOf(drawing, item.role ?? (item.kind === 'shape' ? 'label' : 'body'));
  if (item.kind === 'text') return { layout: layOut(item.body, role, item, drawing.faces), origin: { x: 0, y: 0 } };
  const inside = OUTLINES[item.shape].inside(item.width, item.height, item.adjust);
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

const layoutNodes = ({ layout, origin }: { layout: Layout; origin: Point }): DisplayNode[] =>
  layout.lines.flatMap((line) =>
    [...(line.marker ? [line.marker] : []), ...line.pieces].flatMap((piece) =>
      pieceNodes(piece, line.baseline, origin),
    ),
  );

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
  return [...nodes, ...layoutNodes(wordsOf(item, drawing))];
}

function drawShape(item: ShapeItem, drawing: Drawing): DisplayNode[] {
  const { width, height, fill, outline } = item;
  const outlined: DisplayNode = {
    kind: 'path',
    d: OUTLINES[item.shape].path(width, height, item.adjust),
    ...(fill && { fill: paintOf(fill, width, height) }),
    ...(outline && { stroke: strokeOf(outline) }),
  };
  return isEmpty(item.body) ? [outlined] : [outlined, ...layoutNodes(wordsOf(item, drawing))];
}

function drawPicture(item: PictureItem, drawing: Drawing): DisplayNode[] {
  const picture = drawing.pictures(item.picture);
  // Still on its way, or not shipped any more: its place stays visible.
  if (!picture)
    return [
      {
        kind: 'path',
        d: roundedBox(item.width, item.height, 4),
        stroke: { paint: ink('#b9b29c'), width: 1, dash: [4, 3], cap: 'butt', join: 'round' },
      },
    ];
  return [
    {
      kind: 'group',
      matrix: [item.width / picture.width, 0, 0, item.height / picture.height, 0, 0],
      children: picture.paths.map(({ d, fill, stroke, width, opacity, rule, cap }) => ({
        kind: 'path',
        d,
        ...(fill && { fill: ink(fill, opacity) }),
        ...(stroke && { stroke: { paint: ink(stroke, opacity), width, cap: cap ?? 'butt', join: 'round' as const } }),
        ...(rule && { rule }),
      })),
    },
  ];
}

const CAP_SIZE = 3.2;
function capNode(cap: LineItem['startCap'], { x, y }: Point, angle: number, { colour, width }: Outline): DisplayNode[] {
  if (cap === 'none') return [];
  const size = 4 + CAP_SIZE * width;
  if (cap === 'dot') {
    const r = size * 0.32;
    const k = r * 0.5523;
    return [
      {
        kind: 'path',
        fill: ink(colour),
        d: `M${x - r} ${y}C${x - r} ${y - k} ${x - k} ${y - r} ${x} ${y - r}S${x + r} ${y - k} ${x + r} ${y}S${x + k} ${y + r} ${x} ${y + r}S${x - r} ${y + k} ${x - r} ${y}Z`,
      },
    ];
  }
  const turn = (angle * Math.PI) / 180;
  const at = (back: number, side: number) =>
    `${Math.round((x - back * Math.cos(turn) - side * Math.sin(turn)) * 100) / 100} ${Math.round((y - back * Math.sin(turn) + side * Math.cos(turn)) * 100) / 100}`;
  return [
    {
      kind: 'path',
      fill: ink(colour),
      d: `M${at(0, 0)}L${at(size, size * 0.42)}L${at(size * 0.72, 0)}L${at(size, -size * 0.42)}Z`,
    },
  ];
}

export function drawLine(item: LineItem, from: Point, to: Point): DisplayNode[] {
  const way = route(item.route, from, to);
  return [
    {
      kind: 'path',
      d: way.d,
      stroke: { ...strokeOf(item.outline), cap: item.outline.dash === 'dashed' ? 'butt' : 'round' },
    },
    ...capNode(item.startCap, from, way.startAngle, item.outline),
    ...capNode(item.endCap, to, way.endAngle, item.outline),
  ];
}

const KINDS: { [K in Item['kind']]: (item: Extract<Item, { kind: K }>, drawing: Drawing) => DisplayNode[] } = {
  text: drawText,
  shape: drawShape,
  picture: drawPicture,
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
    ...(item.kind !== 'line' && { matrix: frameMatrix(item) }),
    ...(item.opacity < 1 && { opacity: item.opacity }),
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
