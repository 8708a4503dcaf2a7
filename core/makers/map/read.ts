import { centre } from '../../geometry/box';
import { boxOf } from '../../items/hit';
import { linePoints } from '../../items/line';
import { distanceTo } from '../../placement/line';
import { transform } from '../../geometry/matrix';
import { parentMatrix } from '../../placement/on-page';
import { bodyText, isEmpty } from '../../text/body';
import type { Item, LineItem, Page, Sheet, WrittenItem } from '../../schema/sheet';
import { isWritten } from '../../schema/sheet';
import { everyItem, findOn } from '../../sheet/tree';

/** The concept map that is drawn on a sheet, by whatever means: words, and lines that hold on to them at both ends. */

export type ReadNode = { item: string; text: string };
export type ReadLink = {
  item: string;
  from: string;
  to: string;
  words: string;
  /** Whether arrows tell which way it goes. */
  directed: boolean;
};
export type ReadMap = { nodes: ReadNode[]; links: ReadLink[] };

const ARROWS = new Set(['arrow', 'open']);
/** How near words stand to the link that they are about, in points. */
const NEAR = 16;

const noPictures = () => undefined;
const words = (item: WrittenItem) => bodyText(item.body).replace(/\s+/g, ' ').trim();

export function readMap(sheet: Sheet): ReadMap {
  const out: ReadMap = { nodes: [], links: [] };
  for (const page of sheet.pages) {
    const lines = everyItem(page).filter((item): item is LineItem => item.kind === 'line' && !item.hidden);
    const held = new Set(lines.flatMap((line) => [line.from.item, line.to.item]));
    const writtenAt = (id: string | null) => {
      const item = id === null ? undefined : findOn(page, id)?.item;
      return item && isWritten(item) && !item.hidden ? item : null;
    };
    for (const item of everyItem(page))
      if (isWritten(item) && !item.hidden && !isEmpty(item.body) && (item.kind === 'shape' || held.has(item.id)))
        out.nodes.push({ item: item.id, text: words(item) });
    const free = everyItem(page).filter(
      (item): item is WrittenItem =>
        isWritten(item) && item.kind === 'text' && !item.hidden && !held.has(item.id) && !isEmpty(item.body),
    );
    for (const line of lines) {
      const [from, to] = [writtenAt(line.from.item), writtenAt(line.to.item)];
      if (!from || !to || line.from.target !== null || line.to.target !== null) continue;
      const [start, end] = [ARROWS.has(line.startCap), ARROWS.has(line.endCap)];
      const back = start && !end;
      const about = wordsOf(page, line, free);
      out.links.push({
        item: line.id,
        from: back ? to.id : from.id,
        to: back ? from.id : to.id,
        words: about ? words(about) : '',
        directed: start !== end,
      });
    }
  }
  return out;
}

/** The words on a link: those that were made for it, or what stands nearest to it. */
function wordsOf(page: Page, line: LineItem, free: readonly WrittenItem[]): WrittenItem | null {
  const part = line.made?.part.replace(/^l-/, 'w-').replace(/^x-/, 'y-');
  if (part) {
    const siblings: readonly Item[] = findOn(page, line.id)?.siblings ?? [];
    const own = siblings.find((item) => item.made?.part === part);
    return own && isWritten(own) ? own : null;
  }
  const matrix = parentMatrix(page, line.id);
  const points = linePoints(page, line, noPictures).map((point) => transform(matrix, point));
  let best: WrittenItem | null = null;
  let nearest = NEAR;
  for (const item of free) {
    const far = distanceTo(points, centre(boxOf(page, item, noPictures)));
    if (far < nearest) {
      nearest = far;
      best = item;
    }
  }
  return best;
}
