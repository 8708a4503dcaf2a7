import { z } from 'zod';
import { workshop } from '../../server/actions/means';
import { changesFor, saveWork, Saving } from '../../server/actions/save-changes';
import { jsonOf } from '../form.server';
import { allowed, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/changes';

/** The changes of a document: those since a number, and more to be saved (POST). */

const Since = z.coerce.number().int().min(0).max(2_000_000_000);

const meansOf = ({ context: { services } }: Pick<Route.LoaderArgs, 'context'>) => workshop(services.db, services.shelf);

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const since = Since.safeParse(new URL(request.url).searchParams.get('since') ?? '');
  if (!since.success) throw refuse(400, 'Say since which number.');
  return Response.json(await allowed(changesFor(meansOf({ context }), person, params.documentId, since.data)));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const read = Saving.safeParse(jsonOf(await request.text()));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw refuse(
      400,
      `These changes could not be read (${issue.path.join('.')}: ${issue.message}). Reload the page and try again.`,
    );
  }
  return Response.json(await allowed(saveWork(meansOf({ context }), person, params.documentId, read.data)));
}
