import { AreaText } from '../../core/review/spot';
import { pictured } from '../../server/actions/opened';
import { copyToPicture } from '../../server/stores/copies';
import { goesById } from '../../server/stores/goes';
import { handoutById } from '../../server/stores/handouts';
import { PageNumber, svgAnswer } from '../picture.server';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/copy-picture';

/**
 * The first page of a copy as it stands, or with ?go=ID as it was handed in, of which ?page=N (from 0) is any page and
 * ?area=X,Y,WIDTH,HEIGHT a part of it in points; with ?example its example. A class's pictures are asked for all at once: what is
 * not needed for one that is remembered is not read.
 */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const { searchParams } = new URL(request.url);
  const asked = searchParams.get('go');
  const copy = await copyToPicture(db, person.id, params.copyId, asked);
  if (!copy) throw missing();
  const area = searchParams.has('area') ? AreaText.safeParse(searchParams.get('area')) : null;
  const page = PageNumber.safeParse(searchParams.get('page') ?? '0');
  if (area?.success === false || !page.success) throw missing();
  if (searchParams.has('example')) {
    const example = (await handoutById(db, copy.handoutId))?.example;
    if (!example || page.data >= example.pages.length) throw missing();
    return svgAnswer(shelf.svg(db, `example ${copy.handoutId}`, example, request.signal, page.data));
  }
  if (asked !== null) {
    if (!copy.hasGo) throw missing();
    const handedIn = async () => {
      const [go] = await goesById(db, [asked]);
      if (!go || page.data >= go.sheet.pages.length) throw missing();
      return go.sheet;
    };
    return svgAnswer(shelf.svg(db, `go ${asked}`, handedIn, request.signal, page.data, area?.data));
  }
  const shown = await pictured(db, copy.documentId);
  if (!shown) throw missing();
  return svgAnswer(shelf.svg(db, shown.key, shown.sheet, request.signal));
}
