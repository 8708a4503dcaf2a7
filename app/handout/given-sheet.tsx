import { useEffect, useMemo, useRef, useState } from 'react';
import type { MouseEvent, PointerEvent } from 'react';
import { spanned } from '../../core/geometry/box';
import type { Box, Point } from '../../core/geometry/matrix';
import { givenOut } from '../../core/handout/copy';
import { partsOn, sweptOver, unseenBoxes, withRole } from '../../core/handout/touch';
import { boxOf } from '../../core/items/hit';
import { itemName } from '../../core/items/name';
import { DRAWN, roleIds } from '../../core/schema/defaults';
import type { Access, Item, Page, Sheet } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { all, set } from '../commands/steps';
import type { Editor } from '../document/editor';
import { PageView } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import { paperStyle } from '../margin/view';
import { Action } from '../parts/action';
import { sentence } from '../parts/sentence';
import { ACCESS_WORDS } from '../settings/access-words';
import { SheetRoom } from '../margin/sheet-room';
import { PageTabs } from '../parts/page-tabs';
import { LookForLight } from './lookfor-light';
import type { Shown } from './shown';
import { useShownPage } from './shown-page';
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
  const { page, setPageId, view, stage, faces, arrived } = useShownPage(given, sheet.pages[0].id);
  const { scale } = view;
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const unseen = useMemo(() => unseenBoxes(page, pictureNow), [page]);
  const setTouch = (ids: readonly string[], touch: Access) => {
    editor.make('What students may do', all(ids.map((id) => set(id, { touch }))));
    setChosen([]);
  };
  const sweep = useSweep(page, scale, setChosen);
  const isChoosing = chosen.length > 0;
  useEffect(() => {
    if (!isChoosing) return;
    const leave = (event: KeyboardEvent) => event.key === 'Escape' && setChosen([]);
    window.addEventListener('keydown', leave);
    return () => window.removeEventListener('keydown', leave);
  }, [isChoosing]);
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
        <div className="paper" style={paperStyle(view, page)} {...sweep.on}>
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
              <AccessMarks
                page={page}
                scale={scale}
                chosen={chosen}
                unseen={unseen}
                onPress={(item) => setTouch([item.id], NEXT[item.touch])}
              />
              {sweep.area && <div className={styles.sweep} style={scaled(sweep.area, scale)} />}
            </>
          )}
        </div>
      </SheetRoom>
      <div className={styles.touchKey}>
        {chosen.length > 0 ? (
          <Several chosen={chosen} onSet={(touch) => setTouch(chosen, touch)} onLeave={() => setChosen([])} />
        ) : (
          <>
            {ACCESSES.map((touch) => (
              <span key={touch}>
                <i className={touch} />
                {sentence(ACCESS_WORDS[touch])}
              </span>
            ))}
            <span className="quiet">Press a part to change it, or sweep over several</span>
            <RolePick sheet={given} onPick={setChosen} />
          </>
        )}
        {unseen.length > 0 && (
          <span className={styles.unseen}>
            {unseen.length === 1 ? 'One box to write in' : `${unseen.length} boxes to write in`} on this page can’t be
            seen: no frame, no prompt.{' '}
            <Action
              onClick={() =>
                editor.make(
                  'Frames for boxes',
                  all(unseen.map(({ id }) => set(id, { outline: { colour: DRAWN.line, width: 1, dash: 'dashed' } }))),
                )
              }
            >
              give {unseen.length === 1 ? 'it a frame' : 'them frames'}
            </Action>
          </span>
        )}
        <PageTabs pages={sheet.pages} shown={page.id} onShow={setPageId} />
      </div>
    </div>
  );
}

const scaled = ({ x, y, width, height }: Box, scale: number) => ({
  left: x * scale,
  top: y * scale,
  width: width * scale,
  height: height * scale,
});

/** Less than this, in pixels, is a press and not a sweep. */
const PRESS = 5;

