/** A connection that nothing is sent on is closed by what stands in between, in milliseconds. */
const BEAT = 20_000;
/** After this the browser connects again, and it is asked again whether it may, in milliseconds. */
const LONGEST = 10 * 60_000;

/**
 * An answer of server-sent events that lasts until the browser leaves.
 * @param begin is given what sends a piece of JSON, and returns what is done at the end
 */
export function eventStream(request: Request, begin: (send: (told: unknown) => void) => () => void): Response {
  const bytes = new TextEncoder();
  let end = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => controller.enqueue(bytes.encode(text));
      const leave = begin((told) => send(`data: ${JSON.stringify(told)}\n\n`));
      const beat = setInterval(() => send(': \n\n'), BEAT);
      const longest = setTimeout(() => end(), LONGEST);
      end = () => {
        end = () => {};
        leave();
        clearInterval(beat);
        clearTimeout(longest);
        try {
          controller.close();
        } catch {
          // The browser has closed it already.
        }
      };
      request.signal.addEventListener('abort', () => end());
      send(': \n\n');
    },
    cancel: () => end(),
  });
  return new Response(body, {
    // Compressed, it would be held back until there is enough of it.
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform' },
  });
}
