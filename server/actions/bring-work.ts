import { z } from 'zod';
import { MOST_BROUGHT } from '../../core/handout/brought';
import { isOpen } from '../../core/handout/state';
import { nameFromFile } from '../../core/items/name';
import type { Database } from '../database/connection';
import type { PictureAnswer } from '../exports/job';
import type { BroughtFile } from '../stores/brought';
import { fileOf, filesOf, keepFile } from '../stores/brought';
import type { CopyView } from '../stores/copies';
import { copyForTeacher, copyOfStudent } from '../stores/copies';
import type { Person } from '../stores/people';
import type { OwnPicture } from '../stores/pictures';
import { countPictures, keepPicture, MOST_PICTURES } from '../stores/pictures';
import { missing, Refused } from './refused';

/** Work made elsewhere: a file is kept as it is, and pictures of its pages are put on the copy. */

/** What comes: a file, under a name of its own that is sent again after a lost answer; or a picture of a page of a PDF. */
export const BringingWork = z.strictObject({
  file: z.string().regex(/^[\w-]{12}$/),
  name: z.string().trim().min(1).max(200),
  /** Where it is the picture of a page: which one. */
  page: z.coerce.number().int().min(1).max(MOST_BROUGHT).optional(),
});
export type BringingWork = z.infer<typeof BringingWork>;

type ReadIn = (file: {
  bytes: Uint8Array;
  name: string;
  owner: string;
  page: { whole: boolean };
}) => Promise<PictureAnswer>;
type Student = Pick<Person, 'id' | 'schoolId'>;

/** @throws Refused where nothing can be brought to a copy now: asked before the file is read */
export async function mayBringWork(db: Database, person: Student, copyId: string): Promise<CopyView> {
  const copy = await copyOfStudent(db, person.id, copyId);
  if (!copy) throw missing();
  const { handout, state } = copy;
  if (!handout.supplies.includes('page'))
    throw new Refused(409, 'Your teacher has not opened work made elsewhere on this sheet. Ask them to.');
  if (!isOpen(state)) throw new Refused(409, 'This copy is handed in. Take it back to add to it.');
  if ((await countPictures(db, person.id)) >= MOST_PICTURES)
    throw new Refused(409, `You have uploaded ${MOST_PICTURES} pages and pictures, the most there can be.`);
  return copy;
}

const PDF = 'application/pdf';
/** A PDF says so near its beginning. */
const isPdf = (bytes: Uint8Array) => Buffer.from(bytes.subarray(0, 1024)).includes('%PDF-');

/**
 * Takes a file in, or the picture of one of its pages.
 * @returns the picture of it; none for a PDF, whose pages are drawn in the browser
 * @throws Refused where it is no file that can be taken
 */
export async function bringWork(
  { db, readIn }: { db: Database; readIn: ReadIn },
  person: Student,
  copyId: string,
  { file: id, name, page, bytes }: BringingWork & { bytes: Uint8Array },
): Promise<{ picture: OwnPicture | null }> {
  await mayBringWork(db, person, copyId);
  const kept = await filesOf(db, copyId);
  const known = kept.find((one) => one.id === id);
  if (page !== undefined && known?.type !== PDF) throw missing();
  if (page === undefined && !known && kept.length >= 2 * MOST_BROUGHT)
    throw new Refused(409, `${2 * MOST_BROUGHT} files were brought to this copy, the most there can be.`);
  const { schoolId, id: personId } = person;
  const file = { id, schoolId, copyId, personId, name };
  if (page === undefined && isPdf(bytes)) {
    await keepFile(db, { ...file, type: PDF, bytes });
    return { picture: null };
  }
  const read = await readIn({
    bytes,
    name: nameFromFile(name, 'work'),
    owner: personId,
    page: { whole: page === undefined },
  });
  if ('problem' in read) throw new Refused(422, read.problem);
  const picture = await keepPicture(db, { schoolId, ownerId: personId, offered: false }, read.picture);
  const { whole } = read.picture;
  if (whole) await keepFile(db, { ...file, ...whole });
  return { picture };
}

/** A file that was brought to a copy, for who works on it and for who teaches them. @throws Refused for anybody else */
export async function broughtFile(
  db: Database,
  person: Pick<Person, 'id'>,
  copyId: string,
  id: string,
): Promise<BroughtFile> {
  const copy = (await copyForTeacher(db, person.id, copyId)) ?? (await copyOfStudent(db, person.id, copyId));
  const file = copy && (await fileOf(db, copyId, id));
  if (!file) throw missing();
  return file;
}
