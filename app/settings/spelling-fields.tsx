import styles from './spelling-fields.module.css';
import { Chip } from '../parts/action';
import { useEffect, useState } from 'react';
import { replaceWords } from '../../core/changes/search';
import type { WrittenItem } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { Row } from '../parts/row';
import { misspelt, suggestionsFor } from '../commands/spelling';

const ownOf = (editor: Editor) => editor.sheet.ownWords;

/** Words of a box that are in no dictionary, each with suggestions. */
export function SpellingFields({ editor, item }: { editor: Editor; item: WrittenItem }) {
  useEditor(editor, 'checked');
  const own = useEditor(editor, ownOf);
  const wrong = misspelt(item, own);
  const [asked, setAsked] = useState<string | null>(null);
  const [found, setFound] = useState<string[] | null>(null);
  const word = wrong.find((one) => one.word === asked) ?? (wrong.length === 1 ? wrong[0] : undefined);
  const wanted = word?.word;
  useEffect(() => {
    if (!wanted) return;
    let current = true;
    setFound(null);
    void suggestionsFor(wanted).then((words) => current && setFound(words));
    return () => {
      current = false;
    };
  }, [wanted]);
  if (wrong.length === 0) return null;
  const names = [...new Set(wrong.map((one) => one.word))].slice(0, 8);
  return (
    <>
      <Row label="spelling">
        {names.map((name) => (
          <button
            key={name}
            type="button"
            className={styles.word}
            aria-pressed={name === wanted}
            onClick={() => setAsked(name)}
          >
            {name}
          </button>
        ))}
      </Row>
      {word && (
        <Row label="">
          {found === null && <span className="quiet">…</span>}
          {found?.length === 0 && <span className="quiet">No suggestions</span>}
          {found?.map((better) => (
            <Chip
              asIs
              key={better}
              onClick={() => {
                const hits = wrong
                  .filter((one) => one.word === word.word)
                  .map(({ from, to }) => ({ page: editor.page.id, item: item.id, from, to }));
                editor.make('Spelling', replaceWords(editor.sheet, hits, better));
              }}
            >
              {better}
            </Chip>
          ))}
          {editor.rights.kind === 'all' && (
            <Chip
              tone="apricot"
              onClick={() =>
                editor.make('Own word', {
                  kind: 'sheet-set',
                  values: { ownWords: [...own, word.word.toLowerCase()].slice(-500) },
                })
              }
            >
              add word
            </Chip>
          )}
        </Row>
      )}
    </>
  );
}
