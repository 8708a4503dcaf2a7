import { flatten } from '../../geometry/flatten';
import type { Matrix } from '../../geometry/matrix';
import { IDENTITY, inverse, multiply, transform } from '../../geometry/matrix';
import type { DrawnPaint, DrawnStop } from '../list';
import { keepsCircles, scaleOf, transformOf } from './maps';
import type { Style } from './style';
import { colourOf, lengthOf, shareOf, styleOf } from './style';
import type { rulesOf } from './style';
import type { SvgElement } from './tree';
import { elementsOf } from './tree';

/** The paints of an SVG: colours and gradients. */

type Kit = {
  named: ReadonlyMap<string, SvgElement>;
  rules: ReturnType<typeof rulesOf>;
  leaveOut: (what: string) => void;
  view: { width: number; height: number };
};

const MOST_STOPS = 40;

/** What a gradient takes over from those it refers to. */
function whole(element: SvgElement, named: Kit['named']): SvgElement {
  let found: SvgElement = element;
  let next = named.get((element.attributes.href ?? '').slice(1));
  for (let depth = 0; next && depth < 8; depth++) {
    found = {
      name: found.name,
      attributes: { ...next.attributes, ...found.attributes },
      children: elementsOf(found).some(({ name }) => name === 'stop') ? found.children : next.children,
    };
    next = named.get((next.attributes.href ?? '').slice(1));
  }
  return found;
}

function stopsOf(gradient: SvgElement, style: Style, opacity: number, rules: Kit['rules']): DrawnStop[] {
  let last = 0;
  return elementsOf(gradient)
    .filter(({ name }) => name === 'stop')
    .slice(0, MOST_STOPS)
    .map((stop): DrawnStop => {
      const own = styleOf(stop, style, rules);
      const colour = colourOf(own['stop-color'] ?? 'black', own) ?? { hex: '#000000', alpha: 1 };
      last = Math.max(last, shareOf(stop.attributes.offset, 0));
      return [last, colour.hex, colour.alpha * shareOf(own['stop-opacity']) * opacity];
    });
}

/**
 * What a shape is filled or stroked with, in the picture's coordinates; null for nothing.
 * @param d the shape in the coordinates it stands in, and `matrix` from there to the picture's
 */
export function paintOf(kind: 'fill' | 'stroke', style: Style, d: string, matrix: Matrix, kit: Kit): DrawnPaint | null {
  const written = style[kind] ?? (kind === 'fill' ? 'black' : 'none');
  const opacity = shareOf(style[`${kind}-opacity`]);
  const [, reference, fallback] = /^url\(\s*['"]?#([^'")]+)['"]?\s*\)\s*(.*)$/.exec(written) ?? [];
  if (reference === undefined) {
    if (written === 'none') return null;
    const colour = colourOf(written, style);
    if (!colour) {
      kit.leaveOut(`the colour “${written.slice(0, 30)}”`);
      return kind === 'fill' ? { kind: 'solid', hex: '#000000', alpha: opacity } : null;
    }
    return { kind: 'solid', hex: colour.hex, alpha: colour.alpha * opacity };
  }
  const source = kit.named.get(reference);
  if (source?.name !== 'linearGradient' && source?.name !== 'radialGradient') {
    if (source) kit.leaveOut(source.name === 'pattern' ? 'a pattern (filled in grey)' : `a ${source.name}`);
    const colour = fallback ? colourOf(fallback, style) : source ? { hex: '#b9b9b9', alpha: 1 } : null;
    return colour && { kind: 'solid', hex: colour.hex, alpha: colour.alpha * opacity };
  }
  const gradient = whole(source, kit.named);
  const stops = stopsOf(gradient, style, opacity, kit.rules);
  if (stops.length === 0) return null;
  if (stops.length === 1) return lastOf(stops);
  const { attributes } = gradient;
  if ((attributes.spreadMethod ?? 'pad') !== 'pad') kit.leaveOut('the repetition of a gradient');
  const user = attributes.gradientUnits === 'userSpaceOnUse';
  const { box } = flatten(d);
  if (!user && (box.width === 0 || box.height === 0)) return lastOf(stops);
  const unit: Matrix = user ? IDENTITY : [box.width, 0, 0, box.height, box.x, box.y];
  const map = multiply(matrix, multiply(unit, transformOf(attributes.gradientTransform)));
  if (Math.abs(map[0] * map[3] - map[1] * map[2]) < 1e-9) return lastOf(stops);
  const side = { x: user ? kit.view.width : 1, y: user ? kit.view.height : 1 };
  const at = (name: string, axis: 'x' | 'y', otherwise: string) =>
    lengthOf(attributes[name] ?? otherwise, side[axis], 0);
  return source.name === 'linearGradient'
    ? linear(
        { x: at('x1', 'x', '0%'), y: at('y1', 'y', '0%') },
        { x: at('x2', 'x', '100%'), y: at('y2', 'y', '0%') },
        map,
        stops,
      )
    : radial(attributes, at, map, stops, kit, user ? Math.hypot(side.x, side.y) / Math.SQRT2 : 1);
}

/** What a gradient that has no extent is seen as. */
function lastOf(stops: readonly DrawnStop[]): DrawnPaint {
  const [, hex, alpha] = stops.at(-1)!;
  return { kind: 'solid', hex, alpha };
}

type XY = { x: number; y: number };

/** A linear gradient stays one under every map: its lines of equal colour stay straight, though not across its axis. */
function linear(from: XY, to: XY, map: Matrix, stops: DrawnStop[]): DrawnPaint {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = dx * dx + dy * dy;
  if (length === 0) return lastOf(stops);
  const back = inverse(map);
  const [wx, wy] = [(back[0] * dx + back[1] * dy) / length, (back[2] * dx + back[3] * dy) / length];
  const size = wx * wx + wy * wy;
  const { x, y } = transform(map, from);
  return { kind: 'linear', x1: x, y1: y, x2: x + wx / size, y2: y + wy / size, stops };
}

function radial(
  attributes: SvgElement['attributes'],
  at: (name: string, axis: 'x' | 'y', otherwise: string) => number,
  map: Matrix,
  stops: DrawnStop[],
  kit: Kit,
  diagonal: number,
): DrawnPaint {
  const centre = { x: at('cx', 'x', '50%'), y: at('cy', 'y', '50%') };
  const r = Math.abs(lengthOf(attributes.r ?? '50%', diagonal, 0));
  const focus = { x: at('fx', 'x', `${centre.x}`), y: at('fy', 'y', `${centre.y}`) };
  if (Math.hypot(focus.x - centre.x, focus.y - centre.y) > r * 0.02) kit.leaveOut('the focus of a round gradient');
  if (r === 0) return lastOf(stops);
  if (keepsCircles(map)) {
    const { x, y } = transform(map, centre);
    return { kind: 'radial', cx: x, cy: y, r: r * scaleOf(map), stops };
  }
  return { kind: 'radial', cx: centre.x, cy: centre.y, r, stops, matrix: map };
}
