import { Action } from '../parts/action';
import type { Note } from '../../core/review/said';
import { NoteField } from '../phrases/note-field';
import type { Draft } from '../keeping/sender';
import styles from '../student/student.module.css';
import readingStyles from './reading.module.css';

/** Margin notes: what a teacher says about a spot. */

export function NoteDraft({
  personId,
  draft,
  focus,
  shut,
  about,
  onWrite,
  onFinish,
  onDrop,
}: {
  personId: string;
  draft: Draft;
  focus: boolean;
  /** Why it can't be said at this moment. */
  shut: string | null;
  /** Kinds of the look-fors that are missed on its spot. */
  about: readonly string[];
  onWrite: (body: string) => void;
  onFinish: (body: string) => void;
  onDrop: () => void;
}) {
  return (
    <NoteField
      label="Note on this spot"
      save="Save"
      body={draft.body}
      may={shut === null}
      changes={draft.changes}
      {...{ personId, focus, about, onWrite, onFinish, onDrop }}
    >
      {shut && <p className="quiet">{shut}</p>}
    </NoteField>
  );
}

export function NoteCard({
  note,
  open,
  unsent,
  by,
  onChange,
  onRemove,
}: {
  note: Note;
  /** Who else wrote it. */
  by?: string;
  open: boolean;
  unsent: boolean;
  onChange: () => void;
  onRemove: () => void;
}) {
  return (
    <>
      <p className={styles.noteWords}>{note.body}</p>
      <span className={readingStyles.noteFoot}>
        <span className="quiet">
          {unsent
            ? 'On its way'
            : [by ?? (note.settled ? null : 'Your note'), note.settled && 'The student has dealt with it']
                .filter(Boolean)
                .join(' · ')}
        </span>
        {open && (
          <>
            <Action onClick={onChange}>Change</Action>
            <Action onClick={onRemove}>Delete</Action>
          </>
        )}
      </span>
    </>
  );
}
