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
  given: { schoolId: string; ownerId: string; purpose: Purpose; sheet: Sheet },
): Promise<string> {
  const id = newId();
  const documentId = await createDocument(db, given.schoolId, given.sheet);
  await db.query('insert into sheet (id, school_id, owner_id, document_id, purpose) values ($1, $2, $3, $4, $5)', [
    id,
    given.schoolId,
    given.ownerId,
    documentId,
    given.purpose,
  ]);
  return id;
}

export type OwnedSheet = { id: string; documentId: string; purpose: Purpose };

export const sheetOf = async (db: Queries, ownerId: string, id: string) =>
  one(
    await db.query<OwnedSheet>(
      'select id, document_id as "documentId", purpose from sheet where id = $1 and owner_id = $2',
      [id, ownerId],
    ),
  );

/** A teacher's sheets, the last changed first. */
export const sheetsOf = (db: Database, ownerId: string) =>
  db.query<{
    id: string;
    title: string;
    damage: string | null;
    seq: number;
    changedAt: Date;
    handedOut: number;
    cover: Cover | null;
  }>(
    `select s.id, d.title, d.damage, d.seq, d.changed_at as "changedAt", d.cover,
       (select count(*)::int from handout h where h.sheet_id = s.id) as "handedOut"
     from sheet s join document d on d.id = s.document_id where s.owner_id = $1 order by d.changed_at desc`,
    [ownerId],
  );
