import { mayWatch } from '../../server/actions/live';
import { eventStream } from '../event-stream.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/spread-live';

/** Which copies of a handout have changed, or were spoken of by whom, as server-sent events for its teachers. */
export async function loader({ request, context, params: { handoutId } }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { db, live } = context.services;
  await allowed(mayWatch(db, person, handoutId));
  return eventStream(request, (send) =>
    live.follow(handoutId, (news) => {
      const { documentId, kind } = news;
      if (kind === 'changes' || kind === 'moved') send({ documentId, kind });
      if (kind === 'said') send({ documentId, kind, by: news.by });
    }),
  );
}
