import { announce, Here, mayFollow, tellHere, WindowId } from '../../server/actions/live';
import { eventStream } from '../event-stream.server';
import { jsonOf } from '../form.server';
import { allowed, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/live';

/** What the others do on a copy that several work on, as server-sent events; and where this window is (POST). */

export async function loader({ request, context, params: { documentId } }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, live } = context.services;
  await allowed(mayFollow(db, person, documentId));
  const read = WindowId.safeParse(new URL(request.url).searchParams.get('window'));
  if (!read.success) throw refuse(400, 'Say which window asks. Reload the page.');
  const window = read.data;
  return eventStream(request, (send) => {
    const leave = live.follow(documentId, ({ documentId: _, handoutId: __, ...news }) => {
      // What teachers say is told when it is returned, and what students write once a teacher has read it.
      if (news.kind !== 'said' && news.kind !== 'gallery') send(news);
    });
    void announce(db, { documentId, kind: 'came' });
    return () => {
      leave();
      void announce(db, { documentId, kind: 'left', window });
    };
  });
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const read = Here.safeParse(jsonOf(await request.text()));
  if (!read.success) throw refuse(400, 'Where you are could not be read. Reload the page.');
  await allowed(tellHere(context.services.db, person, params.documentId, read.data));
  return new Response(null, { status: 204 });
}
