import { sheetOf } from '../../server/stores/sheets';
import { pictured } from '../../server/actions/opened';
import { svgAnswer } from '../picture.server';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/sheet-picture';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const sheet = await sheetOf(db, person.id, params.sheetId);
  const shown = sheet && (await pictured(db, sheet.documentId));
  if (!shown) throw missing();
  return svgAnswer(shelf.svg(db, shown.key, shown.sheet, request.signal));
}
