import { Chip } from '../parts/action';
import { useEffect, useState } from 'react';
import { PageSmall } from '../drawing/page-small';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { addPage, duplicatePage, movePage, removePage } from '../commands/page-commands';
import styles from './drawer.module.css';

/** The pages of the sheet as small pictures: to turn to, reorder, add, duplicate and remove. */

export function Pages({ editor }: { editor: Editor }) {
  const sheet = useEditor(editor, 'sheet');
  const current = useEditor(editor, 'pageId');
  const faces = useEditor(editor, 'faces');
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const { pages } = sheet;
  // Moving a card takes the focus from it, so it is focused again.
  const [moved, setMoved] = useState<string | null>(null);
  useEffect(() => {
    if (moved === null) return;
    document.querySelector<HTMLElement>(`[data-page="${moved}"]`)?.focus();
    setMoved(null);
  }, [moved, pages]);
  return (
    <>
      <ol className={styles.pages} aria-label="Pages">
        {pages.map((page, i) => (
          <li
            key={page.id}
            className={over === i ? styles.pageDrop : undefined}
            onDragOver={(event) => {
              if (dragged === null) return;
              event.preventDefault();
              setOver(i);
            }}
            onDrop={(event) => {
              event.preventDefault();
              if (dragged !== null) movePage(editor, dragged, i);
              setDragged(null);
              setOver(null);
            }}
          >
            <button
              type="button"
              className="page-card"
              data-page={page.id}
              aria-current={page.id === current}
              aria-label={`Page ${i + 1}`}
              draggable={pages.length > 1}
              onDragStart={(event) => {
                event.dataTransfer.setData('text/plain', `page:${page.id}`);
                setDragged(page.id);
              }}
              onDragEnd={() => (setDragged(null), setOver(null))}
              onClick={() => editor.turnTo(page.id)}
              onKeyDown={(event) => {
                if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
                event.preventDefault();
                movePage(editor, page.id, i + (event.key === 'ArrowLeft' ? -1 : 1));
                setMoved(page.id);
              }}
            >
              {faces && <PageSmall sheet={sheet} page={page} faces={faces} />}
              <span>{i + 1}</span>
            </button>
          </li>
        ))}
      </ol>
      <div className={styles.pagesDo}>
        <Chip onClick={() => addPage(editor)}>add page</Chip>
        <Chip onClick={() => duplicatePage(editor)}>duplicate page</Chip>
        {pages.length > 1 && (
          <Chip tone="apricot" onClick={() => removePage(editor)}>
            delete page
          </Chip>
        )}
        {pages.length > 1 && <p className="quiet">Drag to reorder, or Alt with the arrow keys.</p>}
      </div>
    </>
  );
}
