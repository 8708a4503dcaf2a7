import { z } from 'zod';
import { mayWatch } from '../../server/actions/live';
import type { News } from '../../server/actions/live';
import { eventStream } from '../event-stream.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/spread-live';

/** Where it is not said, nothing can be known to be there already. */
const Since = z.coerce.number().catch(0);

/**
 * Which copies of a handout have changed, or were spoken of by whom, as server-sent events for its teachers.
 * `?since=` when the handout was loaded, in milliseconds by the server's clock: what happened before the
 * stream was open is told first, or that it is no longer known.
 */
export async function loader({ request, context, params: { handoutId } }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { db, live } = context.services;
  await allowed(mayWatch(db, person, handoutId));
  const since = Since.parse(new URL(request.url).searchParams.get('since'));
  return eventStream(request, (send) => {
    const tell = (news: News) => {
      const { documentId, kind } = news;
      if (kind === 'changes' || kind === 'moved' || kind === 'gallery') send({ documentId, kind });
      if (kind === 'said') send({ documentId, kind, by: news.by });
    };
    const leave = live.follow(handoutId, tell);
    const missed = live.missed(handoutId, since);
    if (missed) missed.forEach(tell);
    else send({ kind: 'behind' });
    return leave;
  });
}
