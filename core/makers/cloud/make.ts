import { flatten } from '../../geometry/flatten';
import { seeded } from '../../values/random';
import { text } from '../../schema/defaults';
import type { TextItem } from '../../schema/sheet';
import { fileFor } from '../../text/catalogue';
import type { Faces } from '../../text/faces';
import { layOut } from '../../text/fit';
import { roleOf } from '../../text/style';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { styled, tidied } from '../kit/measure';
import { shuffled } from '../kit/shuffle';
import { MOST_PLACED, placeWords, standing } from './place';
import type { Angles, CloudRecipe } from '../../schema/recipes/cloud';
import { areaOf } from './silhouette';

/** Cells along the longer side of the frame: a point or so on a page. */
const CELLS = 480;
/** Words are measured at this size in points. */
const MEASURED = 100;
/** Phrases longer than this stand in lines, where they may. */
const LONG = 16;

/** A phrase in two lines that differ as little as can be. */
function inLines(phrase: string): string {
  const words = phrase.split(' ');
  if (phrase.length <= LONG || words.length < 2) return phrase;
  let best = phrase;
  let least = Infinity;
  for (let i = 1; i < words.length; i++) {
    const [one, two] = [words.slice(0, i).join(' '), words.slice(i).join(' ')];
    const longer = Math.max(one.length, two.length);
    if (longer < least) [best, least] = [`${one}\n${two}`, longer];
  }
  return best;
}

/** Corners this near to the way between their neighbours, in ems, are left out. */
const STRAIGHT = 0.003;

/** A ring with fewer corners: runs of them that lie on a line are one edge. */
function thinned(ring: Float64Array): Float64Array {
  const out: number[] = [ring[0], ring[1]];
  let from = 0;
  for (let i = 4; i < ring.length; i += 2) {
    const [ax, ay] = [ring[from], ring[from + 1]];
    const [bx, by] = [ring[i] - ax, ring[i + 1] - ay];
    const length = Math.hypot(bx, by) || 1;
    for (let k = from + 2; k < i; k += 2)
      if (Math.abs(bx * (ring[k + 1] - ay) - by * (ring[k] - ax)) / length > STRAIGHT) {
        from = i - 2;
        out.push(ring[from], ring[from + 1]);
        break;
      }
  }
  out.push(ring[ring.length - 2], ring[ring.length - 1]);
  return Float64Array.from(out);
}

type WordStyle = { font: string; bold: boolean };
type Set = { said: string; style: WordStyle; width: number; height: number; chains: Float64Array[] };

/** Words as they were set before, by faces and role: at an edit of a cloud most of its words are the same. */
const known = new WeakMap<Faces, Map<string, Set>>();
/** So many are kept. */
const KEPT = 1200;

/** Sets words; the outlines of letters are computed once for all of them. */
class Setter {
  private letters = new Map<string, Float64Array[]>();
  private role: string;
  private before: Map<string, Set>;
  constructor(private kit: Kit) {
    this.role = JSON.stringify(roleOf(kit, 'label'));
    this.before = known.get(kit.faces) ?? new Map<string, Set>();
    known.set(kit.faces, this.before);
  }

  /** A glyph's outline at a size of 1, its origin at 0, 0. */
  private outline(file: string, id: number): Float64Array[] {
    const key = `${file} ${id}`;
    let rings = this.letters.get(key);
    if (!rings) {
      const path = this.kit.faces.placed(file, id, MEASURED * 10, [1, 0, 0, 1], { x: 0, y: 0 });
      rings = flatten(path).rings.map((ring) => thinned(ring.map((value) => value / (MEASURED * 10))));
      this.letters.set(key, rings);
    }
    return rings;
  }

  /** A word as it will stand: its box at MEASURED points, and its glyphs at a size of 1 around the middle of that box. */
  set(said: string, style: WordStyle): Set {
    const wanted = fileFor(style.font, style.bold, false);
    const key = `${wanted} ${this.role} ${said}`;
    const had = this.before.get(key);
    if (had) return had;
    const made = this.made(said, style);
    // Not kept when set in a stand-in face: the right one is still loading.
    if (made.files.every((file) => file === wanted)) {
      if (this.before.size >= KEPT) this.before.clear();
      this.before.set(key, made.set);
    }
    return made.set;
  }

  private made(said: string, style: WordStyle): { set: Set; files: string[] } {
    const box = { width: 100_000, height: 0, padding: 0, vertical: 'top' as const, fit: 'keep' as const };
    const body = styled(said, { ...style, size: MEASURED }, 'left');
    const { lines, height } = layOut(body, roleOf(this.kit, 'label'), box, this.kit.faces);
    const width = Math.max(1, ...lines.map((line) => line.width));
    const chains: Float64Array[] = [];
    for (const line of lines)
      for (const piece of line.pieces)
        for (const { id, x, dy } of piece.glyphs) {
          const across = (piece.x + x - line.width / 2) / MEASURED;
          const down = (line.baseline + dy - height / 2) / MEASURED;
          for (const ring of this.outline(piece.file, id))
            chains.push(ring.map((value, i) => value + (i % 2 === 0 ? across : down)));
        }
    const files = lines.flatMap(({ pieces }) => pieces.map(({ file }) => file));
    return { set: { said, style, width, height, chains }, files };
  }
}

/** The angles a word may take, the wanted first. */
function anglesOf(angles: Angles, random: () => number): number[] {
  if (angles === 'level') return [0];
  if (angles === 'crossed') return random() < 0.62 ? [0, -90] : [-90, 0];
  const most = angles === 'slight' ? 18 : 90;
  const any = () => Math.round((random() * 2 - 1) * most);
  return [any(), any(), any()];
}

