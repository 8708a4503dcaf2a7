import { redirect } from 'react-router';
import { z } from 'zod';
import { documentAccess, isTeacherOfCopy } from '../../server/stores/copies';
import { mend } from '../../server/stores/mending';
import { formOf } from '../form.server';
import { missing, placeAfter, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/mend';

/** Lets a damaged sheet go on from its last readable state: for its owner, a copy's student, and their teacher. */

const Asked = z.object({ back: z.string().max(300) });

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db } = context.services;
  const { documentId } = params;
  const may =
    (await documentAccess(db, person.id, documentId)) ?? (await isTeacherOfCopy(db, person.id, documentId)) ?? null;
  if (!may) throw missing();
  const asked = Asked.safeParse(await formOf(request));
  if (!asked.success) throw refuse(400, 'Reload the page and try again.');
  if (!(await mend(db, documentId)))
    throw refuse(409, 'No state of this sheet can be read. Tell whoever looks after Dappled Margin.');
  return redirect(placeAfter(asked.data.back, person.role));
}
