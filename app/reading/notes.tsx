import { Action } from '../parts/action';
import type { Note } from '../../core/review/said';
import { NoteField } from '../phrases/note-field';
import type { Draft } from '../keeping/sender';
import { later } from '../browser/later';
import { Heard } from '../parts/heard';
import { keptSound } from './kept-sound';
import type { Writing } from './writing';
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
  onRecord,
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
  onRecord: Writing['record'];
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
      isSpoken={draft.spoken !== undefined}
      {...{ personId, focus, about, onWrite, onFinish, onDrop }}
    >
      {!draft.changes && <Recorder {...{ personId, draft, onRecord }} />}
      {shut && <p className="quiet">{shut}</p>}
    </NoteField>
  );
}

const Recorder = later(() => import('./recorder').then((part) => part.default), null);

export function NoteCard({
  personId,
  note,
  open,
  unsent,
  by,
  onChange,
  onRemove,
}: {
  personId: string;
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
      {note.spoken && (
        <Heard
          spoken={note.spoken}
          src={unsent ? keptSound(personId, note.id, note.spoken) : `/notes/${note.id}/sound`}
        />
      )}
      {note.body && <p className={styles.noteWords}>{note.body}</p>}
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
