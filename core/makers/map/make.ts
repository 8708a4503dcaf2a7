import { cutTo } from '../../text/characters';
import { centre, overlaps, union } from '../../geometry/box';
import type { Box } from '../../geometry/matrix';
import type { ShapeName } from '../../geometry/outline';
import { shapeInside } from '../../geometry/outline';
import { held, line, picture, shape, solid, text } from '../../sheet/make';
import type { Cap, Item, Side } from '../../sheet/schema';
import type { Asked, Kit, Made, Maker } from '../maker';
import type { Size } from '../measure';
import { outlineFor, saidBy, sizeOfWords, styled, tidied, tidiedBox } from '../measure';
import { LAYOUTS } from './layouts';
import type { Placed } from './links';
import { disturbs, pictureAtRight, wayOf, wordsOn } from './links';
import { network } from './network';
import { withoutNodes } from './outline';
import type { MapNode, MapRecipe, NodeLook } from './recipe';
import { LONGEST_NODE } from './recipe';
import { spreadIn } from './spread';
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
function holding(look: NodeLook, width: number, height: number): Size {
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

type Measured = { shape: Size; picture: number };

/** What the words of a map take at their full size: everything else is a multiple of that. */
class Words {
  private nodes = new Map<string, Measured>();
  private links = new Map<string, Size>();

  constructor(
    readonly recipe: MapRecipe,
    readonly kit: Kit,
  ) {}

  node(node: MapNode, depth: number): Measured {
    let known = this.nodes.get(node.id);
    if (!known) {
      const look = lookAt(this.recipe, depth);
      const size = this.recipe.size * look.scale;
      const words = sizeOfWords(node.text || ' ', { size, bold: look.bold }, 'label', size * 11, this.kit);
      const pad = look.shape === 'plain' ? size * 0.15 : size * 0.45;
      const box = holding(look, words.width + 2 * pad + 0.5, words.height + 2 * pad * 0.7);
      known = { shape: box, picture: node.picture ? Math.max(box.height, size * 2.6) : 0 };
      this.nodes.set(node.id, known);
    }
    return known;
  }

  link(words: string): Size {
    if (!words) return { width: 0, height: 0 };
    let known = this.links.get(words);
    if (!known) {
      const size = this.recipe.size * LINK_WORDS;
      const { width, height } = sizeOfWords(words, { size, italic: true }, 'label', size * 9, this.kit);
      known = { width: width + size * 0.6, height: height + size * 0.2 };
      this.links.set(words, known);
    }
    return known;
  }
}

/** The words on links, of the map's size. */
const LINK_WORDS = 0.82;
const times = ({ width, height }: Size, by: number): Size => ({ width: width * by, height: height * by });

/** The map at a scale: all words and gaps multiplied. */
class Draft {
  readonly gaps;
  readonly roots: Branch[];

  constructor(
    readonly words: Words,
    readonly scale: number,
  ) {
    const { recipe } = words;
    const em = recipe.size * scale;
    this.gaps = { near: em * 1.1, level: em * 2.6 };
    this.roots = branchesOf(recipe.nodes, (node, depth) => {
      const { shape, picture } = this.sizes(node, depth);
      const beside = picture > 0 ? picture + em * lookAt(recipe, depth).scale * 0.3 : 0;
      return {
        // Under a node that stands in the middle of its box, lines run straight down.
        width: shape.width + (recipe.layout === 'down' ? 2 * beside : beside),
        height: Math.max(shape.height, picture),
        link: times(words.link(node.link), scale),
      };
    });
  }

  sizes(node: MapNode, depth: number): Measured {
    const { shape, picture } = this.words.node(node, depth);
    return { shape: times(shape, this.scale), picture: picture * this.scale };
  }

  laid(shape: number): Laid | Promise<Laid> {
    const { layout, links } = this.words.recipe;
    return layout === 'network'
      ? network(this.roots, links, this.gaps, shape, this.words.kit.layered)
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

type Attempt = { draft: Draft; laid: Laid; boxes: Map<string, Box>; all: Box; fits: boolean };

/**
 * Words and gaps as large as asked, or smaller until the map fits. A map shrinks as its words do, so the first guess is nearly
 * right; a few steps more make up for what does not.
 */
async function fitted({ recipe, width, height }: Asked<MapRecipe>, kit: Kit): Promise<Attempt> {
  const words = new Words(recipe, kit);
  const attempt = async (scale: number): Promise<Attempt> => {
    const draft = new Draft(words, scale);
    const laid = await draft.laid(width / height);
    const boxes = boxesOf(draft, laid);
    const all = union([...boxes.values()]);
    return { draft, laid, boxes, all, fits: all.width <= width + 0.01 && all.height <= height + 0.01 };
  };
  const smallest = Math.min(1, LEAST_WORDS / (recipe.size * Math.min(...recipe.looks.map((look) => look.scale))));
  let now = await attempt(1);
  for (let step = 0; !now.fits && now.draft.scale > smallest && step < 8; step++) {
    const by = Math.min(0.995, width / now.all.width, height / now.all.height);
    now = await attempt(Math.max(smallest, now.draft.scale * by * (step > 0 ? 0.99 : 1)));
  }
  return now;
}

export async function makeMap(asked: Asked<MapRecipe>, kit: Kit): Promise<Made> {
  const { recipe, hand } = asked;
  if (recipe.nodes.length === 0)
    return { items: [], notes: ['The outline is empty: write its first line, and the map appears.'] };
  const { draft, laid, boxes, fits } = await fitted(asked, kit);
  const place = spreadIn(asked, recipe.layout, laid, boxes);
  const em = recipe.size * draft.scale;
  const laidLinks: LaidLink[] =
    laid.links ?? recipe.nodes.flatMap(({ id, parent }) => (parent === null ? [] : [{ of: id, from: parent, to: id }]));
  const middleOf = (id: string) => centre(place(id));
  const nodes: Item[] = [];
  const pictures: Item[] = [];
  /** As they stand after what was moved by hand: links go by these. */
  const placed = new Map<string, Placed>();
  const beside = new Map<string, Box>();
  for (const { node, depth } of everyBranch(draft.roots)) {
    if (!boxes.has(node.id)) continue;
    const box = place(node.id);
    const look = lookAt(recipe, depth);
    const { shape: own, picture: side } = draft.sizes(node, depth);
    const holds = laid.boxes?.has(node.id) ?? false;
    const atRight = side > 0 && pictureAtRight(node.id, laidLinks, middleOf);
    const left = box.x + (side > 0 && !atRight ? side + em * look.scale * 0.3 : 0);
    const frame = holds
      ? box
      : { x: left, y: box.y + (box.height - own.height) / 2, width: own.width, height: own.height };
    const at = tidiedBox(frame);
    const filled = look.shape === 'plain' ? null : look.fill;
    nodes.push(
      shape({
        id: `n-${node.id}`,
        ...at,
        shape: holds ? 'rectangle' : SHAPE[look.shape],
        adjust: holds ? [0.06] : (ADJUST[look.shape] ?? []),
        fill: filled ? solid(filled) : null,
        outline: look.shape === 'plain' || !look.edge ? null : outlineFor(em, 0.1, look.edge),
        vertical: holds ? 'top' : 'middle',
        padding: tidied(holds ? em * 0.3 : 0),
        body: styled(node.text, { size: tidied(em * look.scale), bold: look.bold, colour: look.colour }),
      }),
    );
    const { dx = 0, dy = 0 } = hand.get(`n-${node.id}`) ?? {};
    if (side > 0 && !holds) {
      const frame = tidiedBox({
        x: box.x + (atRight ? box.width - side : 0) + dx,
        y: box.y + (box.height - side) / 2 + dy,
        width: side,
        height: side,
      });
      beside.set(node.id, frame);
      pictures.push(picture({ id: `p-${node.id}`, picture: node.picture!, ...frame }));
    }
    placed.set(node.id, { ...at, x: at.x + dx, y: at.y + dy, round: look.shape === 'ellipse' && !holds });
  }
  const shown = (id: string) => {
    const done = hand.get(`n-${id}`);
    return placed.has(id) && !done?.hidden && !done?.gone;
  };
  const obstacles = [...placed, ...beside]
    .filter(([id]) => shown(id) && !laid.boxes?.has(id))
    .map(([id, box]) => ({ id, box }));
  const standing = [...placed.values(), ...beside.values()];
  const lines: Item[] = [];
  const words: Item[] = [];
  const wordBoxes: Box[] = [];
  const link = (part: string, wordsPart: string, of: LaidLink, said: string, arrows: MapRecipe['arrows']) => {
    if (!shown(of.from) || !shown(of.to)) return;
    const [from, to] = [placed.get(of.from)!, placed.get(of.to)!];
    const others = (within?: Box) => {
      const out: Box[] = [];
      if (of.free && hand.size === 0) return out;
      for (const { id, box } of obstacles)
        if (id !== of.from && id !== of.to && (!within || overlaps(within, box))) out.push(box);
      return out;
    };
    // What was moved by hand may stand on another side now.
    const moved = hand.has(`n-${of.from}`) || hand.has(`n-${of.to}`);
    const sides = moved ? undefined : of.sides;
    const kind = of.bracket ? 'stepped' : recipe.route;
    // The step nearer to what many links leave from, so that words have room at the other end.
    const bend = kind === 'stepped' && of.sides ? 0.3 : 0.5;
    const { via, points } = wayOf(from, to, sides, kind, bend, others);
    const end = (id: string, box: Box, side: Side | null) => {
      const { x, y } = centre(box);
      return { ...held(`n-${id}`, null, tidied(x), tidied(y)), side };
    };
    lines.push(
      line({
        id: part,
        from: end(of.from, from, sides?.[0] ?? null),
        to: end(of.to, to, sides?.[1] ?? null),
        via: via.map(({ x, y }) => ({ x: tidied(x), y: tidied(y) })),
        route: kind,
        bend,
        outline: outlineFor(em, 0.1, recipe.edge),
        ...capsOf(of.forward && (arrows === 'none' || arrows === 'back') ? 'forward' : arrows),
      }),
    );
    if (!said) return;
    const size = times(draft.words.link(said), draft.scale);
    const { box, spread } = wordsOn(points, size, tidied(em * 0.16), standing, wordBoxes);
    wordBoxes.push(box);
    words.push(
      text({
        id: wordsPart,
        role: 'label',
        ...tidiedBox(box),
        padding: 0,
        vertical: 'middle',
        fit: 'keep',
        plate: spread === null ? null : { colour: '#ffffff', opacity: 0.85, spread, corner: tidied(em * 0.25) },
        body: styled(said, { size: tidied(em * LINK_WORDS), italic: true }),
      }),
    );
  };
  const byId = new Map(recipe.nodes.map((node) => [node.id, node]));
  for (const of of laidLinks) link(`l-${of.of}`, `w-${of.of}`, of, byId.get(of.of)!.link, recipe.arrows);
  for (const { id, from, to, words: said, arrow } of recipe.links)
    link(`x-${id}`, `y-${id}`, { of: id, from, to }, said, arrow);

  const notes: string[] = [];
  if (!fits)
    notes.push(
      'The map is larger than its frame, even with the smallest words. Pull the frame larger, shorten the outline, or make two maps of it.',
    );
  const standingAlone = [...placed].flatMap(([id, box]) => (laid.boxes?.has(id) ? [] : [box]));
  const covered = wordBoxes.filter((box) => standingAlone.some((node) => disturbs(box, node))).length;
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
  const wasMade = new Set(made);
  const gone = (part: string) => wasMade.has(part) && !parts.has(part);
  let next = recipe;
  const nodes = recipe.nodes.map((node) => {
    const words = cutTo(saidBy(parts, `n-${node.id}`) ?? node.text, LONGEST_NODE);
    const link = cutTo(gone(`w-${node.id}`) ? '' : (saidBy(parts, `w-${node.id}`) ?? node.link), 120);
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
      const words = cutTo(gone(`y-${one.id}`) ? '' : (saidBy(parts, `y-${one.id}`) ?? one.words), 120);
      return words === one.words ? one : { ...one, words };
    });
  if (links.length < next.links.length || links.some((one, i) => one !== next.links[i])) next = { ...next, links };
  const lost = new Set(recipe.nodes.map(({ id }) => id).filter((id) => gone(`n-${id}`)));
  return lost.size > 0 ? withoutNodes(next, lost) : next;
}

export const MAP: Maker<MapRecipe> = { make: makeMap, absorb: absorbMap };
