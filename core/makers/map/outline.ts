import { cutTo } from '../../values/characters';
import type { MapNode, MapRecipe } from '../../schema/recipes/map';
import { freeId, freeIds, LONGEST_NODE, MOST_NODES } from '../../schema/recipes/map';

/** The outline of a map as rows: how it is written in the pad, and read from elsewhere. */

export type Row = { id: string; text: string; depth: number };

export function rowsOf(nodes: readonly MapNode[]): Row[] {
  const depth = new Map<string, number>();
  return inOrder(nodes).map(({ id, text, parent }) => {
    const at = parent === null ? 0 : depth.get(parent)! + 1;
    depth.set(id, at);
    return { id, text, depth: at };
  });
}

/** Rows as nodes: a row can be one step deeper than the one before it, not more. */
export function nodesFrom(rows: readonly Row[]): MapNode[] {
  const above: string[] = [];
  return rows.map(({ id, text, depth }) => {
    above.length = Math.min(depth, above.length);
    const parent = above.at(-1) ?? null;
    above.push(id);
    return { id, text, parent, link: '', picture: null };
  });
}

/** Nodes depth first, each right before all that hangs under it. */
export function inOrder(nodes: readonly MapNode[]): MapNode[] {
  const under = new Map<string | null, MapNode[]>();
  for (const node of nodes) under.set(node.parent, [...(under.get(node.parent) ?? []), node]);
  const out: MapNode[] = [];
  const rest = (under.get(null) ?? []).toReversed();
  for (let node = rest.pop(); node; node = rest.pop()) {
    out.push(node);
    rest.push(...(under.get(node.id) ?? []).toReversed());
  }
  return out;
}

/** The map with these rows. A row's node keeps everything besides its words; links of removed rows go too. */
export function withRows(recipe: MapRecipe, rows: readonly Row[]): MapRecipe {
  const old = new Map(recipe.nodes.map((node) => [node.id, node]));
  const nodes = nodesFrom(rows).map((node): MapNode => {
    const was = old.get(node.id);
    return was ? { ...node, link: was.link, picture: was.picture } : node;
  });
  const kept = new Set(nodes.map(({ id }) => id));
  return { ...recipe, nodes, links: recipe.links.filter(({ from, to }) => kept.has(from) && kept.has(to)) };
}

/** Moves a row with all that hangs under it in or out by one. */
export function shifted(rows: readonly Row[], at: number, by: 1 | -1): Row[] {
  const { depth } = rows[at];
  if (by > 0 ? at === 0 || depth > rows[at - 1].depth : depth === 0) return [...rows];
  const end = branchEnd(rows, at);
  return rows.map((row, i) => (i >= at && i < end ? { ...row, depth: row.depth + by } : row));
}

/** The index after the last row that hangs under the one at `at`. */
export function branchEnd(rows: readonly Row[], at: number): number {
  let end = at + 1;
  while (end < rows.length && rows[end].depth > rows[at].depth) end++;
  return end;
}

/** Puts the branch at `from` before the row that is at `to` now, at a depth; into itself it can't go. */
export function rowMoved(rows: readonly Row[], from: number, to: number, depth: number): Row[] {
  const end = branchEnd(rows, from);
  if (to > from && to < end) return [...rows];
  const branch = rows.slice(from, end);
  const rest = [...rows.slice(0, from), ...rows.slice(end)];
  const at = to > from ? to - branch.length : to;
  const most = at === 0 ? 0 : rest[at - 1].depth + 1;
  const by = Math.max(0, Math.min(depth, most)) - branch[0].depth;
  return [...rest.slice(0, at), ...branch.map((row) => ({ ...row, depth: row.depth + by })), ...rest.slice(at)];
}

/** Hangs a node, with all under it, under another one as its last; under itself or its own branch it stays. */
export function rehung(recipe: MapRecipe, id: string, under: string | null): MapRecipe {
  const byId = new Map(recipe.nodes.map((node) => [node.id, node]));
  for (let up = under; up !== null; up = byId.get(up)?.parent ?? null) if (up === id) return recipe;
  const nodes = recipe.nodes.filter((node) => node.id !== id);
  nodes.push({ ...byId.get(id)!, parent: under });
  return { ...recipe, nodes: inOrder(nodes) };
}

/** A new node after (as sibling) or under another one; the map and its id. */
export function withNode(recipe: MapRecipe, at: string, as: 'child' | 'sibling'): { recipe: MapRecipe; id: string } {
  const id = freeId(recipe.nodes.map((node) => node.id));
  const beside = recipe.nodes.find((node) => node.id === at);
  const parent = as === 'child' ? at : (beside?.parent ?? null);
  const node: MapNode = { id, text: '', parent, link: '', picture: null };
  const rest = recipe.nodes.slice();
  const index = as === 'child' ? rest.length : rest.findIndex((one) => one.id === at) + 1;
  rest.splice(index, 0, node);
  return { recipe: { ...recipe, nodes: inOrder(rest) }, id };
}

/** Removes nodes; their children move up to what they hung under. */
export function withoutNodes(recipe: MapRecipe, gone: ReadonlySet<string>): MapRecipe {
  const byId = new Map(recipe.nodes.map((node) => [node.id, node]));
  const nodes = recipe.nodes
    .filter(({ id }) => !gone.has(id))
    .map((node) => {
      let { parent } = node;
      while (parent !== null && gone.has(parent)) parent = byId.get(parent)!.parent;
      return parent === node.parent ? node : { ...node, parent };
    });
  return {
    ...recipe,
    nodes: inOrder(nodes),
    links: recipe.links.filter(({ from, to }) => !gone.has(from) && !gone.has(to)),
  };
}

/** Why an outline can't be read, and what to do about it. */
export class OutlineProblem extends Error {
  override name = 'OutlineProblem';
}

export function tooMany(count: number): OutlineProblem {
  return new OutlineProblem(
    `These are ${count.toLocaleString('en')} lines; a map holds ${MOST_NODES}. Paste fewer, or make several maps.`,
  );
}

const BULLET = /^(?:[-*+•‣◦▪–—·●○■□►▸✓]|\(?(?:\d{1,3}|[a-z]|[ivx]{1,4})[.)])\s+/i;

/**
 * Reads an indented or bulleted list; any measure of indentation will do. @throws OutlineProblem when there is nothing
 * in it or too much.
 */
export function rowsFromText(text: string, taken: Iterable<string> = []): Row[] {
  const lines = text.split(/\r\n?|\n/).filter((line) => line.trim() !== '');
  if (lines.length === 0) throw new OutlineProblem('It has no text. Write one line for each thing.');
  if (lines.length > MOST_NODES) throw tooMany(lines.length);
  const nextId = freeIds(taken);
  const steps: number[] = [];
  return lines.map((line) => {
    const [space] = /^[\s\u00a0]*/.exec(line)!;
    const indent = [...space].reduce((sum, char) => sum + (char === '\t' ? 4 : 1), 0);
    while (steps.length > 0 && steps.at(-1)! >= indent) steps.pop();
    const depth = steps.length;
    steps.push(indent);
    const words = line.trim();
    const plain = words.replace(BULLET, '').trim();
    return { id: nextId(), text: cutTo(plain || words, LONGEST_NODE), depth };
  });
}

export const textOfRows = (rows: readonly Row[]): string =>
  rows.map(({ text, depth }) => '\t'.repeat(depth) + text).join('\n');
