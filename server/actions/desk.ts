import { z } from 'zod';
import type { Database } from '../database/connection';
import { BEGINNINGS } from '../stores/beginnings';
import { addFolder, foldersOf, removeFolder, renameFolder } from '../stores/folders';
import type { Person } from '../stores/people';
import { createSheet, emptyBin, PURPOSES, putIntoFolder, setBinned } from '../stores/sheets';
import { binHandout, deleteBinned, restoreHandout } from './handout-life';
import { makeCopy } from './history';
import { ownSheet, whole } from './opened';
import { missing, Refused } from './refused';

/** What a teacher does on the Desk: begins, copies and sorts sheets, and puts sheets and handouts into the bin and back. */

type Teacher = Pick<Person, 'id' | 'schoolId'>;

const Id = z.string().min(1).max(40);
/** A form's way to say: in no folder. */
const Folder = z
  .string()
  .max(40)
  .transform((id) => id || null);
const FolderName = z
  .string()
  .trim()
  .min(1, 'Type a name for the folder.')
  .max(60, 'A folder’s name has at most 60 letters.');

/** `folderId` empty: in no folder. */
export const OnDesk = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('begin'),
    purpose: z.enum(PURPOSES, 'Choose what to begin with from the row on the Desk.'),
    folderId: Folder.default(null),
  }),
  z.object({ do: z.literal('copy'), sheetId: Id }),
  z.object({ do: z.literal('put'), sheetId: Id, folderId: Folder }),
  z.object({ do: z.literal('bin'), sheetId: Id }),
  z.object({ do: z.literal('restore'), sheetId: Id }),
  z.object({ do: z.literal('delete'), sheetId: Id }),
  z.object({ do: z.literal('bin-handout'), handoutId: Id }),
  z.object({ do: z.literal('restore-handout'), handoutId: Id }),
  z.object({ do: z.literal('delete-handout'), handoutId: Id }),
  z.object({ do: z.literal('empty-bin') }),
  z.object({ do: z.literal('add-folder'), name: FolderName }),
  z.object({ do: z.literal('rename-folder'), folderId: Id, name: FolderName }),
  z.object({ do: z.literal('remove-folder'), folderId: Id }),
]);
export type OnDesk = z.infer<typeof OnDesk>;

/** What came of it: a sheet to open, a folder to show, or nothing more than that it is done. */
export type Done = { sheetId?: string; folderId?: string };

async function ownFolder(db: Database, { id }: Teacher, folderId: string | null): Promise<void> {
  if (folderId !== null && !(await foldersOf(db, id)).some((one) => one.id === folderId)) throw missing();
}

const sameName = (name: string) => new Refused(422, `There is a folder “${name}” already.`, 'name');

/** @throws Refused where the sheet or the folder is not theirs, or a folder's name is taken */
export async function doOnDesk(db: Database, teacher: Teacher, wanted: OnDesk): Promise<Done> {
  const { id: ownerId, schoolId } = teacher;
  switch (wanted.do) {
    case 'begin': {
      await ownFolder(db, teacher, wanted.folderId);
      const { purpose, folderId } = wanted;
      const sheet = BEGINNINGS[purpose].sheet();
      return { sheetId: await createSheet(db, { schoolId, ownerId, purpose, folderId, sheet }) };
    }
    case 'copy': {
      const owned = await ownSheet(db, ownerId, wanted.sheetId);
      return { sheetId: await makeCopy(db, teacher, owned, (await whole(db, owned.documentId)).sheet) };
    }
    case 'put':
      await ownSheet(db, ownerId, wanted.sheetId);
      await ownFolder(db, teacher, wanted.folderId);
      await putIntoFolder(db, ownerId, wanted.sheetId, wanted.folderId);
      return {};
    case 'bin':
    case 'restore':
      await ownSheet(db, ownerId, wanted.sheetId);
      await setBinned(db, ownerId, wanted.sheetId, wanted.do === 'bin');
      return {};
    case 'delete': {
      const { binnedAt } = await ownSheet(db, ownerId, wanted.sheetId);
      if (binnedAt === null) throw new Refused(422, 'Put the sheet into the bin first.');
      await emptyBin(db, ownerId, wanted.sheetId);
      return {};
    }
    case 'bin-handout':
      await binHandout(db, teacher, wanted.handoutId);
      return {};
    case 'restore-handout':
      await restoreHandout(db, teacher, wanted.handoutId);
      return {};
    case 'delete-handout':
      await deleteBinned(db, teacher, wanted.handoutId);
      return {};
    case 'empty-bin':
      await emptyBin(db, ownerId);
      await deleteBinned(db, teacher);
      return {};
    case 'add-folder': {
      const folderId = await addFolder(db, { schoolId, ownerId, name: wanted.name });
      if (folderId === undefined) throw sameName(wanted.name);
      return { folderId };
    }
    case 'rename-folder':
      await ownFolder(db, teacher, wanted.folderId);
      if (!(await renameFolder(db, ownerId, wanted.folderId, wanted.name))) throw sameName(wanted.name);
      return {};
    case 'remove-folder':
      await removeFolder(db, ownerId, wanted.folderId);
      return {};
  }
}
