import { z } from 'zod';
import { Hex, Id } from '../../values/primitives';
import type { RecipeKind } from './kind';

/** What a concept map is made from: an outline, links across it, and how it is laid out and drawn. */

export const MAP_LAYOUTS = ['down', 'right', 'radial', 'chain', 'cycle', 'nested', 'compare', 'network'] as const;
export type MapLayout = (typeof MAP_LAYOUTS)[number];
export const NODE_SHAPES = ['rectangle', 'pill', 'ellipse', 'hexagon', 'cloud', 'plain'] as const;
export const ARROWS = ['none', 'forward', 'back', 'both'] as const;

/** More than these are no map that can be read. */
export const MOST_NODES = 600;
export const LONGEST_NODE = 300;

export const MapNode = z.strictObject({
  id: Id.max(16),
  text: z
    .string()
    .max(LONGEST_NODE, `at most ${LONGEST_NODE} characters`)
    .regex(/^[^\n\r]*$/),
  /** What it hangs under; null at the top. */
  parent: Id.max(16).nullable(),
  /** The words on the link from what it hangs under. */
  link: z.string().max(120).default(''),
  /** SET/NAME of a picture beside it. */
  picture: z.string().max(90).nullable().default(null),
});

/** A link across the outline. */
export const MapLink = z.strictObject({
  id: Id.max(16),
  from: Id.max(16),
  to: Id.max(16),
  words: z.string().max(120).default(''),
  arrow: z.enum(ARROWS).default('forward'),
});

export const NodeLook = z.strictObject({
  shape: z.enum(NODE_SHAPES),
  fill: Hex.nullable(),
  edge: Hex.nullable(),
  colour: Hex,
  bold: z.boolean(),
  /** A multiple of the map's size of words. */
  scale: z.number().min(0.5).max(4),
});

/** How a map is laid out and drawn, whatever it says. */
export const MapLook = z.strictObject({
  layout: z.enum(MAP_LAYOUTS),
  route: z.enum(['straight', 'stepped', 'curved']),
  arrows: z.enum(ARROWS),
  /** By how deep a node hangs; the last goes for all deeper ones. */
  looks: z.array(NodeLook).min(1).max(6),
  /** The size of words in points; they get smaller where the frame is too small. */
  size: z.number().min(5).max(120),
  edge: Hex,
});

export const MapRecipe = z
  .strictObject({
    /** In the order of the outline: what hangs under another comes after it. */
    nodes: z.array(MapNode).max(MOST_NODES, `a map holds at most ${MOST_NODES} lines`),
    links: z.array(MapLink).max(MOST_NODES),
    ...MapLook.shape,
  })
  .superRefine(({ nodes, links }, context) => {
    const seen = new Set<string>();
    for (const [i, { id, parent }] of nodes.entries()) {
      const wrong = seen.has(id)
        ? 'two nodes share one identity'
        : parent !== null && !seen.has(parent)
          ? 'what a node hangs under comes before it'
          : null;
      if (wrong) context.addIssue({ code: 'custom', path: ['nodes', i], message: wrong });
      seen.add(id);
    }
    for (const [i, { from, to }] of links.entries())
      if (!seen.has(from) || !seen.has(to))
        context.addIssue({ code: 'custom', path: ['links', i], message: 'a link joins two nodes of the map' });
  });

export type MapNode = z.infer<typeof MapNode>;
export type MapLink = z.infer<typeof MapLink>;
export type NodeLook = z.infer<typeof NodeLook>;
export type MapLook = z.infer<typeof MapLook>;
export type MapRecipe = z.infer<typeof MapRecipe>;

/** Short ids that are not in use, one after the other. */
export function freeIds(taken: Iterable<string>): () => string {
  const used = new Set(taken);
  return () => {
    let n = used.size + 1;
    while (used.has(n.toString(36))) n++;
    const id = n.toString(36);
    used.add(id);
    return id;
  };
}
export const freeId = (taken: Iterable<string>): string => freeIds(taken)();

export const MAP: RecipeKind<'map', typeof MapRecipe> = {
  kind: 'map',
  name: 'concept map',
  recipe: MapRecipe,
  open: true,
  followsParts: true,
  pictures: ({ nodes }) => nodes.flatMap(({ picture }) => picture ?? []),
};
