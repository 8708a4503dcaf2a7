import { requirePerson } from '../who.server';
import type { Route } from './+types/parts';

/** What the parts of shipped pictures are called, by picture. To students, for whom they may be the answers, nothing is told. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  return Response.json(person.role === 'teacher' ? context.services.shelf.partNames : {});
}
