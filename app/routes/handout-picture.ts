import { givenOut } from '../../core/handout/copy';
import { handoutOf } from '../../server/stores/handouts';
import { svgAnswer } from '../picture.server';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/handout-picture';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const handout = await handoutOf(context.services.db, person.id, params.handoutId);
  if (!handout) throw missing();
  return svgAnswer(request, context.services.shelf.svg(`handout ${handout.id}`, givenOut(handout.sheet)));
}
