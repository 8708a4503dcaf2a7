import { workshop } from '../../server/actions/means';
import { alikeView } from '../../server/views/alike-view';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/alike';

/** Pieces of a class that are alike, in pairs. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { db, shelf } = context.services;
  return Response.json(await allowed(alikeView(workshop(db, shelf), person, params.handoutId)));
}
