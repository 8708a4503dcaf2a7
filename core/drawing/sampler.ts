import type { Rgb } from '../colour/rgb';
import { hexOf, rgbOf } from '../colour/rgb';
import type { ToneMatrix } from '../colour/tone';
import { toned } from '../colour/tone';
import { covers, edgeDistance, flatten } from '../geometry/flatten';
import type { Rings } from '../geometry/flatten';
import { mapped } from '../geometry/box';
import type { Box, Matrix, Point } from '../geometry/matrix';
import { IDENTITY, inverse, multiply, transform } from '../geometry/matrix';
import type { Faces } from '../text/faces';
import type { Mosaic } from '../raster/mosaic';
import { colourAt } from '../raster/mosaic';
import type { DisplayNode, DrawnPaint, GlyphsNode } from './list';

/**
 * The colour of a drawn page at a point, computed from the display list: the same on every machine, in a page, a worker
 * or the server, and without drawing anything. Shadows are passed over: they are soft, and seldom decide.
 */

export type Sample = {
  rgb: Rgb;
  hex: string;
  /** The items whose paint shows at the point, topmost first. */
  items: string[];
};

type Layer = {
  item: string | null;
  box: Box;
  /** From the page to the path's own coordinates. */
  back: Matrix;
  shape: Rings;
  fill: Fill | null;
  stroke: { fill: Fill; width: number } | null;
  evenOdd: boolean;
  alpha: number;
  clips: readonly Clip[];
};

/** What cuts a layer off, and the way from the page to its coordinates. */
type Clip = { back: Matrix; shape: Rings };

/** What colour lies at a point of the layer's own coordinates. */
type Fill = (local: Point) => { rgb: Rgb; alpha: number };
const CLEAR = { rgb: [0, 0, 0] as Rgb, alpha: 0 };

const painted =
  (paint: DrawnPaint): Fill =>
  (local) =>
    paintAt(paint, local);

const tiled =
  ({ x, y, width, height }: Box, mosaic: Mosaic, tone: ToneMatrix | null): Fill =>
  (local) => {
    const hex = colourAt(mosaic, (local.x - x) / width, (local.y - y) / height);
    return hex === null ? CLEAR : { rgb: rgbOf(toned(hex, tone)), alpha: 1 };
  };

/** Whether a map of coordinates leaves any area. */
const isOpen = ([a, b, c, d]: Matrix) => Math.abs(a * d - b * c) >= 1e-9;

/** A paint's colour and opacity at a point of its own coordinates. */
export function paintAt(paint: DrawnPaint, { x, y }: Point): { rgb: Rgb; alpha: number } {
  if (paint.kind === 'solid') return { rgb: rgbOf(paint.hex), alpha: paint.alpha };
  let t: number;
  if (paint.kind === 'linear') {
    const [dx, dy] = [paint.x2 - paint.x1, paint.y2 - paint.y1];
    const length = dx * dx + dy * dy;
    t = length === 0 ? 0 : ((x - paint.x1) * dx + (y - paint.y1) * dy) / length;
  } else {
    const own = paint.matrix ? transform(inverse(paint.matrix), { x, y }) : { x, y };
    t = Math.hypot(own.x - paint.cx, own.y - paint.cy) / Math.max(1e-6, paint.r);
  }
  const { stops } = paint;
  const after = stops.findIndex(([offset]) => offset >= t);
  if (after === 0 || stops.length === 1) return { rgb: rgbOf(stops[0][1]), alpha: stops[0][2] };
  if (after < 0) return { rgb: rgbOf(stops[stops.length - 1][1]), alpha: stops[stops.length - 1][2] };
  const [a, b] = [stops[after - 1], stops[after]];
  const share = b[0] === a[0] ? 1 : (t - a[0]) / (b[0] - a[0]);
  const [from, to] = [rgbOf(a[1]), rgbOf(b[1])];
  return {
    rgb: from.map((value, i) => value + (to[i] - value) * share) as unknown as Rgb,
    alpha: a[2] + (b[2] - a[2]) * share,
  };
}

export class Sampler {
  private layers: Layer[] = [];
  /** Of what is walked through. */
  private clips: readonly Clip[] = [];
  /** How many layers lie below the words of an item. */
  private below = new Map<string, number>();

  /** With `faces` the letters count too, as for picking up a colour; without, only what lies behind them. */
  constructor(
    nodes: readonly DisplayNode[],
    private faces?: Faces,
    /** What is seen where nothing is drawn. */
    private paper: Rgb = [255, 255, 255],
  ) {
    this.walk(nodes, IDENTITY, 1, null);
  }

