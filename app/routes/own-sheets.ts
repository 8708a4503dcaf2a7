import { sheetsOf } from '../../server/stores/sheets';
import { requireTeacher } from '../who.server';
import type { Route } from './+types/own-sheets';

/** A teacher's sheets by name, those that were worked on last first. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const sheets = await sheetsOf(context.services.db, person.id);
  return Response.json(sheets.flatMap(({ id, title, binnedAt }) => (binnedAt ? [] : [{ id, title }])));
}
