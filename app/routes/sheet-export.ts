import { z } from 'zod';
import { sheetOf } from '../../server/stores/sheets';
import { whole } from '../../server/actions/opened';
import { asked } from '../export.server';
import { jsonOf } from '../form.server';
import { allowed, missing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/sheet-export';

const Wanted = z.strictObject({
  as: z.enum(['pdf', 'png']),
  side: z.enum(['key', 'students']).default('students'),
  page: z.number().int().min(0).max(199).default(0),
});

/** Requests a file of a sheet. Its progress and the file are at /exports. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db, exports } = context.services;
  const wanted = Wanted.safeParse(jsonOf(await request.text()));
  if (!wanted.success) throw refuse(400, 'Choose PDF or PNG in the workbench.');
  const found = await sheetOf(db, person.id, params.sheetId);
  if (!found) throw missing();
  await allowed(whole(db, found.documentId));
  return asked(exports.ask(person.id, found.id, wanted.data));
}
