import { ShelfChanges, tidyShelf } from '../../server/actions/upload-picture';
import { check, jsonOf } from '../form.server';
import type { ShelfAnswer } from '../pictures/answers';
import { allowed, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/shelf';

/** Tidies a teacher's shelf: names, sections, credits, who shares it (POST). */
export async function action({ request, context }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  if (request.method !== 'POST') throw refuse(405, 'Pictures can be tidied here.');
  const asked = check(ShelfChanges, jsonOf(await request.text()));
  if (!asked.ok) throw refuse(400, asked.wrong.problem);
  const pictures = await allowed(tidyShelf(context.services.db, person, asked.value));
  return Response.json({ pictures } satisfies ShelfAnswer);
}