/** The names of parts: by what the words are, so that a word keeps its looks in another place of the list. */
function partsOf(words: readonly { text: string }[]): string[] {
  const used = new Map<string, number>();
  return words.map(({ text: said }) => {
    // FNV-1a (G. Fowler, L. Noll, K.-P. Vo 1991).
    let hash = 0x811c9dc5;
    for (const unit of said.trim().toLowerCase()) hash = Math.imul(hash ^ unit.codePointAt(0)!, 0x01000193) >>> 0;
    const name = `w${hash.toString(36)}`;
    const n = (used.get(name) ?? 0) + 1;
    used.set(name, n);
    return n === 1 ? name : `${name}-${n}`;
  });
}

const few = (list: readonly string[]): string =>
  list.length <= 4 ? list.map((one) => `“${one}”`).join(', ') : `${few(list.slice(0, 3))} and ${list.length - 3} more`;

export async function makeCloud({ recipe, seed, width, height, hand }: Asked<CloudRecipe>, kit: Kit): Promise<Made> {
  const notes: string[] = [];
  const random = seeded(seed);
  const cell = Math.max(width, height) / CELLS;
  const { area, note } = areaOf(
    recipe.shape,
    Math.max(1, Math.floor(width / cell)),
    Math.max(1, Math.floor(height / cell)),
    kit,
  );
  if (note) notes.push(note);

  const parts = partsOf(recipe.words);
  const words = recipe.words
    .map((word, index) => ({ ...word, index, part: parts[index] }))
    .filter(({ text: said, part }) => said.trim() !== '' && !hand.get(part)?.gone)
    .sort((a, b) => b.weight - a.weight || a.index - b.index);
  const faces = shuffled(recipe.font, random);
  const heaviest = words[0]?.weight ?? 1;
  const setter = new Setter(kit);
  const ready = words
    .map((word, i) => {
      const said = word.text.trim();
      const style = { font: faces[i % faces.length], bold: recipe.bold };
      const set = setter.set(recipe.wrap ? inLines(said) : said, style);
      const due = (word.weight / heaviest) ** (recipe.spread * 0.75);
      return { word, set, entry: { chains: set.chains, due, angles: anglesOf(recipe.angles, random) } };
    })
    .filter(({ set }) => set.chains.length > 0);
  const entries = ready.map(({ entry }) => entry);
  const { placed, left } = await placeWords(entries, {
    area,
    least: recipe.size / cell,
    air: recipe.air,
    repeat: recipe.repeat,
    random,
    rest: kit.rest,
  });

  const colours = shuffled(recipe.colours, random);
  const mixed = placed.map(() => colours[Math.floor(random() * colours.length)]);
  const again = new Map<number, number>();
  const items = placed.map((one, i): TextItem => {
    const { word, set, entry } = ready[one.entry];
    const colour =
      recipe.tint === 'mixed' ? mixed[i] : recipe.colours[Math.min(recipe.colours.length - 1, rank(entry.due, recipe))];
    const repeats = again.get(one.entry) ?? 0;
    again.set(one.entry, repeats + 1);
    const part = one.again ? `${word.part}-r${repeats}` : word.part;
    return itemOf(set, { ...one, ...standing(entries, one) }, part, colour, cell);
  });
  if (words.length === 0) notes.push('There are no words yet. Type some, or take them from a text.');
  else if (left.length > 0)
    notes.push(`${few(left.map((entry) => ready[entry].word.text))} found no room. ${help(recipe)}`);
  if (placed.length >= MOST_PLACED) notes.push(`A cloud holds at most ${MOST_PLACED} words.`);
  return { items, notes };
}

/** Which of the colours a weight has: the first is the heaviest. */
const rank = (due: number, { colours, spread }: CloudRecipe) => {
  const share = spread === 0 ? 1 : due ** (1 / (spread * 0.75));
  return Math.floor((1 - share) * (colours.length - 0.001));
};

function help({ size, angles, shape, wrap, air }: CloudRecipe): string {
  const ways = [
    'make the frame larger',
    ...(size > 6 ? ['let the smallest words be smaller'] : []),
    ...(angles === 'level' ? ['let words stand crossed'] : []),
    ...(shape.kind === 'frame' ? [] : ['take a rounder shape']),
    ...(wrap ? [] : ['let long phrases stand in lines']),
    ...(air > 0.05 ? ['leave less room around words'] : []),
    'take fewer words',
  ];
  const [first, ...others] = ways.slice(0, 3);
  return `${first[0].toUpperCase()}${first.slice(1)}${others.map((way, i) => (i === others.length - 1 ? `, or ${way}` : `, ${way}`)).join('')}.`;
}

type Stand = { x: number; y: number; size: number; angle: number };

function itemOf(set: Set, { x, y, size, angle }: Stand, part: string, colour: string, cell: number): TextItem {
  const points = tidied(size * cell);
  // A little wider than its words, so that rounding never breaks them.
  const width = tidied((set.width * points) / MEASURED + 1);
  const height = tidied((set.height * points) / MEASURED);
  return text({
    id: part,
    role: 'label',
    x: tidied(x * cell - width / 2),
    y: tidied(y * cell - height / 2),
    width,
    height,
    angle: angle < 0 ? angle + 360 : angle,
    padding: 0,
    vertical: 'middle',
    fit: 'keep',
    body: styled(set.said, { ...set.style, size: points, colour }),
  });
}

export const CLOUD: Maker<CloudRecipe> = { kind: 'cloud', make: makeCloud, loose: true };
