import { z } from 'zod';
import { mayUploadOn } from '../../core/handout/laid-out';
import { isOpen } from '../../core/handout/state';
import { nameFromFile } from '../../core/items/name';
import { formatOf, MOST_BYTES, tooLarge } from '../../core/raster/limits';
import type { Database } from '../database/connection';
import type { PictureAnswer } from '../exports/job';
import type { Unpacked } from '../pictures/unpack';
import { copyOfStudent } from '../stores/copies';
import type { Person } from '../stores/people';
import type { OwnPicture } from '../stores/pictures';
import { changeShelf, countOffered, keepPicture, MOST_PICTURES, putAway } from '../stores/pictures';
import { missing, Refused } from './refused';

/** A person's own pictures: uploaded, tidied, and removed from the list. Sheets that show one keep it. */

type Owner = Pick<Person, 'id' | 'role' | 'schoolId'>;
/** Read in processes of their own. */
type Reading = {
  readIn: (file: { bytes: Uint8Array; name: string; owner: string }) => Promise<PictureAnswer>;
  unpack: (bytes: Uint8Array) => Promise<Unpacked | null>;
};

export const PictureName = z.string().max(400).default('picture');
export const PictureId = z.string().regex(/^own\/[0-9a-f]{32}$/);

/** What came of a file, or of each file in a ZIP file. */
export type Uploaded = {
  pictures: OwnPicture[];
  refused: { name: string; problem: string }[];
  /** What could not be taken of a drawing. */
  leftOut: { name: string; what: string[] }[];
};

const FULL = `You have ${MOST_PICTURES} uploaded pictures, the most there can be. Remove some first.`;
const isFull = async (db: Database, person: Owner) => (await countOffered(db, person.id)) >= MOST_PICTURES;

/**
 * Asked before the file is read.
 * @param copyId the copy that it is for: a student can only upload where their teacher allows it
 * @throws Refused for whoever may not, and when there are too many
 */
export async function mayUpload(db: Database, person: Owner, copyId: string | null): Promise<void> {
  if (copyId !== null) {
    const copy = await copyOfStudent(db, person.id, copyId);
    if (!copy) throw missing();
    if (!mayUploadOn(copy.handout.supplies, copy.handout.laidOut))
      throw new Refused(409, 'Your teacher has not opened uploading pictures on this sheet. Ask them to.');
    if (!isOpen(copy.state)) throw new Refused(409, 'This copy is handed in. Take it back to add to it.');
  } else if (person.role !== 'teacher') throw new Refused(403, 'Only teachers can upload pictures.');
  if (await isFull(db, person)) throw new Refused(409, FULL);
}

/** @throws Refused where a file is no picture that can be taken, or a ZIP file can't be read; of what is in it, each is told */
export async function uploadPictures(
  { db, readIn, unpack }: { db: Database } & Reading,
  person: Owner,
  { bytes, name }: { bytes: Uint8Array; name: string },
): Promise<Uploaded> {
  const done: Uploaded = { pictures: [], refused: [], leftOut: [] };
  const take = async (file: { bytes: Uint8Array; name: string }): Promise<string | null> => {
    if (await isFull(db, person)) return FULL;
    const called = nameFromFile(file.name, 'picture');
    const read = await readIn({ bytes: file.bytes, name: called, owner: person.id });
    if ('problem' in read) return read.problem;
    done.pictures.push(await keepPicture(db, { schoolId: person.schoolId, ownerId: person.id }, read.picture));
    if (read.picture.leftOut.length > 0) done.leftOut.push({ name: file.name, what: read.picture.leftOut });
    return null;
  };
  if (formatOf(bytes) !== 'ZIP') {
    if (bytes.length > MOST_BYTES)
      throw new Refused(413, `This file has ${tooLarge(bytes.length)}. Save it smaller and try again.`);
    const problem = await take({ bytes, name });
    if (problem !== null) throw new Refused(422, problem);
    return done;
  }
  const unpacked = await unpack(bytes);
  if (!unpacked) throw new Refused(422, 'This ZIP file is damaged and can’t be opened. Pack it anew and try again.');
  done.refused.push(...unpacked.refused);
  for (const file of unpacked.files) {
    const problem = await take(file);
    if (problem !== null) done.refused.push({ name: file.name, problem });
  }
  if (done.pictures.length === 0 && done.refused.length === 0)
    throw new Refused(422, 'There is no picture in this ZIP file.');
  return done;
}

/** @throws Refused where there is no such picture of theirs */
export async function removePicture(db: Database, person: Owner, id: string): Promise<void> {
  if (!(await putAway(db, person.id, id))) throw missing();
}

export const ShelfChanges = z.strictObject({
  ids: z.array(PictureId).min(1).max(MOST_PICTURES),
  name: z.string().trim().min(1, 'Give the picture a name.').max(80, 'A name has at most 80 letters.').optional(),
  section: z.string().trim().max(40, 'The name of a section has at most 40 letters.').optional(),
  credit: z.string().trim().max(200, 'A credit has at most 200 letters.').optional(),
  shared: z.boolean().optional(),
});
export type ShelfChanges = z.infer<typeof ShelfChanges>;

/** @returns the pictures as they are now; @throws Refused where one of them is not theirs */
export async function tidyShelf(db: Database, person: Owner, { ids, ...change }: ShelfChanges): Promise<OwnPicture[]> {
  if (change.shared && person.role !== 'teacher') throw new Refused(403, 'Only teachers can share pictures.');
  return db.transaction(async (tx) => {
    const changed = await changeShelf(tx, person.id, ids, change);
    if (changed.length < new Set(ids).size) throw missing();
    return changed;
  });
}
