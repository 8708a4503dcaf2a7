import type { useFetcher } from 'react-router';
import { boxOf } from '../../core/items/hit';
import type { Item, Page, Sheet, TextItem } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { bodyLength } from '../../core/text/body';
import { typeWords } from '../commands/word-commands';
import type { Editor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import type { MarginEntry } from '../margin/margin';
import { Chip, Chips } from '../parts/action';
import type { Loaded } from '../student/entries';
import { BackCard, bankOf, noteEntries, usedElsewhere } from '../student/entries';
import { LookForList } from '../student/lookfor-list';
import { findEntry } from '../workbench/aids';
import { chosenEntry } from '../workbench/chosen-entry';
import styles from '../student/student.module.css';

/** The margin of a student's copy: the brief, the look-fors, the teacher's notes, and what helps with the selected part. */

/** Opens the first part that a look-for still misses. */
function goTo(editor: Editor, id: string) {
  const item = findOn(editor.page, id)?.item;
  if (item?.kind === 'text' && !editor.shut) editor.edit({ id, anchor: 0, focus: bodyLength(item.body), typing: null });
  else if (item) editor.select([id]);
}

const card = (id: string, label: string, content: MarginEntry['content']): MarginEntry => ({
  id,
  anchor: null,
  end: 'top',
  tone: 'plain',
  label,
  content,
});

/** What stays the same while the student works, but for the counts. */
export function fixedEntries(editor: Editor, loaded: Loaded, results: Loaded['results']): MarginEntry[] {
  const { state, brief, lookFors } = loaded;
  const back = state === 'another-go' || state === 'done';
  return [
    ...(back ? [card('back', 'From your teacher', <BackCard loaded={loaded} />)] : []),
    card(
      'brief',
      'What to do',
      <>
        <h3 className={styles.briefTitle}>What to do</h3>
        <p className={styles.brief}>{brief || 'Fill in the sheet.'}</p>
      </>,
    ),
    ...(lookFors.length > 0
      ? [
          card(
            'lookfors',
            'What your teacher will look for',
            <LookForList
              lookFors={lookFors}
              results={results}
              done={state === 'done'}
              onGo={(id) => goTo(editor, id)}
            />,
          ),
        ]
      : []),
  ];
}

const besides = (page: Page, item: Item): MarginEntry['anchor'] => {
  const box = boxOf(page, item, pictureNow);
  return { x: box.x + box.width, y: box.y + box.height / 2 };
};

function bankEntry(editor: Editor, page: Page, label: TextItem, bank: readonly string[]): MarginEntry {
  const take = (word: string) => {
    if (editor.editing && typeWords(editor, editor.editing, 0, bodyLength(label.body), word))
      editor.edit({ ...editor.editing, anchor: word.length, focus: word.length });
  };
  return {
    id: 'this',
    anchor: besides(page, label),
    tone: 'sky',
    active: true,
    current: true,
    label: 'Words for this label',
    content: (
      <>
        <h3>This label</h3>
        <Chips>
          {bank.map((word) => (
            <Chip
              asIs
              key={word}
              tone={usedElsewhere(page, word, label.id) ? 'used' : 'moss'}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => take(word)}
            >
              {word}
            </Chip>
          ))}
        </Chips>
        <p className="quiet">From the word bank, or type your own · Tab goes on</p>
      </>
    ),
  };
}

/** What helps with the part that is being edited or selected. */
function helpEntries(editor: Editor, { sheet, page }: { sheet: Sheet; page: Page }): MarginEntry[] {
  const { editing, selection, selectedItems: items } = editor;
  const here = editing ? findOn(page, editing.id)?.item : undefined;
  if (here?.kind === 'text') {
    const bank = bankOf(sheet);
    return bank.length > 0 && here.role === 'label' ? [bankEntry(editor, page, here, bank)] : [];
  }
  if (selection.length === 0 || !items.every((item) => item.touch === 'free')) return [];
  return [chosenEntry(editor, { sheet, page, items, anchor: besides(page, items[0]), current: true })];
}

type Fetcher = Pick<ReturnType<typeof useFetcher>, 'formData' | 'submit'>;

/** All entries of the margin. `fixed`: see fixedEntries. */
export function copyEntries(
  editor: Editor,
  loaded: Loaded,
  fixed: readonly MarginEntry[],
  { formData, submit }: Fetcher,
): MarginEntry[] {
  // A tick shows at once, before the server has saved it.
  const ticked = formData?.get('note');
  const notes = loaded.notes.map((note) =>
    note.id === ticked ? { ...note, settled: formData?.get('settled') === 'yes' } : note,
  );
  return [
    ...(editor.finding ? [findEntry(editor)] : []),
    ...fixed,
    ...noteEntries(notes, editor.page, submit),
    ...(editor.shut ? [] : helpEntries(editor, editor)),
  ];
}
