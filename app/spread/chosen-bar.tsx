import { Alert, Button } from 'antd';
import { Link, useFetcher } from 'react-router';
import { isOpen } from '../../core/handout/state';
import { DayField } from '../fields/day-field';
import { momentOf } from '../fields/day-words';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import type { Answer } from './changing';
import type { Card } from './piece-card';
import { ReturnPieces } from './return-pieces';
import styles from './spread.module.css';

/** What can be done with several pieces that were chosen. */

type Props = {
  handoutId: string;
  cards: readonly Card[];
  /** Whether the two that are chosen are shown side by side. */
  beside: boolean;
  onBeside: (beside: boolean) => void;
  onClear: () => void;
};

export function ChosenBar({ handoutId, cards, beside, onBeside, onClear }: Props) {
  const fetcher = useFetcher<Answer>();
  const hanging = useFetcher<Answer>();
  const open = cards.filter(({ state }) => isOpen(state));
  const handedIn = cards.filter(({ goId }) => goId !== null);
  const give = (local: string) =>
    void fetcher.submit(
      { do: 'extend', copies: open.map(({ id }) => id).join(' '), to: momentOf(local)?.toISOString() ?? '' },
      { method: 'post' },
    );
  const problemOf = ({ state, data }: typeof fetcher) => (state === 'idle' ? data?.problem : null);
  const problem = problemOf(fetcher) ?? problemOf(hanging);
  const hang = () =>
    void hanging.submit(
      { do: 'hang', copies: handedIn.map(({ id }) => id).join(' ') },
      { method: 'post', action: `/handouts/${handoutId}/gallery` },
    );
  return (
    <div className={styles.chosen}>
      {problem && <Alert type="error" showIcon title={problem} role="alert" />}
      <div className={card(styles.chosenBar)} role="group" aria-label="The chosen pieces">
        <b>
          {cards.length} {cards.length === 1 ? 'piece' : 'pieces'} chosen
        </b>
        {cards.length === 2 && (
          <Button aria-pressed={beside} onClick={() => onBeside(!beside)}>
            {beside ? 'Back to all' : 'Side by side'}
          </Button>
        )}
        <ReturnPieces cards={cards} chosen />
        {handedIn.length > 0 && (
          <Link to={`/handouts/${handoutId}/out?of=${handedIn.map(({ id }) => id).join('+')}`}>
            <Button tabIndex={-1}>Download</Button>
          </Link>
        )}
        {handedIn.length > 0 && (
          <Button loading={hanging.state !== 'idle'} onClick={hang}>
            Into the gallery
          </Button>
        )}
        {open.length > 0 && (
          <DayField
            time
            mayBeNone
            label={`More time, for ${open.length === 1 ? 'one student' : `${open.length} students`}`}
            none={`More time for ${open.length}`}
            value=""
            onChange={give}
          />
        )}
        {fetcher.data && !problem && fetcher.state === 'idle' && <span role="status">More time is given.</span>}
        <span className="spring" />
        <Action onClick={onClear}>Choose none</Action>
      </div>
    </div>
  );
}
