import { clearPicture, ToClear } from '../../server/actions/clear-picture';
import { check, jsonOf } from '../form.server';
import { allowed, clearing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/clearing';

/** Takes the background of a picture by a recipe (POST), before a sheet shows it so. */
export async function action({ request, context }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  if (request.method !== 'POST') throw refuse(405, 'A recipe for taking a background away can be sent here.');
  const asked = check(ToClear, jsonOf(await request.text()));
  if (!asked.ok) throw refuse(400, 'This could not be read. Reload the page and try again.');
  const { db, exporter } = context.services;
  const id = await allowed(clearPicture({ db, clear: clearing(exporter, request.signal) }, person, asked.value));
  return Response.json({ id });
}
