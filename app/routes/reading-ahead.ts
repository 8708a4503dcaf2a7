import { workshop } from '../../server/actions/means';
import { readingView } from '../../server/views/reading-view';
import { keepAhead } from '../reading/ahead';
import { allowed, requireRole } from '../who.server';
import type { Route } from './+types/reading-ahead';

/** A piece that will be read soon, in its newest go. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(readingView(workshop(db, shelf), person, params, 0));
}

/** It is kept in this window, and nobody waits for it. */
export function clientLoader({ request, serverLoader }: Route.ClientLoaderArgs) {
  keepAhead(request, serverLoader);
  return null;
}

export const shouldRevalidate = () => false;
