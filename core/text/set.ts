import type { TextBody, TextRole } from '../schema/sheet';
import { FALLBACK, fileFor } from './catalogue';
import type { Faces } from './faces';
import type { Line, Piece } from './lines';
import { boxFor, byFace } from './stand-in';
import type { FullFormat, FullStyle } from './style';
import { fullFormat, fullStyle } from './style';

/** Setting: words are shaped, broken into lines of a width, and each line is placed. All in points. */

/** Indent per level of a list, in ems. */
const INDENT = 1.6;

/** Superscript and subscript: their size, and how far they stand above the baseline, as shares of the size around. */
const SCRIPTS = {
  none: { size: 1, rise: 0 },
  super: { size: 0.62, rise: 0.36 },
  sub: { size: 0.62, rise: -0.14 },
};

type Cluster = {
  at: number;
  text: string;
  advance: number;
  piece: number;
  glyphs: { id: number; advance: number; dx: number; dy: number }[];
  space: boolean;
  breaks: boolean;
};
type Source = { file: string; size: number; style: FullStyle };

/** How large words are once they are set: their height, and their widest line without what justifying adds. */
export type Extent = { height: number; widest: number };
export type SetBody = Extent & { lines: Line[] };

/** The paragraphs of a body, shaped and broken into lines. `scales`: one for all, or one for each. */
function* brokenParagraphs(
  body: TextBody,
  role: TextRole,
  width: number,
  scales: number | readonly number[],
  faces: Faces,
  wrapped: boolean,
) {
  for (const [index, paragraph] of body.entries()) {
    const scale = typeof scales === 'number' ? scales : scales[index];
    const format = fullFormat(role, paragraph.format);
    const first = fullStyle(role, paragraph.runs[0]?.style ?? {});
    const size = first.size * scale;
    const indent = format.list === 'none' ? format.level * INDENT * size : (format.level + 1) * INDENT * size;
    const shaped = shapeParagraph(paragraph.runs, role, scale, faces);
    yield {
      ...shaped,
      broken: breakLines(shaped.clusters, wrapped ? Math.max(1, width - indent) : Infinity),
      format,
      first,
      size,
      indent,
      before: index > 0 ? format.before * scale : 0,
      empty: { file: fileFor(first.font, first.bold, first.italic), size, style: first },
    };
  }
}

/** How large a body would be once set as `setBody` sets it, without any letter being placed. */
export function measureBody(
  body: TextBody,
  role: TextRole,
  width: number,
  scales: number | readonly number[],
  faces: Faces,
  wrapped = true,
): Extent {
  let [height, widest] = [0, 0];
  for (const part of brokenParagraphs(body, role, width, scales, faces, wrapped)) {
    const { clusters, sources, format } = part;
    height += part.before;
    let same: number | null = null;
    for (const { from, to } of part.broken) {
      // Words in one style make all lines alike.
      const own: number = same ?? lineHeight(metricsOf(clusters.slice(from, to), sources, part.empty, faces), format);
      if (sources.length < 2) same = own;
      height += own;
      let end = to;
      while (end > from && clusters[end - 1].space) end--;
      let line = part.indent;
      for (let i = from; i < end; i++) line += clusters[i].advance;
      widest = Math.max(widest, line);
    }
  }
  return { height, widest };
}

/** `scales`: one for all paragraphs, or one for each. Unwrapped paragraphs are lines, however long. */
export function setBody(
  body: TextBody,
  role: TextRole,
  width: number,
  scales: number | readonly number[],
  faces: Faces,
  wrapped = true,
): SetBody {
  const lines: Line[] = [];
  let y = 0;
  let start = 0;
  let widest = 0;
  const numbers: number[] = [];
  for (const part of brokenParagraphs(body, role, width, scales, faces, wrapped)) {
    const { clusters, sources, length, broken, format, indent } = part;
    const marker = nextMarker(format, numbers);
    y += part.before;
    broken.forEach(({ from, to }, i) => {
      const line = placeLine(clusters.slice(from, to), sources, {
        start,
        end: start + (i === broken.length - 1 ? length : clusters[to].at),
        offset: clusters[from]?.at ?? 0,
        indent,
        room: width === Infinity ? 0 : Math.max(1, width - indent),
        format,
        last: i === broken.length - 1,
        y,
        empty: part.empty,
        faces,
      });
      if (i === 0 && marker) line.marker = markerPiece(marker, part.first, part.size, indent, faces);
      lines.push(line);
      y = line.bottom;
      widest = Math.max(widest, line.width + indent);
    });
    start += length + 1;
  }
  return { lines, height: y, widest };
}

