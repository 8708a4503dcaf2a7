import { memo, useEffect, useState } from 'react';
import type { Page, Sheet } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import { PageView } from '../drawing/page-view';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { addPage, duplicatePage, movePage, removePage } from '../commands/page-commands';

/** The pages of the sheet as small pictures: turned to with a press, dragged into another order, added, doubled, dropped. */

const sheetOf = (bench: Bench) => bench.sheet;
const pageIdOf = (bench: Bench) => bench.pageId;
const facesOf = (bench: Bench) => bench.faces;
/** Pixels. */
const [HEIGHT, WIDTH] = [78, 150];

const Small = memo(function Small({ sheet, page, faces }: { sheet: Sheet; page: Page; faces: Faces }) {
  const scale = Math.min(HEIGHT / page.height, WIDTH / page.width);
  return (
    <span className="page-small" style={{ width: page.width * scale, height: page.height * scale }} aria-hidden="true">
      <PageView sheet={sheet} page={page} faces={faces} arrived={0} scale={scale} label="" />
    </span>
  );
});

export function Pages({ bench }: { bench: Bench }) {
  const sheet = useBench(bench, sheetOf);
  const current = useBench(bench, pageIdOf);
  const faces = useBench(bench, facesOf);
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const { pages } = sheet;
  // Moving a card in the list takes the focus from it: it gets it back.
  const [moved, setMoved] = useState<string | null>(null);
  useEffect(() => {
    if (moved === null) return;
    document.querySelector<HTMLElement>(`[data-page="${moved}"]`)?.focus();
    setMoved(null);
  }, [moved, pages]);
  return (
    <>
      <ol className="pages" aria-label="Pages">
        {pages.map((page, i) => (
          <li
            key={page.id}
            className={over === i ? 'page-drop' : undefined}
            onDragOver={(event) => {
              if (dragged === null) return;
              event.preventDefault();
              setOver(i);
            }}
            onDrop={(event) => {
              event.preventDefault();
              if (dragged !== null) movePage(bench, dragged, i);
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
              onClick={() => bench.turnTo(page.id)}
              onKeyDown={(event) => {
                if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
                event.preventDefault();
                movePage(bench, page.id, i + (event.key === 'ArrowLeft' ? -1 : 1));
                setMoved(page.id);
              }}
            >
              {faces && <Small sheet={sheet} page={page} faces={faces} />}
              <span>{i + 1}</span>
            </button>
          </li>
        ))}
      </ol>
      <div className="pages-do">
        <button type="button" className="chip" onClick={() => addPage(bench)}>
          add page
        </button>
        <button type="button" className="chip" onClick={() => duplicatePage(bench)}>
          duplicate page
        </button>
        {pages.length > 1 && (
          <button type="button" className="chip apricot" onClick={() => removePage(bench)}>
            delete page
          </button>
        )}
        {pages.length > 1 && <p className="quiet">Drag to reorder, or Alt with the arrow keys.</p>}
      </div>
    </>
  );
}
