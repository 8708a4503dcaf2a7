import type { MakerState } from '../schema/recipes/recipes';
import { recipePictures } from '../schema/recipes/recipes';
import type { Change, Single } from '../changes/change';
import { apply } from '../changes/change';
import { kindOf } from '../items/all';
import type { GroupItem, Item, Page, Sheet } from '../schema/sheet';
import { isOwn } from '../pictures/picture';
import { locate } from '../sheet/tree';
import { broughtPages, isPageItself, MOST_BROUGHT } from './brought';
import type { UsablePictures } from './laid-out';
import { notLaidOut } from './laid-out';
import type { Most } from './limits';
import { tooMany } from './limits';
import type { Supply } from './supplies';

/**
 * What a student may do with a copy. The server asks this of every change; the workbench asks first, to say so early.
 * Whatever is allowed leaves each part that is not the student's as it was, in its place and its order among the others, and
 * seen as before; and nothing of a kind that is not opened ever appears. Pages are the teacher's, but for those made elsewhere.
 */

/** Settings that belong to the teacher even on a part that is free. */
const TEACHERS = new Set(['touch', 'locked', 'blank', 'also']);

const NOT_YOURS = 'Your teacher has fixed this part.';
const STAYS_FREE = 'What you add is yours, and stays free.';
const NOT_OPENED = 'Your teacher has not opened this supply.';
const NO_BLANK = 'Only a teacher can make a blank.';

/** Whether all of an item is the student's: a group with a fixed part in it is not. */
export function freeThrough(item: Item): boolean {
  return item.touch === 'free' && (item.kind !== 'group' || item.items.every(freeThrough));
}

/** Why a recipe may not replace another (null: there was none). Null when it may. */
function recipeRefusal(next: MakerState, before: MakerState | null, supplies: readonly Supply[]): string | null {
  if (before ? next.kind !== before.kind : !(supplies as readonly string[]).includes(next.kind)) return NOT_OPENED;
  const known = new Set(before ? recipePictures(before) : []);
  const brought = recipePictures(next).some((picture) => !known.has(picture));
  return brought && !supplies.includes('picture') ? NOT_OPENED : null;
}

/** Why an item may not be part of an item a student made: its parts come and go with its recipe. */
function partRefusal(item: Item, maker: MakerState, supplies: readonly Supply[]): string | null {
  if (item.kind === 'ink' || item.kind === 'group') return NOT_OPENED;
  if (item.kind === 'picture' && !supplies.includes('picture') && !recipePictures(maker).includes(item.picture))
    return NOT_OPENED;
  return ownRefusal(item);
}

/** Requirements for everything a student adds: free, and not a blank. */
function ownRefusal(item: Item): string | null {
  if (item.touch !== 'free') return STAYS_FREE;
  return item.kind === 'text' && (item.blank || item.also.length > 0) ? NO_BLANK : null;
}

function insertable(item: Item, supplies: readonly Supply[]): string | null {
  if (item.kind !== 'group') return (supplies as readonly string[]).includes(item.kind) ? ownRefusal(item) : NOT_OPENED;
  const { maker } = item;
  return (
    ownRefusal(item) ??
    (maker && recipeRefusal(maker, null, supplies)) ??
    item.items.reduce<string | null>(
      (no, inner) => no ?? (maker ? partRefusal(inner, maker, supplies) : insertable(inner, supplies)),
      null,
    )
  );
}

/** The group a place is in. Null for the page itself, undefined if it is gone. */
function groupAt(sheet: Sheet, id: string | null): GroupItem | null | undefined {
  if (id === null) return null;
  const item = locate(sheet, id)?.item;
  return item?.kind === 'group' ? item : undefined;
}

type Rule<K extends Single['kind']> = (
  sheet: Sheet,
  change: Extract<Change, { kind: K }>,
  supplies: readonly Supply[],
) => string | null;

/** Changing text and its style is allowed in blanks and on free items. */
const mayWrite = (sheet: Sheet, change: { id: string }): string | null => {
  const place = locate(sheet, change.id);
  return !place || place.item.touch !== 'fixed' ? null : NOT_YOURS;
};

/** A page made elsewhere may come whole: what it shows, and what its student put on it before. */
function bringsPage(sheet: Sheet, page: Page, supplies: readonly Supply[]): string | null {
  if (page.brought === null) return teachersOnly();
  if (!supplies.includes('page')) return NOT_OPENED;
  if (broughtPages(sheet).length >= MOST_BROUGHT)
    return `At most ${MOST_BROUGHT} pages made elsewhere fit on a copy. Remove one before you add another.`;
  const shown = page.items.find((item) => isPageItself(page, item));
  if (shown?.kind !== 'picture' || !isOwn(shown.picture)) return NOT_OPENED;
  return page.items.reduce<string | null>(
    (no, item) => no ?? (item === shown ? ownRefusal(item) : insertable(item, supplies)),
    null,
  );
}

