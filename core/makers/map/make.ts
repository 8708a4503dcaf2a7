import { cutTo } from '../../values/characters';
import type { Item } from '../../schema/sheet';
import type { Asked, Kit, Made, Maker } from '../kit/maker';
import { saidBy } from '../kit/measure';
import type { Inset } from './drawing';
import { Drawing } from './drawing';
import { fitted } from './fit';
import { withoutNodes } from './outline';
import type { MapRecipe } from '../../schema/recipes/map';
import { LONGEST_NODE } from '../../schema/recipes/map';
import { Words } from './sizes';

/** From a map's recipe to its items. Parts: n- nodes, p- pictures, l- links of the outline, x- links across, w- and y- words. */

const TOO_LARGE =
  'The map is larger than its frame, even with the smallest words. Make the frame larger, shorten the outline, or split it into two maps.';

/** How often nodes make room for what reaches over the frame. */
const STEPS = 4;

export async function makeMap(asked: Asked<MapRecipe>, kit: Kit): Promise<Made> {
  if (asked.recipe.nodes.length === 0)
    return { items: [], notes: ['The outline is empty: write its first line, and the map appears.'] };
  const words = new Words(asked.recipe, kit);
  let inset: Inset = { left: 0, top: 0, right: 0, bottom: 0 };
  for (let step = 0; ; step++) {
    const [width, height] = [asked.width - inset.left - inset.right, asked.height - inset.top - inset.bottom];
    const fit = await fitted(words, Math.max(20, width), Math.max(20, height));
    const drawing = new Drawing(asked, fit, inset);
    const over = drawing.beyond;
    const reaches = Object.values(over).some((by) => by > 0);
    if (!reaches || !fit.fits || step === STEPS) {
      const notes = fit.fits && !reaches ? drawing.notes : [TOO_LARGE, ...drawing.notes];
      return { items: drawing.items, notes, moved: drawing.moved };
    }
    inset = {
      left: inset.left + over.left * 1.1,
      top: inset.top + over.top * 1.1,
      right: inset.right + over.right * 1.1,
      bottom: inset.bottom + over.bottom * 1.1,
    };
  }
}

/** Words typed into nodes and links, nodes and links that were taken away. */
export function absorbMap(recipe: MapRecipe, parts: ReadonlyMap<string, Item>, made: readonly string[]): MapRecipe {
  const wasMade = new Set(made);
  const gone = (part: string) => wasMade.has(part) && !parts.has(part);
  let next = recipe;
  const nodes = recipe.nodes.map((node) => {
    const words = cutTo(saidBy(parts, `n-${node.id}`) ?? node.text, LONGEST_NODE);
    const link = cutTo(gone(`w-${node.id}`) ? '' : (saidBy(parts, `w-${node.id}`) ?? node.link), 120);
    const item = parts.get(`p-${node.id}`);
    const shown = item?.kind === 'picture' ? item.picture : gone(`p-${node.id}`) ? null : node.picture;
    return words === node.text && link === node.link && shown === node.picture
      ? node
      : { ...node, text: words, link, picture: shown };
  });
  if (nodes.some((node, i) => node !== recipe.nodes[i])) next = { ...next, nodes };
  const links = next.links
    .filter(({ id }) => !gone(`x-${id}`))
    .map((one) => {
      const words = cutTo(gone(`y-${one.id}`) ? '' : (saidBy(parts, `y-${one.id}`) ?? one.words), 120);
      return words === one.words ? one : { ...one, words };
    });
  if (links.length < next.links.length || links.some((one, i) => one !== next.links[i])) next = { ...next, links };
  const lost = new Set(recipe.nodes.map(({ id }) => id).filter((id) => gone(`n-${id}`)));
  return lost.size > 0 ? withoutNodes(next, lost) : next;
}

export const MAP: Maker<MapRecipe> = { kind: 'map', make: makeMap, absorb: absorbMap };
