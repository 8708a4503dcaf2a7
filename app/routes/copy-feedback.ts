import { workshop } from '../../server/actions/means';
import { ownFeedback } from '../../server/views/feedback-view';
import { asked } from '../export.server';
import { allowed, requirePerson } from '../who.server';
import type { Route } from './+types/copy-feedback';

/** Requests feedback on a student's own piece as PDF. Its progress and the file are at /exports. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf, exports } = context.services;
  await allowed(ownFeedback(workshop(db, shelf), person, params.copyId));
  const shows = { lookFors: true, marks: true };
  return asked(exports.askFeedback(person.id, { as: 'pdf', copyId: params.copyId, shows }));
}
