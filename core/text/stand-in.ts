import { BOX_FILE, fileFor, standInsFor } from './catalogue';
import type { Faces, ShapedGlyph } from './faces';
import type { FullStyle } from './style';

/** Which face draws what: the one that was chosen, a stand-in for what it lacks, or a box for what no face has. */

/** A character that no face has is drawn as a box, so that its place shows on screen and in print. */
export const boxFor = (file: string, lacking: ShapedGlyph, faces: Faces): ShapedGlyph => {
  const [box] = faces.shape(file, '\u25af');
  return box && box.id !== 0 ? { ...box, cluster: lacking.cluster } : lacking;
};

/** Splits a text into stretches by the file that has their characters: the wanted one, else the first fallback that has. */
export function byFace(
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
  // Left to right, clusters only grow, so one pass tells where each ends and whether it lacks a glyph.
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

/** The first stand-in that has all of a text. Those that may have it are loaded on demand. */
function standInFor(text: string, faces: Faces, bold: boolean): string | null {
  for (const wanted of standInsFor(text, bold)) {
    const file = faces.resolve(wanted);
    if (file === wanted && faces.covers(file, text)) return file;
  }
  return null;
}

/** The characters that no face has, each once, which are drawn as boxes. Known once all faces asked for have loaded. */
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
