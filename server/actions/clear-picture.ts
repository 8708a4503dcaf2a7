import { z } from 'zod';
import { clearedId } from '../../core/pictures/picture';
import { Clearing } from '../../core/schema/items/picture';
import type { Database } from '../database/connection';
import type { ClearJob } from '../exports/job';
import type { ClearedIn } from '../pictures/read-in';
import type { Person } from '../stores/people';
import { countCleared, drawnPicture, keepCleared, shownPicture } from '../stores/pictures';
import { missing, Refused } from './refused';
import { PictureId } from './upload-picture';

/** Pictures without their backgrounds: made by a recipe that stands on the sheet, kept for all who see the sheet. */

/** Each way keeps a picture of its own. */
const MOST_WAYS = 200;

export const ToClear = z.strictObject({ picture: PictureId, recipe: Clearing });
export type ToClear = z.infer<typeof ToClear>;

/**
 * Makes one, unless it is there.
 * @param clear in a process of its own
 * @returns its id; @throws Refused where the school has no such picture, for students, and where there are too many
 */
export async function clearPicture(
  { db, clear }: { db: Database; clear: (job: Omit<ClearJob, 'kind'>) => Promise<ClearedIn> },
  { schoolId, role }: Pick<Person, 'schoolId' | 'role'>,
  { picture, recipe }: ToClear,
): Promise<string> {
  if (role !== 'teacher') throw new Refused(403, 'Only teachers can take backgrounds away.');
  const id = clearedId(picture, recipe);
  if (await drawnPicture(db, schoolId, id)) return id;
  const shown = await shownPicture(db, schoolId, picture);
  if (!shown) throw missing();
  if ((await countCleared(db, picture)) >= MOST_WAYS)
    throw new Refused(
      409,
      `The background of this picture was taken away in ${MOST_WAYS} ways, the most there can be. Upload it anew to go on.`,
    );
  await keepCleared(db, { schoolId, pictureId: picture, recipe }, await clear({ ...shown, recipe }));
  return id;
}
