import { loadDocument } from '../../server/stores/documents';
import { sheetOf } from '../../server/stores/sheets';
import { svgAnswer } from '../picture.server';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/sheet-picture';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const sheet = await sheetOf(db, person.id, params.sheetId);
  const document = sheet && (await loadDocument(db, sheet.documentId));
  if (!document) throw missing();
  return svgAnswer(request, await shelf.svg(db, `${document.id}:${document.seq}`, document.sheet));
}
