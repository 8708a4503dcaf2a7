import type { Faces } from '../../core/text/faces';
import { isOwn } from '../../core/pictures/picture';
import type { Pictures } from '../../core/pictures/picture';
import type { Database } from '../database/connection';
import type { Shelf } from '../exports/shelf';
import { knownPictures } from '../stores/pictures';

/** What sheets are drawn with: the pictures and faces that ship. */
export type Kit = { pictures: Pictures; faces: Faces };

/** What a use case works with. */
export type Means = { db: Database } & Kit;

/** With what makers need as well. */
export type Workshop = Means & { withOwn: (ids: readonly string[]) => Promise<Pictures> };

export const workshop = (db: Database, shelf: Shelf): Workshop => ({
  db,
  ...shelf.resources,
  withOwn: (ids) => shelf.pictures(db, ids),
});

/** Whether each of some pictures ships, or was uploaded by somebody of a school. */
export async function picturesThere(
  { db, pictures }: Pick<Means, 'db' | 'pictures'>,
  schoolId: string,
  ids: readonly string[],
): Promise<(id: string) => boolean> {
  const known = await knownPictures(db, schoolId, ids.filter(isOwn));
  return (id) => (isOwn(id) ? known.has(id) : pictures(id) !== undefined);
}
