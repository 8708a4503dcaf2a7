import type * as Harfbuzz from 'harfbuzzjs';
import type { Matrix, Point } from '../geometry/matrix';
import { hundredths } from '../values/hundredths';
import { Recent } from '../values/recent';
import { fileFor, FALLBACK } from './catalogue';

/** One glyph as shaped: advance and offsets in font units, `cluster` the index of its first UTF-16 unit. */
export type ShapedGlyph = { id: number; cluster: number; advance: number; dx: number; dy: number };
export type Metrics = { unitsPerEm: number; ascent: number; descent: number; lineGap: number };

type Opened = {
  font: Harfbuzz.Font;
  metrics: Metrics;
  outlines: Map<number, string>;
  shapes: Recent<string, ShapedGlyph[]>;
};

/** How many shaped letters a face remembers, some 100 bytes each: enough for the words of several large sheets. */
const LETTERS = 200_000;
/** How many outlines a face remembers, some 300 bytes each, before it forgets all: each size has its own. */
const OUTLINES = 20_000;
/** Longer strings are not remembered: they are unlikely to come again. */
const LONGEST = 2000;

/**
 * The opened font files. HarfBuzz shapes; its WebAssembly comes with `open`. A file that is not loaded yet is drawn by the
 * fallback face, and `missing` tells which were wanted.
 */
export class Faces {
  private files = new Map<string, Opened>();
  private buffer: Harfbuzz.Buffer;
  readonly missing = new Set<string>();

  private constructor(private hb: typeof Harfbuzz) {
    this.buffer = new hb.Buffer();
  }

  static async open(): Promise<Faces> {
    return new Faces(await import('harfbuzzjs'));
  }

  /** Adds a TTF (not WOFF: that shapes to nothing). */
  add(file: string, bytes: ArrayBuffer | Uint8Array): void {
    if (this.files.has(file)) return;
    const face = new this.hb.Face(new this.hb.Blob(bytes));
    const font = new this.hb.Font(face);
    const extents = font.hExtents();
    const metrics = {
      unitsPerEm: face.upem,
      ascent: extents.ascender,
      descent: -extents.descender,
      lineGap: extents.lineGap,
    };
    this.files.set(file, {
      font,
      metrics,
      outlines: new Map(),
      shapes: new Recent(LETTERS, (_, text) => text.length + 1),
    });
    this.missing.delete(file);
  }

  /** How many files are loaded: text laid out with fewer may look different now. */
  get loaded(): number {
    return this.files.size;
  }

  has(file: string): boolean {
    return this.files.has(file);
  }

  /** The file itself, or what stands in for it until it is loaded. */
  resolve(file: string): string {
    if (this.files.has(file)) return file;
    this.missing.add(file);
    const standIn = fileFor(FALLBACK.id, false, false);
    if (!this.files.has(standIn)) throw new Error(`the fallback face ${standIn} must be loaded first`);
    return standIn;
  }

  metrics(file: string): Metrics {
    return this.files.get(this.resolve(file))!.metrics;
  }

  /** Shapes one run left to right. With `ligatures` off each letter stays by itself, for letter spacing. */
  shape(file: string, text: string, ligatures = true): ShapedGlyph[] {
    const opened = this.files.get(this.resolve(file))!;
    const key = ligatures ? text : `\u0000${text}`;
    const known = opened.shapes.get(key);
    if (known) return known;
    const { buffer, hb } = this;
    buffer.reset();
    buffer.addText(text);
    buffer.setDirection(hb.Direction.LTR);
    buffer.guessSegmentProperties();
    hb.shape(opened.font, buffer, ligatures ? undefined : [new hb.Feature('liga', 0), new hb.Feature('clig', 0)]);
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    const glyphs = infos.map((info, i) => ({
      id: info.codepoint,
      cluster: info.cluster,
      advance: positions[i].xAdvance,
      dx: positions[i].xOffset,
      dy: positions[i].yOffset,
    }));
    if (text.length <= LONGEST) opened.shapes.set(key, glyphs);
    return glyphs;
  }

  /** Whether the file has a glyph for every character of the text. */
  covers(file: string, text: string): boolean {
    return this.shape(file, text).every((glyph) => glyph.id !== 0);
  }

  /**
   * A glyph's outline at a size as an SVG path in relative coordinates, to be put behind `M x y` of its origin; rounded to
   * hundredths of a point, without the rounding adding up.
   */
  outline(file: string, glyph: number, size: number): string {
    const opened = this.files.get(this.resolve(file))!;
    const key = glyph * 65_536 + Math.round(size * 32);
    let path = opened.outlines.get(key);
    if (path === undefined) {
      path = relativePath(opened.font.glyphToJson(glyph), size / opened.metrics.unitsPerEm);
      if (opened.outlines.size >= OUTLINES) opened.outlines.clear();
      opened.outlines.set(key, path);
    }
    return path;
  }

  /** A glyph's outline turned and put at its place, as an SVG path in absolute coordinates. */
  placed(file: string, glyph: number, size: number, turn: readonly number[], at: Point): string {
    const { font, metrics } = this.files.get(this.resolve(file))!;
    const [a, b, c, d] = turn.map((value) => (value * size) / metrics.unitsPerEm);
    return movedPath(font.glyphToJson(glyph), [a, b, c, d, at.x, at.y]);
  }
}

function movedPath(commands: { type: string; values: number[] }[], [a, b, c, d, e, f]: Matrix): string {
  let out = '';
  for (const { type, values } of commands) {
    out += type;
    for (let i = 0; i < values.length; i += 2) {
      // Font units grow upwards, the page's downwards.
      const [x, y] = [values[i], -values[i + 1]];
      out += `${i ? ' ' : ''}${hundredths(a * x + c * y + e)} ${hundredths(b * x + d * y + f)}`;
    }
  }
  return out;
}

function relativePath(commands: { type: string; values: number[] }[], scale: number): string {
  let [x, y, startX, startY] = [0, 0, 0, 0];
  let out = '';
  for (const { type, values } of commands) {
    if (type === 'Z') {
      out += 'z';
      [x, y] = [startX, startY];
      continue;
    }
    const points: number[] = [];
    let [endX, endY] = [x, y];
    for (let i = 0; i < values.length; i += 2) {
      endX = Math.round(values[i] * scale * 100);
      endY = Math.round(-values[i + 1] * scale * 100);
      points.push((endX - x) / 100, (endY - y) / 100);
    }
    out += type.toLowerCase() + points.map((value, i) => (i > 0 && value >= 0 ? ` ${value}` : `${value}`)).join('');
    [x, y] = [endX, endY];
    if (type === 'M') [startX, startY] = [x, y];
  }
  return out;
}