  private walk(nodes: readonly DisplayNode[], matrix: Matrix, alpha: number, item: string | null) {
    for (const node of nodes) {
      if (node.kind === 'group') {
        const inner = node.matrix ? multiply(matrix, node.matrix) : matrix;
        // What fades out is half there on the whole.
        const share = (node.opacity ?? 1) * (node.fade ? node.fade.alpha / 2 : 1);
        const around = this.clips;
        if (node.clip !== undefined && isOpen(inner))
          this.clips = [...around, { back: inverse(inner), shape: flatten(node.clip) }];
        this.walk(node.children, inner, alpha * share, node.id ?? item);
        this.clips = around;
      } else if (node.kind === 'path')
        this.add(
          item,
          matrix,
          node.d,
          node.fill ? painted(node.fill) : null,
          node.stroke ?? null,
          node.rule === 'evenodd',
          alpha,
        );
      else if (node.kind === 'image' && node.mosaic) {
        const { x, y, width, height } = node;
        this.add(
          item,
          matrix,
          `M${x} ${y}H${x + width}V${y + height}H${x}Z`,
          tiled(node, node.mosaic, node.tone ?? null),
          null,
          false,
          alpha,
        );
      } else if (node.kind === 'glyphs') {
        if (item !== null && !this.below.has(item)) this.below.set(item, this.layers.length);
        if (this.faces) this.letters(node, matrix, alpha, item);
      }
    }
  }

  private letters({ file, size, x, y, glyphs, fill }: GlyphsNode, matrix: Matrix, alpha: number, item: string | null) {
    for (const glyph of glyphs) {
      const d = this.faces!.placed(file, glyph.id, size, glyph.turn ?? [1, 0, 0, 1], {
        x: x + glyph.x,
        y: y + glyph.y,
      });
      if (d) this.add(item, matrix, d, painted(fill), null, false, alpha);
    }
  }

  private add(
    item: string | null,
    matrix: Matrix,
    d: string,
    fill: Fill | null,
    stroke: { paint: DrawnPaint; width: number } | null,
    evenOdd: boolean,
    alpha: number,
  ) {
    if (!isOpen(matrix)) return;
    const shape = flatten(d);
    const reach = stroke ? stroke.width / 2 : 0;
    const { x, y, width, height } = shape.box;
    const box = mapped({ x: x - reach, y: y - reach, width: width + 2 * reach, height: height + 2 * reach }, matrix);
    const line = stroke && { fill: painted(stroke.paint), width: stroke.width };
    this.layers.push({
      item,
      box,
      back: inverse(matrix),
      shape,
      fill,
      stroke: line,
      evenOdd,
      alpha,
      clips: this.clips,
    });
  }

  /**
   * The colour at a point of the page; with `under`, of what lies below that item's words. Lines thinner than `thin` points
   * are passed over: they cross letters without hiding them.
   */
  at(point: Point, under?: string, thin = 0): Sample {
    let left = 1;
    let rgb: Rgb = [0, 0, 0];
    const items: string[] = [];
    const lay = (fill: Fill, local: Point, layer: Layer) => {
      const { rgb: own, alpha } = fill(local);
      const share = left * alpha * layer.alpha;
      if (share <= 0) return;
      rgb = rgb.map((value, i) => value + own[i] * share) as unknown as Rgb;
      left -= share;
      if (layer.item !== null && !items.includes(layer.item)) items.push(layer.item);
    };
    const top = under === undefined ? this.layers.length : (this.below.get(under) ?? this.layers.length);
    for (let i = top - 1; i >= 0 && left > 0.004; i--) {
      const layer = this.layers[i];
      const { box } = layer;
      if (point.x < box.x || point.y < box.y || point.x > box.x + box.width || point.y > box.y + box.height) continue;
      if (!layer.clips.every(({ back, shape }) => covers(shape, transform(back, point), false))) continue;
      const local = transform(layer.back, point);
      if (layer.stroke && layer.stroke.width >= thin && edgeDistance(layer.shape, local) <= layer.stroke.width / 2)
        lay(layer.stroke.fill, local, layer);
      if (layer.fill && left > 0.004 && covers(layer.shape, local, layer.evenOdd)) lay(layer.fill, local, layer);
    }
    rgb = rgb.map((value, i) => value + this.paper[i] * left) as unknown as Rgb;
    return { rgb, hex: hexOf(rgb), items };
  }
}