function nextMarker(format: FullFormat, numbers: number[]): string | null {
  if (format.list === 'none') {
    numbers.length = 0;
    return null;
  }
  numbers.length = format.level + 1;
  const n = (numbers[format.level] = (numbers[format.level] ?? 0) + 1);
  if (format.list === 'bullet') return ['•', '–', '◦'][format.level % 3];
  if (format.list === 'number') return `${n}.`;
  let letters = '';
  for (let left = n; left > 0; left = Math.floor((left - 1) / 26))
    letters = String.fromCharCode(97 + ((left - 1) % 26)) + letters;
  return `${letters})`;
}

function markerPiece(text: string, style: FullStyle, size: number, indent: number, faces: Faces): Piece {
  let file = faces.resolve(fileFor(style.font, style.bold, false));
  if (!faces.covers(file, text)) file = faces.resolve(fileFor(FALLBACK.id, false, false));
  const unit = size / faces.metrics(file).unitsPerEm;
  let x = 0;
  const glyphs = faces.shape(file, text).map((glyph) => {
    const placed = {
      id: glyph.id,
      x: x + glyph.dx * unit,
      dy: -glyph.dy * unit,
      advance: glyph.advance * unit,
      cluster: glyph.cluster,
    };
    x += glyph.advance * unit;
    return placed;
  });
  return { file, size, style: { ...style, underline: false }, text, x: indent - x - 0.4 * size, width: x, glyphs };
}

/** Characters after which a line may break, besides spaces. */
const BREAK_AFTER = /[-\u2010\u2013\u2014/]$/;

function shapeParagraph(runs: TextBody[number]['runs'], role: TextRole, scale: number, faces: Faces) {
  const sources: Source[] = [];
  const clusters: Cluster[] = [];
  let at = 0;
  for (const run of runs) {
    const style = fullStyle(role, run.style);
    const script = SCRIPTS[style.script];
    const size = style.size * scale * script.size;
    const rise = style.size * scale * script.rise;
    const spacing = style.letterSpacing * scale;
    for (const part of byFace(
      run.text,
      faces.resolve(fileFor(style.font, style.bold, style.italic)),
      faces,
      spacing === 0,
      style.bold,
    )) {
      const unit = size / faces.metrics(part.file).unitsPerEm;
      sources.push({ file: part.file, size, style });
      const glyphs = faces.shape(part.file, part.text, spacing === 0);
      for (let i = 0; i < glyphs.length;) {
        const { cluster } = glyphs[i];
        const members: Cluster['glyphs'] = [];
        let advance = 0;
        for (; i < glyphs.length && glyphs[i].cluster === cluster; i++) {
          const { id, dx, dy, advance: own } = glyphs[i].id === 0 ? boxFor(part.file, glyphs[i], faces) : glyphs[i];
          members.push({ id, advance: own * unit, dx: dx * unit, dy: dy * unit + rise });
          advance += own * unit;
        }
        const text = part.text.slice(cluster, glyphs[i]?.cluster);
        const space = text === ' ' || text === '\t' || text === '\u3000';
        clusters.push({
          at: at + cluster,
          text,
          advance: advance + spacing,
          piece: sources.length - 1,
          glyphs: members,
          space,
          breaks: space || BREAK_AFTER.test(text),
        });
      }
      at += part.text.length;
    }
  }
  return { sources, clusters, length: at };
}

