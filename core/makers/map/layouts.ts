import type { Box, Point } from '../../geometry/matrix';
import { grown, overlaps } from '../../geometry/box';
import type { Side } from '../../schema/sheet';
import { normalised } from '../../language/spelling';
import { tidy } from './tidy';
import type { Branch, Gaps, Laid, LaidLink } from './tree';
import { boxAt, everyBranch, gathered } from './tree';

/** Layouts of an outline: from boxes of known size to places. `shape` is the frame's width over its height. */

export type Layout = (roots: readonly Branch[], gaps: Gaps, shape: number) => Laid;

const drawn = (branches: readonly Branch[]) => branches.filter((branch) => branch.depth >= 0);

/** The links from all that others hang under to these. */
const linksUnder = (roots: readonly Branch[], more: Partial<LaidLink> = {}): LaidLink[] =>
  everyBranch(roots).flatMap(({ node, children }) =>
    children.map((child) => ({ of: child.node.id, from: node.id, to: child.node.id, ...more })),
  );

/** Levels from top to bottom, or from left to right. */
function tree(roots: readonly Branch[], gaps: Gaps, down: boolean): Laid {
  const root = gathered(roots);
  const across = (b: Branch) => (down ? Math.max(b.width, b.link.width) : b.height);
  const along = (b: Branch) => (down ? b.height : b.width);
  const room = (b: Branch) => (down ? b.link.height : b.link.width);
  const places = tidy(root, across, gaps.near);
  const levels: { size: number; room: number }[] = [];
  const all = drawn(everyBranch([root]));
  for (const branch of all) {
    const level = (levels[branch.depth] ??= { size: 0, room: 0 });
    level.size = Math.max(level.size, along(branch));
    level.room = Math.max(level.room, room(branch) > 0 ? room(branch) + gaps.near : 0);
  }
  const starts: number[] = [];
  levels.forEach((level, i) => {
    starts[i] = i === 0 ? 0 : starts[i - 1] + levels[i - 1].size + Math.max(gaps.level, level.room + gaps.level * 0.4);
  });
  const at = new Map<string, Point>();
  const of = new Map<string, number>();
  const links: LaidLink[] = [];
  const sides: [Side, Side] = down ? ['bottom', 'top'] : ['right', 'left'];
  for (const branch of all) {
    const { id, parent } = branch.node;
    of.set(id, branch.depth);
    if (branch.depth > 0) links.push({ of: id, from: parent!, to: id, sides });
    // What stands beside words starts at one line; what stands above them is centred in its level.
    const a = starts[branch.depth] + (down ? levels[branch.depth].size / 2 : branch.width / 2);
    const c = places.get(branch)!;
    at.set(id, down ? { x: c, y: a } : { x: a, y: c });
  }
  return { at, links, levels: { axis: down ? 'y' : 'x', of } };
}

const clash = (a: Box, b: Box, gap: number) => overlaps(grown(a, gap / 2), grown(b, gap / 2));

/** Levels as rings about the root; each ring as wide as its nodes need, in the proportion of the frame. */
const radial: Layout = (roots, gaps, shape) => {
  const root = gathered(roots);
  const all = drawn(everyBranch([root]));
  const stretch = Math.max(1, Math.min(1.7, shape));
  const outer = (b: Branch) => Math.max(b.width, b.link.width) * 0.5 + Math.max(b.height, b.link.height) + gaps.near;
  const places = tidy(root, outer, gaps.near);
  const [low, high] = all.reduce(
    ([a, b], branch) => {
      const [p, half] = [places.get(branch)!, outer(branch) / 2];
      return [Math.min(a, p - half), Math.max(b, p + half)];
    },
    [Infinity, -Infinity],
  );
  const turn = (b: Branch) =>
    ((places.get(b)! - low) / Math.max(1, high - low + gaps.near)) * 2 * Math.PI - Math.PI / 2;
  const at = new Map<string, Point>();
  const byLevel: Branch[][] = [];
  for (const branch of all) (byLevel[branch.depth] ??= []).push(branch);
  let radius = 0;
  const taken: Box[] = [];
  byLevel.forEach((level, depth) => {
    const centred = depth === 0 && level.length === 1;
    if (!centred) radius += gaps.level;
    const boxes = () =>
      level.map((b) =>
        boxAt(b, centred ? { x: 0, y: 0 } : { x: radius * stretch * Math.cos(turn(b)), y: radius * Math.sin(turn(b)) }),
      );
    let now = boxes();
    // Outwards until nothing of this ring lies on another, or on the rings within.
    while (
      !centred &&
      (now.some((a, i) => now.some((b, j) => j > i && clash(a, b, gaps.near))) || hits(now, taken, gaps.near * 1.6))
    ) {
      radius += Math.max(4, gaps.near / 2);
      now = boxes();
    }
    level.forEach((b, i) => at.set(b.node.id, { x: now[i].x + b.width / 2, y: now[i].y + b.height / 2 }));
    taken.push(...now);
  });
  return { at, links: linksUnder(roots) };
};
const hits = (boxes: readonly Box[], others: readonly Box[], gap: number) =>
  boxes.some((a) => others.some((b) => clash(a, b, gap)));

