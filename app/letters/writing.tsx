import { Alert, Button, Input } from 'antd';
import { useEffect } from 'react';
import { Link, useFetcher } from 'react-router';
import { MOST_LETTER_WORDS } from '../../core/review/letter';
import { useZone, whenWords } from '../browser/time';
import { useKept } from '../keeping/kept';
import { card } from '../parts/card';
import outStyles from '../out/out.module.css';
import type { LettersData, Receiver } from './letters';
import { FIRST, isUnderWay, Words, wordsPlace } from './letters';
import styles from './letters.module.css';

type Props = Pick<LettersData, 'handout' | 'personId' | 'letters' | 'now'> & { picked: readonly Receiver[] };
type Answer = { problem: string | null; count?: number };

/** What stands in all letters, sending them, and what became of those that were sent. */
export function Writing({ handout, personId, picked, letters, now }: Props) {
  const [kept, put] = useKept(personId, wordsPlace(handout.id), Words);
  const written = kept ?? FIRST;
  const set = (to: Partial<Words>) => put({ ...written, ...to });
  const fetcher = useFetcher<Answer>();
  const zone = useZone();
  const busy = fetcher.state !== 'idle';
  const answer = busy ? undefined : fetcher.data;
  const isTaken = answer?.count !== undefined;
  useEffect(() => {
    if (isTaken) put(null);
    // What is written after that is another letter.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [isTaken, fetcher.data]);
  const send = () =>
    void fetcher.submit(
      {
        students: picked.map(({ studentId }) => studentId).join(' '),
        words: written.words,
        lookFors: written.lookFors ? 'yes' : 'no',
        marks: written.marks ? 'yes' : 'no',
      },
      { method: 'post' },
    );
  return (
    <aside className={`margin-column ${outStyles.taking}`} aria-label="What is sent">
      {answer?.problem && <Alert type="error" showIcon title={answer.problem} role="alert" />}
      <section className={card(outStyles.way)}>
        <h2>To all of them</h2>
        <Input.TextArea
          aria-label="What you write to all families"
          placeholder="What you write to all families"
          autoSize={{ minRows: 4, maxRows: 14 }}
          maxLength={MOST_LETTER_WORDS}
          value={written.words}
          onChange={(event) => set({ words: event.target.value })}
        />
        <label>
          <input
            type="checkbox"
            checked={written.lookFors}
            onChange={(event) => set({ lookFors: event.target.checked })}
          />{' '}
          with what was looked for
        </label>
        <label>
          <input type="checkbox" checked={written.marks} onChange={(event) => set({ marks: event.target.checked })} />{' '}
          with marks
        </label>
        <p>
          The piece goes along as PDF. Families with several addresses get a letter at each, which names none but its
          own.
        </p>
        <Button type="primary" disabled={picked.length === 0} loading={busy} onClick={send}>
          {picked.length === 0 ? 'Send' : `Send to ${picked.length === 1 ? '1 family' : `${picked.length} families`}`}
        </Button>
        <p>
          Addresses are kept under <Link to="/classes">Classes</Link>.
        </p>
      </section>
      <section className={card(outStyles.way)} aria-label="Letters that were sent">
        <h2>Sent</h2>
        <p className="quiet">
          No mail leaves this program: letters are kept here as they would be sent, to be looked at or opened in a mail
          program.
        </p>
        {letters.length > 0 && (
          <ul className={styles.sent}>
            {letters.map((letter) => (
              <li key={letter.id}>
                <b>{letter.student}</b>
                <span className="quiet">{letter.address ?? 'address deleted'}</span>
                {isUnderWay(letter) ? (
                  <span role="status">On its way …</span>
                ) : letter.problem !== null ? (
                  <span className={styles.problem}>{letter.problem}</span>
                ) : (
                  <span>
                    {whenWords(letter.sentAt, now, zone)}
                    {letter.kept && (
                      <>
                        {' · '}
                        <a href={`/handouts/${handout.id}/letters/${letter.id}`} download>
                          Open as mail<span className="sr"> the letter about {letter.student}</span>
                        </a>
                      </>
                    )}
                  </span>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
    </aside>
  );
}
