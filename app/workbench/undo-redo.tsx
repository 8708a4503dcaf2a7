import { Action } from '../parts/action';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';

export function UndoRedo({ editor }: { editor: Editor }) {
  const { past, future } = useEditor(editor, 'history');
  const named = (word: string, step: { name: string } | undefined, keys: string) =>
    `${word}${step ? `: ${step.name}` : ''} (${keys})`;
  return (
    <>
      <Action disabled={past.length === 0} onClick={() => editor.undo()} title={named('Undo', past.at(-1), 'Ctrl+Z')}>
        undo
      </Action>
      <Action
        disabled={future.length === 0}
        onClick={() => editor.redo()}
        title={named('Redo', future[0], 'Ctrl+Shift+Z')}
      >
        redo
      </Action>
    </>
  );
}
