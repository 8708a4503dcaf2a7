import type { Box, Point } from '../../geometry/matrix';
import type { Side } from '../../schema/sheet';
import type { MapNode } from '../../schema/recipes/map';

/** The outline as a tree of boxes that a layout puts in their places. */

export type Branch = {
  node: MapNode;
  depth: number;
  children: Branch[];
  width: number;
  height: number;
  /** The size of the words on the link that leads here; nothing without words. */
  link: { width: number; height: number };
};

/** What a layout gives: the middle of each node, boxes where they are not as large as their words, and its links. */
export type Laid = {
  at: Map<string, Point>;
  /** Boxes of nodes that hold others. */
  boxes?: Map<string, Box>;
  /** The links as this layout draws them, where they are not simply those of the outline. */
  links?: LaidLink[];
  /** Levels with free gaps between them, of nodes that do not lie beside each other along the links: which one each is in. */
  levels?: Levels;
  /** Nodes that are drawn as another one. */
  drawnAs?: Map<string, string>;
  /** What does not fit this layout, and what would. */
  notes?: string[];
};
export type Levels = { axis: 'x' | 'y'; of: Map<string, number> };

export type LaidLink = {
  /** The node whose link it is: its words are drawn on it. */
  of: string;
  from: string;
  to: string;
  sides?: [Side, Side];
  /** Always drawn with an arrow, whatever the map's arrows are. */
  forward?: boolean;
  /** Drawn in steps, whatever the map's links are: the bracket beside a list. */
  bracket?: boolean;
};

export type Gaps = {
  /** Between neighbours. */
  near: number;
  /** Between levels. */
  level: number;
};

export function branchesOf(
  nodes: readonly MapNode[],
  size: (node: MapNode, depth: number) => Pick<Branch, 'width' | 'height' | 'link'>,
): Branch[] {
  const byId = new Map<string, Branch>();
  const roots: Branch[] = [];
  for (const node of nodes) {
    const parent = node.parent === null ? undefined : byId.get(node.parent);
    const depth = parent ? parent.depth + 1 : 0;
    const { width, height, link } = size(node, depth);
    const branch: Branch = { node, depth, children: [], width, height, link };
    byId.set(node.id, branch);
    (parent ? parent.children : roots).push(branch);
  }
  return roots;
}

/** All branches, each before what hangs under it. */
export function everyBranch(roots: readonly Branch[]): Branch[] {
  const out: Branch[] = [];
  const rest = roots.toReversed();
  for (let branch = rest.pop(); branch; branch = rest.pop()) {
    out.push(branch);
    for (let i = branch.children.length - 1; i >= 0; i--) rest.push(branch.children[i]);
  }
  return out;
}

/** Several roots under one that is not drawn. */
export const gathered = (roots: readonly Branch[]): Branch =>
  roots.length === 1
    ? roots[0]
    : {
        node: { id: '', text: '', parent: null, link: '', picture: null },
        depth: -1,
        children: [...roots],
        width: 0,
        height: 0,
        link: { width: 0, height: 0 },
      };

export const boxAt = ({ width, height }: { width: number; height: number }, { x, y }: Point): Box => ({
  x: x - width / 2,
  y: y - height / 2,
  width,
  height,
});
