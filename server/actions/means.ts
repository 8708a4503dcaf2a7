import type { Pictures } from '../../core/pictures/picture';
import type { Database } from '../database/connection';

/** What a use case works with: the database, and the pictures that ship. */
export type Means = { db: Database; pictures: Pictures };
