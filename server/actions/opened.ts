import { damagedSheet } from '../../core/sheet/damaged';
import type { Sheet } from '../../core/schema/sheet';
import type { Database } from '../database/connection';
import type { Loaded } from '../stores/documents';
import { Damaged, DAMAGED_WORDS, loadDocument } from '../stores/documents';
import { lastReadable } from '../stores/mending';

import { missing, Refused } from './refused';

/** What is shown of documents that can't be read. */

/** A document as it is shown among others: itself, or that it is damaged. */
export const shownOf = (document: Loaded | Damaged, title: string): { sheet: Sheet; damage: string | null } =>
  document instanceof Damaged
    ? { sheet: damagedSheet(title), damage: document.reason }
    : { sheet: document.sheet, damage: null };

/** What a person is told of their damaged sheet, with the last state that can be gone on from. */
export type Damage = {
  documentId: string;
  reason: string;
  changedAt: Date;
  last: { at: Date } | null;
};

/** The last state of a damaged document that can be read: in its place is shown what can be of it. */
type Broken = { damage: Damage; seq: number; sheet: Sheet };

/** A document, or what is the matter with it; undefined when there is none. */
export async function openedOr(db: Database, id: string): Promise<Loaded | Broken | undefined> {
  try {
    return await loadDocument(db, id);
  } catch (error) {
    if (!(error instanceof Damaged)) throw error;
    const last = await lastReadable(db, id);
    return {
      damage: { documentId: id, reason: error.reason, changedAt: error.changedAt, last: last ? { at: last.at } : null },
      seq: last?.seq ?? -1,
      sheet: last?.sheet ?? damagedSheet('Damaged'),
    };
  }
}

/** What a picture of a document shows, and a key for that state: its last readable one where it is damaged. */
export async function pictured(db: Database, id: string): Promise<{ key: string; sheet: Sheet } | undefined> {
  const opened = await openedOr(db, id);
  return opened && { key: `${id}:${opened.seq}`, sheet: opened.sheet };
}

/** A document that can be gone on with; a damaged one is told, with where it can be put right. @throws Refused */
export async function whole(db: Database, id: string): Promise<Loaded> {
  const document = await openedOr(db, id);
  if (!document) throw missing();
  if ('damage' in document) throw new Refused(409, DAMAGED_WORDS);
  return document;
}
