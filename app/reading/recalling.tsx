import { Alert, Input } from 'antd';
import { useEffect, useState } from 'react';
import { useFetcher, useSearchParams } from 'react-router';
import type { CopyState, Outcome } from '../../core/handout/state';
import { isReturned, OUTCOME_WORDS } from '../../core/handout/state';
import { MOST_WORD } from '../../core/review/said';
import { Action } from '../parts/action';
import { Ask } from '../parts/ask';
import { ToldBar } from '../parts/told-bar';

/** Taking back what was returned: one press, and a word to the student once they have opened it. */

/** What the server says where it does not lead to the piece. */
type Answer = { problem: string; field?: string };

type Piece = {
  handoutId: string;
  copyId: string;
  /** Whether the student has opened it, as far as this window knows. */
  seen: boolean;
  /** It is with its student, and can be taken back. */
  may: boolean;
};

export function useRecalling({ handoutId, copyId, seen, may }: Piece) {
  const fetcher = useFetcher<Answer>();
  const [asking, setAsking] = useState(false);
  const answer = fetcher.data;
  // It was opened a moment ago.
  const isUnsaid = answer?.field === 'word';
  useEffect(() => {
    if (isUnsaid) setAsking(true);
  }, [isUnsaid]);
  // It is here again: there is nothing more to say.
  useEffect(() => {
    if (!may) setAsking(false);
  }, [may]);
  const send = (word: string) =>
    void fetcher.submit({ do: 'recall', word }, { method: 'post', action: `/handouts/${handoutId}/reading/${copyId}` });
  return {
    // While the piece is loaded anew after an answer, the next press counts.
    busy: fetcher.state === 'submitting',
    problem: may ? (answer?.problem ?? null) : null,
    asking,
    begin: () => (seen ? setAsking(true) : send('')),
    send,
    stop: () => setAsking(false),
  };
}
export type Recalling = ReturnType<typeof useRecalling>;

/** Asks for a word to the student who has opened what is taken back. */
export function RecallWord({ of, name }: { of: Recalling; name: string }) {
  const [word, setWord] = useState('');
  const may = word.trim() !== '' && !of.busy;
  return (
    <Ask
      title={`${name} has opened it`}
      ok={{ words: 'Take it back', act: () => may && of.send(word) }}
      onCancel={of.stop}
    >
      <p>Say in a word why you take it back. It stands on the piece until you return it again.</p>
      <Input.TextArea
        autoFocus
        autoSize={{ minRows: 2, maxRows: 5 }}
        aria-label="Why you take it back"
        maxLength={MOST_WORD}
        value={word}
        onChange={(event) => setWord(event.target.value)}
      />
      {of.problem && <Alert type="error" showIcon title={of.problem} role="alert" />}
    </Ask>
  );
}

type ReturnedOrNot = { id: string; studentName: string; state: CopyState; heldFor: Outcome | null };

/** What the address says was returned a moment ago, as long as it is with its student or held back. */
export function useReturned(pieces: readonly ReturnedOrNot[]): Returned | undefined {
  const [search] = useSearchParams();
  const piece = pieces.find(({ id }) => id === search.get('returned'));
  if (!piece) return undefined;
  const { id, studentName, state, heldFor } = piece;
  if (heldFor) return { id, studentName, outcome: heldFor, isHeld: true };
  return isReturned(state) ? { id, studentName, outcome: state, isHeld: false } : undefined;
}

type Returned = { id: string; studentName: string; outcome: Outcome; isHeld: boolean };

/**
 * Says what was returned a moment ago, and takes it back.
 * @param until when what is held back goes back, in words
 */
export function ReturnedBar({ handoutId, piece, until }: { handoutId: string; piece: Returned; until: string }) {
  const recalling = useRecalling({ handoutId, copyId: piece.id, seen: false, may: true });
  const [shown, setShown] = useState(true);
  if (!shown) return null;
  return (
    <>
      <ToldBar
        problem={recalling.asking ? null : recalling.problem}
        about={piece.id}
        waits={recalling.busy || recalling.asking}
        onClose={() => setShown(false)}
      >
        {piece.studentName}: {piece.isHeld ? `goes back ${until}` : 'returned'} {OUTCOME_WORDS[piece.outcome]}
        <Action onClick={recalling.begin}>take it back</Action>
      </ToldBar>
      {recalling.asking && <RecallWord of={recalling} name={piece.studentName} />}
    </>
  );
}
