import type { Pictures } from '../pictures/picture';
import { overlapArea, union } from '../geometry/box';
import { boxOf } from '../items/hit';
import type { Box } from '../geometry/matrix';
import type { Item, Page, Sheet } from '../schema/sheet';
import { isFramed, isWritten } from '../schema/sheet';
import { isEmpty } from '../text/body';
import { roleOf } from '../text/style';

/** What an arrangement places: one item, or several that belong together, such as a diagram with its labels. */
export type Part = {
  id: string;
  items: Item[];
  /** The box around them, as they lie now. */
  box: Box;
  /** Words that can be wrapped to any width; all else keeps its proportion. */
  flows: boolean;
  /** How much of the page it claims, against the others. */
  weight: number;
  /** A title goes first and across. */
  title: boolean;
};

const ROLE_WEIGHT: Record<string, number> = { title: 3, heading: 2, name: 0.4, instruction: 0.7, bank: 0.8 };
/** Things that fill the page are its background, and stay. */
const GROUND = 0.8;

/** The parts of a page, or of some of its top-level items, in reading order with titles first. */
export function partsOf(page: Page, ids: readonly string[] | null, pictures: Pictures): Part[] {
  const candidates = page.items.filter(
    (item) => !item.hidden && !item.locked && isFramed(item) && (!ids || ids.includes(item.id)),
  );
  const boxes = new Map(candidates.map((item) => [item.id, boxOf(page, item, pictures)]));
  const placed = candidates.filter((item) => {
    const { width, height } = boxes.get(item.id)!;
    return width * height < page.width * page.height * GROUND;
  });
  const root = new Map(placed.map((item) => [item.id, item.id]));
  const rootOf = (id: string): string => (root.get(id) === id ? id : rootOf(root.get(id)!));
  // What a line joins to a part of a picture belongs to that picture.
  for (const line of page.items) {
    if (line.kind !== 'line' || (line.from.target === null && line.to.target === null)) continue;
    const [a, b] = [line.from.item, line.to.item];
    if (a !== null && b !== null && root.has(a) && root.has(b)) root.set(rootOf(a), rootOf(b));
  }
  // What lies on something, as words on a ribbon, goes with it.
  placed.forEach((a, i) =>
    placed.slice(i + 1).forEach((b) => {
      if (covered(boxes.get(a.id)!, boxes.get(b.id)!)) root.set(rootOf(a.id), rootOf(b.id));
    }),
  );
  const groups = new Map<string, Item[]>();
  for (const item of placed) groups.set(rootOf(item.id), [...(groups.get(rootOf(item.id)) ?? []), item]);
  const parts = [...groups].map(([id, items]): Part => {
    const box = union(items.map((item) => boxes.get(item.id)!));
    const [only] = items;
    const roles = items.map((item) => item.role ?? '');
    const title = roles.includes('title');
    const role = title ? 'title' : items.length === 1 ? roles[0] : '';
    const flows =
      items.length === 1 &&
      only.kind === 'text' &&
      only.angle % 360 === 0 &&
      !isEmpty(only.body) &&
      !(only.lettering && only.lettering.curve !== 'straight');
    return {
      id,
      items,
      box,
      flows,
      weight: (ROLE_WEIGHT[role] ?? 1) * Math.sqrt(Math.max(100, box.width * box.height)),
      title,
    };
  });
  // Reading order: by rows a sixth of the page high, then across.
  const row = page.height / 6;
  return parts.sort(
    (a, b) =>
      Number(b.title) - Number(a.title) ||
      Math.round(a.box.y / row) - Math.round(b.box.y / row) ||
      a.box.x - b.box.x ||
      (a.id < b.id ? -1 : 1),
  );
}

/** Whether the smaller of two boxes lies in the other for the most part. */
function covered(a: Box, b: Box): boolean {
  return overlapArea(a, b) > Math.min(a.width * a.height, b.width * b.height) * 0.8;
}

/** The size that words of a part are set in at the moment, for telling how far they may shrink. */
export function leastSize(part: Part, sheet: Pick<Sheet, 'roles'>): number {
  const sizes = part.items.flatMap((item) =>
    isWritten(item)
      ? item.body.flatMap((p) => p.runs.map((run) => run.style.size ?? roleOf(sheet, item.role).run.size))
      : [],
  );
  return sizes.length > 0 ? Math.min(...sizes) : 14;
}
