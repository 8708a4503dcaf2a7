import { soundFor } from '../../server/stores/reviews';
import { missing, requirePerson } from '../who.server';
import type { Route } from './+types/sound';

/** What was spoken in a note. It never changes, and is asked for in parts by some browsers, which get it whole. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const found = await soundFor(context.services.db, person.id, params.noteId);
  if (!found) throw missing();
  const { bytes, type } = found;
  return new Response(bytes as BodyInit, {
    headers: {
      'Content-Type': type,
      'Content-Length': `${bytes.length}`,
      'Content-Disposition': 'inline',
      'X-Content-Type-Options': 'nosniff',
      // Who may hear it can change: a piece is taken back.
      'Cache-Control': 'private, no-cache',
    },
  });
}
