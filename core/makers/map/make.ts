import { around, overlaps } from '../../geometry/box';
import type { Box } from '../../geometry/matrix';
import type { ShapeName } from '../../geometry/outline';
import { shapeInside } from '../../geometry/outline';
import { bodyText } from '../../sheet/body';
import { line, picture, shape, solid, text } from '../../sheet/make';
import type { Cap, Item } from '../../sheet/schema';
import { isWritten } from '../../sheet/schema';
import type { Asked, Kit, Made, Maker } from '../maker';
import { sizeOfWords, styled, tidied } from '../measure';
import { LAYOUTS } from './layouts';
import type { Placed } from './links';
import { wayOf, wordsOn } from './links';
import { network } from './network';
import { withoutNodes } from './outline';
import type { MapRecipe, NodeLook } from './recipe';
import type { Branch, Laid, LaidLink } from './tree';
import { boxAt, branchesOf, everyBranch } from './tree';

/** From a map's recipe to its items. Parts: n- nodes, p- pictures, l- links of the outline, x- links across, w- and y- words. */

const LEAST_WORDS = 6;
const SHAPE: Record<NodeLook['shape'], ShapeName> = {
  rectangle: 'rectangle',
  pill: 'pill',
  ellipse: 'ellipse',
  hexagon: 'hexagon',
  cloud: 'cloud',
  plain: 'rectangle',
};
const ADJUST: Partial<Record<NodeLook['shape'], number[]>> = { rectangle: [0.18] };

export const lookAt = (recipe: MapRecipe, depth: number): NodeLook =>
  recipe.looks[Math.max(0, Math.min(depth, recipe.looks.length - 1))];

const capsOf = (arrows: MapRecipe['arrows']): { startCap: Cap; endCap: Cap } => ({
  startCap: arrows === 'back' || arrows === 'both' ? 'arrow' : 'none',
  endCap: arrows === 'forward' || arrows === 'both' ? 'arrow' : 'none',
});

/** The size of a shape whose inside holds words of a size. */
function around_(look: NodeLook, width: number, height: number): { width: number; height: number } {
  let [w, h] = [width, height];
  for (let step = 0; step < 14; step++) {
    const inside = shapeInside(SHAPE[look.shape], w, h, ADJUST[look.shape] ?? []);
    const [dw, dh] = [width - inside.width, height - inside.height];
    if (dw < 0.1 && dh < 0.1) break;
    w += Math.max(0, dw);
    h += Math.max(0, dh);
  }
  return { width: w, height: h };
}

type Measured = { shape: { width: number; height: number }; picture: number };

class Draft {
  readonly gaps;
  readonly measured = new Map<string, Measured>();
  readonly roots: Branch[];

  /** `scale` is what all words and gaps are multiplied by. */
  constructor(
    readonly recipe: MapRecipe,
    readonly scale: number,
    readonly kit: Kit,
  ) {
    const em = recipe.size * scale;
    this.gaps = { near: em * 1.1, level: em * 2.6 };
    this.roots = branchesOf(recipe.nodes, (node, depth) => {
      const look = lookAt(recipe, depth);
      const size = em * look.scale;
      const words = sizeOfWords(node.text || ' ', { size, bold: look.bold }, 'label', size * 11, kit);
      const pad = look.shape === 'plain' ? size * 0.15 : size * 0.45;
      const box = around_(look, words.width + 2 * pad + 0.5, words.height + 2 * pad * 0.7);
      const side = node.picture ? Math.max(box.height, size * 2.6) : 0;
      this.measured.set(node.id, { shape: box, picture: side });
      const beside = side > 0 ? side + size * 0.3 : 0;
      return {
        // Under a node that stands in the middle of its box, lines run straight down.
        width: box.width + (recipe.layout === 'down' ? 2 * beside : beside),
        height: Math.max(box.height, side),
        link: this.wordsSize(node.link),
      };
    });
  }

  wordsSize(words: string) {
    if (!words) return { width: 0, height: 0 };
    const size = this.wordsAt;
    const { width, height } = sizeOfWords(words, { size, italic: true }, 'label', size * 9, this.kit);
    return { width: width + size * 0.6, height: height + size * 0.2 };
  }
  get wordsAt() {
    return Math.max(5, this.recipe.size * this.scale * 0.82);
  }

