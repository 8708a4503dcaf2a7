import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { TriedOn } from '../../server/actions/try-on';

/** What look-fors are tried on while they are built: the teacher's own sheet, the example, or a piece of a student. */

export type TryOn = {
  /** `own`, `example`, or a piece. */
  on: string;
  choose: (on: string) => void;
  /** Null for the teacher's own sheet, and until the other one is here. */
  other: TriedOn | null;
  busy: boolean;
  problem: string | null;
};
type Answer = { problem: string } | { problem: null; tried: TriedOn };

export function useTryOn(example: string | null): TryOn {
  const fetcher = useFetcher<Answer>();
  const [wanted, setWanted] = useState('own');
  const [asked, setAsked] = useState<string | null>(null);
  // The example may be another one meanwhile, or none.
  const on = wanted === 'example' && asked !== example ? 'own' : wanted;
  const choose = (to: string) => {
    const id = to === 'example' ? example : to;
    setWanted(to);
    setAsked(id);
    if (to === 'own' || id === null) return;
    const given = { on: to === 'example' ? 'example' : 'piece', id };
    void fetcher.submit({ do: 'try-on', handout: JSON.stringify(given) }, { method: 'post' });
  };
  const answer = on !== 'own' && fetcher.state === 'idle' ? fetcher.data : undefined;
  return {
    on,
    choose,
    other: answer?.problem === null ? answer.tried : null,
    busy: fetcher.state !== 'idle',
    problem: answer?.problem ?? null,
  };
}
