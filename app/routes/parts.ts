import { requirePerson } from '../who.server';
import type { Route } from './+types/parts';

/** The names of the parts of shipped pictures, by picture. Students get none: they may be the answers. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  return Response.json(person.role === 'teacher' ? context.services.shelf.partNames : {});
}
