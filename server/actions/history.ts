import { z } from 'zod';
import { cutTo } from '../../core/values/characters';
import type { Sheet } from '../../core/schema/sheet';
import type { Database } from '../database/connection';
import type { SheetHistory, Moment } from '../stores/history';
import { addMoment, dropMoment, historyOf, momentsOf, sheetAt } from '../stores/history';
import { documentAccess, isTeacherOfCopy } from '../stores/copies';
import { mend } from '../stores/mending';
import type { Person } from '../stores/people';
import type { OwnedSheet } from '../stores/sheets';
import { createSheet } from '../stores/sheets';
import { ownSheet } from './opened';
import { missing, Refused } from './refused';

/** What a teacher does with the history of a sheet, and how a damaged one goes on from an earlier state. */

type Teacher = Pick<Person, 'id' | 'schoolId' | 'role'>;

const Seq = z.coerce.number().int().min(0);
/** `seq`: the number of changes after which that state was reached. */
export const WithHistory = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('name'),
    seq: Seq,
    name: z
      .string()
      .trim()
      .min(1, 'Give the moment a name, such as “before the colours”.')
      .max(80, 'Keep the name of a moment under 80 letters.'),
  }),
  z.object({ do: z.literal('drop'), id: z.string().max(40) }),
  z.object({ do: z.literal('copy'), seq: Seq }),
]);
export type WithHistory = z.infer<typeof WithHistory>;

function sheetFor(db: Database, { id, role }: Teacher, sheetId: string) {
  if (role !== 'teacher') throw missing();
  return ownSheet(db, id, sheetId);
}

/** Another sheet of the same content, in the same folder; its id. */
export function makeCopy(
  db: Database,
  { id: ownerId, schoolId }: Pick<Person, 'id' | 'schoolId'>,
  { purpose, folderId }: OwnedSheet,
  sheet: Sheet,
): Promise<string> {
  const title = `${cutTo(sheet.title || 'Untitled sheet', 190)}, copy`;
  return createSheet(db, { schoolId, ownerId, purpose, folderId, sheet: { ...sheet, title } });
}

/** @throws Refused where the sheet is not theirs, or its history is damaged */
export async function historyFor(db: Database, person: Teacher, sheetId: string): Promise<SheetHistory> {
  const { documentId } = await sheetFor(db, person, sheetId);
  const history = await historyOf(db, documentId);
  if (!history)
    throw new Refused(
      409,
      'The history of this sheet can’t be read: a part of it is damaged. The sheet itself is fine.',
    );
  return history;
}

/** Gives the named moments as they are now, or the sheet that was made. @throws Refused where it can't be done */
export async function doWithHistory(
  db: Database,
  person: Teacher,
  sheetId: string,
  wanted: WithHistory,
): Promise<{ moments: Moment[] } | { sheetId: string }> {
  const owned = await sheetFor(db, person, sheetId);
  const { documentId } = owned;
  if (wanted.do === 'copy') {
    const sheet = await sheetAt(db, documentId, wanted.seq);
    if (!sheet) throw new Refused(409, 'This moment of the sheet can no longer be opened. Choose another one.');
    return { sheetId: await makeCopy(db, person, owned, sheet) };
  }
  if (wanted.do === 'name') {
    const made = await addMoment(db, { documentId, authorId: person.id, seq: wanted.seq, name: wanted.name });
    if (!made.ok) throw new Refused(409, made.reason);
  } else await dropMoment(db, documentId, wanted.id);
  return { moments: await momentsOf(db, documentId) };
}

/** Lets a damaged document go on from its last readable state. @throws Refused for anybody but its owner and a copy's teacher */
export async function mendDocument(db: Database, person: Pick<Person, 'id'>, documentId: string): Promise<void> {
  const may =
    (await documentAccess(db, person.id, documentId)) !== null || (await isTeacherOfCopy(db, person.id, documentId));
  if (!may) throw missing();
  if (!(await mend(db, documentId)))
    throw new Refused(409, 'No state of this sheet can be read. Tell whoever looks after Dappled Margin.');
}
