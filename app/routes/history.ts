import { redirect } from 'react-router';
import { doWithHistory, historyFor, WithHistory } from '../../server/actions/history';
import { check, formOf } from '../form.server';
import { allowed, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/history';

/** The history of a teacher's sheet; its named moments; and a copy of the sheet as it was at any of its states. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  return Response.json(await allowed(historyFor(context.services.db, person, params.sheetId)));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const read = check(WithHistory, await formOf(request));
  if (!read.ok) throw refuse(400, read.wrong.problem);
  const done = await allowed(doWithHistory(context.services.db, person, params.sheetId, read.value));
  return 'sheetId' in done ? redirect(`/sheets/${done.sheetId}?named=no`) : Response.json(done);
}
