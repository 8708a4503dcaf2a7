import type { Cover } from '../../core/sheet/cover';
import type { Sheet } from '../../core/schema/sheet';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { createDocument } from './documents';

export const PURPOSES = ['worksheet', 'poster', 'map', 'diagram', 'blank'] as const;
export type Purpose = (typeof PURPOSES)[number];

export async function createSheet(
  db: Queries,
  given: { schoolId: string; ownerId: string; purpose: Purpose; sheet: Sheet; folderId?: string | null },
): Promise<string> {
  const id = newId();
  const documentId = await createDocument(db, given.schoolId, given.sheet);
  await db.query(
    'insert into sheet (id, school_id, owner_id, document_id, purpose, folder_id) values ($1, $2, $3, $4, $5, $6)',
    [id, given.schoolId, given.ownerId, documentId, given.purpose, given.folderId ?? null],
  );
  return id;
}

export type OwnedSheet = {
  id: string;
  documentId: string;
  purpose: Purpose;
  folderId: string | null;
  binnedAt: Date | null;
};

export const sheetOf = async (db: Queries, ownerId: string, id: string) =>
  one(
    await db.query<OwnedSheet>(
      `select id, document_id as "documentId", purpose, folder_id as "folderId", binned_at as "binnedAt"
       from sheet where id = $1 and owner_id = $2`,
      [id, ownerId],
    ),
  );

export type ListedSheet = {
  id: string;
  title: string;
  purpose: Purpose;
  damage: string | null;
  seq: number;
  createdAt: Date;
  changedAt: Date;
  handedOut: number;
  cover: Cover | null;
  folderId: string | null;
  binnedAt: Date | null;
};

/** A teacher's sheets, those in the bin among them, the last changed first. */
export const sheetsOf = (db: Queries, ownerId: string) =>
  db.query<ListedSheet>(
    `select s.id, d.title, s.purpose, d.damage, d.seq, s.created_at as "createdAt", d.changed_at as "changedAt", d.cover,
       s.folder_id as "folderId", s.binned_at as "binnedAt",
       (select count(*)::int from handout h where h.sheet_id = s.id) as "handedOut"
     from sheet s join document d on d.id = s.document_id where s.owner_id = $1 order by d.changed_at desc`,
    [ownerId],
  );

/** `folderId` null: out of any folder. Another's folder changes nothing. */
export const putIntoFolder = (db: Queries, ownerId: string, id: string, folderId: string | null) =>
  db.query(
    `update sheet set folder_id = $3 where id = $2 and owner_id = $1
       and ($3::text is null or exists (select 1 from folder where id = $3 and owner_id = $1))`,
    [ownerId, id, folderId],
  );

/** Into the bin, or out of it. */
export const setBinned = (db: Queries, ownerId: string, id: string, binned: boolean) =>
  db.query(
    `update sheet set binned_at = case when $3 then coalesce(binned_at, now()) end where id = $2 and owner_id = $1`,
    [ownerId, id, binned],
  );

/** How long the bin keeps a sheet, in days. */
export const BIN_DAYS = 30;

/** Deletes sheets with their documents. What was handed out of them stays. */
async function removeSheets(tx: Queries, which: string, parameters: unknown[]): Promise<number> {
  const gone = await tx.query<{ documentId: string }>(
    `delete from sheet where ${which} returning document_id as "documentId"`,
    parameters,
  );
  await tx.query('delete from document where id = any($1)', [gone.map(({ documentId }) => documentId)]);
  return gone.length;
}

/** Deletes one sheet of the bin, or all of a teacher's bin. The number deleted. */
export const emptyBin = (db: Database, ownerId: string, id: string | null = null): Promise<number> =>
  db.transaction((tx) =>
    removeSheets(tx, 'owner_id = $1 and binned_at is not null and ($2::text is null or id = $2)', [ownerId, id]),
  );

/** Deletes what has been in a bin for longer than it is kept. */
export const forgetBinned = (db: Database): Promise<number> =>
  db.transaction((tx) => removeSheets(tx, `binned_at < now() - make_interval(days => $1)`, [BIN_DAYS]));
