import type { Drawing } from '../items/kind';
import { scaledItem } from '../items/scale';
import type { Box } from '../geometry/matrix';
import type { Item, Page, Sheet, TextItem } from '../schema/sheet';
import { grownHeight, layOut } from '../text/fit';
import { roleOf } from '../text/style';
import { union } from '../geometry/box';
import type { Layout, Placed } from './layouts';
import type { Part } from './parts';
import { leastSize, partsOf } from './parts';

type Resources = Pick<Drawing, 'faces' | 'pictures'>;

/** The most that pictures and shapes are enlarged, so that a small one does not dominate. */
const LARGEST = 2.4;
/** Text never gets smaller than this many points, nor than this share of its size. */
const LEAST_POINTS = 8;
const LEAST_SHARE = 0.5;

/**
 * The page with its things placed by a layout: all of them, or those chosen within the box that they take up now. Lines that
 * hold on to things follow by themselves; what is locked, hidden or fills the page stays.
 */
export function arranged(
  sheet: Sheet,
  page: Page,
  layout: Layout,
  ids: readonly string[] | null,
  resources: Resources,
): Page {
  const parts = partsOf(page, ids, resources.pictures);
  if (parts.length === 0) return page;
  const inset = Math.max(page.margin, Math.min(page.width, page.height) * 0.04);
  const whole = { x: inset, y: inset, width: page.width - 2 * inset, height: page.height - 2 * inset };
  const area = ids ? union(parts.map((part) => part.box)) : whole;
  if (area.width < 10 || area.height < 10) return page;
  const gap = Math.max(6, Math.min(area.width, area.height) * 0.025);
  const cells = layout.place(
    parts.map((part) => placed(part, sheet, resources)),
    area,
    gap,
  );
  const next = new Map<string, Item>();
  for (const part of parts) {
    const cell = cells.get(part.id);
    if (cell) for (const item of settled(part, cell, sheet, resources)) next.set(item.id, item);
  }
  return { ...page, items: page.items.map((item) => next.get(item.id) ?? item) };
}

function placed(part: Part, sheet: Sheet, resources: Resources): Placed {
  const ratio = part.box.width / Math.max(1, part.box.height);
  const [item] = part.items;
  return {
    id: part.id,
    weight: part.weight,
    ratio: Math.max(0.2, Math.min(6, ratio)),
    title: part.title,
    heightAt: (width) =>
      part.flows ? neededHeight(item as TextItem, width, 1, sheet, resources) : Math.max(1, width / ratio),
  };
}

const inSize = (item: TextItem, factor: number, sheet: Sheet): TextItem => {
  if (factor === 1) return item;
  const box = (side: number) => ({ x: 0, y: 0, width: side, height: side });
  return scaledItem(item, box(1), box(factor), { words: 'all', weights: false, roles: sheet.roles }) as TextItem;
};

function neededHeight(item: TextItem, width: number, factor: number, sheet: Sheet, { faces }: Resources): number {
  const sized = inSize(item, factor, sheet);
  const fit = sized.fit === 'width' || sized.fit === 'lines' ? sized.fit : 'grow';
  return grownHeight(sized.body, roleOf(sheet, sized.role), { ...sized, width, fit }, faces);
}

/** The items of a part in its cell: text wrapped and, where needed, smaller; everything else in proportion. */
function settled(part: Part, cell: Box, sheet: Sheet, resources: Resources): Item[] {
  if (part.flows) return [flowed(part, cell, sheet, resources)];
  const { box } = part;
  const factor = Math.min(cell.width / Math.max(1, box.width), cell.height / Math.max(1, box.height), LARGEST);
  const [width, height] = [box.width * factor, box.height * factor];
  const to = { x: cell.x + (cell.width - width) / 2, y: cell.y + (cell.height - height) / 2, width, height };
  return part.items.map((item) => scaledItem(item, box, to, { words: 'all', weights: false, roles: sheet.roles }));
}

function flowed(part: Part, cell: Box, sheet: Sheet, resources: Resources): TextItem {
  const item = part.items[0] as TextItem;
  const least = Math.min(1, Math.max(LEAST_SHARE, LEAST_POINTS / leastSize(part, sheet)));
  let factor = 1;
  const fits = (size: number) =>
    neededHeight(item, cell.width, size, sheet, resources) <= cell.height + 0.01 &&
    unbroken(inSize(item, size, sheet), cell.width, sheet, resources);
  if (!fits(1)) {
    let [low, high] = [least, 1];
    for (let step = 0; step < 9; step++) {
      const middle = (low + high) / 2;
      if (fits(middle)) low = middle;
      else high = middle;
    }
    factor = low;
  }
  const sized = inSize(item, factor, sheet);
  const need = neededHeight(item, cell.width, factor, sheet, resources);
  const height = Math.min(cell.height, need);
  const boxed = item.fill !== null || item.outline !== null;
  return {
    ...sized,
    // A box with a background fills its cell; text alone takes what it needs.
    height: boxed ? cell.height : height,
    width: cell.width,
    x: cell.x,
    y: part.title || boxed ? cell.y : cell.y + Math.max(0, cell.height - height) * 0.12,
    // What is still too large for its cell is scaled down.
    fit: need > cell.height + 0.01 ? 'shrink' : sized.fit,
  };
}

/** Whether every word fits the width as a whole. */
function unbroken(item: TextItem, width: number, sheet: Sheet, { faces }: Resources): boolean {
  const longest = item.body.map((p) => ({
    ...p,
    runs: p.runs.flatMap((run) =>
      run.text
        .split(/[\s/-]+/)
        .filter(Boolean)
        .sort((a, b) => b.length - a.length)
        .slice(0, 3)
        .map((word) => ({ ...run, text: word })),
    ),
  }));
  const role = roleOf(sheet, item.role);
  return longest.every((p) =>
    p.runs.every((run) => {
      const one = [{ format: { ...p.format }, runs: [run] }];
      return layOut(one, role, { ...item, width, height: 1e4, fit: 'grow' }, faces).lines.length === 1;
    }),
  );
}
