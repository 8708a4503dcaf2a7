import { hungSheet } from '../../server/views/gallery-view';
import { PageNumber, svgAnswer } from '../picture.server';
import { allowed, missing, requirePerson } from '../who.server';
import type { Route } from './+types/gallery-picture';

/** A page of a piece as it hangs in a gallery: ?page=N, from 0. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, shelf } = context.services;
  const page = PageNumber.safeParse(new URL(request.url).searchParams.get('page') ?? '0');
  const { key, sheet } = await allowed(hungSheet(db, person, params.handoutId, params.pieceId));
  if (!page.success || page.data >= sheet.pages.length) throw missing();
  return svgAnswer(shelf.svg(db, key, sheet, request.signal, page.data));
}
