import { tidyRuns } from '../../core/text/body';
import { plain } from '../../core/schema/defaults';
import type { TextBody, Paragraph, ParagraphFormat, Run, RunStyle } from '../../core/schema/sheet';

/**
 * Text from elsewhere. Paragraphs, lists with their levels, bold, italic, underline, superscript and subscript stay; everything
 * else is dropped. What is pasted is only read, never put into the page.
 */

/** Block elements, and elements that show nothing. */
export const BLOCKS = new Set([
  'P',
  'DIV',
  'H1',
  'H2',
  'H3',
  'H4',
  'H5',
  'H6',
  'LI',
  'TR',
  'BLOCKQUOTE',
  'PRE',
  'SECTION',
  'ARTICLE',
  'DT',
  'DD',
  'FIGCAPTION',
]);
export const UNSEEN = new Set([
  'STYLE',
  'SCRIPT',
  'HEAD',
  'TITLE',
  'META',
  'TEMPLATE',
  'NOSCRIPT',
  'SVG',
  'OBJECT',
  'IFRAME',
]);
/** Nothing nested deeper than this was written by a person. */
export const DEEPEST = 60;

type State = { style: RunStyle; format: ParagraphFormat; pre: boolean };

function styleOf(element: Element, style: RunStyle): RunStyle {
  const next = { ...style };
  const { fontWeight, fontStyle, textDecorationLine, textDecoration, verticalAlign } =
    (element as HTMLElement).style ?? {};
  const tag = element.tagName;
  if (tag === 'B' || tag === 'STRONG' || /^H[1-6]$/.test(tag)) next.bold = true;
  if (tag === 'I' || tag === 'EM' || tag === 'CITE') next.italic = true;
  if (tag === 'U' || tag === 'INS') next.underline = true;
  if (tag === 'SUP') next.script = 'super';
  if (tag === 'SUB') next.script = 'sub';
  if (fontWeight) {
    if (fontWeight === 'bold' || Number(fontWeight) >= 600) next.bold = true;
    else delete next.bold;
  }
  if (fontStyle === 'italic' || fontStyle === 'oblique') next.italic = true;
  if (verticalAlign === 'super' || verticalAlign === 'sub') next.script = verticalAlign;
  if (verticalAlign === 'baseline') delete next.script;
  if (fontStyle === 'normal') delete next.italic;
  if (/underline/.test(textDecorationLine || textDecoration || '') && tag !== 'A') next.underline = true;
  return next;
}

/** The words of a piece of HTML, or null when it holds none. */
export function bodyFromHtml(html: string): TextBody | null {
  const { body } = new DOMParser().parseFromString(html, 'text/html');
  const paragraphs: Paragraph[] = [];
  let runs: Run[] = [];
  let format: ParagraphFormat = {};
  const end = () => {
    const tidy = trimmed(runs);
    if (tidy.length > 0) paragraphs.push({ format, runs: tidy });
    runs = [];
  };
  const walk = (node: Node, state: State, depth: number) => {
    if (depth > DEEPEST || paragraphs.length > 4900) return;
    if (node.nodeType === Node.TEXT_NODE) {
      const words = state.pre ? (node.textContent ?? '') : (node.textContent ?? '').replace(/[ \t\r\n]+/g, ' ');
      words.split(/\r\n|\r|\n/).forEach((line, i) => {
        if (i > 0) end();
        if (line) {
          if (runs.length === 0) format = state.format;
          runs.push({ text: line.replace(/\u00a0/g, ' '), style: state.style });
        }
      });
      return;
    }
    if (!(node instanceof Element) || UNSEEN.has(node.tagName.toUpperCase())) return;
    const tag = node.tagName;
    if (tag === 'BR') return end();
    const inner: State = { style: styleOf(node, state.style), format: state.format, pre: state.pre || tag === 'PRE' };
    if (tag === 'UL' || tag === 'OL') {
      end();
      const level = state.format.list ? Math.min(5, (state.format.level ?? 0) + 1) : 0;
      const list = tag === 'UL' ? 'bullet' : /^[a-z]$/i.test(node.getAttribute('type') ?? '') ? 'letter' : 'number';
      inner.format = { list, ...(level > 0 && { level }) };
    }
    const block = BLOCKS.has(tag);
    if (block) end();
    for (const child of node.childNodes) walk(child, inner, depth + 1);
    if (block || tag === 'UL' || tag === 'OL') end();
    else if (tag === 'TD' || tag === 'TH') runs.push({ text: ' ', style: state.style });
  };
  walk(body, { style: {}, format: {}, pre: false }, 0);
  end();
  return paragraphs.length > 0 ? paragraphs : null;
}

/** Without the spaces at its ends, and with adjacent runs of one style joined. */
function trimmed(runs: readonly Run[]): Run[] {
  const tidy = tidyRuns(runs);
  if (tidy.length === 0) return tidy;
  const out = tidy.map((run, i) => ({
    ...run,
    text: i > 0 && tidy[i - 1].text.endsWith(' ') ? run.text.replace(/^ +/, '') : run.text,
  }));
  out[0] = { ...out[0], text: out[0].text.replace(/^ +/, '') };
  out[out.length - 1] = { ...out[out.length - 1], text: out[out.length - 1].text.replace(/ +$/, '') };
  return tidyRuns(out);
}

const MARKER = /^(\s*)(?:([•◦▪‣*–-])|(\d{1,3})[.)]|([a-z])[.)])\s+/i;

/** Plain text with its paragraphs. Lines that begin like a list become a list. */
export function bodyFromWords(words: string): TextBody {
  const lines = words.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  const marked = lines.filter((line) => MARKER.test(line)).length;
  // A single line that begins with a dash is no list.
  if (marked < 2) return plain(lines.join('\n'));
  return lines.map((line) => {
    const found = MARKER.exec(line);
    if (!found) return { format: {}, runs: line ? [{ text: line, style: {} }] : [] };
    const level = Math.min(5, Math.floor(found[1].replace(/\t/g, '    ').length / 2));
    const list = found[2] ? 'bullet' : found[3] ? 'number' : 'letter';
    const text = line.slice(found[0].length);
    return { format: { list, ...(level > 0 && { level }) }, runs: text ? [{ text, style: {} }] : [] };
  });
}

/** The text on the clipboard, as a body. Null where there is none. */
export function bodyFrom(data: DataTransfer): TextBody | null {
  const html = data.getData('text/html');
  const words = data.getData('text/plain');
  const rich = html ? bodyFromHtml(html) : null;
  return rich ?? (words.trim() ? bodyFromWords(words) : null);
}