  laid(shape: number): Laid | Promise<Laid> {
    const { layout, links } = this.recipe;
    return layout === 'network'
      ? network(this.roots, links, this.gaps, shape)
      : LAYOUTS[layout](this.roots, this.gaps, shape);
  }
}

/** All boxes of a laid map, in its own coordinates. */
function boxesOf(draft: Draft, laid: Laid): Map<string, Box> {
  const out = new Map<string, Box>();
  for (const branch of everyBranch(draft.roots)) {
    const at = laid.at.get(branch.node.id);
    if (at) out.set(branch.node.id, laid.boxes?.get(branch.node.id) ?? boxAt(branch, at));
  }
  return out;
}

/**
 * Words and gaps as large as asked, or smaller until the map fits; then spread over the frame where there is room left.
 * The largest that fits is looked for by halving, since a map does not shrink evenly when words wrap.
 */
async function fitted(
  asked: Asked<MapRecipe>,
  kit: Kit,
): Promise<{ draft: Draft; laid: Laid; boxes: Map<string, Box>; fits: boolean }> {
  const { recipe, width, height } = asked;
  const attempt = async (scale: number) => {
    const draft = new Draft(recipe, scale, kit);
    const laid = await draft.laid(width / height);
    const boxes = boxesOf(draft, laid);
    const all = around(
      boxes.size > 0
        ? [...boxes.values()].flatMap((b) => [b, { x: b.x + b.width, y: b.y + b.height }])
        : [{ x: 0, y: 0 }],
    );
    return { draft, laid, boxes, all, fits: all.width <= width + 0.01 && all.height <= height + 0.01 };
  };
  let best = await attempt(1);
  if (best.fits) return best;
  const smallest = Math.min(1, LEAST_WORDS / (recipe.size * Math.min(...recipe.looks.map((look) => look.scale))));
  let [low, high] = [
    smallest,
    Math.min(1, Math.max(smallest, Math.max(width / best.all.width, height / best.all.height))),
  ];
  const guess = await attempt(Math.max(smallest, Math.min(width / best.all.width, height / best.all.height)));
  if (guess.fits) {
    best = guess;
    low = guess.draft.scale;
  } else best = await attempt(smallest);
  if (!best.fits) return best;
  for (let step = 0; step < (recipe.layout === 'network' ? 3 : 6) && high - low > 0.02; step++) {
    const next = await attempt((low + high) / 2);
    if (next.fits) {
      best = next;
      low = next.draft.scale;
    } else high = next.draft.scale;
  }
  return best;
}

/** Where all goes in the frame: in its middle, and spread up to half as far again where there is room. */
function spreadIn(asked: Asked<MapRecipe>, laid: Laid, boxes: Map<string, Box>): (box: Box) => Box {
  const list = [...boxes.values()];
  /** The most that middles can be drawn apart in one direction, up to half as far again, before something leaves the frame. */
  const stretch = (room: number, middle: (box: Box) => number, size: (box: Box) => number) => {
    const extent = (by: number) => {
      const ends = list.map((box) => [middle(box) * by - size(box) / 2, middle(box) * by + size(box) / 2]);
      return Math.max(...ends.map(([, end]) => end)) - Math.min(...ends.map(([start]) => start));
    };
    if (laid.boxes || extent(1) > room) return 1;
    let [low, high] = [1, 1.5];
    if (extent(high) <= room) return high;
    for (let step = 0; step < 12; step++) {
      const by = (low + high) / 2;
      if (extent(by) <= room) low = by;
      else high = by;
    }
    return low;
  };
  const sx = stretch(
    asked.width,
    (box) => box.x + box.width / 2,
    (box) => box.width,
  );
  const sy = stretch(
    asked.height,
    (box) => box.y + box.height / 2,
    (box) => box.height,
  );
  const moved = (box: Box): Box => ({
    ...box,
    x: (box.x + box.width / 2) * sx - box.width / 2,
    y: (box.y + box.height / 2) * sy - box.height / 2,
  });
  const after = around(list.map(moved).flatMap((b) => [b, { x: b.x + b.width, y: b.y + b.height }]));
  const [dx, dy] = [(asked.width - after.width) / 2 - after.x, (asked.height - after.height) / 2 - after.y];
  return (box) => {
    const to = moved(box);
    return { ...to, x: tidied(to.x + dx), y: tidied(to.y + dy) };
  };
}

