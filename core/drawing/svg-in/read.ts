import svgpath from 'svgpath';
import type { DrawnPaint } from '../list';
import { encloses, grown, union } from '../../geometry/box';
import { flatten } from '../../geometry/flatten';
import type { Box, Matrix } from '../../geometry/matrix';
import { compose, multiply, scaling, translation } from '../../geometry/matrix';
import type { Faces } from '../../text/faces';
import type { PictureLayer, PicturePath } from '../../pictures/picture';
import { keepsCircles, scaleOf, transformOf, viewBoxMap } from './maps';
import { paintOf } from './paint';
import { outlineOfShape } from './shapes';
import type { Style } from './style';
import { lengthOf, numbersOf, rulesOf, shareOf, styleOf } from './style';
import { letters } from './words';
import type { SvgElement } from './tree';
import { elementsOf, namedElements, svgTree, SvgProblem } from './tree';

/**
 * Reads an SVG file into the paths of a picture: shapes, groups, words (as outlines of our letters), gradients and clips. Nothing of
 * the file itself is kept.
 */

export type ReadSvg = {
  width: number;
  height: number;
  paths: PicturePath[];
  layers: PictureLayer[];
  /** What could not be taken, in words: “a filter”. */
  leftOut: string[];
};

/** The longer side of what is read, in the picture's units. */
const SIDE = 1000;
/** Segments of all paths together. */
const MOST_SEGMENTS = 120_000;
/** How deep uses of other parts may lie. */
const DEEPEST_USE = 8;

const CONTAINERS = new Set(['g', 'a', 'svg', 'symbol', 'switch']);
/** They draw nothing where they stand. */
const SILENT = new Set([
  'defs',
  'style',
  'title',
  'desc',
  'metadata',
  'clipPath',
  'linearGradient',
  'radialGradient',
  'mask',
  'filter',
  'pattern',
  'marker',
  'symbol',
  'script',
  'namedview',
]);
const CALLED: Record<string, string> = {
  image: 'a picture within it',
  foreignObject: 'text from a web page',
  mask: 'a mask',
  filter: 'a filter',
  marker: 'an arrow head',
  textPath: 'words along a line',
  script: 'a script',
};

/** @throws SvgProblem for what can't be read, or is too much */
export function readSvg(text: string, faces: Faces): ReadSvg {
  return new Reader(svgTree(text), faces).read();
}

/** None where it is not given, or has no area. */
function viewBoxOf({ viewBox = '' }: SvgElement['attributes']): Box | null {
  const [x, y, width, height, ...more] = numbersOf(viewBox);
  return more.length === 0 && width > 0 && height > 0 ? { x, y, width, height } : null;
}

class Reader {
  private named: Map<string, SvgElement>;
  private rules: ReturnType<typeof rulesOf>;
  private paths: PicturePath[] = [];
  private layers: PictureLayer[] = [];
  private left = new Set<string>();
  private segments = 0;
  private view: Box = { x: 0, y: 0, width: 0, height: 0 };

  constructor(
    private svg: SvgElement,
    private faces: Faces,
  ) {
    this.named = namedElements(svg);
    this.rules = rulesOf(svg);
  }

  private leaveOut = (what: string) => void this.left.add(what);

  read(): ReadSvg {
    const { attributes } = this.svg;
    const box = viewBoxOf(attributes);
    const wide = lengthOf(attributes.width, box?.width ?? 300, box?.width ?? 300);
    const high = lengthOf(attributes.height, box?.height ?? 150, box?.height ?? 150);
    // One side alone brings the other with it.
    const width = attributes.width === undefined && box && attributes.height ? (high * box.width) / box.height : wide;
    const height = attributes.height === undefined && box && attributes.width ? (wide * box.height) / box.width : high;
    if (!(width > 0 && height > 0))
      throw new SvgProblem('This drawing says that it has no size. Save it with a width and a height and try again.');
    const scale = SIDE / Math.max(width, height);
    const frame = { x: 0, y: 0, width: width * scale, height: height * scale };
    this.view = box ?? { x: 0, y: 0, width, height };
    const matrix = box ? viewBoxMap(this.view, frame, attributes.preserveAspectRatio) : scaling(scale, scale);
    this.within(this.svg, styleOf(this.svg, {}, this.rules), matrix, 0);
    if (this.paths.length === 0)
      throw new SvgProblem(
        `Nothing in this drawing can be taken${this.left.size > 0 ? ` (it has ${[...this.left].join(', ')})` : ''}. Save it as PNG and try again.`,
      );
    this.clipToFrame(frame);
    const { paths, layers } = this;
    const [w, h] = [frame.width, frame.height].map((side) => Math.max(1, Math.round(side * 100) / 100));
    return { width: w, height: h, paths, layers, leftOut: [...this.left] };
  }

