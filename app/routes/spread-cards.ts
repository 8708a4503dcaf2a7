import { workshop } from '../../server/actions/means';
import { cardsView } from '../../server/views/spread-view';
import { askedPieces } from '../form.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/spread-cards';

/** Cards of the spread as they are now, of those copies alone whose documents are named: ?of=ID,ID. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const asked = askedPieces(request);
  const { db, shelf } = context.services;
  return Response.json(await allowed(cardsView(workshop(db, shelf), person, params.handoutId, asked)));
}