/** A page made elsewhere is its student's, with all that is on it. */
const onOwnPage = (sheet: Sheet, { id }: { id: string }): string | null => {
  const page = sheet.pages.find((one) => one.id === id);
  return !page || (page.brought !== null && page.items.every(freeThrough)) ? null : teachersOnly();
};
/** It can be turned. */
const TURNING = new Set(['width', 'height']);

const teachersOnly = () => 'Only your teacher can change the page itself.';

/** For each kind of change, why a student may not make it; null when they may. */
const RULES: { [K in Single['kind']]: Rule<K> } = {
  insert(sheet, change, supplies) {
    const group = groupAt(sheet, change.spot.group);
    if (group === undefined) return null;
    if (group && !freeThrough(group)) return NOT_YOURS;
    return group?.maker ? partRefusal(change.item, group.maker, supplies) : insertable(change.item, supplies);
  },
  remove(sheet, change) {
    const place = locate(sheet, change.id);
    return !place || freeThrough(place.item) ? null : NOT_YOURS;
  },
  reorder(sheet, change, supplies) {
    const place = locate(sheet, change.id);
    const group = groupAt(sheet, change.spot.group);
    if (!place || group === undefined) return null;
    if (!freeThrough(place.item)) return NOT_YOURS;
    // What a page made elsewhere shows stays on that page: it is no picture to be put anywhere.
    if (isPageItself(place.page, place.item) && (group !== null || change.spot.page !== place.page.id))
      return NOT_OPENED;
    // Within its group, nothing of the teacher's moves.
    if (group === null || group.id === place.groups.at(-1)?.id) return null;
    if (!freeThrough(group)) return NOT_YOURS;
    return group.maker ? partRefusal(place.item, group.maker, supplies) : null;
  },
  set(sheet, change, supplies) {
    const place = locate(sheet, change.id);
    if (!place) return null;
    const { item } = place;
    const keys = Object.keys(change.values);
    if (keys.some((key) => TEACHERS.has(key))) return NOT_YOURS;
    if (item.touch === 'fill') return keys.every((key) => kindOf(item).filled(item).includes(key)) ? null : NOT_YOURS;
    if (!freeThrough(item)) return NOT_YOURS;
    if (item.kind === 'group' && keys.includes('maker')) {
      const next = change.values.maker as MakerState | null;
      if (!item.maker) return next === null ? null : NOT_OPENED;
      return next === null ? null : recipeRefusal(next, item.maker, supplies);
    }
    const brings = item.kind === 'picture' && keys.includes('picture') && change.values.picture !== item.picture;
    const within = place.groups.at(-1)?.maker;
    if (brings && isPageItself(place.page, item)) return NOT_OPENED;
    return brings && !supplies.includes('picture') && !(within && partOfRecipe(change.values.picture, within))
      ? NOT_OPENED
      : null;
  },
  splice: mayWrite,
  style: mayWrite,
  paragraph: mayWrite,
  'page-insert': (sheet, { page }, supplies) => bringsPage(sheet, page, supplies),
  'page-remove': onOwnPage,
  'page-move': onOwnPage,
  'page-set': (sheet, change) =>
    onOwnPage(sheet, change) ?? (Object.keys(change.values).every((key) => TURNING.has(key)) ? null : teachersOnly()),
  'sheet-set': teachersOnly,
  'role-set': teachersOnly,
};

/**
 * Why a student may not make this change to this copy; null when they may.
 * @param most how many things of a supply there may be on the sheet
 * @param usable the pictures that may be on it, where these are laid out
 */
export function refusal(
  sheet: Sheet,
  change: Change,
  supplies: readonly Supply[],
  most: Most = {},
  usable: UsablePictures = null,
): string | null {
  const no = ruled(sheet, change, supplies);
  if (no || (Object.keys(most).length === 0 && usable === null)) return no;
  const after = apply(sheet, change);
  return after.ok ? (tooMany(sheet, after.sheet, most) ?? notLaidOut(sheet, after.sheet, usable)) : null;
}

function ruled(sheet: Sheet, change: Change, supplies: readonly Supply[]): string | null {
  if (change.kind !== 'all') return RULES[change.kind](sheet, change as never, supplies);
  let now = sheet;
  for (const part of change.changes) {
    const no = ruled(now, part, supplies);
    if (no) return no;
    const result = apply(now, part);
    if (!result.ok) return result.reason;
    now = result.sheet;
  }
  return null;
}

const partOfRecipe = (picture: unknown, maker: MakerState) =>
  typeof picture === 'string' && recipePictures(maker).includes(picture);
