import { doWithPhrases, WithPhrases } from '../../server/actions/phrases';
import { phrasesOf } from '../../server/stores/phrases';
import { check, jsonOf } from '../form.server';
import { allowed, refuse, requireTeacher } from '../who.server';
import type { Route } from './+types/phrases';

/** A teacher's phrases: asked for, and kept, changed, shared and removed. */

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  return Response.json(await phrasesOf(context.services.db, person.id));
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await requireTeacher(request, context);
  const read = check(WithPhrases, jsonOf(await request.text()));
  if (!read.ok) throw refuse(400, read.wrong.problem);
  await allowed(doWithPhrases(context.services.db, person, read.value));
  return Response.json(await phrasesOf(context.services.db, person.id));
}
