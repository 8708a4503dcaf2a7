import { damagedSheet } from '../../core/sheet/damaged';
import type { Sheet } from '../../core/schema/sheet';
import type { Database } from '../database/connection';
import type { Loaded } from '../stores/documents';
import { Damaged, DAMAGED_WORDS, loadDocument } from '../stores/documents';
import { lastReadable } from '../stores/mending';
import type { OwnedSheet } from '../stores/sheets';
import { sheetOf } from '../stores/sheets';

import { missing, Refused } from './refused';

/** Reading documents that may be damaged. */

/** A document as shown among others: itself, or a damaged sign. */
export const shownOf = (document: Loaded | Damaged, title: string): { sheet: Sheet; damage: string | null } =>
  document instanceof Damaged
    ? { sheet: damagedSheet(title), damage: document.reason }
    : { sheet: document.sheet, damage: null };

/** What is told about a damaged sheet, with its last readable state. */
export type Damage = {
  documentId: string;
  reason: string;
  changedAt: Date;
  last: { at: Date } | null;
};

/** A damaged document, with its last readable state. */
type Broken = { damage: Damage; seq: number; sheet: Sheet };

/** A document, or its damage. Undefined when there is none. */
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

/** The sheet that a document's picture shows, and a key for that state: the last readable one if it is damaged. */
export async function pictured(db: Database, id: string): Promise<{ key: string; sheet: Sheet } | undefined> {
  const opened = await openedOr(db, id);
  return opened && { key: `${id}:${opened.seq}`, sheet: opened.sheet };
}

/** A document that is not damaged. @throws Refused if it is, saying where it can be mended */
export async function whole(db: Database, id: string): Promise<Loaded> {
  const document = await openedOr(db, id);
  if (!document) throw missing();
  if ('damage' in document) throw new Refused(409, DAMAGED_WORDS);
  return document;
}

/** A teacher's sheet as it is now; null where it is gone, not theirs, or damaged. */
export async function sheetStill(db: Database, teacherId: string, sheetId: string | null): Promise<Loaded | null> {
  const owned = sheetId === null ? undefined : await sheetOf(db, teacherId, sheetId);
  const document = owned && (await openedOr(db, owned.documentId));
  return document && !('damage' in document) ? document : null;
}

/** A teacher's sheet. @throws Refused where it is not theirs */
export async function ownSheet(db: Database, teacherId: string, sheetId: string): Promise<OwnedSheet> {
  const found = await sheetOf(db, teacherId, sheetId);
  if (!found) throw missing();
  return found;
}
