import { copyForTeacher, copyOfStudent, goesOf } from '../../server/stores/copies';
import { pictured } from '../../server/actions/opened';
import { svgAnswer } from '../picture.server';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/copy-picture';

/** A copy as it stands, or with ?go=ID as it was handed in. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const copy = await (person.role === 'teacher' ? copyForTeacher : copyOfStudent)(db, person.id, params.copyId);
  if (!copy) throw missing();
  const asked = new URL(request.url).searchParams.get('go');
  if (asked !== null) {
    const go = (await goesOf(db, copy.id)).find((g) => g.id === asked);
    if (!go) throw missing();
    return svgAnswer(shelf.svg(db, `go ${go.id}`, go.sheet, request.signal));
  }
  const shown = await pictured(db, copy.documentId);
  if (!shown) throw missing();
  return svgAnswer(shelf.svg(db, shown.key, shown.sheet, request.signal));
}