/** A node with all that hangs under it as a list: what chains and cycles are made of. */
type Block = {
  head: Branch;
  /** Where its head begins. */
  left: number;
  width: number;
  height: number;
  notes: { branch: Branch; x: number; y: number }[];
};

/** Room at the left of a list for the bracket that holds it, in points. */
const BRACKET = 13;

function blockOf(head: Branch, gaps: Gaps): Block {
  const list = everyBranch(head.children);
  const left = list.length > 0 ? BRACKET : 0;
  const starts = new Map([[head.node.id, left]]);
  let y = head.height;
  const notes = list.map((branch) => {
    const { node, link } = branch;
    // Words on its link stand on the stretch that leads to it.
    const step = link.width > 0 ? Math.max(gaps.near * 1.3, link.width + gaps.near * 0.5) : gaps.near * 1.3;
    const x = (starts.get(node.parent!) ?? left) + step;
    starts.set(node.id, x);
    y += gaps.near * 0.7 + Math.max(0, link.height - branch.height);
    const place = { branch, x, y };
    y += branch.height;
    return place;
  });
  const width = Math.max(left + head.width, ...notes.map(({ branch, x }) => x + branch.width));
  return { head, left, width, height: y, notes };
}

function putBlock(block: Block, x: number, y: number, at: Map<string, Point>): void {
  const { head } = block;
  at.set(head.node.id, { x: x + block.left + head.width / 2, y: y + head.height / 2 });
  for (const note of block.notes)
    at.set(note.branch.node.id, { x: x + note.x + note.branch.width / 2, y: y + note.y + note.branch.height / 2 });
}
const noteLinks = ({ head }: Block): LaidLink[] => linksUnder([head], { sides: ['left', 'left'], bracket: true });

/** The link from a title to its first step: drawn where it has words. */
const titleLink = (title: Branch | null, first: Branch | undefined): LaidLink[] =>
  title && first && first.link.width > 0 ? [{ of: first.node.id, from: title.node.id, to: first.node.id }] : [];

/** A title, when there is one over several, and the steps. */
const titled = (roots: readonly Branch[]) =>
  roots.length === 1 && roots[0].children.length > 0
    ? { title: roots[0], steps: roots[0].children }
    : { title: null, steps: [...roots] };

/** Steps one after the other, in rows that run back and forth. */
const chain: Layout = (roots, gaps, shape) => {
  const { title, steps } = titled(roots);
  const blocks = steps.map((step) => blockOf(step, gaps));
  const room = (i: number) => Math.max(gaps.level * 0.8, blocks[i].head.link.width + gaps.near);
  // As many in a row as make the whole nearest to the frame's proportion.
  const rowsOf = (count: number) =>
    Array.from({ length: Math.ceil(blocks.length / count) }, (_, r) => blocks.slice(r * count, (r + 1) * count));
  const sizeOf = (count: number) => {
    const rows = rowsOf(count);
    const columns = Array.from({ length: Math.min(count, blocks.length) }, (_, c) =>
      Math.max(...rows.map((row) => row[c]?.width ?? 0)),
    );
    const width =
      columns.reduce((sum, w) => sum + w, 0) +
      (columns.length - 1) * Math.max(gaps.level, ...blocks.map((_, i) => room(i)));
    const heights = rows.map((row) => Math.max(...row.map((block) => block.height)));
    return {
      rows,
      columns,
      heights,
      width,
      height: heights.reduce((sum, h) => sum + h, 0) + (rows.length - 1) * gaps.level,
    };
  };
  const off = (count: number) => {
    const { width, height } = sizeOf(count);
    return Math.max(width / shape, height);
  };
  let best = 1;
  for (let count = 2; count <= blocks.length; count++) if (off(count) < off(best) * 0.995) best = count;
  const { rows, columns, heights, width } = sizeOf(best);
  const gap = columns.length > 1 ? (width - columns.reduce((sum, w) => sum + w, 0)) / (columns.length - 1) : 0;
  const at = new Map<string, Point>();
  const links = titleLink(title, steps[0]);
  let y = 0;
  if (title) {
    at.set(title.node.id, { x: width / 2, y: title.height / 2 });
    y = title.height + gaps.level;
  }
  rows.forEach((row, r) => {
    const back = r % 2 === 1;
    row.forEach((block, c) => {
      const column = back ? columns.length - 1 - c : c;
      const x = columns.slice(0, column).reduce((sum, w) => sum + w + gap, 0);
      putBlock(block, x + (columns[column] - block.width) / 2, y, at);
      links.push(...noteLinks(block));
      const last = c > 0 ? row[c - 1] : rows[r - 1]?.at(-1);
      if (last)
        links.push({
          of: block.head.node.id,
          from: last.head.node.id,
          to: block.head.node.id,
          forward: true,
          ...(c > 0 && { sides: (back ? ['left', 'right'] : ['right', 'left']) as [Side, Side] }),
        });
    });
    y += heights[r] + gaps.level;
  });
  return { at, links };
};

