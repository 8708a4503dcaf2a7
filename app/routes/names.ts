import { namesAround } from '../../server/stores/people';
import { requirePerson } from '../who.server';
import type { Route } from './+types/names';

/** What the people are called whom this person knows at the school: no spelling mistakes. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  return Response.json(await namesAround(context.services.db, person));
}
