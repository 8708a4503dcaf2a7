import { asVersion, handoutOf } from '../../server/stores/handouts';
import { PageNumber, svgAnswer, VersionNumber } from '../picture.server';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/handout-picture';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const handout = await handoutOf(db, person.id, params.handoutId);
  const { searchParams } = new URL(request.url);
  const version = VersionNumber.safeParse(searchParams.get('version') ?? 0);
  const page = PageNumber.safeParse(searchParams.get('page') ?? 0);
  if (!handout || !version.success || !page.success) throw missing();
  const { given, corrections } = asVersion(handout, version.data);
  if (page.data >= given.pages.length) throw missing();
  const key = `handout ${handout.id}:${corrections}:${version.data}`;
  return svgAnswer(shelf.svg(db, key, given, request.signal, page.data));
}
