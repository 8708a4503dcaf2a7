import { z } from 'zod';
import { Id } from '../../core/values/primitives';
import type { Database } from '../database/connection';
import { report } from '../process/report';
import { documentAccess } from '../stores/copies';
import { rightsOn } from '../stores/handouts';
import type { Person } from '../stores/people';
import { missing } from './refused';

/** What those who work on one copy are told of one another: that it was changed, and where everybody is. */

/** A window of the program, as it names itself. */
export const WindowId = z.string().regex(/^[\w-]{6,20}$/);

export const Here = z.strictObject({
  /** The window: somebody may have several. */
  window: WindowId,
  page: Id,
  /** What is selected or written in. */
  items: z.array(Id).max(20),
});
export type Here = z.infer<typeof Here>;

export type Happened =
  | { kind: 'changes'; seq: number }
  /** It was handed in, taken back or returned. */
  | { kind: 'moved' }
  /** A teacher said something on it. */
  | { kind: 'said'; by: string }
  /** A student wrote about it in the gallery. */
  | { kind: 'gallery' }
  | { kind: 'here'; personId: string; name: string; here: Here }
  /** Somebody has just come: the others say where they are. */
  | { kind: 'came' }
  | { kind: 'left'; window: string };
/** `handoutId`: of a copy, for teachers who have all copies of it before them. */
export type News = { documentId: string; handoutId?: string } & Happened;

/** Never fails: what is told has happened already, and who does not hear of it finds out by asking. */
export const announce = (db: Pick<Database, 'notify'>, news: News): Promise<void> =>
  db.notify(JSON.stringify(news)).catch((error: unknown) => report('news', error));

/** @throws Refused where the document is not theirs */
export async function mayFollow(db: Database, person: Pick<Person, 'id'>, documentId: string): Promise<void> {
  if (!(await documentAccess(db, person.id, documentId))) throw missing();
}

/** @throws Refused where the handout is of no class of theirs */
export async function mayWatch(db: Database, person: Pick<Person, 'id'>, handoutId: string): Promise<void> {
  if (!(await rightsOn(db, person.id, handoutId))) throw missing();
}

/** Tells the others where somebody is. @throws Refused where the document is not theirs */
export async function tellHere(
  db: Database,
  person: Pick<Person, 'id' | 'name'>,
  documentId: string,
  here: Here,
): Promise<void> {
  await mayFollow(db, person, documentId);
  await announce(db, { documentId, kind: 'here', personId: person.id, name: person.name, here });
}