export async function makeMap(asked: Asked<MapRecipe>, kit: Kit): Promise<Made> {
  const { recipe, hand } = asked;
  if (recipe.nodes.length === 0)
    return { items: [], notes: ['The outline is empty: write its first line, and the map appears.'] };
  const { draft, laid, boxes, fits } = await fitted(asked, kit);
  const place = spreadIn(asked, laid, boxes);
  const em = recipe.size * draft.scale;
  const nodes: Item[] = [];
  const pictures: Item[] = [];
  /** As they stand after what was moved by hand: links go by these. */
  const placed = new Map<string, Placed>();
  const beside = new Map<string, Box>();
  for (const { node, depth } of everyBranch(draft.roots)) {
    const laidBox = boxes.get(node.id);
    if (!laidBox) continue;
    const box = place(laidBox);
    const look = lookAt(recipe, depth);
    const { shape: own, picture: side } = draft.measured.get(node.id)!;
    const holds = laid.boxes?.has(node.id) ?? false;
    const left = box.x + (side > 0 ? side + em * look.scale * 0.3 : 0);
    const frame = holds
      ? box
      : { x: left, y: box.y + (box.height - own.height) / 2, width: own.width, height: own.height };
    const at = {
      x: tidied(frame.x),
      y: tidied(frame.y),
      width: tidied(frame.width),
      height: tidied(frame.height),
    };
    const filled = look.shape === 'plain' ? null : look.fill;
    nodes.push(
      shape({
        id: `n-${node.id}`,
        ...at,
        shape: holds ? 'rectangle' : SHAPE[look.shape],
        adjust: holds ? [0.06] : (ADJUST[look.shape] ?? []),
        fill: filled ? solid(filled) : null,
        outline:
          look.shape === 'plain' || !look.edge
            ? null
            : { colour: look.edge, width: tidied(Math.max(0.6, em * 0.1)), dash: 'solid' },
        vertical: holds ? 'top' : 'middle',
        padding: tidied(holds ? em * 0.3 : 0),
        body: styled(node.text, { size: tidied(em * look.scale), bold: look.bold, colour: look.colour }),
      }),
    );
    const { dx = 0, dy = 0 } = hand.get(`n-${node.id}`) ?? {};
    if (side > 0 && !holds) {
      const frame = {
        x: tidied(box.x + dx),
        y: tidied(box.y + (box.height - side) / 2 + dy),
        width: tidied(side),
        height: tidied(side),
      };
      beside.set(node.id, frame);
      pictures.push(picture({ id: `p-${node.id}`, picture: node.picture!, ...frame }));
    }
    placed.set(node.id, { ...at, x: at.x + dx, y: at.y + dy, round: look.shape === 'ellipse' && !holds });
  }
  const shown = (id: string) => {
    const done = hand.get(`n-${id}`);
    return placed.has(id) && !done?.hidden && !done?.gone;
  };
  const lines: Item[] = [];
  const words: Item[] = [];
  const wordBoxes: Box[] = [];
  const link = (part: string, wordsPart: string, of: LaidLink, said: string, arrows: MapRecipe['arrows']) => {
    if (!shown(of.from) || !shown(of.to)) return;
    const [from, to] = [placed.get(of.from)!, placed.get(of.to)!];
    const others = [...placed, ...beside]
      .filter(([id]) => id !== of.from && id !== of.to && shown(id) && !laid.boxes?.has(id))
      .map(([, box]) => box);
    // What was moved by hand may stand on another side now.
    const moved = hand.has(`n-${of.from}`) || hand.has(`n-${of.to}`);
    const sides = moved ? undefined : of.sides;
    const kind = of.bracket ? 'stepped' : recipe.route;
    // The step nearer to what many links leave from, so that words have room at the other end.
    const bend = kind === 'stepped' && of.sides ? 0.3 : 0.5;
    const { via, points } = wayOf(from, to, sides, kind, bend, others);
    const end = (id: string, box: Box, side: 'top' | 'right' | 'bottom' | 'left' | null) => ({
      x: tidied(box.x + box.width / 2),
      y: tidied(box.y + box.height / 2),
      item: `n-${id}`,
      target: null,
      side,
    });
    lines.push(
      line({
        id: part,
        from: end(of.from, from, sides?.[0] ?? null),
        to: end(of.to, to, sides?.[1] ?? null),
        via: via.map(({ x, y }) => ({ x: tidied(x), y: tidied(y) })),
        route: kind,
        bend,
        outline: { colour: recipe.edge, width: tidied(Math.max(0.6, em * 0.1)), dash: 'solid' },
        ...capsOf(of.forward && (arrows === 'none' || arrows === 'back') ? 'forward' : arrows),
      }),
    );
    if (!said) return;
    const box = wordsOn(points, draft.wordsSize(said), [...placed.values(), ...beside.values()], wordBoxes);
    wordBoxes.push(box);
    words.push(
      text({
        id: wordsPart,
        role: 'label',
        x: tidied(box.x),
        y: tidied(box.y),
        width: tidied(box.width),
        height: tidied(box.height),
        padding: 0,
        vertical: 'middle',
        fit: 'keep',
        plate: { colour: '#ffffff', opacity: 0.85, spread: tidied(em * 0.16), corner: tidied(em * 0.25) },
        body: styled(said, { size: tidied(draft.wordsAt), italic: true }),
      }),
    );
  };
  const byId = new Map(recipe.nodes.map((node) => [node.id, node]));
  const laidLinks: LaidLink[] =
    laid.links ?? recipe.nodes.flatMap(({ id, parent }) => (parent === null ? [] : [{ of: id, from: parent, to: id }]));
  for (const of of laidLinks) link(`l-${of.of}`, `w-${of.of}`, of, byId.get(of.of)!.link, recipe.arrows);
  for (const { id, from, to, words: said, arrow } of recipe.links)
    link(`x-${id}`, `y-${id}`, { of: id, from, to }, said, arrow);

  const notes: string[] = [];
  if (!fits)
    notes.push(
      'The map is larger than its frame, even with the smallest words. Pull the frame larger, shorten the outline, or make two maps of it.',
    );
  const covered = wordBoxes.filter((box) =>
    [...placed].some(([id, node]) => !laid.boxes?.has(id) && overlaps(box, node)),
  ).length;
  if (covered > 0)
    notes.push(
      covered === 1
        ? 'The words of one link have no room of their own. A larger frame would give it to them.'
        : `The words of ${covered} links have no room of their own. A larger frame would give it to them.`,
    );
  // What holds others lies behind them; links lie behind nodes, words and pictures before all.
  return { items: [...words, ...pictures, ...nodes.toReversed(), ...lines], notes };
}

