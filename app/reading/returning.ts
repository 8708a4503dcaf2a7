import { useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import type { Outcome } from '../../core/handout/state';
import { senderOf } from '../keeping/sender';
import type { Loaded } from './entries';
import type { Writing } from './writing';

/** Returning a piece: unfinished notes are asked about first, and whatever was said has to have arrived. */

type Fetcher = Pick<FetcherWithComponents<{ problem: string | null } | undefined>, 'state' | 'submit' | 'data'>;

export function useReturning({ personId, go }: Pick<Loaded, 'personId' | 'go'>, writing: Writing, fetcher: Fetcher) {
  const [asking, setAsking] = useState<Outcome | null>(null);
  const [giving, setGiving] = useState(false);
  const [unsaid, setUnsaid] = useState<string | null>(null);
  const written = writing.drafts.filter(({ body, spoken }) => body.trim() !== '' || spoken);
  const busy = giving || fetcher.state !== 'idle';
  const giveBack = async (outcome: Outcome) => {
    // A key that is pressed twice returns it once.
    if (!go || busy) return;
    setAsking(null);
    setUnsaid(null);
    setGiving(true);
    const said = await senderOf(personId).settled(go.id);
    setGiving(false);
    if (!said)
      return setUnsaid(
        'Not given back yet: the school can’t be reached. What you said is kept here; try again in a moment.',
      );
    void fetcher.submit({ go: go.id, outcome }, { method: 'post' });
  };
  return {
    asking,
    written,
    busy,
    problem: unsaid ?? fetcher.data?.problem,
    giveOrAsk: (outcome: Outcome) => (written.length > 0 ? setAsking(outcome) : void giveBack(outcome)),
    stay: () => setAsking(null),
    finishAndGive: () => {
      for (const draft of written) writing.finish(draft);
      void giveBack(asking!);
    },
  };
}
export type ReturningPiece = ReturnType<typeof useReturning>;
