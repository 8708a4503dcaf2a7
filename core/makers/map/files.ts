import { SaxesParser } from 'saxes';
import { z } from 'zod';
import { cutTo } from '../../values/characters';
import type { Row } from './outline';
import { inOrder, nodesFrom, OutlineProblem, rowsFromText, rowsOf, textOfRows, tooMany } from './outline';
import { freeIds, LONGEST_NODE, MapLink, MapLook, MapNode, MapRecipe, MOST_NODES } from '../../schema/recipes/map';

/**
 * Outlines and networks in open formats: OPML 2.0, GraphML 1.0, and indented text. What a map has and a format has not (words and
 * pictures of links and nodes, links across, its layout and look) is kept in attributes of our own name space, so that a map
 * that went out comes in again as it was.
 */

/** `drawn` is how a map that went out was laid out and drawn. */
export type ReadOutline = { nodes: MapNode[]; links: MapLink[]; drawn?: MapLook };

const OURS = 'urn:dappled-margin:map';
const lookOf = ({ nodes: _, links: __, ...look }: MapRecipe): MapLook => look;

/** What an attribute of ours holds, where it holds what it should. */
function parsed<T>(schema: z.ZodType<T>, json: string | undefined): T | undefined {
  if (json === undefined) return undefined;
  try {
    return schema.safeParse(JSON.parse(json)).data;
  } catch {
    return undefined;
  }
}

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

/** The longest chain that a map holds, in its wrappings. */
const DEEPEST = MOST_NODES + 10;

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
      `This ${format} file is damaged in line ${parser.line}: ${error.message.replace(/^[\d:]+\s*/, '')}. Save it again in the program it comes from.`,
    );
  });
  parser.write(xml).close();
}

/**
 * New names for the nodes of a file: their own where nobody has them yet. Links that go to what is not there are left out.
 */
function renamed({ nodes, links, drawn }: ReadOutline, taken: Iterable<string>): ReadOutline {
  const used = new Set(taken);
  const next = freeIds([...used, ...nodes.map(({ id }) => id)]);
  const names = new Map<string, string>();
  for (const { id } of nodes) names.set(id, used.has(id) ? next() : id);
  return {
    nodes: nodes.map((node) => ({
      ...node,
      id: names.get(node.id)!,
      parent: node.parent === null ? null : names.get(node.parent)!,
    })),
    links: links.flatMap((link) => {
      const [from, to] = [names.get(link.from), names.get(link.to)];
      return from && to ? [{ ...link, from, to }] : [];
    }),
    drawn,
  };
}

const isOurs = ({ attributes }: Open) => attributes['xmlns:map'] === OURS;

type Ours = Pick<ReadOutline, 'links' | 'drawn'>;

function readOpml(xml: string, taken: Iterable<string>): ReadOutline {
  const rows: Row[] = [];
  const tags: Record<string, string>[] = [];
  const nextId = freeIds(taken);
  let depth = 0;
  let count = 0;
  const found: { ours: Ours | null } = { ours: null };
  walk(xml, 'OPML', {
    open(tag) {
      const { name, attributes } = tag;
      if (name === 'opml' && isOurs(tag))
        found.ours = {
          drawn: parsed(MapLook, attributes['map:drawn']),
          links: parsed(z.array(MapLink).max(MOST_NODES), attributes['map:across']) ?? [],
        };
      if (name !== 'outline') return;
      count++;
      if (rows.length < MOST_NODES) {
        const words = attributes.text ?? attributes.title ?? '';
        // Others write formatted words as HTML.
        const text = found.ours
          ? cutTo(words.replace(/[\r\n]+/g, ' '), LONGEST_NODE)
          : cut(words.replace(/<[^<>]*>/g, ' '), LONGEST_NODE);
        rows.push({ id: nextId(), text, depth });
        tags.push(attributes);
      }
      depth++;
    },
    close({ name }) {
      if (name === 'outline') depth--;
    },
  });
  if (count > MOST_NODES) throw tooMany(count);
  if (count === 0) throw new OutlineProblem('There is no outline in this OPML file.');
  return found.ours
    ? renamed({ ...found.ours, nodes: ownNodes(rows, tags) }, taken)
    : { nodes: nodesFrom(rows), links: [] };
}

/** The rows of a map that went out as OPML, with what stands in their attributes; rows that came to it since have none. */
function ownNodes(rows: readonly Row[], tags: readonly Record<string, string>[]): MapNode[] {
  const used = new Set<string>();
  const own = tags.map((tag) => {
    const id = MapNode.shape.id.safeParse(tag['map:id']).data;
    if (!id || used.has(id)) return null;
    used.add(id);
    return id;
  });
  const next = freeIds(used);
  const named = rows.map((row, i) => ({ ...row, id: own[i] ?? next() }));
  return nodesFrom(named).map((node, i) => ({
    ...node,
    link: MapNode.shape.link.safeParse(tags[i]['map:link']).data ?? '',
    picture: MapNode.shape.picture.safeParse(tags[i]['map:picture']).data ?? null,
  }));
}

