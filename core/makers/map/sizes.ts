import type { ShapeName } from '../../geometry/shapes/shapes';
import { shapeInside } from '../../geometry/shapes/shapes';
import { LEAST_PRINTED } from '../../text/style';
import type { Kit } from '../kit/maker';
import type { Size } from '../kit/measure';
import { sizeOfWords } from '../kit/measure';
import { LAYOUTS } from './layouts';
import { network, toTheRight } from './network';
import type { MapNode, MapRecipe, NodeLook } from '../../schema/recipes/map';
import type { Branch, Gaps, Laid } from './tree';
import { branchesOf } from './tree';

/** How much room the nodes and links of a map take. */

export const SHAPE: Record<NodeLook['shape'], ShapeName> = {
  rectangle: 'rectangle',
  pill: 'pill',
  ellipse: 'ellipse',
  hexagon: 'hexagon',
  cloud: 'cloud',
  plain: 'rectangle',
};
export const ADJUST: Partial<Record<NodeLook['shape'], number[]>> = { rectangle: [0.18] };

export const lookAt = (recipe: MapRecipe, depth: number): NodeLook =>
  recipe.looks[Math.max(0, Math.min(depth, recipe.looks.length - 1))];

/** The words on links, of the map's size. */
const LINK_WORDS = 0.82;

const times = ({ width, height }: Size, by: number): Size => ({ width: width * by, height: height * by });

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

/** Where a node's picture stands: over its words, so that links come and go at both sides, or at one side of them. */
export type PictureAt = 'above' | 'beside';

type Measured = { shape: Size; picture: number };

/** What the words of a map take at their full size: everything else is a multiple of that. */
export class Words {
  private nodes = new Map<string, Measured>();
  private links = new Map<string, Size>();
  /** Nodes that others hang under. */
  readonly inner: ReadonlySet<string>;

  constructor(
    readonly recipe: MapRecipe,
    readonly kit: Kit,
  ) {
    this.inner = new Set(recipe.nodes.flatMap(({ parent }) => parent ?? []));
  }

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

  /** The smallest words of nodes, as a multiple of the map's size. */
  get smallest(): number {
    return Math.min(...this.recipe.looks.map(({ scale }) => scale));
  }

  /** Whether a node stands in the middle of its box, so that lines run straight down and words are centred. */
  centred(id: string): boolean {
    const { layout } = this.recipe;
    return layout === 'down' || layout === 'network' || (layout === 'nested' && this.inner.has(id));
  }

  /** `shape` is the frame's width over its height. */
  pictureAt(id: string, depth: number, shape: number): PictureAt {
    const { layout } = this.recipe;
    if (layout === 'network') return toTheRight(shape) ? 'above' : 'beside';
    if (layout === 'right') return this.inner.has(id) && depth > 0 ? 'above' : 'beside';
    // Steps have links at their sides, and the bracket of their list at the left.
    return layout === 'chain' || layout === 'cycle' || layout === 'compare'
      ? depth <= 1 || this.inner.has(id)
        ? 'above'
        : 'beside'
      : 'beside';
  }
}

/** The map at a scale: all words and gaps multiplied. */
export class Draft {
  readonly gaps: Gaps;
  readonly roots: Branch[];
  readonly em: number;

  constructor(
    readonly words: Words,
    readonly scale: number,
    /** The frame's width over its height. */
    readonly shape: number,
  ) {
    const { recipe } = words;
    this.em = recipe.size * scale;
    this.gaps = { near: this.em * 1.1, level: this.em * 2.6 };
    this.roots = branchesOf(recipe.nodes, (node, depth) => {
      const { shape, picture } = this.sizes(node, depth);
      const apart = picture > 0 ? this.apart(depth) : 0;
      const link = this.link(node.link);
      if (words.pictureAt(node.id, depth, this.shape) === 'above')
        return { width: Math.max(shape.width, picture), height: shape.height + picture + apart, link };
      return {
        width: shape.width + (picture + apart) * (words.centred(node.id) ? 2 : 1),
        height: Math.max(shape.height, picture),
        link,
      };
    });
  }

  /** The size of words on links: they stay readable when nodes become small. */
  get linkSize(): number {
    return Math.max(this.em * LINK_WORDS, LEAST_PRINTED);
  }
  link(words: string): Size {
    return times(this.words.link(words), this.linkSize / (this.words.recipe.size * LINK_WORDS));
  }

  /** The room between a node and its picture. */
  apart(depth: number): number {
    return this.em * lookAt(this.words.recipe, depth).scale * 0.3;
  }

  sizes(node: MapNode, depth: number): Measured {
    const { shape, picture } = this.words.node(node, depth);
    return { shape: times(shape, this.scale), picture: picture * this.scale };
  }

  laid(): Laid | Promise<Laid> {
    const { shape } = this;
    const { layout, links } = this.words.recipe;
    return layout === 'network'
      ? network(this.roots, links, this.gaps, shape, this.words.kit.layered)
      : LAYOUTS[layout](this.roots, this.gaps, shape);
  }
}