/** Sweeping over the paper chooses what the rectangle meets. */
function useSweep(page: Page, scale: number, onChoose: (ids: string[]) => void) {
  const [from, setFrom] = useState<Point | null>(null);
  const swept = useRef(false);
  const [to, setTo] = useState<Point | null>(null);
  const at = (event: PointerEvent<HTMLElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
  };
  const area = from && to && Math.hypot(from.x - to.x, from.y - to.y) * scale >= PRESS ? spanned(from, to) : null;
  const end = () => {
    setFrom(null);
    setTo(null);
  };
  return {
    area,
    on: {
      onPointerDown: (event: PointerEvent<HTMLElement>) => {
        if (event.button !== 0) return;
        swept.current = false;
        setFrom(at(event));
        setTo(null);
      },
      onPointerMove: (event: PointerEvent<HTMLElement>) => {
        if (!from) return;
        if (event.buttons === 0) return end();
        setTo(at(event));
      },
      onPointerUp: () => {
        swept.current = area !== null;
        if (area) onChoose(sweptOver(page, area, pictureNow).map(({ id }) => id));
        end();
      },
      onPointerCancel: end,
      // What was swept over was not pressed.
      onClickCapture: (event: MouseEvent) => {
        if (event.detail > 0 && swept.current) event.stopPropagation();
      },
    },
  };
}

type SeveralProps = { chosen: readonly string[]; onSet: (touch: Access) => void; onLeave: () => void };

/** What students may do with several parts at once. */
const Several = ({ chosen, onSet, onLeave }: SeveralProps) => (
  <span className={styles.several} role="group" aria-label="What students may do with these parts">
    <b>{chosen.length === 1 ? '1 part' : `${chosen.length} parts`}</b>
    {ACCESSES.map((touch) => (
      <Action key={touch} onClick={() => onSet(touch)}>
        <i className={touch} />
        {sentence(ACCESS_WORDS[touch])}
      </Action>
    ))}
    <Action onClick={onLeave}>cancel</Action>
  </span>
);

/** Chooses all boxes of a role, on every page. */
function RolePick({ sheet, onPick }: { sheet: Sheet; onPick: (ids: string[]) => void }) {
  const there = roleIds(sheet.roles).flatMap((role) => {
    const boxes = withRole(sheet, role);
    return boxes.length > 1 ? [{ role, name: sheet.roles[role].name, ids: boxes.map(({ id }) => id) }] : [];
  });
  if (there.length === 0) return null;
  return (
    <select
      className="pick"
      aria-label="Choose all boxes of a kind"
      value=""
      onChange={(event) => onPick(there.find(({ role }) => role === event.target.value)?.ids ?? [])}
    >
      <option value="">Choose all of a kind</option>
      {there.map(({ role, name, ids }) => (
        <option key={role} value={role}>
          {name} ({ids.length})
        </option>
      ))}
    </select>
  );
}

type MarksProps = {
  page: Page;
  scale: number;
  chosen: readonly string[];
  unseen: readonly Item[];
  onPress: (item: Item) => void;
};

/** Half the side of the button of a line, in pixels: it lies on its middle. */
const LINE = 10;

/** What students will see, with every part as a button: also what is in groups, and lines. */
function AccessMarks({ page, scale, chosen, unseen, onPress }: MarksProps) {
  const parts = useMemo(() => partsOn(page), [page]);
  // Groups lie under their parts, and lines over all: they are thin.
  const inOrder = [...parts.filter(isFramed), ...parts.filter((item) => !isFramed(item))];
  return inOrder.map((item) => {
    const box = boxOf(page, item, pictureNow);
    const [x, y] = [(box.x + box.width / 2) * scale, (box.y + box.height / 2) * scale];
    return (
      <button
        key={item.id}
        type="button"
        className={`${styles.touchMark} ${item.touch}`}
        data-chosen={chosen.includes(item.id) || undefined}
        data-unseen={unseen.some(({ id }) => id === item.id) || undefined}
        data-line={!isFramed(item) || undefined}
        aria-label={`${itemName(item)}: students may ${ACCESS_WORDS[item.touch]}`}
        style={
          isFramed(item)
            ? {
                left: box.x * scale - 2,
                top: box.y * scale - 2,
                width: box.width * scale + 4,
                height: box.height * scale + 4,
              }
            : { left: x - LINE, top: y - LINE, width: 2 * LINE, height: 2 * LINE }
        }
        onClick={() => onPress(item)}
      >
        <span>{ACCESS_WORDS[item.touch]}</span>
      </button>
    );
  });
}