function readGraphml(xml: string, taken: Iterable<string>): ReadOutline {
  const labels = new Set<string>();
  const names = new Map<string, string>();
  const edges: { from: string; to: string; words: string; directed: boolean }[] = [];
  let directed = true;
  let drawn: MapLook | undefined;
  const own: { nodes: Map<string, Record<string, unknown>>; links: unknown[] } = { nodes: new Map(), links: [] };
  const owner = (stack: readonly Open[]) => stack.findLast(({ name }) => name === 'node' || name === 'edge');
  const said = new Map<Open, string>();
  walk(xml, 'GraphML', {
    open(tag) {
      if (tag.name === 'graphml' && isOurs(tag)) drawn = parsed(MapLook, tag.attributes['map:drawn']);
      if (tag.name === 'key' && /^(label|name|text|title|words|description)$/i.test(tag.attributes['attr.name'] ?? ''))
        labels.add(tag.attributes.id);
      if (tag.name === 'graph') directed = tag.attributes.edgedefault !== 'undirected';
    },
    close(tag, stack) {
      const { name, attributes } = tag;
      const holder = owner(stack);
      const labelled = (name === 'data' && labels.has(attributes.key)) || /^(node|edge)label$/.test(name);
      if (labelled && holder && (drawn || tag.text.trim())) said.set(holder, tag.text);
      const words = said.get(tag) ?? '';
      if (name === 'node') {
        const { id, 'map:picture': picture = null } = attributes;
        names.set(id, cut(words || (id ?? ''), LONGEST_NODE));
        own.nodes.set(id, { id, text: words, parent: null, link: '', picture });
      }
      if (name === 'edge') {
        const { source: from, target: to } = attributes;
        edges.push({
          from,
          to,
          words: cut(words, 120),
          directed: attributes.directed ? attributes.directed !== 'false' : directed,
        });
        if (attributes['map:link'] === 'outline') Object.assign(own.nodes.get(to) ?? {}, { parent: from, link: words });
        else {
          const { 'map:arrow': arrow, 'map:id': id } = attributes;
          own.links.push(arrow === 'back' ? { id, from: to, to: from, words, arrow } : { id, from, to, words, arrow });
        }
      }
    },
  });
  if (names.size === 0) throw new OutlineProblem('There are no nodes in this GraphML file.');
  if (names.size > MOST_NODES) throw tooMany(names.size);
  const ours = drawn && MapRecipe.safeParse({ ...drawn, nodes: [...own.nodes.values()], links: own.links }).data;
  if (ours) return renamed({ nodes: ours.nodes, links: ours.links, drawn }, taken);
  const lost = edges.find(({ from, to }) => !names.has(from) || !names.has(to));
  if (lost)
    throw new OutlineProblem(
      `A link of this GraphML file goes from “${lost.from}” to “${lost.to}”, and one of them is not in it. Save it again in the program it comes from.`,
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

/** As XML text: what it has no place for (control characters, halves of a character) is left out; spaces are kept as they are. */
const escaped = (text: string) =>
  text
    .toWellFormed()
    // No XML holds these.
    .replace(/[\0-\x08\x0b\x0c\x0e-\x1f\ufffe\uffff]/g, '')
    .replace(/[&<>"\t\n\r]/g, (c) => `&#${c.charCodeAt(0)};`);
const attribute = (name: string, value: string | null) => (value ? ` ${name}="${escaped(value)}"` : '');
const json = (name: string, value: unknown) => attribute(name, JSON.stringify(value));

/** A map as an outline; what hangs together across it, and how it is drawn, in attributes. */
export function opmlOf(title: string, recipe: MapRecipe): string {
  const nodes = inOrder(recipe.nodes);
  const rows = rowsOf(nodes);
  let body = '';
  rows.forEach(({ depth }, i) => {
    const { id, text, link, picture } = nodes[i];
    const next = rows[i + 1]?.depth ?? 0;
    const pad = '  '.repeat(depth + 2);
    const more = attribute('map:id', id) + attribute('map:link', link) + attribute('map:picture', picture);
    body += `${pad}<outline text="${escaped(text)}"${more}${next > depth ? '>' : '/>'}\n`;
    for (let d = depth; d > next; d--) body += `${'  '.repeat(d + 1)}</outline>\n`;
  });
  const ours = ` xmlns:map="${OURS}"${json('map:drawn', lookOf(recipe))}${json('map:across', recipe.links)}`;
  return `<?xml version="1.0" encoding="UTF-8"?>\n<opml version="2.0"${ours}>\n  <head><title>${escaped(title)}</title></head>\n  <body>\n${body}  </body>\n</opml>\n`;
}

/** A map as a network: links of the outline and across alike, told apart by an attribute. */
export function graphmlOf(recipe: MapRecipe): string {
  const label = (text: string) => (text ? `<data key="label">${escaped(text)}</data>` : '');
  const edge = (from: string, to: string, words: string, more: string) =>
    `    <edge source="${from}" target="${to}"${more}>${label(words)}</edge>\n`;
  const across = ({ id, from, to, words, arrow }: MapLink) => {
    const more = `${arrow === 'none' || arrow === 'both' ? ' directed="false"' : ''}${attribute('map:id', id)}${attribute('map:arrow', arrow)}`;
    return arrow === 'back' ? edge(to, from, words, more) : edge(from, to, words, more);
  };
  return (
    `<?xml version="1.0" encoding="UTF-8"?>\n<graphml xmlns="http://graphml.graphdrawing.org/xmlns" xmlns:map="${OURS}"${json('map:drawn', lookOf(recipe))}>\n` +
    '  <key id="label" for="all" attr.name="label" attr.type="string"/>\n  <graph edgedefault="directed">\n' +
    recipe.nodes
      .map(
        ({ id, text, picture }) => `    <node id="${id}"${attribute('map:picture', picture)}>${label(text)}</node>\n`,
      )
      .join('') +
    recipe.nodes
      .map(({ id, parent, link }) => (parent === null ? '' : edge(parent, id, link, ' map:link="outline"')))
      .join('') +
    recipe.links.map(across).join('') +
    '  </graph>\n</graphml>\n'
  );
}

export const indentedOf = (nodes: readonly MapNode[]): string => textOfRows(rowsOf(nodes));
