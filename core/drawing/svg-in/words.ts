import { FALLBACK, fileFor, standInsFor } from '../../text/catalogue';
import type { Faces } from '../../text/faces';
import { hundredths } from '../../values/hundredths';
import type { rulesOf, Style } from './style';
import { lengthOf, numbersOf, styleOf } from './style';
import type { SvgElement } from './tree';

/** The words of an SVG, as outlines of the nearest of our faces. */

type Line = { d: string; style: Style };

const isBold = (weight: string | undefined) => weight === 'bold' || weight === 'bolder' || Number(weight) >= 600;

/** Where the next letter goes, and what has been set since the last given place. */
type Pen = { x: number; y: number; set: { text: string; style: Style; x: number; y: number; width: number }[] };

/** @param leaveOut is told what could not be taken */
export function letters(
  element: SvgElement,
  style: Style,
  faces: Faces,
  rules: ReturnType<typeof rulesOf>,
  leaveOut: (what: string) => void,
): Line[] {
  const out: Line[] = [];
  const pen: Pen = { x: 0, y: 0, set: [] };

  const flush = () => {
    const [first] = pen.set;
    if (!first) return;
    const last = pen.set.at(-1)!;
    const width = last.x + last.width - first.x;
    const anchor = first.style['text-anchor'];
    const shift = anchor === 'middle' ? -width / 2 : anchor === 'end' ? -width : 0;
    for (const { text, style: own, x, y } of pen.set)
      out.push({ d: outline(text, own, x + shift, y, faces), style: own });
    pen.set = [];
  };

  const walk = (node: SvgElement, own: Style) => {
    const em = lengthOf(own['font-size'], 16, 16);
    const at = (name: string) => numbersOf(node.attributes[name] ?? '')[0];
    if (at('x') !== undefined || at('y') !== undefined) {
      flush();
      pen.x = at('x') ?? pen.x;
      pen.y = at('y') ?? pen.y;
    }
    pen.x += lengthOf(node.attributes.dx?.split(/[\s,]+/)[0], 0, 0, em);
    pen.y += lengthOf(node.attributes.dy?.split(/[\s,]+/)[0], 0, 0, em);
    for (const child of node.children) {
      if (typeof child !== 'string') {
        if (child.name === 'tspan' || child.name === 'a') walk(child, styleOf(child, own, rules));
        else if (child.name === 'textPath') leaveOut('words along a line');
        continue;
      }
      const before = pen.set.at(-1)?.text;
      const words = child.replace(/\s+/g, ' ');
      const text = before === undefined || before.endsWith(' ') ? words.trimStart() : words;
      if (text === '') continue;
      leaveOut(`its typeface (words are set in ${FALLBACK.name})`);
      const width = advance(text, own, faces);
      pen.set.push({ text, style: own, x: pen.x, y: pen.y, width });
      pen.x += width;
    }
  };
  walk(element, style);
  flush();
  return out.filter(({ d }) => d !== '');
}

const sizeOf = (style: Style) => lengthOf(style['font-size'], 16, 16);

/** Letters that our face lacks come from one that has them. */
function* runs(text: string, style: Style, faces: Faces): Generator<{ file: string; text: string }> {
  const own = fileFor(FALLBACK.id, isBold(style['font-weight']), /italic|oblique/.test(style['font-style'] ?? ''));
  const base = faces.has(own) ? own : fileFor(FALLBACK.id, false, false);
  let run: { file: string; text: string } = { file: base, text: '' };
  for (const letter of text) {
    const file =
      [base, ...standInsFor(letter, isBold(style['font-weight']))].find(
        (one) => faces.has(one) && faces.covers(one, letter),
      ) ?? base;
    if (run.file === file) run.text += letter;
    else {
      if (run.text) yield run;
      run = { file, text: letter };
    }
  }
  if (run.text) yield run;
}

function advance(text: string, style: Style, faces: Faces): number {
  let width = 0;
  for (const { file, text: part } of runs(text, style, faces)) {
    const unit = sizeOf(style) / faces.metrics(file).unitsPerEm;
    for (const glyph of faces.shape(file, part)) width += glyph.advance * unit;
  }
  return width;
}

function outline(text: string, style: Style, left: number, y: number, faces: Faces): string {
  const size = sizeOf(style);
  let [x, d] = [left, ''];
  for (const { file, text: part } of runs(text, style, faces)) {
    const unit = size / faces.metrics(file).unitsPerEm;
    for (const glyph of faces.shape(file, part)) {
      const drawn = faces.outline(file, glyph.id, size);
      if (drawn) d += `M${hundredths(x + glyph.dx * unit)} ${hundredths(y - glyph.dy * unit)}${drawn}`;
      x += glyph.advance * unit;
    }
  }
  return d;
}
