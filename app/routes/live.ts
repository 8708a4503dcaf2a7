import { announce, Here, mayFollow, tellHere, WindowId } from '../../server/actions/live';
import type { News } from '../../server/actions/live';
import { jsonOf } from '../form.server';
import { allowed, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/live';

/** What the others do on a copy that several work on, as server-sent events; and where this window is (POST). */

/** A connection that nothing is sent on is closed by what stands in between, in milliseconds. */
const BEAT = 20_000;
/** After this the browser connects again, and it is asked again whether it may, in milliseconds. */
const LONGEST = 10 * 60_000;

export async function loader({ request, context, params: { documentId } }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { db, live } = context.services;
  await allowed(mayFollow(db, person, documentId));
  const read = WindowId.safeParse(new URL(request.url).searchParams.get('window'));
  if (!read.success) throw refuse(400, 'Say which window asks. Reload the page.');
  const window = read.data;
  const bytes = new TextEncoder();
  let end = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => controller.enqueue(bytes.encode(text));
      const told = ({ documentId: _, ...news }: News) => send(`data: ${JSON.stringify(news)}\n\n`);
      const leave = live.follow(documentId, told);
      const beat = setInterval(() => send(': \n\n'), BEAT);
      const longest = setTimeout(() => end(), LONGEST);
      end = () => {
        end = () => {};
        leave();
        clearInterval(beat);
        clearTimeout(longest);
        void announce(db, { documentId, kind: 'left', window });
        try {
          controller.close();
        } catch {
          // The browser has closed it already.
        }
      };
      request.signal.addEventListener('abort', () => end());
      send(': \n\n');
      void announce(db, { documentId, kind: 'came' });
    },
    cancel: () => end(),
  });
  return new Response(body, {
    // Compressed, it would be held back until there is enough of it.
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' },
  });
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const read = Here.safeParse(jsonOf(await request.text()));
  if (!read.success) throw refuse(400, 'Where you are could not be read. Reload the page.');
  await allowed(tellHere(context.services.db, person, params.documentId, read.data));
  return new Response(null, { status: 204 });
}
