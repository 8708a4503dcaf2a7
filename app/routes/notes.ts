import { fileName } from '../../core/items/name';
import { workshop } from '../../server/actions/means';
import { SpacedIds } from '../../server/actions/spaced';
import { notesJson } from '../../server/views/feedback-view';
import { asFile } from '../export.server';
import { allowed, missing, requireTeacher } from '../who.server';
import type { Route } from './+types/notes';

/** The notes on pieces as Web Annotations: ?of=COPIES, or all. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { searchParams, origin } = new URL(request.url);
  const read = SpacedIds.safeParse(searchParams.get('of') ?? '');
  if (!read.success) throw missing();
  const { db, shelf } = context.services;
  const { title, json } = await allowed(notesJson(workshop(db, shelf), person, params.handoutId, read.data, origin));
  return asFile(JSON.stringify(json, null, 2), 'application/ld+json', `${fileName(title, 'handout')} (notes).jsonld`);
}
