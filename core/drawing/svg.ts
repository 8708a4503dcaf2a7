import type { ToneMatrix } from '../colour/tone';
import { filterValues } from '../colour/tone';
import { IDENTITY, isIdentity, multiply, translation } from '../geometry/matrix';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { shiftedPath } from '../geometry/shift';
import { hundredths as f } from '../values/hundredths';
import type { Faces } from '../text/faces';
import type {
  DisplayNode,
  DrawnPage,
  DrawnPaint,
  DrawnShadow,
  DrawnStroke,
  GlyphsNode,
  GroupNode,
  ImageNode,
} from './list';

/** The display list as SVG, words as outlines. Colours are hex, gradients in user space, ids carry a prefix. */

const escape = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
const matrixOf = (m: Matrix) => `matrix(${m.map((n) => `${Math.round(n * 1e5) / 1e5}`).join(' ')})`;

export type SvgOptions = {
  /** Put before every id, so that several pictures can stand in one document. */
  prefix?: string;
  /** Where an image's bytes are, as a URL or data URL; else its small form is put in. */
  imageUrl?: (image: Pick<ImageNode, 'asset' | 'screen'>) => string | undefined;
  /** The part of the page that is shown; else all of it. */
  area?: Box;
  /** Marks each item's group with data-item, for the editor. */
  marked?: boolean;
};

const ORIGIN: Point = { x: 0, y: 0 };
const isShift = ([a, b, c, d]: Matrix) => isIdentity([a, b, c, d, 0, 0]);

class Emitter {
  definitions = '';
  private count = 0;
  /**
   * Where the coordinates of what is drawn begin. What is merely shifted is drawn at its place: each map of coordinates costs a
   * browser as much as a whole drawing when it puts a page together.
   */
  private at = ORIGIN;
  constructor(
    private faces: Faces,
    private options: SvgOptions,
  ) {}

  private paint(name: 'fill' | 'stroke', paint: DrawnPaint): string {
    if (paint.kind === 'solid')
      return ` ${name}="${paint.hex}"${paint.alpha < 1 ? ` ${name}-opacity="${f(paint.alpha)}"` : ''}`;
    const id = this.id('g');
    const { x, y } = this.at;
    const stops = paint.stops
      .map(
        ([offset, hex, alpha]) =>
          `<stop offset="${f(offset)}" stop-color="${hex}"${alpha < 1 ? ` stop-opacity="${f(alpha)}"` : ''}/>`,
      )
      .join('');
    this.definitions +=
      paint.kind === 'linear'
        ? `<linearGradient id="${id}" gradientUnits="userSpaceOnUse" x1="${f(paint.x1 + x)}" y1="${f(paint.y1 + y)}" x2="${f(paint.x2 + x)}" y2="${f(paint.y2 + y)}">${stops}</linearGradient>`
        : `<radialGradient id="${id}" gradientUnits="userSpaceOnUse" ${this.circle(paint)}>${stops}</radialGradient>`;
    return ` ${name}="url(#${id})"`;
  }

  private circle({ cx, cy, r, matrix }: Extract<DrawnPaint, { kind: 'radial' }>): string {
    const { x, y } = this.at;
    if (!matrix) return `cx="${f(cx + x)}" cy="${f(cy + y)}" r="${f(r)}"`;
    // Of the size of 1, a circle needs more than hundredths.
    return `cx="${cx}" cy="${cy}" r="${r}" gradientTransform="${matrixOf(multiply(translation(x, y), matrix))}"`;
  }

  private stroke({ paint, width, dash, cap, join }: DrawnStroke): string {
    let out = `${this.paint('stroke', paint)} stroke-width="${f(width)}"`;
    if (dash) out += ` stroke-dasharray="${dash.map(f).join(' ')}"`;
    if (cap !== 'butt') out += ` stroke-linecap="${cap}"`;
    if (join !== 'miter') out += ` stroke-linejoin="${join}"`;
    return out;
  }

  private glyphs({ file, size, x: left, y: top, glyphs, fill, stroke }: GlyphsNode): string {
    let d = '';
    const x = left + this.at.x;
    const y = top + this.at.y;
    for (const glyph of glyphs) {
      if (glyph.turn) {
        d += this.faces.placed(file, glyph.id, size, glyph.turn, { x: x + glyph.x, y: y + glyph.y });
        continue;
      }
      const outline = this.faces.outline(file, glyph.id, size);
      // Drawn anew each time: a reference to a letter before costs a browser far more, and saves little once compressed.
      if (outline) d += `M${f(x + glyph.x)} ${f(y + glyph.y)}${outline}`;
    }
    if (!d) return '';
    // Half of a stroke lies under the letter.
    const behind = stroke ? `<path d="${d}" fill="none"${this.stroke({ ...stroke, width: stroke.width * 2 })}/>` : '';
    return `${behind}<path d="${d}"${this.paint('fill', fill)}/>`;
  }

