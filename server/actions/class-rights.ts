import type { Database } from '../database/connection';
import type { ClassRow, Rights } from '../stores/classes';
import { classesOf } from '../stores/classes';
import type { Handout } from '../stores/handouts';
import { handoutById, rightsOn } from '../stores/handouts';
import type { Person } from '../stores/people';
import { secondReaderOf } from '../stores/second-reading';
import { missing, Refused } from './refused';

/** What a teacher may do with a class and with what was handed out to it. */

const READ_ONLY = 'You may look at the work of this class, but not change anything. Ask the teacher whose class it is.';
const SECOND =
  'You are the second reader of this handout: what you say stands beside the first reader’s, who alone can change anything else.';

/** @throws Refused where they don't teach the class, or may only read */
export async function fullClass(db: Database, { id }: Pick<Person, 'id'>, classId: string): Promise<ClassRow> {
  const found = (await classesOf(db, id)).find((one) => one.id === classId);
  if (!found) throw missing();
  if (found.rights !== 'full') throw new Refused(403, READ_ONLY);
  return found;
}

/** A class of their own, not one that they were let into. @throws Refused */
export async function ownClass(db: Database, person: Pick<Person, 'id'>, classId: string): Promise<ClassRow> {
  const found = await fullClass(db, person, classId);
  if (found.owner !== null) throw new Refused(403, `This is ${found.owner}’s class: only they can do that.`);
  return found;
}

/** @throws Refused where they may only look at the class of a handout, or not even that */
export async function mayChange(db: Database, { id }: Pick<Person, 'id'>, handoutId: string): Promise<void> {
  const rights = await rightsOn(db, id, handoutId);
  if (!rights) throw missing();
  if (rights === 'full') return;
  const isSecond = (await secondReaderOf(db, handoutId))?.id === id;
  throw new Refused(403, isSecond ? SECOND : READ_ONLY);
}

/** A handout to a class of theirs, and what they may do with it. @throws Refused */
export async function seenHandout(
  db: Database,
  { id }: Pick<Person, 'id'>,
  handoutId: string,
): Promise<{ handout: Handout; rights: Rights }> {
  const rights = await rightsOn(db, id, handoutId);
  const handout = rights && (await handoutById(db, handoutId));
  if (!rights || !handout) throw missing();
  return { handout, rights };
}

/** A handout that they may change. @throws Refused */
export async function fullHandout(db: Database, person: Pick<Person, 'id'>, handoutId: string): Promise<Handout> {
  await mayChange(db, person, handoutId);
  const handout = await handoutById(db, handoutId);
  if (!handout) throw missing();
  return handout;
}
