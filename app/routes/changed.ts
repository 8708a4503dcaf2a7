import { workshop } from '../../server/actions/means';
import { changesView } from '../../server/views/changes-view';
import { askedPieces } from '../form.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/changed';

/** What students changed, on those copies whose documents are named: ?of=ID,ID. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const asked = askedPieces(request);
  const { db, shelf } = context.services;
  return Response.json(await allowed(changesView(workshop(db, shelf), person, params.handoutId, asked)));
}
