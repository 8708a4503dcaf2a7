import { grown, overlaps } from '../../geometry/box';
import type { Box } from '../../geometry/matrix';
import type { Fitted } from './fit';
import type { Branch, LaidLink } from './tree';

/** A node or a picture; `own` is the node whose picture it is. */
type Obstacle = { id: string; own: string | null; parent: string | null; box: Box; holds: boolean };

type Standing = { placed: ReadonlyMap<string, Box>; beside: ReadonlyMap<string, Box>; shown: (id: string) => boolean };

/** What links and their words have to go around: the nodes of a map where they stand, and the pictures beside them. */
export class Obstacles {
  private ups = new Map<string, ReadonlySet<string>>();
  private list: Obstacle[];

  constructor(
    private fit: Fitted,
    private branches: ReadonlyMap<string, Branch>,
    private standing: Standing,
  ) {
    this.list = this.all();
  }

  private holds(id: string): boolean {
    return this.fit.laid.boxes?.has(id) ?? false;
  }

  /** What words on links had better not cover. */
  get covered(): Box[] {
    return this.list.map(({ id, box, holds }) => (holds ? this.headOf(id) : box));
  }

  private all(): Obstacle[] {
    return [
      ...[...this.standing.placed].map(([id, box]) => ({
        id,
        own: null,
        parent: this.above(id),
        box,
        holds: this.holds(id),
      })),
      ...[...this.standing.beside].map(([id, box]) => ({
        id: `p-${id}`,
        own: id,
        parent: this.above(id),
        box,
        holds: false,
      })),
    ].filter(({ id, own }) => this.standing.shown(own ?? id));
  }

  above(id: string): string | null {
    return this.branches.get(id)?.node.parent ?? null;
  }
  /** A node with all that it hangs under. */
  withAbove(id: string): ReadonlySet<string> {
    let known = this.ups.get(id);
    if (!known) {
      const out = new Set<string>();
      for (let at: string | null = id; at !== null; at = this.above(at)) out.add(at);
      this.ups.set(id, (known = out));
    }
    return known;
  }

  /** What a link may not run through: all nodes but its own, the words of nodes that hold them, and pictures. */
  othersFor({ from, to }: LaidLink): (within?: Box) => Box[] {
    const entered = this.fit.laid.boxes ? new Set([...this.withAbove(from), ...this.withAbove(to)]) : null;
    const inTheWay = ({ id, own, parent, box, holds }: Obstacle): Box | null => {
      if (id === from || id === to) return null;
      // What lies in a box that the link does not enter is not in its way: the box is.
      if (entered && parent !== null && !entered.has(own ?? parent) && !entered.has(parent)) return null;
      if (holds && entered?.has(id)) return this.headOf(id);
      // Where a line comes to a corner it may touch the edge of the picture beside.
      return own === from || own === to ? grown(box, -box.width / 6) : box;
    };
    return (within) => {
      const out: Box[] = [];
      for (const one of this.list) {
        if (within && !overlaps(within, one.box)) continue;
        const box = inTheWay(one);
        if (box && (!within || overlaps(within, box))) out.push(box);
      }
      return out;
    };
  }

  /** The words of a node that holds others. */
  headOf(id: string): Box {
    const box = this.standing.placed.get(id)!;
    const { node, depth } = this.branches.get(id)!;
    const { shape: own } = this.fit.draft.sizes(node, depth);
    return { x: box.x + (box.width - own.width) / 2, y: box.y, width: own.width, height: own.height };
  }
}
