import { suggested } from '../../core/lookfors/all';
import { newId } from '../database/id';
import { ownSheet, whole } from '../actions/opened';
import type { Database } from '../database/connection';
import { classesOf } from '../stores/classes';
import type { Person } from '../stores/people';

/** A sheet about to be handed out, with the classes of its teacher. @throws Refused where it is not theirs or is damaged */
export async function handOutView(db: Database, person: Pick<Person, 'id' | 'name'>, sheetId: string) {
  const found = await ownSheet(db, person.id, sheetId);
  const document = await whole(db, found.documentId);
  return {
    personId: person.id,
    personName: person.name,
    id: found.id,
    documentId: document.id,
    seq: document.seq,
    sheet: document.sheet,
    suggested: suggested(document.sheet, newId),
    savedAt: +document.changedAt,
    classes: await classesOf(db, person.id),
  };
}
