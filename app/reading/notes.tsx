import { Button, Input } from 'antd';
import type { Note } from '../../core/review/said';
import { MOST_LETTERS } from '../../core/review/said';
import type { Draft } from '../keeping/sender';

/** Margin notes: what a teacher says about a spot. Enter keeps it, Shift+Enter makes a new line. */

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
    <div className="note-draft">
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
          // What is written stays; an empty one goes.
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
      <p className="note-words">{note.body}</p>
      <span className="note-foot">
        <span className="quiet">
          {unsent ? 'on its way' : note.settled ? 'the student has dealt with it' : 'your note'}
        </span>
        {open && (
          <>
            <button type="button" onClick={onChange}>
              change
            </button>
            <button type="button" onClick={onRemove}>
              delete
            </button>
          </>
        )}
      </span>
    </>
  );
}