  private id = (letter: string) => `${this.options.prefix ?? ''}${letter}${this.count++}`;

  private area = ({ x, y, width, height }: Box) =>
    `x="${f(x + this.at.x)}" y="${f(y + this.at.y)}" width="${f(width)}" height="${f(height)}"`;

  private shadow({ dx, dy, blur, hex, alpha, box }: DrawnShadow): string {
    const id = this.id('s');
    this.definitions += `<filter id="${id}" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB" ${this.area(box)}><feDropShadow dx="${f(dx)}" dy="${f(dy)}" stdDeviation="${f(blur)}" flood-color="${hex}" flood-opacity="${f(alpha)}"/></filter>`;
    return id;
  }

  private fade({ from, to, alpha, box }: NonNullable<GroupNode['fade']>): string {
    const id = this.id('m');
    const area = this.area(box);
    this.definitions += `<linearGradient id="${id}g" gradientUnits="userSpaceOnUse" x1="0" y1="${f(from + this.at.y)}" x2="0" y2="${f(to + this.at.y)}"><stop offset="0" stop-color="#ffffff" stop-opacity="${f(alpha)}"/><stop offset="1" stop-color="#ffffff" stop-opacity="0"/></linearGradient><mask id="${id}" maskUnits="userSpaceOnUse" ${area}><rect ${area} fill="url(#${id}g)"/></mask>`;
    return id;
  }

  private clip(d: string): string {
    const id = this.id('c');
    this.definitions += `<clipPath id="${id}"><path d="${shiftedPath(d, this.at.x, this.at.y)}"/></clipPath>`;
    return id;
  }

  private tone(area: Box, tone: ToneMatrix): string {
    const id = this.id('t');
    const values = filterValues(tone).map((value) => Math.round(value * 1e5) / 1e5);
    this.definitions += `<filter id="${id}" filterUnits="userSpaceOnUse" color-interpolation-filters="sRGB" ${this.area(area)}><feColorMatrix values="${values.join(' ')}"/></filter>`;
    return id;
  }

  node(node: DisplayNode): string {
    switch (node.kind) {
      case 'path': {
        let out = `<path d="${shiftedPath(node.d, this.at.x, this.at.y)}"${node.fill ? this.paint('fill', node.fill) : ' fill="none"'}`;
        if (node.rule) out += ' fill-rule="evenodd"';
        if (node.stroke) out += this.stroke(node.stroke);
        return `${out}/>`;
      }
      case 'glyphs':
        return this.glyphs(node);
      case 'image': {
        const url = this.options.imageUrl?.(node) ?? node.small;
        const tone = node.tone ? ` filter="url(#${this.tone(node, node.tone)})"` : '';
        return `<image href="${escape(url)}" ${this.area(node)} preserveAspectRatio="none"${tone}/>`;
      }
      case 'group': {
        let attributes = '';
        if (this.options.marked && node.id) attributes += ` data-item="${node.id}"`;
        const around = this.at;
        const matrix = multiply(translation(around.x, around.y), node.matrix ?? IDENTITY);
        if (isShift(matrix)) this.at = { x: matrix[4], y: matrix[5] };
        else {
          attributes += ` transform="${matrixOf(matrix)}"`;
          this.at = ORIGIN;
        }
        if (node.opacity !== undefined) attributes += ` opacity="${f(node.opacity)}"`;
        const inner = this.nodes(node.children);
        const clipped = node.clip === undefined ? inner : `<g clip-path="url(#${this.clip(node.clip)})">${inner}</g>`;
        const faded = node.fade ? `<g mask="url(#${this.fade(node.fade)})">${clipped}</g>` : clipped;
        this.at = around;
        const drawn = attributes ? `<g${attributes}>${faded}</g>` : faded;
        return node.shadow ? `<g filter="url(#${this.shadow(node.shadow)})">${drawn}</g>` : drawn;
      }
    }
  }

  nodes(nodes: readonly DisplayNode[]): string {
    let out = '';
    for (const node of nodes) out += this.node(node);
    return out;
  }
}

/** The inside of an SVG element, definitions first. */
export function svgMarkup(nodes: readonly DisplayNode[], faces: Faces, options: SvgOptions = {}): string {
  const emitter = new Emitter(faces, options);
  const body = emitter.nodes(nodes);
  return emitter.definitions ? `<defs>${emitter.definitions}</defs>${body}` : body;
}

/** A whole SVG document of a page; width and height in points. */
export function pageSvg(page: DrawnPage, faces: Faces, options: SvgOptions = {}): string {
  const { x, y, width, height } = options.area ?? { x: 0, y: 0, ...page };
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${f(width)}pt" height="${f(height)}pt" viewBox="${f(x)} ${f(y)} ${f(width)} ${f(height)}">${svgMarkup(page.nodes, faces, options)}</svg>`;
}