/** Steps in a round, the title in the middle, the last leading back to the first. */
const cycle: Layout = (roots, gaps, shape) => {
  const { title, steps } = titled(roots);
  const blocks = steps.map((step) => blockOf(step, gaps));
  const at = new Map<string, Point>();
  const links = blocks.flatMap(noteLinks);
  if (steps.length === 1) links.push(...titleLink(title, steps[0]));
  const stretch = Math.max(0.6, Math.min(1.8, shape));
  let radius = gaps.level;
  const centre: Box[] = title ? [boxAt(title, { x: 0, y: 0 })] : [];
  const boxes = () =>
    blocks.map((block, i) => {
      const turn = (i / blocks.length) * 2 * Math.PI - Math.PI / 2;
      return boxAt(block, { x: radius * stretch * Math.cos(turn), y: radius * Math.sin(turn) });
    });
  const room = Math.max(
    gaps.level * 0.7,
    ...steps.map(({ link }) => Math.max(link.height, link.width * 0.5) + gaps.near),
  );
  let now = boxes();
  while (now.some((a, i) => now.some((b, j) => j > i && clash(a, b, room))) || hits(now, centre, gaps.near * 2)) {
    radius += Math.max(4, gaps.near / 2);
    now = boxes();
  }
  if (title) at.set(title.node.id, { x: 0, y: 0 });
  blocks.forEach((block, i) => putBlock(block, now[i].x, now[i].y, at));
  if (blocks.length > 1)
    blocks.forEach((block, i) => {
      const last = blocks.at(i - 1)!;
      links.push({ of: block.head.node.id, from: last.head.node.id, to: block.head.node.id, forward: true });
    });
  return { at, links };
};

/** Each node a box that holds the boxes of what hangs under it, packed in rows; the words of a link stand over its box. */
const nested: Layout = (roots, gaps, shape) => {
  type Nest = {
    branch: Branch;
    width: number;
    height: number;
    /** Room over its box for the words of its link. */
    above: number;
    inner: { nest: Nest; x: number; y: number }[];
  };
  const pad = gaps.near * 0.8;
  const pack = (nests: Nest[], least: number): { inner: Nest['inner']; width: number; height: number } => {
    const area = nests.reduce((sum, n) => sum + (n.width + pad) * (n.height + pad), 0);
    const wide = Math.max(least, ...nests.map((n) => n.width), Math.sqrt(area * Math.min(2.2, shape)));
    const inner: Nest['inner'] = [];
    let [x, y, row, width] = [0, 0, 0, 0];
    for (const nest of nests) {
      if (x > 0 && x + nest.width > wide + 0.01) {
        x = 0;
        y += row + pad;
        row = 0;
      }
      inner.push({ nest, x, y });
      x += nest.width + pad;
      width = Math.max(width, x - pad);
      row = Math.max(row, nest.height);
    }
    return { inner, width, height: nests.length > 0 ? y + row : 0 };
  };
  const byBranch = new Map<Branch, Nest>();
  for (const branch of everyBranch(roots).reverse()) {
    const nests = branch.children.map((child) => byBranch.get(child)!);
    const packed = pack(nests, branch.width - 2 * pad);
    const above = branch.node.parent === null ? 0 : branch.link.height;
    const least = Math.max(branch.width, above > 0 ? branch.link.width : 0);
    byBranch.set(branch, {
      branch,
      inner: packed.inner,
      above,
      width: nests.length > 0 ? Math.max(least, packed.width + 2 * pad) : least,
      height: above + branch.height + (nests.length > 0 ? packed.height + pad * 1.6 : 0),
    });
  }
  const at = new Map<string, Point>();
  const boxes = new Map<string, Box>();
  const rest: { nest: Nest; x: number; y: number }[] = pack(
    roots.map((root) => byBranch.get(root)!),
    0,
  ).inner;
  for (let place = rest.pop(); place; place = rest.pop()) {
    const { nest, x } = place;
    const { branch, width, inner } = nest;
    const [y, height] = [place.y + nest.above, nest.height - nest.above];
    at.set(branch.node.id, { x: x + width / 2, y: y + height / 2 });
    if (inner.length > 0) boxes.set(branch.node.id, { x, y, width, height });
    for (const part of inner)
      rest.push({ nest: part.nest, x: x + pad + part.x, y: y + branch.height + pad * 0.6 + part.y });
  }
  return { at, boxes, links: [] };
};

