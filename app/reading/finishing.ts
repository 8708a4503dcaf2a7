import { z } from 'zod';
import type { readingView } from '../../server/views/reading-view';
import { useNavigate, useRevalidator } from 'react-router';
import { useKept } from '../keeping/kept';
import { senderOf } from '../keeping/sender';
import type { Writing } from './writing';

type Read = Pick<Awaited<ReturnType<typeof readingView>>, 'personId' | 'copy' | 'go' | 'second' | 'next'>;

/** A second reader's word for the first, kept while it is written, and reading a piece to the end. */
export function useFinishing({ personId, copy, go, second, next }: Read, { say, said }: Writing) {
  const [typed, setTyped] = useKept(personId, `second-words/${go?.id}`, z.string());
  const navigate = useNavigate();
  const { revalidate } = useRevalidator();
  const word = typed ?? said.finish?.word ?? second?.word ?? '';
  const isDone = (second?.done ?? false) || said.finish !== undefined;
  /** Says it, and what the first reader says is told from then on. */
  const tell = () => {
    if (!go) return;
    say({ do: 'finish', word: word.trim() });
    setTyped(null);
    void senderOf(personId)
      .settled(go.id)
      .then((arrived) => void (arrived && revalidate()));
  };
  return {
    word,
    isDone,
    /** There is something the first reader doesn't have yet. */
    isNew: typed !== null && typed.trim() !== (said.finish?.word ?? second?.word ?? ''),
    write: setTyped,
    tell,
    finish() {
      if (!isDone || (typed ?? '') !== '') tell();
      if (next) void navigate(`/handouts/${copy.handoutId}/reading/${next}?finished=${copy.id}`);
    },
  };
}
export type Finishing = ReturnType<typeof useFinishing>;
