import { z } from 'zod';
import { Id } from '../../core/schema/sheet';
import { mayWatch } from '../../server/actions/live';
import { FeedbackShows } from '../../server/views/feedback-view';
import { jsonOf } from '../form.server';
import { asked } from '../export.server';
import { allowed, refuse, requireTeacher } from '../who.server';
import type { Route } from './+types/feedback';

const Wanted = FeedbackShows.extend({ copies: z.array(Id).min(1).max(1000) });

/** Requests feedback on pieces of a handout as PDF. Its progress and the file are at /exports. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireTeacher(request, context);
  const wanted = Wanted.safeParse(jsonOf(await request.text()));
  if (!wanted.success) throw refuse(400, 'Choose whose feedback you want first.');
  const { handoutId } = params;
  const { db, exports } = context.services;
  await allowed(mayWatch(db, person, handoutId));
  const { copies, ...shows } = wanted.data;
  return asked(exports.askFeedback(person.id, { as: 'pdf', handoutId, copies, shows }));
}
