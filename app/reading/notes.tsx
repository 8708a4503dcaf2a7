import { Action } from '../parts/action';
import { Button, Input } from 'antd';
import type { Note } from '../../core/review/said';
import { MOST_LETTERS } from '../../core/review/said';
import type { Draft } from '../keeping/sender';
import styles from '../student/student.module.css';
import readingStyles from './reading.module.css';

/** Margin notes: what a teacher says about a spot. Enter saves, Shift+Enter starts a new line. */

export function NoteDraft({
  draft,
  focus,
  shut,
  onWrite,
  onFinish,
  onDrop,
}: {
  draft: Draft;
  focus: boolean;
  /** Why it can't be said at this moment. */
  shut: string | null;
  onWrite: (body: string) => void;
  onFinish: () => void;
  onDrop: () => void;
}) {
  const may = shut === null && draft.body.trim() !== '';
  return (
    <div className={readingStyles.noteDraft}>
      <Input.TextArea
        autoFocus={focus}
        autoSize={{ minRows: 2, maxRows: 8 }}
        aria-label="Note on this spot"
        placeholder="Write here"
        maxLength={MOST_LETTERS}
        value={draft.body}
        onChange={(event) => onWrite(event.target.value)}
        onKeyDown={(event) => {
          event.stopPropagation();
          // Written text stays, an empty note is removed.
          if (event.key === 'Escape') (draft.body === '' ? onDrop : () => event.currentTarget.blur())();
          if (event.key === 'Enter' && !event.shiftKey && !event.nativeEvent.isComposing) {
            event.preventDefault();
            if (may) onFinish();
          }
        }}
      />
      {shut && <p className="quiet">{shut}</p>}
      <span>
        <Button size="small" type="primary" disabled={!may} onClick={onFinish}>
          Save
        </Button>
        <Button size="small" type="text" onClick={onDrop}>
          {draft.body === '' || draft.changes ? 'Cancel' : 'Discard'}
        </Button>
      </span>
    </div>
  );
}

export function NoteCard({
  note,
  open,
  unsent,
  onChange,
  onRemove,
}: {
  note: Note;
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
          {unsent ? 'On its way' : note.settled ? 'The student has dealt with it' : 'Your note'}
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
