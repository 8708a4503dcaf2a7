import { kindOf } from '../items/all';
import type { Exchange } from '../items/kind';
import { recoloured, recolouredPaint } from '../items/colours';
import type { Item, Page, Sheet } from '../schema/sheet';
import { isFramed } from '../schema/sheet';

/** Exchanges colours throughout a sheet: words, fills, outlines, roles, backgrounds. Pictures keep theirs. */

export function recolouredItem(item: Item, to: Exchange): Item {
  const after = kindOf(item).recoloured(item, to, (part) => recolouredItem(part, to));
  return isFramed(after) ? { ...after, shadow: recoloured(after.shadow, to) } : after;
}

export const recolouredPage = (page: Page, to: Exchange): Page => ({
  ...page,
  background: recolouredPaint(page.background, to),
  items: page.items.map((item) => recolouredItem(item, to)),
});

/** The sheet with another palette: each colour that was in the old one becomes the one in its place. */
export function withPalette(sheet: Sheet, palette: readonly string[]): Sheet {
  const exchange = new Map(sheet.palette.map((hex, i) => [hex, palette[i] ?? hex]));
  const to = (hex: string) => exchange.get(hex) ?? hex;
  return {
    ...sheet,
    palette: [...palette],
    roles: Object.fromEntries(
      Object.entries(sheet.roles).map(([id, role]) => [
        id,
        { ...role, run: { ...role.run, colour: to(role.run.colour) } },
      ]),
    ),
    pages: sheet.pages.map((page) => recolouredPage(page, to)),
  };
}
