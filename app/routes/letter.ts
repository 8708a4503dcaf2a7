import { letterView } from '../../server/views/letters-view';
import { workshop } from '../../server/actions/means';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/letter';

/** What the letter home about one student's piece says, but for what their teacher writes to all. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { db, shelf } = context.services;
  return Response.json(await allowed(letterView(workshop(db, shelf), person, params)));
}
