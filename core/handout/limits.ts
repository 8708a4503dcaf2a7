import { z } from 'zod';
import type { Item, Sheet } from '../schema/sheet';
import { broughtPages, isPageItself } from './brought';
import type { Supply } from './supplies';
import { SUPPLIES } from './supplies';

/** How many things of a supply a student may add. */

export const MOST_OF_A_SUPPLY = 200;
/** By supply; without a number as many as they like. */
export const SupplyLimits = z.partialRecord(z.enum(SUPPLIES), z.number().int().min(1).max(MOST_OF_A_SUPPLY));
export type SupplyLimits = z.infer<typeof SupplyLimits>;
/** How many there may be on the whole sheet, with what was handed out. */
export type Most = Partial<Record<Supply, number>>;

/** How many things of a supply stand on a sheet. A made thing is one thing, whatever it is made of. */
export function countOf(sheet: Sheet, supply: Supply): number {
  if (supply === 'page') return broughtPages(sheet).length;
  const within = (items: readonly Item[]): number =>
    items.reduce((sum, item) => {
      if (item.kind !== 'group') return sum + Number(item.kind === supply);
      return sum + (item.maker ? Number(item.maker.kind === supply) : within(item.items));
    }, 0);
  return sheet.pages.reduce((sum, page) => sum + within(page.items.filter((item) => !isPageItself(page, item))), 0);
}

/** @param given the sheet as it was handed out */
export const mostOf = (given: Sheet, limits: SupplyLimits): Most =>
  Object.fromEntries(
    SUPPLIES.flatMap((supply) => {
      const limit = limits[supply];
      return limit === undefined ? [] : [[supply, countOf(given, supply) + limit]];
    }),
  );

const NAMES: Record<Supply, [one: string, many: string]> = {
  text: ['text', 'texts'],
  shape: ['shape', 'shapes'],
  line: ['line', 'lines'],
  picture: ['picture', 'pictures'],
  map: ['concept map', 'concept maps'],
  chart: ['chart', 'charts'],
  cloud: ['word cloud', 'word clouds'],
  ink: ['pen stroke', 'pen strokes'],
  page: ['page made elsewhere', 'pages made elsewhere'],
};

/** A supply of which a change from one sheet to the other brings too many, as a sentence; null where there is none. */
export function tooMany(before: Sheet, after: Sheet, most: Most): string | null {
  for (const supply of SUPPLIES) {
    const limit = most[supply];
    if (limit === undefined) continue;
    const now = countOf(after, supply);
    // What is too many already may become fewer.
    if (now > limit && now > countOf(before, supply))
      return `Your teacher has set how many ${NAMES[supply][1]} there may be. Remove one before you add another.`;
  }
  return null;
}

/** The limits in words, such as “at most 3 pictures”. */
export const limitWords = (limits: SupplyLimits): string[] =>
  SUPPLIES.flatMap((supply) => {
    const limit = limits[supply];
    return limit === undefined ? [] : [`at most ${limit} ${NAMES[supply][limit === 1 ? 0 : 1]}`];
  });

/** Limits out of the database; what can't be read limits nothing. */
export function readLimits(json: unknown): SupplyLimits {
  const read = SupplyLimits.safeParse(json);
  return read.success ? read.data : {};
}
