import { scaledItem } from './scale';
import type { Item, LineItem, Page, TextRole, Sheet } from '../schema/sheet';

/** Changing the size of pages, in one of two ways to choose from. */

/** Keep things as they are and add room (or lose some): 0, 0 leaves them at the top left, 1, 1 at the bottom right. */
export type Keep = { how: 'keep'; x: 0 | 0.5 | 1; y: 0 | 0.5 | 1 };
/** Scale everything with the page: places, words, weights. */
export type Scale = { how: 'scale' };
export type Way = Keep | Scale;

const moved = (item: Item, dx: number, dy: number): Item => {
  if (item.kind !== 'line') return { ...item, x: item.x + dx, y: item.y + dy };
  const end = (e: LineItem['from']) => ({ ...e, x: e.x + dx, y: e.y + dy });
  return { ...item, from: end(item.from), to: end(item.to) };
};

function kept(page: Page, width: number, height: number, { x, y }: Keep): Page {
  const [dx, dy] = [(width - page.width) * x, (height - page.height) * y];
  return {
    ...page,
    width,
    height,
    guides: page.guides.map((guide) => ({ ...guide, at: guide.at + (guide.axis === 'x' ? dx : dy) })),
    items: dx === 0 && dy === 0 ? page.items : page.items.map((item) => moved(item, dx, dy)),
  };
}

function scaled(page: Page, width: number, height: number, roles: Sheet['roles'], words: 'all' | 'own'): Page {
  const factor = Math.min(width / page.width, height / page.height);
  const before = { x: 0, y: 0, width: page.width, height: page.height };
  const after = {
    x: (width - page.width * factor) / 2,
    y: (height - page.height * factor) / 2,
    width: page.width * factor,
    height: page.height * factor,
  };
  return {
    ...page,
    width,
    height,
    guides: page.guides.map((guide) => ({
      ...guide,
      at: guide.at * factor + (guide.axis === 'x' ? after.x : after.y),
    })),
    margin: Math.min(360, page.margin * factor),
    grid: Math.min(720, page.grid * factor),
    items: page.items.map((item) => scaledItem(item, before, after, { words, weights: true, roles })),
  };
}

const scaledRole = (role: TextRole, factor: number): TextRole => ({
  ...role,
  run: {
    ...role.run,
    size: Math.max(1, Math.min(1000, Math.round(role.run.size * factor * 100) / 100)),
    letterSpacing: Math.max(-20, Math.min(200, role.run.letterSpacing * factor)),
  },
  paragraph: { ...role.paragraph, before: Math.min(500, role.paragraph.before * factor) },
});

/**
 * The sheet with pages of another size, in points. When every page is scaled by the same factor the text roles are scaled;
 * else the words of these pages get sizes of their own, so that the other pages stay as they are.
 */
export function resized(sheet: Sheet, ids: readonly string[], width: number, height: number, way: Way): Sheet {
  const chosen = sheet.pages.filter((page) => ids.includes(page.id));
  if (way.how === 'keep')
    return {
      ...sheet,
      pages: sheet.pages.map((page) => (chosen.includes(page) ? kept(page, width, height, way) : page)),
    };
  const factors = new Set(chosen.map((page) => Math.min(width / page.width, height / page.height)));
  const [factor] = factors;
  const whole = chosen.length === sheet.pages.length && factors.size === 1;
  return {
    ...sheet,
    roles: whole
      ? Object.fromEntries(Object.entries(sheet.roles).map(([id, role]) => [id, scaledRole(role, factor)]))
      : sheet.roles,
    pages: sheet.pages.map((page) =>
      chosen.includes(page) ? scaled(page, width, height, sheet.roles, whole ? 'own' : 'all') : page,
    ),
  };
}
