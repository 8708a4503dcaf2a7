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
  /** The example may be another one meanwhile. */
  const [asked, setAsked] = useState<string | null>(null);
  const on = wanted === 'example' && example === null ? 'own' : wanted;
  const id = on === 'example' ? example : on;
  const choose = (to: string) => {
    setWanted(to);
    const toId = to === 'example' ? example : to;
    setAsked(toId);
    if (to === 'own' || toId === null) return;
    const given = { on: to === 'example' ? 'example' : 'piece', id: toId };
    void fetcher.submit({ do: 'try-on', handout: JSON.stringify(given) }, { method: 'post' });
  };
  const answer = on !== 'own' && asked === id && fetcher.state === 'idle' ? fetcher.data : undefined;
  return {
    on,
    choose,
    other: answer?.problem === null ? answer.tried : null,
    busy: fetcher.state !== 'idle',
    problem: answer?.problem ?? null,
  };
}
