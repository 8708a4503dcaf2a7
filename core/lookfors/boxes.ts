import { contrastOf } from '../colour/space';
import { contains, corners, grown, overlaps } from '../geometry/box';
import type { Box } from '../geometry/matrix';
import { inverse, transform } from '../geometry/matrix';
import { shapeInside } from '../geometry/shapes/shapes';
import { itemName } from '../items/name';
import type { Pictures } from '../pictures/picture';
import { pageMatrix } from '../placement/on-page';
import { bodyText, isEmpty } from '../text/body';
import { fullStyle, roleOfItem } from '../text/style';
import type { Item, Page, Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find, findOn } from '../sheet/tree';
import type { Context } from './kind';
import { placed } from './kind';
import { boxOn, isSeen, opacityAround, rankOn, shows } from './seen';
import type { Option, Part } from './sentence';
import { once } from './survey';

/** The boxes that students write in, as the look-fors about words see them. */

export type WrittenBox = {
  item: WrittenItem;
  /** What can be read of it, and what stood there when it was handed out. */
  text: string;
  given: string;
};

/** What is read from a box, once for all that is looked for in it, and again only when the box has changed. */
export function readFrom<T>(read: (box: WrittenBox) => T): (box: WrittenBox) => T {
  const reader = readers++;
  return (box) => {
    let known = readings.get(box.item);
    if (known?.text !== box.text || known.given !== box.given)
      readings.set(box.item, (known = { text: box.text, given: box.given, found: [] }));
    return (known.found[reader] ??= read(box)) as T;
  };
}
let readers = 0;
/** What all readers found, box by box: a class has many boxes. */
const readings = new WeakMap<WrittenItem, { text: string; given: string; found: unknown[] }>();

/** Fainter than this against what is behind them, or smaller (in points), words are there to be counted, not to be read. */
const [FAINT_WORDS, SMALL_WORDS] = [1.15, 3];

/** Nothing is drawn of it but letters, which no other words stand on. */
const isLetters = (item: Item) =>
  item.kind === 'text' &&
  !(item.fill ?? item.outline ?? item.plate ?? item.lettering ?? item.shadow) &&
  !item.blank &&
  !item.body.some(({ runs }) => runs.some(({ style }) => style.underline !== undefined));

/** What lies right behind an item in a box, of all that is drawn. */
function nextBehind(page: Page, item: Item, reach: Box, pictures: Pictures): Item | undefined {
  const rank = rankOn(page, item.id);
  // Front to back: what is met first lies right behind.
  for (const other of everyItem(page))
    if (
      other.kind !== 'group' &&
      !other.hidden &&
      rankOn(page, other.id) > rank &&
      overlaps(boxOn(page, other, pictures), reach) &&
      !isLetters(other)
    )
      return other;
}

/** Nothing lies behind an item in a box but the page. */
export const isBare = (page: Page, item: Item, reach: Box, pictures: Pictures) =>
  nextBehind(page, item, reach, pictures) === undefined;

/** The colour of a shape that lies under all of a box, and lets nothing show through; else null. */
function cardUnder(page: Page, item: Item, box: Box): string | null {
  if (item.kind !== 'shape' || item.fill?.kind !== 'solid' || item.fill.opacity < 1 || !isEmpty(item.body)) return null;
  const place = findOn(page, item.id)!;
  if (opacityAround(place) < 1 || place.groups.some(({ hidden }) => hidden)) return null;
  const inside = grown(shapeInside(item.shape, item.width, item.height, item.adjust), -(item.outline?.width ?? 0) / 2);
  const toShape = inverse(pageMatrix(page, item));
  return corners(box).every((corner) => contains(inside, transform(toShape, corner))) ? item.fill.colour : null;
}

/** What the words of a box stand on; null where other things lie behind it, and where nobody can say. */
export function groundOf(
  page: Page,
  item: WrittenItem,
  { pictures = () => undefined }: Pick<Context, 'pictures'>,
  reach = boxOn(page, item, pictures),
): string | null {
  const { fill } = item;
  if (fill && shows(fill)) return fill.kind === 'solid' && fill.opacity > 0.5 ? fill.colour : null;
  const next = nextBehind(page, item, reach, pictures);
  if (next) return cardUnder(page, next, reach);
  if (page.background === null) return '#ffffff';
  return page.background.kind === 'solid' ? page.background.colour : null;
}

/** The words of a box that can be read at all: not in the colour of their ground, and not as small as dots. */
export function readText(sheet: Sheet, page: Page, item: WrittenItem, context: Context): string {
  const role = roleOfItem(sheet, item);
  const styled = item.body.flatMap(({ runs }) => runs.map((run) => fullStyle(role, run.style)));
  let ground: string | null | undefined;
  const hides = ({ colour, size }: (typeof styled)[number]) => {
    if (size < SMALL_WORDS) return true;
    if (ground === undefined)
      ground = item.kind === 'text' && (item.lettering ?? item.plate) ? null : groundOf(page, item, context);
    return ground !== null && contrastOf(colour, ground) < FAINT_WORDS;
  };
  if (!styled.some(hides)) return bodyText(item.body);
  return item.body
    .map(({ runs }) =>
      runs
        .filter((run) => !hides(fullStyle(role, run.style)))
        .map((run) => run.text)
        .join(''),
    )
    .join('\n');
}

/** One box, or all that students may write in. Of a box that is not seen there is no text. */
export function boxesFor(id: string | null, sheet: Sheet, context: Context): WrittenBox[] {
  if (id === null)
    return once(context, sheet, 'boxes', () =>
      everyItem(sheet)
        .filter((item) => item.touch !== 'fixed')
        .filter(isWritten)
        .map((item) => boxOf(item, sheet, context)),
    );
  const item = find(sheet, id)?.item;
  return item && isWritten(item) ? [boxOf(item, sheet, context)] : [];
}

const boxOf = (item: WrittenItem, sheet: Sheet, context: Context) =>
  once(context, sheet, `box ${item.id}`, () => readBox(item, sheet, context));

function readBox(item: WrittenItem, sheet: Sheet, context: Context): WrittenBox {
  const given = find(context.handedOut, item.id)?.item;
  const { page } = find(sheet, item.id)!;
  return {
    item,
    text: isSeen(sheet, item.id, context.pictures) ? readText(sheet, page, item, context) : '',
    given: given && isWritten(given) ? bodyText(given.body) : '',
  };
}

/** What the words of a box, or of all, are counted from. Other things may cover it. */
export const boxSources = (id: string | null, sheet: Sheet): readonly unknown[] =>
  id === null ? sheet.pages : [...placed(sheet, id), find(sheet, id)?.page];

const writable = (sheet: Sheet): Option[] =>
  everyItem(sheet)
    .filter((item) => isWritten(item) && item.touch !== 'fixed')
    .map((item) => ({ value: item.id, label: `in “${itemName(item)}”` }));

/** Where the words are looked for. */
export const boxSlot = <P>(
  item: string | null,
  sheet: Sheet,
  set: (item: string | null) => P,
  anywhere = 'anywhere they may write',
): Part<P> => ({
  slot: 'choice',
  label: 'Where the words are looked for',
  value: item ?? '',
  quiet: true,
  options: [{ value: '', label: anywhere }, ...writable(sheet)],
  set: (to) => set(to || null),
});

/** The first text box that students write in, besides blanks and the name line. */
export const openBox = (sheet: Sheet) =>
  everyItem(sheet).find(
    (item) => item.kind === 'text' && item.touch !== 'fixed' && !item.blank && item.role !== 'name',
  );
