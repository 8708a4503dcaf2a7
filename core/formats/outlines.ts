import { cutTo } from '../text/characters';
import { SaxesParser } from 'saxes';
import type { Row } from '../makers/map/outline';
import { inOrder, nodesFrom, OutlineProblem, rowsFromText, rowsOf, textOfRows, tooMany } from '../makers/map/outline';
import type { MapLink, MapNode, MapRecipe } from '../makers/map/recipe';
import { freeIds, LONGEST_NODE, MOST_NODES } from '../makers/map/recipe';

/** Outlines and networks in open formats: OPML 2.0, GraphML 1.0, and indented text. */

export type ReadOutline = { nodes: MapNode[]; links: MapLink[] };

const cut = (text: string, most: number) => cutTo(text.replace(/\s+/g, ' ').trim(), most);

/**
 * Reads whatever outline a text holds.
 * @throws OutlineProblem with what is wrong, where, and what to do.
 */
export function readOutline(text: string, taken: Iterable<string> = []): ReadOutline {
  const start = text.trimStart().slice(0, 600);
  if (/<opml[\s>]/i.test(start)) return readOpml(text, taken);
  if (/<graphml[\s>]/i.test(start)) return readGraphml(text, taken);
  return { nodes: nodesFrom(rowsFromText(text, taken)), links: [] };
}

/** No outline that is read by people is nested deeper. */
const DEEPEST = 200;

type Open = { name: string; attributes: Record<string, string>; text: string };

/** Walks an XML text. Entities are not expanded beyond those of XML itself, and nothing is fetched. */
function walk(
  xml: string,
  format: string,
  on: { open?(tag: Open, stack: readonly Open[]): void; close?(tag: Open, stack: readonly Open[]): void },
) {
  const parser = new SaxesParser();
  const stack: Open[] = [];
  parser.on('opentag', ({ name, attributes }) => {
    if (stack.length >= DEEPEST)
      throw new OutlineProblem(`This ${format} file is nested more than ${DEEPEST} deep. Take one that is flatter.`);
    const tag = {
      name: name.replace(/^.*:/, '').toLowerCase(),
      attributes: attributes as Record<string, string>,
      text: '',
    };
    stack.push(tag);
    on.open?.(tag, stack);
  });
  const take = (text: string) => {
    const tag = stack.at(-1);
    if (tag) tag.text += text;
  };
  parser.on('text', take);
  parser.on('cdata', take);
  parser.on('closetag', () => {
    const tag = stack.pop();
    if (!tag) return;
    on.close?.(tag, stack);
    take(tag.text);
  });
  parser.on('error', (error) => {
    throw new OutlineProblem(
      `This ${format} file is damaged in line ${parser.line}: ${error.message.replace(/^[\d:]+\s*/, '')}. Save it anew where it comes from.`,
    );
  });
  parser.write(xml).close();
}

function readOpml(xml: string, taken: Iterable<string>): ReadOutline {
  const rows: Row[] = [];
  const nextId = freeIds(taken);
  let depth = 0;
  let count = 0;
  walk(xml, 'OPML', {
    open({ name, attributes }) {
      if (name !== 'outline') return;
      count++;
      if (rows.length < MOST_NODES) {
        const words = attributes.text ?? attributes.title ?? '';
        rows.push({ id: nextId(), text: cut(words.replace(/<[^<>]*>/g, ' '), LONGEST_NODE), depth });
      }
      depth++;
    },
    close({ name }) {
      if (name === 'outline') depth--;
    },
  });
  if (count > MOST_NODES) throw tooMany(count);
  if (count === 0) throw new OutlineProblem('There is no outline in this OPML file.');
  return { nodes: nodesFrom(rows), links: [] };
}

function readGraphml(xml: string, taken: Iterable<string>): ReadOutline {
  const labels = new Set<string>();
  const names = new Map<string, string>();
  const edges: { from: string; to: string; words: string; directed: boolean }[] = [];
  let directed = true;
  const owner = (stack: readonly Open[]) => stack.findLast(({ name }) => name === 'node' || name === 'edge');
  const said = new Map<Open, string>();
  walk(xml, 'GraphML', {
    open(tag) {
      if (tag.name === 'key' && /^(label|name|text|title|words|description)$/i.test(tag.attributes['attr.name'] ?? ''))
        labels.add(tag.attributes.id);
      if (tag.name === 'graph') directed = tag.attributes.edgedefault !== 'undirected';
    },
    close(tag, stack) {
      const holder = owner(stack);
      const labelled = (tag.name === 'data' && labels.has(tag.attributes.key)) || /^(node|edge)label$/.test(tag.name);
      if (labelled && holder && tag.text.trim()) said.set(holder, tag.text);
      if (tag.name === 'node')
        names.set(tag.attributes.id, cut(said.get(tag) ?? tag.attributes.id ?? '', LONGEST_NODE));
      if (tag.name === 'edge')
        edges.push({
          from: tag.attributes.source,
          to: tag.attributes.target,
          words: cut(said.get(tag) ?? '', 120),
          directed: tag.attributes.directed ? tag.attributes.directed !== 'false' : directed,
        });
    },
  });
  if (names.size === 0) throw new OutlineProblem('There are no nodes in this GraphML file.');
  if (names.size > MOST_NODES) throw tooMany(names.size);
  const lost = edges.find(({ from, to }) => !names.has(from) || !names.has(to));
  if (lost)
    throw new OutlineProblem(
      `A link of this GraphML file goes from “${lost.from}” to “${lost.to}”, and one of them is not in it. Save it anew where it comes from.`,
    );
  return hung(names, edges, taken);
}

