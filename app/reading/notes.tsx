import { Button, Input } from 'antd';
import { useState } from 'react';
import type { Note } from '../../server/stores/reviews';

/** Margin notes: what a teacher says about a spot. Enter keeps it, Shift+Enter makes a new line. */

export function NoteDraft({
  onSave,
  onCancel,
  start = '',
}: {
  onSave: (body: string) => void;
  onCancel: () => void;
  start?: string;
}) {
  const [body, setBody] = useState(start);
  const save = () => body.trim() && onSave(body.trim());
  return (
    <div className="note-draft">
      <Input.TextArea
        autoFocus
        autoSize={{ minRows: 2, maxRows: 8 }}
        aria-label="Note on this spot"
        placeholder="Say it here"
        maxLength={4000}
        value={body}
        onChange={(event) => setBody(event.target.value)}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Escape') onCancel();
          if (event.key === 'Enter' && !event.shiftKey) {
            event.preventDefault();
            save();
          }
        }}
      />
      <span>
        <Button size="small" type="primary" disabled={!body.trim()} onClick={save}>
          Keep
        </Button>
        <Button size="small" type="text" onClick={onCancel}>
          Leave it
        </Button>
      </span>
    </div>
  );
}

export function NoteCard({
  note,
  open,
  onEdit,
  onRemove,
}: {
  note: Note;
  open: boolean;
  onEdit: (body: string) => void;
  onRemove: () => void;
}) {
  const [editing, setEditing] = useState(false);
  if (editing)
    return (
      <NoteDraft
        start={note.body}
        onCancel={() => setEditing(false)}
        onSave={(body) => {
          onEdit(body);
          setEditing(false);
        }}
      />
    );
  return (
    <>
      <p className="note-words">{note.body}</p>
      <span className="note-foot">
        <span className="quiet">{note.settled ? 'the student has seen to it' : 'your note'}</span>
        {open && (
          <>
            <button type="button" onClick={() => setEditing(true)}>
              change
            </button>
            <button type="button" onClick={onRemove}>
              take away
            </button>
          </>
        )}
      </span>
    </>
  );
}