/** Words typed into nodes and links, nodes and links that were taken away. */
export function absorbMap(recipe: MapRecipe, parts: ReadonlyMap<string, Item>, made: readonly string[]): MapRecipe {
  const saidBy = (part: string): string | null => {
    const item = parts.get(part);
    return item && isWritten(item) ? bodyText(item.body).replace(/\s*\n\s*/g, ' ') : null;
  };
  const wasMade = new Set(made);
  const gone = (part: string) => wasMade.has(part) && !parts.has(part);
  let next = recipe;
  const nodes = recipe.nodes.map((node) => {
    const words = (saidBy(`n-${node.id}`) ?? node.text).slice(0, 300);
    const link = (gone(`w-${node.id}`) ? '' : (saidBy(`w-${node.id}`) ?? node.link)).slice(0, 120);
    const item = parts.get(`p-${node.id}`);
    const shown = item?.kind === 'picture' ? item.picture : gone(`p-${node.id}`) ? null : node.picture;
    return words === node.text && link === node.link && shown === node.picture
      ? node
      : { ...node, text: words, link, picture: shown };
  });
  if (nodes.some((node, i) => node !== recipe.nodes[i])) next = { ...next, nodes };
  const links = next.links
    .filter(({ id }) => !gone(`x-${id}`))
    .map((one) => {
      const words = (gone(`y-${one.id}`) ? '' : (saidBy(`y-${one.id}`) ?? one.words)).slice(0, 120);
      return words === one.words ? one : { ...one, words };
    });
  if (links.length < next.links.length || links.some((one, i) => one !== next.links[i])) next = { ...next, links };
  const lost = new Set(recipe.nodes.map(({ id }) => id).filter((id) => gone(`n-${id}`)));
  return lost.size > 0 ? withoutNodes(next, lost) : next;
}

export const MAP: Maker<MapRecipe> = { make: makeMap, absorb: absorbMap };
