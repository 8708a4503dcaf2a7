import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/export';

/** The progress of a requested file. DELETE stops it. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const state = await context.services.exports.look(person.id, params.exportId);
  if (!state) throw missing();
  return Response.json(state);
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  if (request.method !== 'DELETE') throw missing();
  await context.services.exports.stop(person.id, params.exportId);
  return Response.json({ state: 'stopped' });
}
