import { z } from 'zod';
import { nameFromFile } from '../../core/items/name';
import type { Database } from '../database/connection';
import type { PictureAnswer } from '../exports/job';
import type { Person } from '../stores/people';
import type { OwnPicture } from '../stores/pictures';
import { keepPicture, MOST_PICTURES, ownPictures, putAway } from '../stores/pictures';
import { missing, Refused } from './refused';

/** A teacher's own pictures: uploaded, and removed from the list. Sheets that show one keep it. */

type Teacher = Pick<Person, 'id' | 'role' | 'schoolId'>;
/** Reads a picture file in a process of its own. */
type ReadIn = (file: { bytes: Uint8Array; name: string; owner: string }) => Promise<PictureAnswer>;

export const PictureName = z.string().max(400).default('picture');
export const PictureId = z.string().regex(/^own\/[0-9a-f]{32}$/);

function teachersOnly({ role }: Teacher): void {
  if (role !== 'teacher') throw new Refused(403, 'Only teachers can upload pictures.');
}

/** @throws Refused for anybody but teachers, and when there are too many: asked before the file is read */
export async function mayUpload(db: Database, person: Teacher): Promise<void> {
  teachersOnly(person);
  if ((await ownPictures(db, person.id)).length >= MOST_PICTURES)
    throw new Refused(409, `You have ${MOST_PICTURES} uploaded pictures, the most there can be. Remove some first.`);
}

/** @throws Refused where the file is no picture that can be taken */
export async function uploadPicture(
  { db, readIn }: { db: Database; readIn: ReadIn },
  person: Teacher,
  { bytes, name }: { bytes: Uint8Array; name: string },
): Promise<OwnPicture> {
  const read = await readIn({ bytes, name: nameFromFile(name, 'picture'), owner: person.id });
  if ('problem' in read) throw new Refused(422, read.problem);
  return keepPicture(db, { schoolId: person.schoolId, ownerId: person.id }, read.picture);
}

/** @throws Refused where there is no such picture of theirs */
export async function removePicture(db: Database, person: Teacher, id: string): Promise<void> {
  teachersOnly(person);
  if (!(await putAway(db, person.id, id))) throw missing();
}
