import { z } from 'zod';
import { clearedId } from '../../core/pictures/picture';
import { Clearing } from '../../core/schema/items/picture';
import type { Database } from '../database/connection';
import type { ClearJob } from '../exports/job';
import type { ClearedIn } from '../pictures/read-in';
import type { Person } from '../stores/people';
import { drawnPicture, keepCleared, shownPicture } from '../stores/pictures';
import { missing } from './refused';
import { PictureId } from './upload-picture';

/** Pictures without their backgrounds: made by a recipe that stands on the sheet, kept for all who see the sheet. */

export const ToClear = z.strictObject({ picture: PictureId, recipe: Clearing });
export type ToClear = z.infer<typeof ToClear>;

/**
 * Makes one, unless it is there.
 * @param clear in a process of its own
 * @returns its id; @throws Refused where the school has no such picture
 */
export async function clearPicture(
  { db, clear }: { db: Database; clear: (job: Omit<ClearJob, 'kind'>) => Promise<ClearedIn> },
  { schoolId }: Pick<Person, 'schoolId'>,
  { picture, recipe }: ToClear,
): Promise<string> {
  const id = clearedId(picture, recipe);
  if (await drawnPicture(db, schoolId, id)) return id;
  const shown = await shownPicture(db, schoolId, picture);
  if (!shown) throw missing();
  await keepCleared(db, { schoolId, pictureId: picture, recipe }, await clear({ ...shown, recipe }));
  return id;
}
