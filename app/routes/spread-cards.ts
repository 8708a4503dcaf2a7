import { z } from 'zod';
import { Id } from '../../core/values/primitives';
import { workshop } from '../../server/actions/means';
import { cardsView } from '../../server/views/spread-view';
import { allowed, refuse, requireTeacher } from '../who.server';
import type { Route } from './+types/spread-cards';

/** Cards of the spread as they are now, of those copies alone whose documents are named: ?of=ID,ID. */

const Asked = z
  .string()
  .max(8000)
  .transform((text) => text.split(',').filter(Boolean))
  .pipe(z.array(Id).min(1).max(200));

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const asked = Asked.safeParse(new URL(request.url).searchParams.get('of'));
  if (!asked.success) throw refuse(400, 'Say which pieces are meant. Reload the page.');
  const { db, shelf } = context.services;
  return Response.json(await allowed(cardsView(workshop(db, shelf), person, params.handoutId, asked.data)));
}
