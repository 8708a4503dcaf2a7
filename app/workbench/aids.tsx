import type { MarginEntry } from '../margin/margin';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { FindCard } from './find';
import { Notice } from './save-words';
import { later } from '../browser/later';

/** Parts of every open sheet, a teacher's and a student's: messages, the list of keys, the search. */

const KeySheet = later(() => import('./key-sheet').then((part) => part.default), null);

export function Aids({ editor }: { editor: Editor }) {
  const keySheet = useEditor(editor, 'keySheet');
  return (
    <>
      <Notice editor={editor} />
      {keySheet && <KeySheet editor={editor} />}
    </>
  );
}

/** The search, at the top of the margin. */
export const findEntry = (editor: Editor): MarginEntry => ({
  id: 'find',
  anchor: null,
  end: 'top',
  tone: 'sky',
  current: true,
  label: 'Find words',
  content: <FindCard editor={editor} />,
});
