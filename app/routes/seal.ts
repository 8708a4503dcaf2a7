import { sealKey } from '../../server/stores/sign-in';
import { requirePerson } from '../who.server';
import type { Route } from './+types/seal';

/** The key under which this person's unsaved work is sealed in a browser when they sign out of it. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  return Response.json({ key: await sealKey(context.services.db, person.id) });
}
