import { common, grown, mapped, overlaps, union } from '../geometry/box';
import type { Box, Matrix } from '../geometry/matrix';
import { IDENTITY, inverse, multiply } from '../geometry/matrix';
import type { DisplayNode, DrawnPage, DrawnShadow, GroupNode } from './list';

/** How far drawn things reach (never too little), and a page without what lies off it. */

/** The box of path data: all its points and controls lie within. Commands may be absolute or relative. */
function pathBox(d: string): Box | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  let [x, y, startX, startY] = [0, 0, 0, 0];
  const reach = (px: number, py: number) => {
    if (px < left) left = px;
    if (px > right) right = px;
    if (py < top) top = py;
    if (py > bottom) bottom = py;
  };
  for (const [, command, list] of d.matchAll(/([a-zA-Z])([^a-zA-Z]*)/g)) {
    const n = (list.match(/-?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);
    const relative = command === command.toLowerCase();
    const kind = command.toUpperCase();
    if (kind === 'Z') [x, y] = [startX, startY];
    else if (kind === 'H' || kind === 'V')
      for (const value of n) {
        if (kind === 'H') x = relative ? x + value : value;
        else y = relative ? y + value : value;
        reach(x, y);
      }
    else {
      const step = kind === 'C' ? 6 : kind === 'Q' || kind === 'S' ? 4 : 2;
      for (let i = 0; i + step <= n.length; i += step) {
        const [fromX, fromY] = relative ? [x, y] : [0, 0];
        for (let k = 0; k < step; k += 2) {
          x = fromX + n[i + k];
          y = fromY + n[i + k + 1];
          reach(x, y);
        }
        if (kind === 'M' && i === 0) [startX, startY] = [x, y];
      }
    }
  }
  return left > right ? null : { x: left, y: top, width: right - left, height: bottom - top };
}

const known = new WeakMap<DisplayNode, Box | null>();

/** All that a node may cover, in the coordinates that it stands in; null for nothing. */
export function boundsOf(node: DisplayNode): Box | null {
  let box = known.get(node);
  if (box === undefined) known.set(node, (box = measured(node)));
  return box;
}

function measured(node: DisplayNode): Box | null {
  switch (node.kind) {
    case 'path': {
      const box = pathBox(node.d);
      // A pointed join reaches as far as four widths, as SVG's own limit says.
      return box && grown(box, (node.stroke?.width ?? 0) * (node.stroke?.join === 'miter' ? 2 : 1));
    }
    case 'glyphs': {
      if (node.glyphs.length === 0) return null;
      const points = node.glyphs.map(({ x, y, advance }) => ({
        x: node.x + x,
        y: node.y + y,
        width: Math.max(0, advance),
        height: 0,
      }));
      // No letter reaches further than this from its origin.
      return grown(union(points), node.size * 1.6 + 2 * (node.stroke?.width ?? 0));
    }
    case 'image':
      return node;
    case 'group': {
      const own = childrenBox(node);
      return own && node.shadow ? union([own, castBox(own, node.shadow)]) : own;
    }
  }
}

function childrenBox(node: GroupNode): Box | null {
  const boxes = node.children.flatMap((child) => boundsOf(child) ?? []);
  if (boxes.length === 0) return null;
  const clip = node.clip === undefined ? undefined : pathBox(node.clip);
  const own = clip === undefined ? union(boxes) : clip && common(union(boxes), clip);
  return own && (node.matrix ? mapped(own, node.matrix) : own);
}

/** Beyond three standard deviations nothing is seen of a blur. */
const spread = (shadow: DrawnShadow) => shadow.blur * 3 + 1;
const castBox = (box: Box, shadow: DrawnShadow): Box =>
  grown({ ...box, x: box.x + shadow.dx, y: box.y + shadow.dy }, spread(shadow));

/** The part of a node that lies on a page; `toPage` leads from the coordinates that the node stands in. */
function onPage(node: DisplayNode, page: Box, toPage: Matrix): DisplayNode | null {
  const box = boundsOf(node);
  if (!box || !overlaps(mapped(box, toPage), page)) return null;
  if (node.kind !== 'group') return node;
  const own = childrenBox(node)!;
  // What lies off the page may still throw its shadow onto it.
  const away = node.shadow ? spread(node.shadow) + Math.abs(node.shadow.dx) + Math.abs(node.shadow.dy) : 0;
  const scale = Math.max(Math.hypot(toPage[0], toPage[1]), Math.hypot(toPage[2], toPage[3]));
  const near = away > 0 ? grown(page, away * scale) : page;
  const inner = node.matrix ? multiply(toPage, node.matrix) : toPage;
  const children = node.children.flatMap((child) => onPage(child, near, inner) ?? []);
  if (children.length === 0) return null;
  const shadow = node.shadow && shadowOn(own, node.shadow, near, toPage);
  return { ...node, children, ...(node.shadow && { shadow: shadow ?? undefined }) };
}

/** A shadow cut to its visible part: a blur costs by area. */
function shadowOn(own: Box, shadow: DrawnShadow, near: Box, toPage: Matrix): DrawnShadow | null {
  const [a, b, c, d] = toPage;
  // What is folded flat shows no area.
  if (Math.abs(a * d - b * c) < 1e-9) return null;
  const seen = common(union([own, castBox(own, shadow)]), mapped(near, inverse(toPage)));
  return seen && { ...shadow, box: seen };
}

/** A page with only what can be seen of it, or of an area of it. What lies far off it has made rasterisers fail. */
export function seenOf({ width, height, nodes }: DrawnPage, area: Box = { x: 0, y: 0, width, height }): DrawnPage {
  return { width, height, nodes: nodes.flatMap((node) => onPage(node, area, IDENTITY) ?? []) };
}
