import type { MapRecipe, NodeLook } from '../../schema/recipes/map';

/** A map as it begins: one node, in the colours of the sheet. */

const INK = '#2a2820';

/** Dark, middle and light of a palette by place, as sheets have them. */
const at = (palette: readonly string[], i: number, otherwise: string) => palette[i] ?? otherwise;

export function looksFrom(palette: readonly string[]): NodeLook[] {
  return [
    { shape: 'pill', fill: at(palette, 1, '#2f4d26'), edge: null, colour: '#ffffff', bold: true, scale: 1.35 },
    {
      shape: 'rectangle',
      fill: at(palette, 3, '#dfe8d0'),
      edge: at(palette, 2, '#7f9d63'),
      colour: INK,
      bold: true,
      scale: 1.1,
    },
    { shape: 'rectangle', fill: '#ffffff', edge: at(palette, 2, '#7f9d63'), colour: INK, bold: false, scale: 1 },
    { shape: 'plain', fill: null, edge: null, colour: INK, bold: false, scale: 0.95 },
  ];
}

/** What stands in the one node of a map that nobody has written in yet. */
const FIRST_WORDS = 'Main idea';

export const isUntouched = ({ nodes }: Pick<MapRecipe, 'nodes'>): boolean =>
  nodes.length === 1 && nodes[0].text === FIRST_WORDS;

export const beginMap = (palette: readonly string[]): MapRecipe => ({
  nodes: [{ id: '1', text: FIRST_WORDS, parent: null, link: '', picture: null }],
  links: [],
  layout: 'right',
  route: 'curved',
  arrows: 'none',
  looks: looksFrom(palette),
  size: 13,
  edge: '#6b6450',
});
