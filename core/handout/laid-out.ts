import { z } from 'zod';
import { isOwn } from '../pictures/picture';
import { recipePictures } from '../schema/recipes/recipes';
import type { Sheet } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { isPageItself } from './brought';
import type { Supply } from './supplies';

/** The shelf of a handout: pictures that are laid out for its students, and which others they may use. */

export const MOST_LAID_OUT = 60;

export const LaidOut = z.object({
  /** In the order in which they are shown. */
  pictures: z.array(z.string().min(1).max(120)).max(MOST_LAID_OUT, `At most ${MOST_LAID_OUT} pictures.`).default([]),
  /** Students find no others. */
  only: z.boolean().default(false),
  /** Students may upload pictures of their own. */
  uploads: z.boolean().default(false),
});
export type LaidOut = z.infer<typeof LaidOut>;
export const NOTHING_LAID_OUT: LaidOut = { pictures: [], only: false, uploads: false };

/** Whether students may upload pictures: only where they may use any. */
export const mayUploadOn = (supplies: readonly Supply[], { uploads }: LaidOut): boolean =>
  uploads && supplies.includes('picture');

/** What students may use; null for any picture. `own`: also any that was uploaded. */
export type UsablePictures = { ids: readonly string[]; own: boolean } | null;

/** All pictures on a sheet, also those in recipes; a page made elsewhere is none. */
function* picturesOn(sheet: Sheet): Generator<string> {
  for (const page of sheet.pages)
    for (const item of everyItem(page)) {
      if (item.kind === 'picture' && !isPageItself(page, item)) yield item.picture;
      if (item.kind === 'group' && item.maker) yield* recipePictures(item.maker);
    }
}

/** @param given the sheet as it was handed out: what stands on it may be used, too */
export const usableOf = (given: Sheet, { pictures, only, uploads }: LaidOut): UsablePictures =>
  only ? { ids: [...new Set([...pictures, ...picturesOn(given)])], own: uploads } : null;

/** Why a change from one sheet to the other brings a picture that is not laid out; null where it brings none. */
export function notLaidOut(before: Sheet, after: Sheet, usable: UsablePictures): string | null {
  if (usable === null) return null;
  const known = new Set(usable.ids);
  const brought = new Set<string>();
  for (const picture of picturesOn(after))
    if (!known.has(picture) && !(usable.own && isOwn(picture))) brought.add(picture);
  if (brought.size === 0) return null;
  for (const picture of picturesOn(before)) brought.delete(picture);
  if (brought.size === 0) return null;
  return usable.own
    ? 'Your teacher has laid out the pictures for this sheet. Choose one of them, or upload one of yours.'
    : 'Your teacher has laid out the pictures for this sheet. Choose one of them.';
}

/** Out of the database; what can't be read lays nothing out, and shuts nothing. */
export function readLaidOut(json: unknown): LaidOut {
  const read = LaidOut.safeParse(json);
  return read.success ? read.data : NOTHING_LAID_OUT;
}