/** First fit: as many clusters as the width holds, broken at the last chance; a word longer than the line is cut. */
function breakLines(clusters: Cluster[], width: number): { from: number; to: number }[] {
  const lines: { from: number; to: number }[] = [];
  let from = 0;
  let x = 0;
  let chance = -1;
  for (let i = 0; i < clusters.length; i++) {
    const { advance, space, breaks } = clusters[i];
    // Spaces hang over the end of a line, so they never start one.
    while (!space && x + advance > width + 0.001 && i > from) {
      const to = chance > from ? chance : i;
      lines.push({ from, to });
      from = to;
      x = 0;
      for (let j = from; j < i; j++) x += clusters[j].advance;
      chance = -1;
    }
    x += advance;
    if (breaks) chance = i + 1;
  }
  lines.push({ from, to: clusters.length });
  return lines;
}

/** How far a line reaches above and below its baseline, and what it keeps free: of its largest letters, unscaled by spacing. */
function metricsOf(clusters: readonly Cluster[], sources: readonly Source[], empty: Source, faces: Faces) {
  const used = new Set<Source>();
  let last = -1;
  for (const { piece } of clusters) if (piece !== last) used.add(sources[(last = piece)]);
  let [ascent, descent, gap] = [0, 0, 0];
  for (const source of used.size > 0 ? used : [empty]) {
    const { style } = source;
    // Raised or lowered words leave the lines as far apart as they were.
    const size = source.size / SCRIPTS[style.script].size;
    const m = faces.metrics(fileFor(style.font, style.bold, style.italic));
    ascent = Math.max(ascent, (m.ascent / m.unitsPerEm) * size);
    descent = Math.max(descent, (m.descent / m.unitsPerEm) * size);
    gap = Math.max(gap, (m.lineGap / m.unitsPerEm) * size);
  }
  return { ascent, descent, gap };
}

const lineHeight = ({ ascent, descent, gap }: ReturnType<typeof metricsOf>, format: FullFormat) =>
  (ascent + descent + gap) * format.lineSpacing;

type Setting = {
  start: number;
  end: number;
  offset: number;
  indent: number;
  room: number;
  format: FullFormat;
  last: boolean;
  y: number;
  empty: Source;
  faces: Faces;
};

function placeLine(clusters: Cluster[], sources: Source[], set: Setting): Line {
  let visible = clusters.length;
  while (visible > 0 && clusters[visible - 1].space) visible--;
  const natural = clusters.slice(0, visible).reduce((sum, cluster) => sum + cluster.advance, 0);
  const gaps = clusters.slice(0, visible).filter((cluster) => cluster.space).length;
  const justified = set.format.align === 'justify' && !set.last && gaps > 0;
  const stretch = justified ? Math.max(0, set.room - natural) / gaps : 0;
  const width = natural + stretch * gaps;
  const spare = set.room - width;
  const x = set.indent + (set.format.align === 'centre' ? spare / 2 : set.format.align === 'right' ? spare : 0);

  const pieces: Piece[] = [];
  const stops: number[] = [];
  let pen = x;
  let lastSource = -1;
  clusters.forEach((cluster, i) => {
    const source = sources[cluster.piece];
    if (cluster.piece !== lastSource) {
      pieces.push({ ...source, text: '', x: pen, width: 0, glyphs: [] });
      lastSource = cluster.piece;
    }
    const piece = pieces[pieces.length - 1];
    const advance = cluster.advance + (cluster.space && i < visible ? stretch : 0);
    let inner = 0;
    for (const glyph of cluster.glyphs) {
      piece.glyphs.push({
        id: glyph.id,
        x: pen - piece.x + inner + glyph.dx,
        dy: -glyph.dy,
        advance: glyph.advance,
        cluster: cluster.at - set.offset,
      });
      inner += glyph.advance;
    }
    const { length } = cluster.text;
    for (let k = 0; k < length; k++) stops.push(pen + (advance * k) / length);
    piece.text += cluster.text;
    pen += advance;
    if (i < visible) piece.width = pen - piece.x;
  });
  stops.push(pen);

  const metrics = metricsOf(clusters, sources, set.empty, set.faces);
  const { ascent, descent } = metrics;
  const height = lineHeight(metrics, set.format);
  const lead = (height - ascent - descent) / 2;
  return {
    start: set.start + set.offset,
    end: set.end,
    x,
    width,
    top: set.y,
    baseline: set.y + lead + ascent,
    bottom: set.y + height,
    pieces,
    marker: null,
    stops,
  };
}
