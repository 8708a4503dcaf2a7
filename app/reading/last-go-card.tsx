import type { Note } from '../../core/review/said';
import { pointsWords } from '../../core/lookfors/rubric';
import { isRight } from '../../core/review/marks';
import { inkWords } from '../../core/review/ink';
import { Action } from '../parts/action';
import { Heard } from '../parts/heard';
import type { readingView } from '../../server/views/reading-view';
import styles from './last-go-card.module.css';

type Read = Awaited<ReturnType<typeof readingView>>;
type Props = {
  goBefore: NonNullable<Read['goBefore']>;
  loaded: Pick<Read, 'rubric' | 'lookFors' | 'results'>;
  /** Says a note once more; nothing can be said where it is missing. */
  onSayAgain?: (note: Note) => void;
  /** Whether the new go has such a note. */
  isSaid: (body: string) => boolean;
};

/** What was said on the go before: notes, and which of them still apply, rulings, marks and what was drawn. */
export default function LastGoCard({ goBefore, loaded, onSayAgain, isSaid }: Props) {
  const { number, notes, rulings, marks, ink } = goBefore;
  const { rubric, lookFors, results } = loaded;
  /** What is still missed where the note is about. */
  const stillMissed = ({ itemId }: Note) =>
    itemId !== null &&
    results.some(({ evidence }) => evidence.some((one) => one.items.includes(itemId) && !isRight(one)));
  const rows = rubric.rows.filter(({ id }) => id in marks);
  const ruled = rulings.filter(({ itemId }) => itemId === null);
  const nothing = notes.length + ruled.length + rows.length + ink.length === 0;
  return (
    <>
      <h3>Said on go {number}</h3>
      {nothing && <p className="quiet">Nothing was said on it.</p>}
      {notes.length > 0 && (
        <ul className={styles.list} aria-label={`Notes on go ${number}`}>
          {notes.map((note) => (
            <li key={note.id}>
              {note.spoken && <Heard spoken={note.spoken} src={`/notes/${note.id}/sound`} />}
              <p>{note.body}</p>
              <span className={styles.foot}>
                {stillMissed(note) ? (
                  <b className={styles.missed}>Still missed</b>
                ) : (
                  <span className="quiet">
                    {note.settled ? 'The student has dealt with it' : 'Not ticked by the student'}
                  </span>
                )}
                {onSayAgain && note.body !== '' && !isSaid(note.body) && (
                  <Action onClick={() => onSayAgain(note)}>Say it again</Action>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      {(ruled.length > 0 || rows.length > 0 || ink.length > 0) && (
        <ul className={styles.list} aria-label={`Marks on go ${number}`}>
          {ruled.map(({ lookForId, held, reason }) => (
            <li key={lookForId}>
              {lookFors.find(({ id }) => id === lookForId)?.title ?? 'A look-for'}: {held ? 'met' : 'not met'}
              {reason && <span className="quiet"> · {reason}</span>}
            </li>
          ))}
          {rows.map(({ id, name, levels }) => {
            const level = levels[marks[id]];
            return (
              <li key={id}>
                {name}: {level ? pointsWords(level.points) : '–'}
                {level?.text && <span className="quiet"> · {level.text}</span>}
              </li>
            );
          })}
          {ink.length > 0 && <li>Drawn by hand: {inkWords(ink)}</li>}
        </ul>
      )}
    </>
  );
}
