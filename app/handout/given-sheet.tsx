import { useMemo, useState } from 'react';
import { givenOut } from '../../core/handout/copy';
import { boxOf } from '../../core/items/hit';
import { itemName } from '../../core/items/name';
import type { Page, Sheet, Access } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { setValues } from '../commands/set-values';
import type { Editor } from '../document/editor';
import { PageView, useDrawing } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import { useView } from '../margin/view';
import { sentence } from '../parts/sentence';
import { ACCESS_WORDS } from '../settings/access-fields';
import { SheetRoom } from '../margin/sheet-room';
import { PageTabs } from '../parts/page-tabs';
import styles from './hand-out.module.css';

/** The sheet as students get it, where what they may do is set part by part. */

const NEXT: Record<Access, Access> = { fixed: 'fill', fill: 'free', free: 'fixed' };
const ACCESSES = Object.keys(NEXT) as Access[];

export function GivenSheet({ editor, sheet }: { editor: Editor; sheet: Sheet }) {
  const given = useMemo(() => givenOut(sheet), [sheet]);
  const [pageId, setPageId] = useState(sheet.pages[0].id);
  const page = given.pages.find(({ id }) => id === pageId) ?? given.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(sheet);
  const { scale, inset } = view;
  return (
    <SheetRoom
      stage={stage}
      view={view}
      above={
        <div className={styles.touchKey}>
          {ACCESSES.map((touch) => (
            <span key={touch}>
              <i className={touch} />
              {sentence(ACCESS_WORDS[touch])}
            </span>
          ))}
          <span className="quiet">Press a part to change it</span>
          <PageTabs pages={sheet.pages} shown={page.id} onShow={setPageId} />
        </div>
      }
    >
      <div
        className="paper"
        style={{ left: inset.x, top: inset.y, width: page.width * scale, height: page.height * scale }}
      >
        {faces && (
          <>
            <PageView
              sheet={given}
              page={page}
              faces={faces}
              arrived={arrived}
              scale={scale}
              prompts
              label="What students get"
            />
            <AccessMarks editor={editor} page={page} scale={scale} />
          </>
        )}
      </div>
    </SheetRoom>
  );
}

/** What students will see, with every part that has a frame as a button. */
function AccessMarks({ editor, page, scale }: { editor: Editor; page: Page; scale: number }) {
  return page.items
    .toReversed()
    .filter(isFramed)
    .map((item) => {
      const box = boxOf(page, item, pictureNow);
      return (
        <button
          key={item.id}
          type="button"
          className={`${styles.touchMark} ${item.touch}`}
          aria-label={`${itemName(item)}: students may ${ACCESS_WORDS[item.touch]}`}
          style={{
            left: box.x * scale - 2,
            top: box.y * scale - 2,
            width: box.width * scale + 4,
            height: box.height * scale + 4,
          }}
          onClick={() => {
            editor.pageId = page.id;
            setValues(editor, 'What students may do', { touch: NEXT[item.touch] }, [item.id]);
          }}
        >
          <span>{ACCESS_WORDS[item.touch]}</span>
        </button>
      );
    });
}
