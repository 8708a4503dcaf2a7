import equal from 'fast-deep-equal';
import { foundOnce, remembered } from '../values/remembered';
import { contrastOf, distance, labOf } from '../colour/space';
import { colourName } from '../colour/name';
import { hexOf, rgbOf } from '../colour/rgb';
import type { Box } from '../geometry/matrix';
import { itemName } from '../items/name';
import type { Item, Page, Sheet, GroupItem } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import type { Outline, Paint } from '../values/primitives';
import type { Context } from './kind';
import { boxOn, isSeen, opacityAround, opacityOf, shows } from './seen';
import { isPageItself } from '../handout/brought';
import { once } from './survey';

/** Things on a piece, as the look-fors about things see them. */

export const THING_KINDS = ['thing', 'shape', 'text', 'line', 'picture', 'ink', 'group'] as const;
export type ThingKind = (typeof THING_KINDS)[number];

export type Thing = {
  item: Item;
  /** The groups around it, outermost first. */
  groups: readonly GroupItem[];
  page: Page;
  sheet: Sheet;
  /** Around it, in page coordinates. */
  box: Box;
  context: Context;
};

export type Asked = {
  item: ThingKind;
  /** added: what the student put there; open: also what was handed out and may be changed. */
  whose: 'added' | 'open';
  /** Parts of what a maker made count, too. */
  made: boolean;
};

const isOf = (item: Item, kind: ThingKind) => (kind === 'thing' ? item.kind !== 'group' : item.kind === kind);

/** Things of a kind that are seen and that the student may have worked on; `touched`: it is not as it was handed out. */
export const thingsOn = (sheet: Sheet, asked: Asked, context: Context): WorkedOn[] =>
  once(context, sheet, `things ${asked.item} ${asked.whose} ${asked.made}`, () => lookedUp(sheet, asked, context));

type WorkedOn = Thing & { touched: boolean; name: string };

function lookedUp(sheet: Sheet, { item: kind, whose, made }: Asked, context: Context): WorkedOn[] {
  const out: WorkedOn[] = [];
  for (const item of everyItem(sheet)) {
    if (!isOf(item, kind)) continue;
    const given = find(context.handedOut, item.id)?.item;
    if (given && (whose === 'added' || item.touch === 'fixed')) continue;
    const { groups, page } = find(sheet, item.id)!;
    if (isPageItself(page, item)) continue;
    if (!made && [...groups, ...(item.kind === 'group' ? [item] : [])].some(({ maker }) => maker !== null)) continue;
    if (!isSeen(sheet, item.id, context.pictures)) continue;
    const box = boxOn(page, item, context.pictures);
    out.push({
      item,
      groups,
      page,
      sheet,
      box,
      context,
      touched: !given || !equal(given, item),
      name: itemName(item),
    });
  }
  return out;
}

/** Two colours that a reader takes for one are less than this apart, in OKLab. */
const ALIKE = 0.05;
const KEPT_COLOURS = 500;
const knownLab = remembered(KEPT_COLOURS, labOf);
export const alikeColours = (a: string, b: string) => a === b || distance(knownLab(a), knownLab(b)) < ALIKE;

/** How much see-through is seen as such. */
const [MOSTLY, SEEN_APART] = [0.93, 0.12];

export const fillOf = ({ item }: Thing): Paint | null =>
  (item.kind === 'shape' || item.kind === 'text') && shows(item.fill) ? item.fill : null;
export const outlineOf = ({ item }: Thing): Outline | null => {
  if (item.kind === 'ink') return { colour: item.colour, width: item.weight, dash: 'solid' };
  return item.kind === 'shape' || item.kind === 'text' || item.kind === 'line' ? item.outline : null;
};
const stopsOf = (paint: Paint) => (paint.kind === 'solid' ? [paint] : paint.stops);

/** A gradient that shows one colour only is none. */
export const isGradient = (paint: Paint | null): boolean =>
  paint !== null &&
  paint.kind !== 'solid' &&
  paint.stops.some(({ colour }) => !alikeColours(colour, paint.stops[0].colour));

