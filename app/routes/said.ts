import { Review, review } from '../../server/actions/review';
import { check, jsonOf } from '../form.server';
import { allowed, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/said';

/** Takes what a teacher says on a go: all of it or, with the reason, nothing. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const read = check(Review, jsonOf(await request.text()));
  if (!read.ok) throw refuse(400, read.wrong.problem);
  await allowed(review(context.services.db, person, params, read.value));
  return Response.json({ taken: read.value.steps.length });
}
