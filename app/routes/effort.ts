import { workshop } from '../../server/actions/means';
import { effortView } from '../../server/views/effort-view';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/effort';

/** How long students worked on their pieces, and how much they wrote. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { db, shelf } = context.services;
  return Response.json(await allowed(effortView(workshop(db, shelf), person, params.handoutId)));
}
