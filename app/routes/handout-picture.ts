import { handoutOf } from '../../server/stores/handouts';
import { svgAnswer } from '../picture.server';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/handout-picture';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const handout = await handoutOf(db, person.id, params.handoutId);
  if (!handout) throw missing();
  return svgAnswer(shelf.svg(db, `handout ${handout.id}`, handout.given, request.signal));
}