  /** What reaches over the edge of the drawing is not seen. */
  private clipToFrame(frame: Box) {
    const room = grown(frame, 0.5);
    if (this.paths.every(({ d, width }) => encloses(room, grown(flatten(d).box, width / 2)))) return;
    this.layers.unshift({ from: 0, to: this.paths.length, clip: `M0 0H${frame.width}V${frame.height}H0Z` });
  }

  private within(element: SvgElement, style: Style, matrix: Matrix, uses: number) {
    for (const child of elementsOf(element)) {
      this.element(child, style, matrix, uses);
      // Of a switch only the first is meant: the others are for programs that can do more, or less.
      if (element.name === 'switch' && !SILENT.has(child.name) && child.name !== 'foreignObject') break;
    }
  }

  private element(element: SvgElement, around: Style, matrix: Matrix, uses: number, asUsed = false) {
    const { name, attributes } = element;
    if (name === 'script') this.leaveOut(CALLED.script);
    if (SILENT.has(name) && !(asUsed && name === 'symbol')) return;
    const style = styleOf(element, around, this.rules);
    if (style.display === 'none') return;
    for (const unknown of ['mask', 'filter'] as const)
      if (style[unknown] && style[unknown] !== 'none') this.leaveOut(CALLED[unknown]);
    if (Object.keys(attributes).some((key) => key.startsWith('marker'))) this.leaveOut(CALLED.marker);
    const map = multiply(matrix, transformOf(attributes.transform));
    const from = this.paths.length;
    if (name === 'use') this.used(element, style, map, uses);
    else if (name === 'svg' || name === 'symbol') this.nested(element, style, map, uses);
    else if (CONTAINERS.has(name)) this.within(element, style, map, uses);
    else if (name === 'text')
      for (const { d, style: own } of letters(element, style, this.faces, this.rules, this.leaveOut))
        this.shape(d, own, map);
    else {
      const d = outlineOfShape(element, this.view, Number.parseFloat(style['font-size'] ?? '16') || 16);
      if (d === null) this.leaveOut(CALLED[name] ?? `a part called “${name.slice(0, 30)}”`);
      else this.shape(d, style, map);
    }
    const opacity = shareOf(style.opacity);
    const clip = this.clipOf(style, map, from);
    if (this.paths.length > from && (opacity < 1 || clip !== null))
      this.layer({
        from,
        to: this.paths.length,
        ...(opacity < 1 && { opacity }),
        ...(clip !== null && { clip }),
      });
  }

  /** Those that hold others come before them. */
  private layer(layer: PictureLayer) {
    const at = this.layers.findIndex(({ from, to }) => from >= layer.from && to <= layer.to);
    this.layers.splice(at < 0 ? this.layers.length : at, 0, layer);
  }

  private used({ attributes }: SvgElement, style: Style, map: Matrix, uses: number) {
    const target = attributes.href ?? '';
    const element = target.startsWith('#') ? this.named.get(target.slice(1)) : undefined;
    if (!element || uses >= DEEPEST_USE)
      return this.leaveOut(target.startsWith('#') ? 'a copy of a part' : 'what lies outside of the file');
    const x = lengthOf(attributes.x, this.view.width, 0);
    const y = lengthOf(attributes.y, this.view.height, 0);
    const sized =
      element.name === 'symbol' || element.name === 'svg'
        ? {
            ...element,
            attributes: {
              ...element.attributes,
              ...(attributes.width && { width: attributes.width }),
              ...(attributes.height && { height: attributes.height }),
            },
          }
        : element;
    this.element(sized, style, multiply(map, translation(x, y)), uses + 1, true);
  }

  /** A drawing in the drawing, with a frame of its own. */
  private nested(element: SvgElement, style: Style, map: Matrix, uses: number) {
    const { attributes } = element;
    const view = viewBoxOf(attributes);
    const frame = {
      x: lengthOf(attributes.x, this.view.width, 0),
      y: lengthOf(attributes.y, this.view.height, 0),
      width: lengthOf(attributes.width ?? '100%', this.view.width, this.view.width),
      height: lengthOf(attributes.height ?? '100%', this.view.height, this.view.height),
    };
    const from = this.paths.length;
    const inner = view ? viewBoxMap(view, frame, attributes.preserveAspectRatio) : translation(frame.x, frame.y);
    const outer = this.view;
    this.view = view ?? outer;
    this.within(element, style, multiply(map, inner), uses);
    this.view = outer;
    if (this.paths.length > from && element.attributes.overflow !== 'visible') {
      const { x, y, width, height } = frame;
      const clip = this.mapped(`M${x} ${y}h${width}v${height}h${-width}z`, map);
      this.layer({ from, to: this.paths.length, clip });
    }
  }

