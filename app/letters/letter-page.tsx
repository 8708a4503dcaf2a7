import { useEffect, useState } from 'react';
import { asShown, letterSubject, letterText } from '../../core/review/letter';
import type { LetterAbout } from '../../server/views/letters-view';
import { useZone, whenWords } from '../browser/time';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import outStyles from '../out/out.module.css';
import type { LettersData, Receiver, SentLetter } from './letters';
import { FIRST, Words, wordsPlace } from './letters';
import styles from './letters.module.css';

type Props = Pick<LettersData, 'handout' | 'personId' | 'now'> & {
  receiver: Receiver;
  /** As it went, where everybody has had theirs. */
  sent: SentLetter | null;
};

/** One letter as it will be sent, with what is being written, or as it was sent. */
export function LetterPage({ handout, personId, now, receiver, sent }: Props) {
  const [kept] = useKept(personId, wordsPlace(handout.id), Words);
  const { words, lookFors, marks } = sent ? { words: sent.words, ...sent.shows } : (kept ?? FIRST);
  const zone = useZone();
  const [about, setAbout] = useState<LetterAbout | 'failed' | null>(null);
  const [tries, setTries] = useState(0);
  const place = `/handouts/${handout.id}/letters/${receiver.copyId}/${receiver.studentId}`;
  useEffect(() => {
    const stop = new AbortController();
    setAbout(null);
    void fetch(place, { signal: stop.signal })
      .then(async (answer) => {
        if (!answer.ok) throw new Error(String(answer.status));
        setAbout((await answer.json()) as LetterAbout);
      })
      .catch(() => stop.signal.aborted || setAbout('failed'));
    return () => stop.abort();
  }, [place, tries]);
  return (
    <main
      className={`${outStyles.view} dapple`}
      aria-label={sent ? 'The letter as it was sent' : 'The letter as it will be sent'}
      aria-busy={about === null}
      // It scrolls by keys, too.
      tabIndex={0}
    >
      {about === 'failed' ? (
        <p role="alert">
          The letter couldn’t be fetched. <Action onClick={() => setTries(tries + 1)}>try again</Action>
        </p>
      ) : (
        about && (
          <article className={styles.letter}>
            <dl>
              <dt>To</dt>
              <dd>
                {receiver.addresses.length === 0
                  ? 'No address of this family is known'
                  : receiver.addresses.map((address) => <span key={address}>{address}</span>)}
              </dd>
              {sent?.sentAt && (
                <>
                  <dt>Sent</dt>
                  <dd>{whenWords(sent.sentAt, now, zone)}</dd>
                </>
              )}
              <dt>Subject</dt>
              <dd>{letterSubject(about)}</dd>
            </dl>
            <p className={styles.text}>
              {letterText({
                ...about,
                words,
                feedback: asShown(about.feedback, { lookFors, marks }),
              })}
            </p>
            <p className={styles.attached}>{about.title}.pdf</p>
          </article>
        )
      )}
    </main>
  );
}
