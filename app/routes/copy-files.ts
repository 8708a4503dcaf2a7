import { BringingWork, bringWork, mayBringWork } from '../../server/actions/bring-work';
import { fileIn } from '../form.server';
import type { WorkAnswer } from '../brought/sending';
import { allowed, readingIn, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/copy-files';

/** Work made elsewhere, brought to a copy: POST ?file=ID&name=NAME, and for a picture of a page of a PDF &page=N. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db, exporter } = context.services;
  if (request.method !== 'POST') throw refuse(405, 'Files can be added here.');
  await allowed(mayBringWork(db, person, params.copyId));
  const asked = BringingWork.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) throw refuse(400, 'The name of this file can’t be read. Give it another one and try again.');
  const bytes = await fileIn(request);
  const readIn = readingIn(exporter, request.signal);
  const { picture } = await allowed(bringWork({ db, readIn }, person, params.copyId, { ...asked.data, bytes }));
  return Response.json({ picture } satisfies WorkAnswer);
}
