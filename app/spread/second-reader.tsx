import { useFetcher } from 'react-router';
import { agreementOn } from '../../core/review/second';
import { howMany } from '../../core/values/listed';
import { card } from '../parts/card';
import { Action } from '../parts/action';
import type { Answer } from './changing';
import type { Bar } from './picking';
import { barOf, isIn, switchOf } from './picking';
import type { SpreadData } from './piece-card';
import styles from './spread.module.css';

type Props = Pick<SpreadData, 'handout' | 'cards'> & { bar: Bar | null; onBar: (bar: Bar | null) => void };

/** Who reads the pieces a second time, how far they are, and how far the two readers agree. */
export default function SecondReader({ handout, cards, bar, onBar }: Props) {
  const { second, readers } = handout;
  const fetcher = useFetcher<Answer>();
  const choose = (reader: string) => void fetcher.submit({ do: 'second-reader', reader }, { method: 'post' });
  const pieces = cards.filter(isIn);
  const done = cards.flatMap((one) => (one.second?.done ? [one.second] : []));
  const { both, apart, alike } = agreementOn(done);
  const told = [
    { ...barOf.finished, says: `${done.length} of ${howMany(pieces.length, 'piece')} read twice` },
    { ...barOf.apart, says: `${howMany(done.length - alike, 'piece')} judged differently` },
  ];
  const chosen = (fetcher.formData?.get('reader') as string | null | undefined) ?? second?.id ?? '';
  return (
    <section className={card(`${styles.figure} ${styles.second}`)}>
      <h3>Second reader</h3>
      {readers.length > 0 ? (
        <select
          className="pick"
          aria-label="Second reader"
          value={chosen}
          onChange={(event) => choose(event.target.value)}
        >
          <option value="">Nobody</option>
          {[...readers, ...(second && !readers.some(({ id }) => id === second.id) ? [second] : [])].map(
            ({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ),
          )}
        </select>
      ) : (
        <p>
          {second?.isMe
            ? 'You are. Pieces show what you say on them; the first reader’s marks stay as they are.'
            : second?.name}
        </p>
      )}
      {fetcher.data?.problem && <p role="alert">{fetcher.data.problem}</p>}
      {second &&
        told
          .map((one) => ({ ...one, ...switchOf(one, bar, onBar) }))
          .map(({ says, chosen: isChosen, choose: show }) => (
            <p key={says}>
              <button type="button" className={styles.flag} aria-pressed={isChosen} onClick={show}>
                {says}
              </button>
            </p>
          ))}
      {both > 0 && (
        <p className="quiet">
          They agree on {both - apart} of {both} things that both have judged.
        </p>
      )}
      {second?.isMe && <Action onClick={() => choose('')}>Stop being its second reader</Action>}
    </section>
  );
}