export const isHollow = (thing: Thing) => fillOf(thing) === null;

/** One sees through its fill, or through the whole of it; not through where there is nothing. */
export function isSeeThrough(thing: Thing): boolean {
  const own = opacityAround(thing);
  if (thing.item.kind === 'shape' || thing.item.kind === 'text') {
    const fill = fillOf(thing);
    return (
      fill !== null &&
      own * Math.min(...stopsOf(fill).map(({ opacity }) => opacity)) < MOSTLY &&
      own * opacityOf(fill) > 0
    );
  }
  return own < MOSTLY;
}

export function alikePaints(a: Paint | null, b: Paint | null): boolean {
  if (a === null || b === null) return a === b;
  if (a.kind === 'solid' && b.kind === 'solid')
    return alikeColours(a.colour, b.colour) && Math.abs(a.opacity - b.opacity) < SEEN_APART;
  if (isGradient(a) !== isGradient(b)) return false;
  const [one, other] = isGradient(a) ? [stopsOf(a), stopsOf(b)] : [stopsOf(a).slice(0, 1), stopsOf(b).slice(0, 1)];
  if (isGradient(a) && (a.kind !== b.kind || one.length !== other.length)) return false;
  if (a.kind === 'linear' && b.kind === 'linear' && isGradient(a) && Math.abs(a.angle - b.angle) > 10) return false;
  return one.every(
    (stop, i) => alikeColours(stop.colour, other[i].colour) && Math.abs(stop.opacity - other[i].opacity) < SEEN_APART,
  );
}

/** A colour as it is seen over another one. */
function over(colour: string, opacity: number, behind: string): string {
  if (opacity === 1) return colour;
  const [top, ground] = [rgbOf(colour), rgbOf(behind)];
  return hexOf(
    [0, 1, 2].map((i) => top[i] * opacity + ground[i] * (1 - opacity)) as unknown as [number, number, number],
  );
}

const WHITE = '#ffffff';
const groundOf = ({ page }: Thing) =>
  page.background?.kind === 'solid' ? over(page.background.colour, page.background.opacity, WHITE) : WHITE;

/** Contrast of its outline with its fill, or with the page where it is hollow: 1 to 21, null without an outline. */
export function outlineContrast(thing: Thing): number | null {
  const outline = outlineOf(thing);
  if (!outline) return null;
  const [ground, fill] = [groundOf(thing), fillOf(thing)];
  const fills = fill ? stopsOf(fill).map(({ colour, opacity }) => over(colour, opacity, ground)) : [ground];
  return Math.min(...fills.map((hex) => contrastOf(outline.colour, hex)));
}

/** The name of a colour without its shade: every red is red. */
export const hueName = (hex: string) => colourName(hex).replace(/^(dark|light) /, '');
export const HUE_NAMES = [
  'red',
  'orange',
  'yellow',
  'green',
  'turquoise',
  'blue',
  'purple',
  'pink',
  'brown',
  'grey',
  'black',
  'white',
] as const;

/** Width and height as it was drawn, whichever way it is rotated; for a line its length. */
export const sizeOf = ({ item, box }: Thing): readonly [number, number] =>
  isFramed(item) ? [item.width, item.height] : [Math.hypot(box.width, box.height), 0];

/**
 * What things that hold no text are counted from: themselves, their pages, and of texts only where they stand and what they
 * cover. So somebody who writes has no shapes counted again.
 */
export const thingSources = foundOnce((sheet: Sheet): readonly unknown[] => {
  const out: unknown[] = [];
  for (const page of sheet.pages) out.push(page.id, page.width, page.height, page.margin, page.background);
  for (const item of everyItem(sheet)) {
    if (item.kind !== 'text') out.push(item);
    else out.push(item.id, item.x, item.y, item.width, item.height, item.angle, item.opacity, item.hidden, item.fill);
  }
  return out;
});
