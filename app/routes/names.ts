import { namesAround } from '../../server/stores/people';
import { requirePerson } from '../who.server';
import type { Route } from './+types/names';

/** Names of the people this person knows at the school, for the spelling check. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  return Response.json(await namesAround(context.services.db, person.id));
}
