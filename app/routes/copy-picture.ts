import { copyForTeacher, copyOfStudent, goesOf } from '../../server/stores/copies';
import { loadDocument } from '../../server/stores/documents';
import { askedGo } from '../form.server';
import { svgAnswer } from '../picture.server';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/copy-picture';

/** A copy as it stands, or with ?go=N as it was handed in. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const copy = await (person.role === 'teacher' ? copyForTeacher : copyOfStudent)(db, person.id, params.copyId);
  if (!copy) throw missing();
  const number = askedGo(request);
  if (number > 0) {
    const go = (await goesOf(db, copy.id)).find((g) => g.number === number);
    if (!go) throw missing();
    return svgAnswer(request, await shelf.svg(db, `go ${go.id}`, go.sheet));
  }
  const document = await loadDocument(db, copy.documentId);
  if (!document) throw missing();
  return svgAnswer(request, await shelf.svg(db, `${document.id}:${document.seq}`, document.sheet));
}
