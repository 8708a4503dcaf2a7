import { contrast, contrastOf, distance, labOf, luminance, luminanceOf } from '../colour/space';
import { drawPage } from '../items/draw';
import type { Drawing } from '../items/kind';
import type { DisplayNode, GlyphsNode } from '../drawing/list';
import type { Rgb } from '../colour/rgb';
import { paintAt, Sampler } from '../drawing/sampler';
import type { Matrix, Point } from '../geometry/matrix';
import { IDENTITY, multiply, transform } from '../geometry/matrix';
import { runsWithin, bodyLength } from '../text/body';
import { packed } from '../changes/between';
import type { Change } from '../changes/change';
import { apply } from '../changes/change';
import type { Item, Page, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { findOn } from '../sheet/tree';
import { fullStyle, roleOfItem } from '../text/style';

/** Words that can't be read against what really lies behind them, and mends that were tried before they are offered. */

export type Unreadable = {
  item: string;
  /** The worst contrast that was met, and what was needed. */
  worst: number;
  needed: number;
  /** The share of the letters that fail. */
  share: number;
  /** Where the worst is, on the page. */
  at: Point;
  colour: string;
  behind: string;
  /** Items that lie behind the failing words, topmost first. */
  over: string[];
};
export type Mend = { name: string; change: Change };
type Resources = Pick<Drawing, 'faces' | 'pictures'>;

/** A line is thin when it is under this share of the letters' size. */
const THIN = 0.2;

/** Contrast that WCAG 2.2 asks for: less of large words (18 pt, or 14 pt bold). */
export const neededFor = (size: number, bold: boolean) => (size >= 18 || (bold && size >= 14) ? 3 : 4.5);

type Lettered = { item: string; node: GlyphsNode; matrix: Matrix };

function lettersOf(nodes: readonly DisplayNode[], only: ReadonlySet<string> | null): Lettered[] {
  const out: Lettered[] = [];
  const walk = (list: readonly DisplayNode[], matrix: Matrix, item: string | null) => {
    for (const node of list) {
      if (node.kind === 'group')
        walk(node.children, node.matrix ? multiply(matrix, node.matrix) : matrix, node.id ?? item);
      else if (node.kind === 'glyphs' && item !== null && (!only || only.has(item))) out.push({ item, node, matrix });
    }
  };
  walk(nodes, IDENTITY, null);
  return out;
}

/** Two spots of a letter, at the height of small letters, in page coordinates, with the letter's own paint there. */
function* spotsOf({ node, matrix }: Lettered): Generator<{ point: Point; rgb: Rgb }> {
  for (const { x, y, advance, turn = [1, 0, 0, 1] } of node.glyphs) {
    if (advance <= 0) continue;
    for (const [right, up] of [
      [0.3, 0.18],
      [0.7, 0.38],
    ]) {
      const [dx, dy] = [advance * right, -node.size * up];
      const local = { x: node.x + x + turn[0] * dx + turn[2] * dy, y: node.y + y + turn[1] * dx + turn[3] * dy };
      const point = transform(matrix, local);
      yield { point, rgb: paintAt(node.fill, local).rgb };
    }
  }
}

/**
 * The words of a page that fall short anywhere. `only` limits it to some items. Words with an outline of their own are
 * judged by the outline too: either may carry them.
 */
export function unreadable(sheet: Sheet, page: Page, resources: Resources, only?: readonly string[]): Unreadable[] {
  const { nodes } = drawPage(sheet, page, resources);
  const sampler = new Sampler(nodes);
  const found = new Map<string, Unreadable & { failed: number; all: number }>();
  for (const lettered of lettersOf(nodes, only ? new Set(only) : null)) {
    const { item, node } = lettered;
    if (node.text.trim() === '') continue;
    const bold = /bold/i.test(node.file);
    const scale = Math.sqrt(
      Math.abs(lettered.matrix[0] * lettered.matrix[3] - lettered.matrix[1] * lettered.matrix[2]),
    );
    const needed = neededFor(node.size * scale, bold);
    const edge = node.stroke?.paint.kind === 'solid' ? luminanceOf(node.stroke.paint.hex) : null;
    for (const { point, rgb } of spotsOf(lettered)) {
      const behind = sampler.at(point, item, node.size * scale * THIN);
      const ground = luminance(behind.rgb);
      const own = contrast(luminance(rgb), ground);
      const ratio = edge === null ? own : Math.max(own, contrast(edge, ground));
      let entry = found.get(item);
      if (!entry) {
        entry = {
          item,
          worst: Infinity,
          needed,
          share: 0,
          at: point,
          colour: '',
          behind: '',
          over: [],
          failed: 0,
          all: 0,
        };
        found.set(item, entry);
      }
      entry.all++;
      if (ratio < needed) {
        entry.failed++;
        for (const id of behind.items) if (!entry.over.includes(id)) entry.over.push(id);
      }
      if (ratio / needed < entry.worst / entry.needed) {
        Object.assign(entry, { worst: ratio, needed, at: point, behind: behind.hex });
        entry.colour = node.fill.kind === 'solid' ? node.fill.hex : '';
      }
    }
  }
  return [...found.values()].flatMap(({ failed, all, ...entry }) =>
    failed > 0 ? [{ ...entry, worst: Math.round(entry.worst * 100) / 100, share: failed / all }] : [],
  );
}

/** Words of an item in one colour given another. */
function inColour(sheet: Sheet, item: Item, from: string, to: string): Change | null {
  if (!isWritten(item)) return null;
  if (item.kind === 'text' && item.lettering?.fill)
    return {
      kind: 'set',
      id: item.id,
      values: { lettering: { ...item.lettering, fill: { kind: 'solid', colour: to, opacity: 1 } } },
    };
  const role = roleOfItem(sheet, item);
  const changes = runsWithin(item.body, 0, bodyLength(item.body))
    .filter(({ style }) => fullStyle(role, style).colour === from)
    .map((run): Change => ({ kind: 'style', id: item.id, from: run.from, to: run.to, patch: { colour: to } }));
  return changes.length > 0 ? packed(changes) : null;
}

const PLATE = { colour: '#fffefa', opacity: 1, spread: 4, corner: 3 };
/** How many colours of words are offered, and how near to one another (in OKLab) is too near. */
const [COLOURS, ALIKE] = [2, 0.12];
const SOFTER = [0.35, 0.55, 0.75, 0.88];

/** Up to four mends of a finding (two colours, a plate, softer pictures), each of which was tried and leaves nothing of it. */
export function mendsFor(sheet: Sheet, page: Page, finding: Unreadable, resources: Resources): Mend[] {
  const item = findOn(page, finding.item)?.item;
  if (!item || !isWritten(item)) return [];
  const works = (change: Change) => {
    const result = apply(sheet, change);
    if (!result.ok) return false;
    const after = result.sheet.pages.find((p) => p.id === page.id)!;
    return unreadable(result.sheet, after, resources, [item.id]).length === 0;
  };
  const out: Mend[] = [];
  const offer = (name: string, change: Change | null) => {
    if (change && works(change)) out.push({ name, change });
    return out.length > 0 && out[out.length - 1].change === change;
  };

  // Another colour: of those that work, the one nearest to what was there is seen first.
  const colours = [...new Set([...sheet.palette, '#1d1b16', '#ffffff'])]
    .filter((hex) => hex !== finding.colour && contrastOf(hex, finding.behind) >= finding.needed)
    .sort((a, b) => contrastOf(b, finding.behind) - contrastOf(a, finding.behind));
  const offered: string[] = [];
  for (const hex of colours) {
    if (offered.length === COLOURS) break;
    // Two that look alike are one choice.
    if (offered.some((other) => distance(labOf(other), labOf(hex)) < ALIKE)) continue;
    if (offer(`words in ${hex}`, inColour(sheet, item, finding.colour, hex))) offered.push(hex);
  }

  if (item.kind === 'text') {
    const plates = [...new Set([...sheet.palette, '#fffefa', '#1d1b16'])]
      .filter((hex) => finding.colour && contrastOf(hex, finding.colour) >= finding.needed)
      .sort(
        (a, b) =>
          Math.abs(luminanceOf(b) - luminanceOf(finding.colour)) -
          Math.abs(luminanceOf(a) - luminanceOf(finding.colour)),
      );
    for (const colour of plates)
      if (
        offer('a plate behind the words', {
          kind: 'set',
          id: item.id,
          values: { plate: { ...PLATE, colour } },
        })
      )
        break;
  }

  const pictures = finding.over.flatMap((id) => {
    const under = findOn(page, id)?.item;
    return under?.kind === 'picture' ? [under] : [];
  });
  if (pictures.length > 0)
    for (const soften of SOFTER) {
      const softer = pictures.filter((under) => under.soften < soften);
      if (softer.length === 0) continue;
      const change = packed(softer.map(({ id }): Change => ({ kind: 'set', id, values: { soften } })));
      if (offer(pictures.length > 1 ? 'softer pictures' : 'a softer picture', change)) break;
    }
  // Where no one thing helps, words and ground together always do.
  if (out.length === 0) {
    const ground =
      item.kind === 'text' ? { plate: PLATE } : { fill: { kind: 'solid', colour: PLATE.colour, opacity: 1 } };
    const dark = inColour(sheet, item, finding.colour, '#1d1b16');
    const light: Change = { kind: 'set', id: item.id, values: ground };
    offer('dark words on a light background', packed(dark ? [dark, light] : [light]));
  }
  return out;
}
