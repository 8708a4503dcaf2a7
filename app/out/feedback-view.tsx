import { useState } from 'react';
import { Action } from '../parts/action';
import type { OutData, OutPiece } from './pieces';
import type { Shows } from './taking';
import styles from './out.module.css';

type Props = { handout: OutData['handout']; piece: OutPiece; shows: Shows };

/** Feedback on one piece, as it will be on paper. */
export function FeedbackView({ handout, piece, shows }: Props) {
  const [state, setState] = useState<'drawing' | 'drawn' | 'failed'>('drawing');
  const [tries, setTries] = useState(0);
  const asked = [...(shows.lookFors ? ['look-fors'] : []), ...(shows.marks ? ['marks'] : []), `try=${tries}`];
  const place = `/handouts/${handout.id}/feedback/${piece.id}?${asked.join('&')}`;
  return (
    <main
      className={`${styles.view} dapple`}
      aria-label="Feedback as it will be on paper"
      aria-busy={state === 'drawing'}
      // It scrolls by keys, too.
      tabIndex={0}
    >
      {state === 'failed' ? (
        <p role="alert">
          This page couldn’t be drawn.{' '}
          <Action
            onClick={() => {
              setTries(tries + 1);
              setState('drawing');
            }}
          >
            try again
          </Action>
        </p>
      ) : (
        <img
          key={place}
          src={place}
          alt={`Feedback for ${piece.studentName}`}
          onLoad={() => setState('drawn')}
          onError={() => setState('failed')}
        />
      )}
    </main>
  );
}
