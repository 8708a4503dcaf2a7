import type { Body, Role, TextItem, WrittenItem } from '../sheet/schema';
import { BOX_FILE, fileFor, FALLBACK, standInsFor } from './catalogue';
import type { Faces, ShapedGlyph } from './faces';
import { curveRise } from './lettering';
import type { FullFormat, FullStyle } from './style';
import { fullFormat, fullStyle } from './style';

/** Words laid out in a box, in the box's own coordinates, in points. */

export type PlacedGlyph = { id: number; x: number; dy: number; advance: number; cluster: number };
/** Glyphs of one file, size and style on one line; `text` are the characters they stand for. */
export type Piece = {
  file: string;
  size: number;
  style: FullStyle;
  text: string;
  x: number;
  width: number;
  glyphs: PlacedGlyph[];
};
export type Line = {
  /** Flat positions in the body: [start, end), trailing spaces included. */
  start: number;
  end: number;
  x: number;
  /** Without trailing spaces. */
  width: number;
  top: number;
  baseline: number;
  bottom: number;
  pieces: Piece[];
  /** A bullet or number, drawn before the line. */
  marker: Piece | null;
  /** Where a caret stands before each position from start to end, both included. */
  stops: number[];
};
export type Layout = {
  lines: Line[];
  /** Height of the words alone, without padding. */
  height: number;
  /** The words need more room than the box has. */
  overflows: boolean;
  /** What sizes were multiplied by to fit; 1 unless the box shrinks its words. */
  scale: number;
};

/** Sizes never grow beyond this, however wide a box is. */
const LARGEST = 1000;
/** Indent per level of a list, in ems. */
const INDENT = 1.6;

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

export type Box = Pick<WrittenItem, 'width' | 'height' | 'padding' | 'vertical'> & {
  fit: TextItem['fit'];
  /** The size in points below which words don't shrink; 7 where none is said. */
  least?: number;
  lettering?: TextItem['lettering'];
};

const roomOf = (box: Box) => ({
  width: Math.max(1, box.width - 2 * box.padding),
  height: Math.max(0, box.height - 2 * box.padding),
});

/** The sizes that a body is set in, smallest and largest. */
function sizesOf(body: Body, role: Role): [least: number, most: number] {
  const sizes = body.flatMap((p) => p.runs.map((run) => run.style.size ?? role.run.size));
  return sizes.length > 0 ? [Math.min(...sizes), Math.max(...sizes)] : [role.run.size, role.run.size];
}

/** Scales at which the longest line, or each line, is as wide as the room; the words are not wrapped. */
function widening(body: Body, role: Role, fit: 'width' | 'lines', width: number, faces: Faces): number[] {
  const natural = body.map((paragraph) => setBody([paragraph], role, Infinity, [1], faces).widest);
  const most = LARGEST / sizesOf(body, role)[1];
  const longest = Math.max(...natural);
  return natural.map((own) => {
    const measure = fit === 'lines' ? own : longest;
    return measure > 0 ? Math.min(most, width / measure) : 1;
  });
}

function setInBox(body: Body, role: Role, box: Box, faces: Faces): { set: Set; scale: number } {
  const { width, height } = roomOf(box);
  if (box.fit === 'width' || box.fit === 'lines') {
    const scales = widening(body, role, box.fit, width, faces);
    return { set: setBody(body, role, width, scales, faces, false), scale: Math.max(...scales) };
  }
  const whole = setBody(body, role, width, 1, faces);
  if (box.fit !== 'shrink' || fits(whole, width, height)) return { set: whole, scale: 1 };
  let low = Math.min(1, (box.least ?? 7) / sizesOf(body, role)[0]);
  let high = 1;
  if (fits(setBody(body, role, width, low, faces), width, height))
    for (let step = 0; step < 12; step++) {
      const middle = (low + high) / 2;
      if (fits(setBody(body, role, width, middle, faces), width, height)) low = middle;
      else high = middle;
    }
  return { set: setBody(body, role, width, low, faces), scale: low };
}

