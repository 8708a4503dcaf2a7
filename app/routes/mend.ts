import { redirect } from 'react-router';
import { z } from 'zod';
import { mendDocument } from '../../server/actions/history';
import { formOf } from '../form.server';
import { allowed, placeAfter, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/mend';

/** Lets a damaged sheet go on from its last readable state: for its owner, a copy's student, and their teacher. */

const Asked = z.object({ back: z.string().max(300) });

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const asked = Asked.safeParse(await formOf(request));
  if (!asked.success) throw refuse(400, 'Reload the page and try again.');
  await allowed(mendDocument(context.services.db, person, params.documentId));
  return redirect(placeAfter(asked.data.back, person.role));
}
