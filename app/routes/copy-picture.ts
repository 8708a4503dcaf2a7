import { AreaText } from '../../core/review/spot';
import { copyForTeacher, copyOfStudent } from '../../server/stores/copies';
import { goesOf } from '../../server/stores/goes';
import { pictured } from '../../server/actions/opened';
import { PageNumber, svgAnswer } from '../picture.server';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/copy-picture';

/**
 * The first page of a copy as it stands, or with ?go=ID as it was handed in, of which ?page=N (from 0) is any page and
 * ?area=X,Y,WIDTH,HEIGHT a part of it in points; with ?example its example.
 */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  // A teacher has a copy of their own while they try out what students get.
  const copy =
    (person.role === 'teacher' ? await copyForTeacher(db, person.id, params.copyId) : undefined) ??
    (await copyOfStudent(db, person.id, params.copyId));
  if (!copy) throw missing();
  const { searchParams } = new URL(request.url);
  const asked = searchParams.get('go');
  const area = searchParams.has('area') ? AreaText.safeParse(searchParams.get('area')) : null;
  if (area?.success === false) throw missing();
  const page = PageNumber.safeParse(searchParams.get('page') ?? '0');
  if (searchParams.has('example')) {
    const { example, id } = copy.handout;
    if (!example || !page.success || page.data >= example.pages.length) throw missing();
    return svgAnswer(shelf.svg(db, `example ${id}`, example, request.signal, page.data));
  }
  if (asked !== null) {
    const go = (await goesOf(db, copy.id)).find((g) => g.id === asked);
    if (!go || !page.success || page.data >= go.sheet.pages.length) throw missing();
    return svgAnswer(shelf.svg(db, `go ${go.id}`, go.sheet, request.signal, page.data, area?.data));
  }
  const shown = await pictured(db, copy.documentId);
  if (!shown) throw missing();
  return svgAnswer(shelf.svg(db, shown.key, shown.sheet, request.signal));
}
