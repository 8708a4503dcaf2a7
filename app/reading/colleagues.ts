import { useEffect, useRef } from 'react';
import { useRevalidator } from 'react-router';
import { followHandout } from '../browser/handout-news';

/** What other teachers say on a piece while it is read, and where pieces of the class go: told by the server, and loaded anew. */

/** Milliseconds that news is gathered for. */
const GATHER = 250;

type Read = { personId: string; copy: { handoutId: string; documentId: string } };

export function useColleagues({ personId, copy: { handoutId, documentId } }: Read): void {
  const { revalidate } = useRevalidator();
  const shown = useRef(documentId);
  useEffect(() => {
    shown.current = documentId;
  }, [documentId]);
  // One stream for all pieces of the handout, however fast they follow each other.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const again = () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        void revalidate();
      }, GATHER);
    };
    const leave = followHandout(
      handoutId,
      ({ documentId: of, kind, by }) => {
        const isSaid = kind === 'said' && of === shown.current;
        // The band tells where all pieces are; what one says oneself stands there already.
        if (kind === 'moved' || (isSaid && by !== personId)) again();
      },
      again,
    );
    return () => {
      leave();
      clearTimeout(timer);
    };
  }, [handoutId, personId, revalidate]);
}
