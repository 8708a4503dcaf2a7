import { useLayoutEffect, useMemo, useState } from 'react';
import type { RefObject } from 'react';
import { rightMiddle } from '../../core/geometry/box';
import type { Point } from '../../core/geometry/matrix';
import { givenOut } from '../../core/handout/copy';
import { boxOf } from '../../core/items/hit';
import { itemName } from '../../core/items/name';
import type { Page, Sheet, Access } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { setValues } from '../commands/set-values';
import type { Editor } from '../document/editor';
import { PageView, useDrawing } from '../drawing/page-view';
import { litFrom } from '../drawing/lit';
import { pictureNow } from '../drawing/resources';
import { LATCH, Light } from '../margin/light';
import { useNarrow } from '../margin/narrow';
import type { View } from '../margin/view';
import { onStage, paperStyle, useView } from '../margin/view';
import { sentence } from '../parts/sentence';
import { ACCESS_WORDS } from '../settings/access-words';
import { SheetRoom } from '../margin/sheet-room';
import { PageTabs } from '../parts/page-tabs';
import type { Shown } from './shown';
import styles from './hand-out.module.css';

/** The sheet as students get it, where what they may do is set part by part. */

const NEXT: Record<Access, Access> = { fixed: 'fill', fill: 'free', free: 'fixed' };
const ACCESSES = Object.keys(NEXT) as Access[];

type Props = {
  editor: Editor;
  sheet: Sheet;
  shown: Shown | null;
  /** Grows when the cards beside the sheet have moved. */
  scrolled: number;
};

export function GivenSheet({ editor, sheet, shown, scrolled }: Props) {
  const given = useMemo(() => givenOut(sheet), [sheet]);
  const [pageId, setPageId] = useState(sheet.pages[0].id);
  const page = given.pages.find(({ id }) => id === pageId) ?? given.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(sheet);
  const { scale } = view;
  return (
    <div className={styles.given}>
      <SheetRoom
        stage={stage}
        view={view}
        above={
          shown && (
            <LookForLight key={shown.id} shown={shown} scrolled={scrolled} page={page} view={view} stage={stage} />
          )
        }
      >
        <div className="paper" style={paperStyle(view, page)}>
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
    </div>
  );
}

const far = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

type LightProps = { shown: Shown; scrolled: number; page: Page; view: View; stage: RefObject<HTMLDivElement | null> };

/** Light from the card of a look-for onto what it is about, and the thread between them. */
function LookForLight({ shown, scrolled, page, view, stage }: LightProps) {
  const [y, setY] = useState<number | null>(null);
  useLayoutEffect(() => {
    const [card, room] = [shown.card.getBoundingClientRect(), stage.current?.getBoundingClientRect()];
    setY(room ? card.top + Math.min(card.height / 2, LATCH) - room.top : null);
  }, [shown, scrolled, view, stage]);
  const below = useNarrow();
  if (y === null) return null;
  const card = { x: view.stageWidth, y };
  // The thread leads to the spot that is nearest to the card.
  const spots = shown
    .spotsOn(page)
    .map((spot) => ({ spot, from: onStage(view, rightMiddle(spot)) }))
    .sort((a, b) => far(a.from, card) - far(b.from, card));
  if (spots.length === 0) return null;
  const [{ from }] = spots;
  const middle = (from.x + card.x) / 2;
  return (
    <>
      <Light
        view={view}
        lit={litFrom(shown.id, page)}
        spots={spots.map(({ spot }) => spot)}
        card={below ? null : card}
      />
      {!below && (
        <svg className={styles.thread} width={view.stageWidth} height={view.stageHeight} aria-hidden="true">
          <path d={`M${from.x} ${from.y}C${middle} ${from.y} ${middle} ${y} ${card.x} ${y}`} />
        </svg>
      )}
    </>
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
