import { useEffect, useRef, useState } from 'react';
import { useFetchers, useRevalidator } from 'react-router';
import { followHandout } from '../browser/handout-news';
import { forgetDocumentAhead } from './ahead';

/** What other teachers say on a piece while it is read, and where pieces of the class go: told by the server, and loaded anew. */

/** Milliseconds that news is gathered for. */
const GATHER = 250;

type Read = { personId: string; now: number; copy: { handoutId: string; documentId: string } };

export function useColleagues({ personId, now, copy: { handoutId, documentId } }: Read): void {
  const { revalidate } = useRevalidator();
  const shown = useRef(documentId);
  useEffect(() => {
    shown.current = documentId;
  }, [documentId]);
  const [since] = useState(now);
  // Loading anew while a piece is being returned would keep its answer from leading to the next one.
  const submitting = useRef(false);
  const fetchers = useFetchers();
  useEffect(() => {
    submitting.current = fetchers.some(({ state }) => state === 'submitting');
  }, [fetchers]);
  // One stream for all pieces of the handout, however fast they follow each other.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const again = () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        if (submitting.current) again();
        else void revalidate();
      }, GATHER);
    };
    const leave = followHandout(
      handoutId,
      since,
      (news) => {
        // The band tells where all pieces are.
        if (news.kind === 'moved') return again();
        // What one says oneself stands there already.
        if (news.kind !== 'said' || news.by === personId) return;
        if (news.documentId === shown.current) again();
        else forgetDocumentAhead(news.documentId);
      },
      again,
    );
    return () => {
      leave();
      clearTimeout(timer);
    };
  }, [handoutId, since, personId, revalidate]);
}
