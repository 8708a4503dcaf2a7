import { useEffect } from 'react';
import { useFetcher } from 'react-router';
import type { readingView } from '../../server/views/reading-view';

/** Pieces that will be read next, fetched while this one is looked at. */

type Ahead = Awaited<ReturnType<typeof readingView>>;
type Kept = { begun: number; data: Promise<Ahead> };

/** Milliseconds. What is older is asked for again at once. */
const FRESH = 90_000;
const kept = new Map<string, Kept>();

/** Keeps what the server answers for a piece, unless it is there already. */
export function keepAhead(request: Request, load: () => Promise<Ahead>): void {
  const place = new URL(request.url).pathname.replace(/\/ahead$/, '');
  const known = kept.get(place);
  if (known && Date.now() - known.begun < FRESH) return;
  const data = load();
  kept.set(place, { begun: Date.now(), data });
  // Whoever waits for it is told; here nobody does.
  data.catch(() => kept.delete(place));
}

/** Takes a piece that was fetched ahead, once. An earlier go is never ahead. */
export async function takeAhead(request: Request): Promise<(Ahead & { begun: number; ahead: boolean }) | null> {
  const { pathname, searchParams } = new URL(request.url);
  const known = kept.get(pathname);
  kept.delete(pathname);
  if (!known || searchParams.has('go') || Date.now() - known.begun > FRESH) return null;
  const data = await known.data.catch(() => null);
  return data && { ...data, begun: known.begun, ahead: true };
}

/** What was fetched of a piece no longer stands: something is done with it. */
export const forgetAhead = (request: Request) => void kept.delete(new URL(request.url).pathname);

/** Nor does what was fetched of a piece on which somebody else has said something since. */
export function forgetDocumentAhead(documentId: string): void {
  for (const [place, one] of kept)
    void one.data.then(
      ({ copy }) => {
        if (copy.documentId === documentId && kept.get(place) === one) kept.delete(place);
      },
      () => {},
    );
}

/** Fetches the pieces before and after, and the one that is read after this one is returned. */
export function useAhead({ band, copy, next }: Pick<Ahead, 'band' | 'copy' | 'next'>): void {
  const fetchers = [useFetcher({ key: 'ahead 0' }), useFetcher({ key: 'ahead 1' }), useFetcher({ key: 'ahead 2' })];
  const at = band.findIndex(({ id }) => id === copy.id);
  const wanted = [next, band[at + 1]?.id, band[at - 1]?.id];
  useEffect(() => {
    wanted.forEach((id, i) => {
      if (id && wanted.indexOf(id) === i) void fetchers[i].load(`/handouts/${copy.handoutId}/reading/${id}/ahead`);
    });
  }, [copy.id, copy.handoutId, ...wanted]); // eslint-disable-line react-hooks/exhaustive-deps
}
