import type { Faces } from '../../core/text/faces';
import type { Pictures } from '../../core/pictures/picture';
import type { Database } from '../database/connection';
import type { Shelf } from '../exports/shelf';

/** What a use case works with: the database, and the pictures that ship. */
export type Means = { db: Database; pictures: Pictures };

/** With what makers need as well. */
export type Workshop = Means & { faces: Faces; withOwn: (ids: readonly string[]) => Promise<Pictures> };

export const workshop = (db: Database, shelf: Shelf): Workshop => ({
  db,
  ...shelf.resources,
  withOwn: (ids) => shelf.pictures(db, ids),
});
