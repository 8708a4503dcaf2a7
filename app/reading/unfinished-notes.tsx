import { noteWords } from '../../core/review/spoken';
import { Ask } from '../parts/ask';
import type { ReturningPiece } from './returning';
import styles from '../student/student.module.css';

/** What is asked before a piece with unfinished notes is returned. It comes with the page: it is asked offline, too. */
export const UnfinishedNotes = ({ of: { written, stay, finishAndGive } }: { of: ReturningPiece }) => (
  <Ask
    title={written.length === 1 ? 'One note is not finished' : `${written.length} notes are not finished`}
    ok={{ words: `Keep ${written.length === 1 ? 'it' : 'them'} and give back`, act: finishAndGive }}
    cancel="Stay"
    onCancel={stay}
  >
    {written.map(({ note, body, spoken }) => (
      <p key={note} className={styles.noteWords}>
        {noteWords({ body, spoken })}
      </p>
    ))}
  </Ask>
);