/** A network as an outline: each node hangs under the first that leads to it; what is left over goes across, loops included. */
function hung(
  names: ReadonlyMap<string, string>,
  edges: readonly { from: string; to: string; words: string; directed: boolean }[],
  taken: Iterable<string>,
): ReadOutline {
  const nextId = freeIds(taken);
  const ids = new Map([...names.keys()].map((name) => [name, nextId()]));
  const arrivals = new Set(edges.filter(({ from, to }) => from !== to).map(({ to }) => to));
  const nodes: MapNode[] = [];
  const placed = new Set<string>();
  const tree = new Set<number>();
  const leaving = new Map<string, number[]>();
  edges.forEach(({ from }, i) => {
    const here = leaving.get(from);
    if (here) here.push(i);
    else leaving.set(from, [i]);
  });
  const put = (name: string, parent: string | null, link: string) => {
    placed.add(name);
    nodes.push({ id: ids.get(name)!, text: names.get(name)!, parent: parent && ids.get(parent)!, link, picture: null });
  };
  // Nodes that nothing leads to begin; whatever only goes round begins anywhere.
  const starts = [...names.keys()].sort((a, b) => Number(arrivals.has(a)) - Number(arrivals.has(b)));
  for (const start of starts) {
    if (placed.has(start)) continue;
    put(start, null, '');
    const queue = [start];
    for (let at = queue.shift(); at !== undefined; at = queue.shift())
      for (const i of leaving.get(at) ?? []) {
        const { to, words } = edges[i];
        if (placed.has(to)) continue;
        put(to, at, words);
        tree.add(i);
        queue.push(to);
      }
  }
  const links: MapLink[] = edges.flatMap(({ from, to, words, directed }, i) =>
    tree.has(i) || from === to
      ? []
      : [{ id: `x${i}`, from: ids.get(from)!, to: ids.get(to)!, words, arrow: directed ? 'forward' : 'none' }],
  );
  return { nodes: inOrder(nodes), links: links.slice(0, MOST_NODES) };
}

const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

export function opmlOf(title: string, nodes: readonly MapNode[]): string {
  const rows = rowsOf(nodes);
  let body = '';
  rows.forEach(({ text, depth }, i) => {
    const next = rows[i + 1]?.depth ?? 0;
    const pad = '  '.repeat(depth + 2);
    body += `${pad}<outline text="${escaped(text)}"${next > depth ? '>' : '/>'}\n`;
    for (let d = depth; d > next; d--) body += `${'  '.repeat(d + 1)}</outline>\n`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<opml version="2.0">\n  <head><title>${escaped(title)}</title></head>\n  <body>\n${body}  </body>\n</opml>\n`;
}

export function graphmlOf({ nodes, links }: Pick<MapRecipe, 'nodes' | 'links'>): string {
  const label = (text: string) => (text ? `<data key="label">${escaped(text)}</data>` : '');
  const edge = (from: string, to: string, words: string, both = false) =>
    `    <edge source="${from}" target="${to}"${both ? ' directed="false"' : ''}>${label(words)}</edge>\n`;
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n<graphml xmlns="http://graphml.graphdrawing.org/xmlns">\n' +
    '  <key id="label" for="all" attr.name="label" attr.type="string"/>\n  <graph edgedefault="directed">\n' +
    nodes.map(({ id, text }) => `    <node id="${id}">${label(text)}</node>\n`).join('') +
    nodes.map(({ id, parent, link }) => (parent === null ? '' : edge(parent, id, link))).join('') +
    links
      .map(({ from, to, words, arrow }) =>
        arrow === 'back' ? edge(to, from, words) : edge(from, to, words, arrow === 'none' || arrow === 'both'),
      )
      .join('') +
    '  </graph>\n</graphml>\n'
  );
}

export const indentedOf = (nodes: readonly MapNode[]): string => textOfRows(rowsOf(nodes));
