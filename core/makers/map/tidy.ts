import type { Branch } from './tree';

/**
 * Where the nodes of a tree stand across its levels: each as near to its siblings as their sizes allow, parents over the
 * middle of their children, and the same branch always drawn the same.
 *
 * C. Buchheim, M. Jünger, S. Leipert: Improving Walker's Algorithm to Run in Linear Time (2002), the linear-time form of
 * E. Reingold and J. Tilford: Tidier Drawings of Trees (1981). The paper's names are kept. Walks are loops, so that a chain of
 * any length can be laid out.
 */
type Knot = {
  branch: Branch;
  parent: Knot | null;
  children: Knot[];
  number: number;
  prelim: number;
  mod: number;
  change: number;
  shift: number;
  thread: Knot | null;
  ancestor: Knot;
  defaultAncestor: Knot | null;
};

function knotOf(branch: Branch, parent: Knot | null, number: number): Knot {
  const knot: Omit<Knot, 'ancestor'> & { ancestor: Knot | null } = {
    branch,
    parent,
    children: [],
    number,
    prelim: 0,
    mod: 0,
    change: 0,
    shift: 0,
    thread: null,
    ancestor: null,
    defaultAncestor: null,
  };
  knot.ancestor = knot as Knot;
  return knot as Knot;
}

const nextLeft = (v: Knot) => (v.children.length > 0 ? v.children[0] : v.thread);
const nextRight = (v: Knot) => (v.children.length > 0 ? v.children[v.children.length - 1] : v.thread);

function moveSubtree(wm: Knot, wp: Knot, shift: number): void {
  const change = shift / (wp.number - wm.number);
  wp.change -= change;
  wp.shift += shift;
  wm.change += change;
  wp.prelim += shift;
  wp.mod += shift;
}

function executeShifts(v: Knot): void {
  let shift = 0;
  let change = 0;
  for (let i = v.children.length - 1; i >= 0; i--) {
    const w = v.children[i];
    w.prelim += shift;
    w.mod += shift;
    change += w.change;
    shift += w.shift + change;
  }
}

/**
 * The middle of each node across the levels. `breadth` is a node's size in that direction, `gap` the room between neighbours;
 * the branches of different parents stand half as far again apart.
 */
export function tidy(root: Branch, breadth: (branch: Branch) => number, gap: number): Map<Branch, number> {
  const top = knotOf(root, null, 0);
  const order = [top];
  for (let i = 0; i < order.length; i++) {
    const knot = order[i];
    for (const child of knot.branch.children) {
      const below = knotOf(child, knot, knot.children.length);
      knot.children.push(below);
      order.push(below);
    }
  }
  const distance = (left: Knot, right: Knot) =>
    (breadth(left.branch) + breadth(right.branch)) / 2 + (left.parent === right.parent ? gap : gap * 1.5);

  const apportion = (v: Knot, defaultAncestor: Knot): Knot => {
    if (v.number === 0) return defaultAncestor;
    const siblings = v.parent!.children;
    let vip = v;
    let vop = v;
    let vim = siblings[v.number - 1];
    let vom = siblings[0];
    let sip = vip.mod;
    let sop = vop.mod;
    let sim = vim.mod;
    let som = vom.mod;
    for (;;) {
      const right = nextRight(vim);
      const left = nextLeft(vip);
      if (!right || !left) break;
      vim = right;
      vip = left;
      vom = nextLeft(vom)!;
      vop = nextRight(vop)!;
      vop.ancestor = v;
      const shift = vim.prelim + sim - (vip.prelim + sip) + distance(vim, vip);
      if (shift > 0) {
        const ancestor = vim.ancestor.parent === v.parent ? vim.ancestor : defaultAncestor;
        moveSubtree(ancestor, v, shift);
        sip += shift;
        sop += shift;
      }
      sim += vim.mod;
      sip += vip.mod;
      som += vom.mod;
      sop += vop.mod;
    }
    if (nextRight(vim) && !nextRight(vop)) {
      vop.thread = nextRight(vim);
      vop.mod += sim - sop;
    }
    if (nextLeft(vip) && !nextLeft(vom)) {
      vom.thread = nextLeft(vip);
      vom.mod += sip - som;
      return v;
    }
    return defaultAncestor;
  };

  // Children before their parents, and left before right.
  for (const v of postOrder(top)) {
    const left = v.number > 0 ? v.parent!.children[v.number - 1] : null;
    const start = left ? left.prelim + distance(left, v) : 0;
    if (v.children.length === 0) v.prelim = start;
    else {
      executeShifts(v);
      const middle = (v.children[0].prelim + v.children[v.children.length - 1].prelim) / 2;
      v.prelim = left ? start : middle;
      v.mod = left ? start - middle : 0;
    }
    if (v.parent) v.parent.defaultAncestor = apportion(v, v.parent.defaultAncestor ?? v.parent.children[0]);
  }
  const out = new Map<Branch, number>();
  // From here on `shift` holds the sum of the mods above.
  top.shift = -top.prelim;
  for (const v of order) {
    out.set(v.branch, v.prelim + v.shift);
    for (const child of v.children) child.shift = v.shift + v.mod;
  }
  return out;
}

function postOrder(top: Knot): Knot[] {
  const out: Knot[] = [];
  const rest = [top];
  for (let v = rest.pop(); v; v = rest.pop()) {
    out.push(v);
    for (const child of v.children) rest.push(child);
  }
  return out.reverse();
}