/** Two things side by side: their own traits at the outer edges, what they share in the middle. */
const compare: Layout = (roots, gaps) => {
  const top = roots.length === 1 && roots[0].children.length > 1 ? roots[0] : null;
  const [left, right, ...others] = top ? top.children : roots;
  if (!left || !right)
    return { ...tree(roots, gaps, false), notes: ['A comparison needs a second thing. Write it beside the first.'] };
  const words = ({ node }: Branch) => normalised(node.text);
  const twinOf = new Map(right.children.map((trait) => [words(trait), trait]));
  const drawnAs = new Map<string, string>();
  const sharedWords = new Set<string>();
  const shared: Branch[] = [];
  const own: [Branch[], Branch[]] = [[], []];
  for (const trait of left.children) {
    const twin = twinOf.get(words(trait));
    if (!twin || words(trait) === '' || sharedWords.has(words(trait))) own[0].push(trait);
    else {
      sharedWords.add(words(trait));
      drawnAs.set(twin.node.id, trait.node.id);
      shared.push({ ...trait, children: [...trait.children, ...twin.children] });
    }
  }
  own[1] = right.children.filter(({ node }) => !drawnAs.has(node.id));

  // Columns: left's own, left, what both share, right, right's own.
  const lists = [own[0], [{ ...left, children: [] }], shared, [{ ...right, children: [] }], own[1]];
  const columns = lists.map((list) => list.map((branch) => blockOf(branch, gaps)));
  const widths = columns.map((blocks) => Math.max(0, ...blocks.map(({ width }) => width)));
  const tall = (blocks: readonly Block[]) => blocks.reduce((sum, { height }) => sum + height + gaps.near, -gaps.near);
  const height = Math.max(...columns.map(tall));
  const start = top ? top.height + gaps.level : 0;
  const twins = [...drawnAs.keys()].map((id) => right.children.find(({ node }) => node.id === id)!);
  const linkRoom = (list: readonly Branch[]) => Math.max(gaps.level, ...list.map((b) => b.link.width + gaps.near * 2));
  const between = [linkRoom(own[0]), linkRoom(shared), linkRoom(twins), linkRoom(own[1])];
  const at = new Map<string, Point>();
  const of = new Map<string, number>();
  let x = 0;
  columns.forEach((blocks, column) => {
    let y = start + (height - tall(blocks)) / 2;
    for (const block of blocks) {
      // What stands at the left ends at one line, towards what it belongs to; the rest begins at one.
      const off = column === 0 ? widths[0] - block.width : column === 4 ? 0 : (widths[column] - block.width) / 2;
      putBlock(block, x + off, y, at);
      y += block.height + gaps.near;
      for (const { node } of [block.head, ...block.notes.map(({ branch }) => branch)]) of.set(node.id, column);
    }
    x += widths[column] + (between[column] ?? 0);
  });
  const to = (from: Branch, trait: string, at: string, sides: [Side, Side]) => ({
    of: trait,
    from: from.node.id,
    to: at,
    sides,
  });
  const links: LaidLink[] = [
    ...[...own[0], ...shared].map(({ node }, i) =>
      to(left, node.id, node.id, i < own[0].length ? ['left', 'right'] : ['right', 'left']),
    ),
    ...[...drawnAs].map(([twin, trait]) => to(right, twin, trait, ['left', 'right'])),
    ...own[1].map(({ node }) => to(right, node.id, node.id, ['right', 'left'])),
    ...columns.flat().flatMap(noteLinks),
    ...[left, right].flatMap((branch) => titleLink(top, branch)),
  ];
  if (top) at.set(top.node.id, { x: x / 2, y: top.height / 2 });
  let y = start + height + gaps.level;
  for (const other of others) {
    const block = blockOf(other, gaps);
    putBlock(block, (x - block.width) / 2, y, at);
    links.push(...noteLinks(block), ...titleLink(top, other));
    y += block.height + gaps.near;
  }
  const beyond = others.map(({ node }) => `“${node.text}”`);
  const notes =
    beyond.length > 0
      ? [
          `Two things are compared here. ${beyond.slice(0, 3).join(', ')}${beyond.length > 3 ? ` and ${beyond.length - 3} more` : ''} stand${beyond.length === 1 ? 's' : ''} below: hang ${beyond.length === 1 ? 'it' : 'them'} under one of the two, or choose another layout.`,
        ]
      : [];
  return { at, links, levels: { axis: 'x', of }, drawnAs, notes };
};

export const LAYOUTS = {
  down: (roots, gaps) => tree(roots, gaps, true),
  right: (roots, gaps) => tree(roots, gaps, false),
  radial,
  chain,
  cycle,
  nested,
  compare,
} satisfies Record<string, Layout>;