/** Lays a body out in a box. Where `fit` is shrink, the largest scale is taken at which everything fits. */
export function layOut(body: Body, role: Role, box: Box, faces: Faces): Layout {
  const { width, height: room } = roomOf(box);
  const { set, scale } = setInBox(body, role, box, faces);
  const free = box.fit === 'grow' || box.fit === 'width' || box.fit === 'lines';
  const overflows = !free && !fits(set, width, room);
  const spare = free ? Math.max(0, room - set.height) : room - set.height;
  const vertical = box.lettering && box.lettering.curve !== 'straight' ? 'middle' : box.vertical;
  const down = box.padding + (vertical === 'top' || spare < 0 ? 0 : vertical === 'middle' ? spare / 2 : spare);
  return {
    height: set.height,
    overflows,
    scale,
    lines: set.lines.map((line) => ({
      ...line,
      x: line.x + box.padding,
      top: line.top + down,
      baseline: line.baseline + down,
      bottom: line.bottom + down,
      pieces: line.pieces.map((piece) => ({ ...piece, x: piece.x + box.padding })),
      marker: line.marker && { ...line.marker, x: line.marker.x + box.padding },
      stops: line.stops.map((x) => x + box.padding),
    })),
  };
}

/** The height that a box has to have for its words, at the width it has. */
export function grownHeight(body: Body, role: Role, box: Box, faces: Faces): number {
  const { height } = setInBox(body, role, box.fit === 'shrink' ? { ...box, fit: 'grow' } : box, faces).set;
  const { width } = roomOf(box);
  return height + 2 * box.padding + (box.lettering ? curveRise(box.lettering, width, height) : 0);
}

type Set = { lines: Line[]; height: number; widest: number };
const fits = (set: Set, width: number, room: number) => set.height <= room + 0.01 && set.widest <= width + 0.01;

/** `scales`: one for all paragraphs, or one for each. Unwrapped paragraphs are lines, however long. */
function setBody(
  body: Body,
  role: Role,
  width: number,
  scales: number | readonly number[],
  faces: Faces,
  wrapped = true,
): Set {
  const lines: Line[] = [];
  let y = 0;
  let start = 0;
  let widest = 0;
  const numbers: number[] = [];
  body.forEach((paragraph, index) => {
    const scale = typeof scales === 'number' ? scales : scales[index];
    const format = fullFormat(role, paragraph.format);
    const first = fullStyle(role, paragraph.runs[0]?.style ?? {});
    const size = first.size * scale;
    const indent = format.list === 'none' ? format.level * INDENT * size : (format.level + 1) * INDENT * size;
    const { sources, clusters, length } = shapeParagraph(paragraph.runs, role, scale, faces);
    const marker = nextMarker(format, numbers);
    if (index > 0) y += format.before * scale;
    const broken = breakLines(clusters, wrapped ? Math.max(1, width - indent) : Infinity);
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
        empty: { file: fileFor(first.font, first.bold, first.italic), size, style: first },
        faces,
      });
      if (i === 0 && marker) line.marker = markerPiece(marker, first, size, indent, faces);
      lines.push(line);
      y = line.bottom;
      widest = Math.max(widest, line.width + indent);
    });
    start += length + 1;
  });
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

