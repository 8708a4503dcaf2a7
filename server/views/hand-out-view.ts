import { whole } from '../actions/opened';
import { missing } from '../actions/refused';
import type { Database } from '../database/connection';
import { classesOf } from '../stores/classes';
import type { Person } from '../stores/people';
import { sheetOf } from '../stores/sheets';

/** A sheet about to be handed out, with the classes of its teacher. @throws Refused where it is not theirs or is damaged */
export async function handOutView(db: Database, person: Pick<Person, 'id' | 'name'>, sheetId: string) {
  const found = await sheetOf(db, person.id, sheetId);
  if (!found) throw missing();
  const document = await whole(db, found.documentId);
  return {
    personId: person.id,
    personName: person.name,
    id: found.id,
    documentId: document.id,
    seq: document.seq,
    sheet: document.sheet,
    savedAt: +document.changedAt,
    classes: await classesOf(db, person.id),
  };
}
