import { PassThrough } from 'node:stream';
import { createReadableStreamFromReadable } from '@react-router/node';
import { renderToPipeableStream } from 'react-dom/server';
import type { AppLoadContext, EntryContext } from 'react-router';
import { isRouteErrorResponse, ServerRouter } from 'react-router';
import { report } from '../server/process/report';
import { Nonce } from './nonce';

/** Renders a page. Inline scripts carry the nonce of the content security policy. */

const LONGEST = 5000;

export default function answer(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
  { nonce }: AppLoadContext,
): Promise<Response> | Response {
  if (request.method === 'HEAD') return new Response(null, { status, headers });
  return new Promise((resolve, reject) => {
    let begun = false;
    let code = status;
    const { pipe, abort } = renderToPipeableStream(
      <Nonce.Provider value={nonce}>
        <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
      </Nonce.Provider>,
      {
        nonce,
        onShellReady() {
          begun = true;
          const body = new PassThrough({
            final(done) {
              clearTimeout(late);
              done();
            },
          });
          headers.set('Content-Type', 'text/html');
          pipe(body);
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status: code }));
        },
        onShellError: reject,
        onError(error: unknown) {
          code = 500;
          if (begun) report('drawing a page', error);
        },
      },
    );
    const late = setTimeout(abort, LONGEST);
  });
}

export const streamTimeout = LONGEST - 500;

/** Without parameters, which people may have written. */
export function handleError(error: unknown, { request }: { request: Request }): void {
  if (request.signal.aborted || isRouteErrorResponse(error)) return;
  report(`${request.method} ${new URL(request.url).pathname.replace(/\/[\w-]{12}(?=\/|$)/g, '/…')}`, error);
}