  private clipOf(style: Style, map: Matrix, from: number): string | null {
    const [, id] = /^url\(\s*['"]?#([^'")]+)['"]?\s*\)/.exec(style['clip-path'] ?? '') ?? [];
    const source = id === undefined ? undefined : this.named.get(id);
    if (source?.name !== 'clipPath') return null;
    let whole = compose(map, transformOf(source.attributes.transform));
    if (source.attributes.clipPathUnits === 'objectBoundingBox') {
      if (this.paths.length === from) return null;
      const { x, y, width, height } = union(this.paths.slice(from).map(({ d }) => flatten(d).box));
      whole = [width, 0, 0, height, x, y];
    }
    const parts = elementsOf(source).flatMap((child) => {
      const element = child.name === 'use' ? this.named.get((child.attributes.href ?? '').slice(1)) : child;
      const d = element && outlineOfShape(element, this.view, 16);
      if (!element || d === null || d === undefined) {
        if (!SILENT.has(child.name)) this.leaveOut('a part of a clip');
        return [];
      }
      return [
        this.mapped(
          d,
          compose(
            whole,
            transformOf(child.attributes.transform),
            transformOf(element === child ? '' : element.attributes.transform),
          ),
        ),
      ];
    });
    // Nothing shows through an empty clip.
    return parts.length > 0 ? parts.join('') : 'M0 0Z';
  }

  /** A path in the picture's coordinates, of nothing but M, L, H, V, C, Q and Z. */
  private mapped(d: string, map: Matrix): string {
    const path = svgpath(d);
    const whole = path
      .matrix([...map])
      .abs()
      .unarc()
      .unshort()
      .round(2);
    path.iterate(() => void this.segments++);
    if (this.segments > MOST_SEGMENTS)
      throw new SvgProblem(
        `This drawing has more than ${MOST_SEGMENTS.toLocaleString('en')} points. Simplify it, or save it as PNG, and try again.`,
      );
    return whole.toString();
  }

  private shape(d: string, style: Style, map: Matrix) {
    if (style.visibility === 'hidden' || style.visibility === 'collapse') return;
    const kit = { named: this.named, rules: this.rules, leaveOut: this.leaveOut, view: this.view };
    const whole = this.mapped(d, map);
    if (!/[LHVCQ]/.test(whole)) return;
    // Gradients are measured by the shape where it stands.
    const own = svgpath(d).abs().unarc().unshort().toString();
    const fill = paintOf('fill', style, own, map, kit);
    const stroke = paintOf('stroke', style, own, map, kit);
    const width = lengthOf(style['stroke-width'], (this.view.width + this.view.height) / 2, 1) * scaleOf(map);
    if (fill && isSeen(fill)) {
      const { colour, opacity, paint } = plain(fill);
      this.paths.push({
        d: whole,
        fill: colour,
        stroke: null,
        width: 0,
        opacity,
        ...(paint && { paint }),
        ...(style['fill-rule'] === 'evenodd' && { rule: 'evenodd' }),
      });
    }
    if (!stroke || !isSeen(stroke) || width <= 0) return;
    const { colour, opacity, paint } = plain(stroke);
    const dashes = numbersOf(style['stroke-dasharray'] ?? '').map((dash) => dash * scaleOf(map));
    const dash = dashes.length % 2 === 1 ? [...dashes, ...dashes] : dashes;
    if (!keepsCircles(map)) this.leaveOut('the uneven width of stretched lines');
    if (style['stroke-linecap'] === 'square') this.leaveOut('square ends of lines');
    if (style['stroke-linejoin'] === 'bevel') this.leaveOut('cut corners of lines');
    this.paths.push({
      d: whole,
      fill: null,
      stroke: colour,
      width: Math.round(width * 100) / 100,
      opacity,
      ...(paint && { paint }),
      ...(style['stroke-linecap'] === 'round' && { cap: 'round' }),
      ...(style['stroke-linejoin'] !== 'round' && { join: 'miter' }),
      ...(dash.some((one) => one > 0) && dash.every((one) => one >= 0) && { dash }),
    });
  }
}

const isSeen = (paint: DrawnPaint) =>
  paint.kind === 'solid' ? paint.alpha > 0 : paint.stops.some(([, , alpha]) => alpha > 0);

/** A gradient also as the one colour that stands for it where it can't be shown. */
function plain(paint: DrawnPaint): { colour: string; opacity: number; paint?: DrawnPaint } {
  if (paint.kind === 'solid') return { colour: paint.hex, opacity: paint.alpha };
  const [, hex] = paint.stops[Math.floor(paint.stops.length / 2)];
  return { colour: hex, opacity: 1, paint };
}
