import { onPaper } from '../items/beside';
import { bodyText } from '../text/body';
import { recipeKindOf } from '../schema/recipes/recipes';
import type { GroupItem, Item, Page, Sheet, TextItem } from '../schema/sheet';
import { everyItem, findOn } from '../sheet/tree';

/** A teacher's sheet as students get it, and the key that stays behind. */

/** The item without anything that gives the answer away. */
function givenItem(item: Item): Item | null {
  // Hidden items and the answer key may hold answers: they are left out, not just made invisible.
  if (item.hidden || item.role === 'key') return null;
  if (item.kind === 'group') return givenGroup(item);
  // The mark of how a part was made could give answers away, and is useless without the recipe.
  const plain = { ...item, made: null };
  if (plain.kind !== 'text') return plain;
  if (!plain.blank) return { ...plain, also: [] };
  const [first] = plain.body;
  return { ...plain, body: [{ format: first.format, runs: [] }], also: [], blank: false, alt: '' };
}

/** A made group keeps its recipe only where students may make it again, and where a recipe can't hold answers. */
function givenGroup(group: GroupItem): GroupItem {
  const open = group.touch === 'free' && group.maker !== null && recipeKindOf(group.maker.kind).open === true;
  const items = group.items.flatMap((inner) => {
    const given = givenItem(inner);
    return given ? [open ? { ...given, made: inner.made } : given] : [];
  });
  return { ...group, made: null, maker: open ? group.maker : null, items };
}

/** The sheet to hand out: blanks emptied, other answers, hidden parts, answer keys and what lies beside the pages taken away. */
export function givenOut(sheet: Sheet): Sheet {
  return {
    ...sheet,
    pages: onPaper(sheet).pages.map((page) => ({
      ...page,
      items: page.items.flatMap((item) => givenItem(item) ?? []),
    })),
  };
}

/** A sheet that others may look at as an example: what is written stays; answer keys, hidden parts and what lies beside the pages go. */
export function asExample(sheet: Sheet): Sheet {
  const shown = (items: readonly Item[]): Item[] =>
    items.flatMap((item) => {
      if (item.hidden || item.role === 'key') return [];
      return [item.kind === 'group' ? { ...item, items: shown(item.items) } : item];
    });
  return { ...sheet, pages: onPaper(sheet).pages.map((page) => ({ ...page, items: shown(page.items) })) };
}

/** A label: words joined by a line to a named part of a diagram. */
export type Label = { item: TextItem; picture: string; target: string };

/** The labels on a page, by the lines whose one end holds a text and the other a target. */
export function labelsOn(page: Page): Label[] {
  const out: Label[] = [];
  for (const line of everyItem(page)) {
    if (line.kind !== 'line') continue;
    for (const [near, far] of [
      [line.from, line.to],
      [line.to, line.from],
    ]) {
      const item = near.item === null ? undefined : findOn(page, near.item)?.item;
      if (item?.kind === 'text' && far.item !== null && far.target !== null)
        out.push({ item, picture: far.item, target: far.target });
    }
  }
  return out;
}

/** The right answer of a box: its own text if it is given out blank, else the answer stored beside its text. */
export function rightWords(item: TextItem): string[] {
  if (item.blank) return [bodyText(item.body).trim(), ...item.also].filter(Boolean);
  return item.touch === 'fill' ? item.also : [];
}

/** The sheet with all right answers filled in: what a key shows. */
export function answered(sheet: Sheet): Sheet {
  const right = (item: Item): Item => {
    if (item.kind === 'group') return { ...item, items: item.items.map(right) };
    if (item.kind !== 'text' || item.blank || item.touch !== 'fill' || item.also.length === 0) return item;
    const [{ format, runs }] = item.body;
    return { ...item, body: [{ format, runs: [{ text: item.also[0], style: runs[0]?.style ?? {} }] }] };
  };
  return { ...sheet, pages: sheet.pages.map((page) => ({ ...page, items: page.items.map(right) })) };
}

export type KeyEntry = { target: string; words: string[] };

/** The name of each part of a diagram, from the labels that are given out blank. */
export function keyOf(sheet: Sheet): { picture: string; expect: KeyEntry[] }[] {
  const byPicture = new Map<string, KeyEntry[]>();
  for (const page of sheet.pages)
    for (const { item, picture, target } of labelsOn(page)) {
      const words = rightWords(item);
      if (words.length === 0) continue;
      byPicture.set(picture, [...(byPicture.get(picture) ?? []), { target, words }]);
    }
  return [...byPicture].map(([picture, expect]) => ({ picture, expect }));
}
