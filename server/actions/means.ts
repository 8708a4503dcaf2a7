import type { Faces } from '../../core/text/faces';
import type { Pictures } from '../../core/pictures/picture';
import type { Database } from '../database/connection';
import type { Shelf } from '../exports/shelf';

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
