import type { Body, Item, Page, Paint, Sheet } from '../schema/sheet';

/** Exchanges colours throughout a sheet: words, fills, outlines, roles, grounds. Pictures keep theirs. */
export type Exchange = (hex: string) => string;

const paint = (given: Paint | null, to: Exchange): Paint | null => {
  if (!given) return null;
  if (given.kind === 'solid') return { ...given, colour: to(given.colour) };
  return { ...given, stops: given.stops.map((stop) => ({ ...stop, colour: to(stop.colour) })) };
};
const coloured = <T extends { colour: string } | null>(given: T, to: Exchange): T =>
  given && { ...given, colour: to(given.colour) };
const body = (given: Body, to: Exchange): Body =>
  given.map((p) => ({
    ...p,
    runs: p.runs.map((run) =>
      run.style.colour ? { ...run, style: { ...run.style, colour: to(run.style.colour) } } : run,
    ),
  }));

export function recolouredItem(item: Item, to: Exchange): Item {
  const shadow = coloured(item.shadow, to);
  switch (item.kind) {
    case 'text':
    case 'shape': {
      const worn = {
        ...item,
        shadow,
        body: body(item.body, to),
        fill: paint(item.fill, to),
        outline: coloured(item.outline, to),
      };
      if (worn.kind === 'shape') return worn;
      const { plate, lettering } = worn;
      return {
        ...worn,
        plate: coloured(plate, to),
        lettering: lettering && {
          ...lettering,
          fill: paint(lettering.fill, to),
          outline: coloured(lettering.outline, to),
        },
      };
    }
    case 'line':
      return { ...item, outline: coloured(item.outline, to) };
    case 'ink':
      return { ...item, shadow, colour: to(item.colour) };
    case 'picture':
      return { ...item, shadow };
    case 'group':
      return { ...item, shadow, items: item.items.map((part) => recolouredItem(part, to)) };
  }
}

export const recolouredPage = (page: Page, to: Exchange): Page => ({
  ...page,
  background: paint(page.background, to),
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
