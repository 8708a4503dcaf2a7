import { growthView } from '../../server/views/growth-view';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/growth';

/** How a piece grew. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  return Response.json(await allowed(growthView(context.services, person, params)));
}