function shapeParagraph(runs: Body[number]['runs'], role: Role, scale: number, faces: Faces) {
  const sources: Source[] = [];
  const clusters: Cluster[] = [];
  let at = 0;
  for (const run of runs) {
    const style = fullStyle(role, run.style);
    const size = style.size * scale;
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
          members.push({ id, advance: own * unit, dx: dx * unit, dy: dy * unit });
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

/** What no face has stands as a box, so that its place is seen on screen and in print. */
const boxFor = (file: string, lacking: ShapedGlyph, faces: Faces): ShapedGlyph => {
  const [box] = faces.shape(file, '\u25af');
  return box && box.id !== 0 ? { ...box, cluster: lacking.cluster } : lacking;
};

/** Splits a text into stretches by the file that has their characters: the wanted one, else the first fallback that has. */
function byFace(
  text: string,
  file: string,
  faces: Faces,
  ligatures: boolean,
  bold: boolean,
): { text: string; file: string }[] {
  const glyphs = faces.shape(file, text, ligatures);
  if (glyphs.every((glyph) => glyph.id !== 0)) return [{ text, file }];
  const out: { text: string; file: string }[] = [];
  const add = (part: string, use: string) => {
    const last = out[out.length - 1];
    if (last?.file === use) last.text += part;
    else out.push({ text: part, file: use });
  };
  // Left to right, clusters only grow: one way through tells where each ends and whether it lacks a glyph.
  const parts: { text: string; lacks: boolean }[] = [];
  for (let i = 0; i < glyphs.length;) {
    const start = glyphs[i].cluster;
    let lacks = false;
    for (; i < glyphs.length && glyphs[i].cluster === start; i++) lacks ||= glyphs[i].id === 0;
    parts.push({ text: text.slice(start, glyphs[i]?.cluster ?? text.length), lacks });
  }
  for (let i = 0; i < parts.length;) {
    let end = i;
    let letters = false;
    for (; end < parts.length && !SPACE.test(parts[end].text); end++)
      letters ||= parts[end].lacks && LETTER.test(parts[end].text);
    const word = parts.slice(i, end);
    // A word that lacks letters stands in one face as a whole, where one has them all.
    const whole = letters ? standInFor(word.map((part) => part.text).join(''), faces, bold) : null;
    for (const part of word)
      add(part.text, whole ?? (part.lacks ? (standInFor(part.text, faces, bold) ?? boxes(faces)) : file));
    for (i = end; i < parts.length && SPACE.test(parts[i].text); i++)
      add(parts[i].text, parts[i].lacks ? (standInFor(parts[i].text, faces, bold) ?? boxes(faces)) : file);
  }
  return out;
}

const SPACE = /^\s/;
const LETTER = /\p{L}/u;
const boxes = (faces: Faces) => faces.resolve(BOX_FILE);

/** The first stand-in that has all of a text; each is asked for when it may have it and is not here yet. */
function standInFor(text: string, faces: Faces, bold: boolean): string | null {
  for (const wanted of standInsFor(text, bold)) {
    const file = faces.resolve(wanted);
    if (file === wanted && faces.covers(file, text)) return file;
  }
  return null;
}

/** What of a text no face has, each once; it is drawn as boxes. Only when all that was asked for is here. */
export function undrawn(text: string, style: Pick<FullStyle, 'font' | 'bold' | 'italic'>, faces: Faces): string[] {
  const out = new Set<string>();
  const own = faces.resolve(fileFor(style.font, style.bold, style.italic));
  for (const part of byFace(text, own, faces, true, style.bold)) {
    const glyphs = faces.shape(part.file, part.text);
    glyphs.forEach(({ id, cluster }, i) => {
      if (id !== 0) return;
      const next = glyphs.slice(i + 1).find((glyph) => glyph.cluster > cluster)?.cluster;
      out.add(part.text.slice(cluster, next));
    });
  }
  return [...out];
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

  const used = [...new Set(clusters.map((cluster) => sources[cluster.piece]))];
  const measured = used.length > 0 ? used : [set.empty];
  let [ascent, descent, gap] = [0, 0, 0];
  for (const { style, size } of measured) {
    const m = set.faces.metrics(fileFor(style.font, style.bold, style.italic));
    ascent = Math.max(ascent, (m.ascent / m.unitsPerEm) * size);
    descent = Math.max(descent, (m.descent / m.unitsPerEm) * size);
    gap = Math.max(gap, (m.lineGap / m.unitsPerEm) * size);
  }
  const height = (ascent + descent + gap) * set.format.lineSpacing;
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
