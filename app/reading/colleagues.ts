import { useEffect, useRef } from 'react';
import { useRevalidator } from 'react-router';
import { z } from 'zod';

/** What other teachers say on a piece while it is read, and where pieces of the class go: told by the server, and loaded anew. */

const Told = z.object({ documentId: z.string(), kind: z.string(), by: z.string().optional() });
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
    let broke = false;
    const again = () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        void revalidate();
      }, GATHER);
    };
    const stream = new EventSource(`/handouts/${handoutId}/live`);
    stream.onmessage = ({ data }) => {
      const told = Told.safeParse(JSON.parse(data as string));
      if (!told.success) return;
      const { kind, by } = told.data;
      const isSaid = kind === 'said' && told.data.documentId === shown.current;
      // The band tells where all pieces are; what one says oneself stands there already.
      if (kind === 'moved' || (isSaid && by !== personId)) again();
    };
    stream.onerror = () => (broke = true);
    stream.onopen = () => {
      if (broke) again();
      broke = false;
    };
    return () => {
      stream.close();
      clearTimeout(timer);
    };
  }, [handoutId, personId, revalidate]);
}
