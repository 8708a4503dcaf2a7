import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { MouseEvent, PointerEvent, RefObject } from 'react';
import { rightMiddle, spanned } from '../../core/geometry/box';
import type { Box, Point } from '../../core/geometry/matrix';
import { givenOut } from '../../core/handout/copy';
import { partsOn, sweptOver, unseenBoxes, withRole } from '../../core/handout/touch';
import { boxOf } from '../../core/items/hit';
import { variedOn } from '../../core/makers/varied';
import { itemName } from '../../core/items/name';
import { DRAWN, roleIds } from '../../core/schema/defaults';
import type { Access, Item, Page, Sheet } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { all, set } from '../commands/steps';
import type { Editor } from '../document/editor';
import { PageView, useDrawing } from '../drawing/page-view';
import { litFrom } from '../drawing/lit';
import { pictureNow } from '../drawing/resources';
import { LATCH, Light } from '../margin/light';
import { useNarrow } from '../margin/narrow';
import type { View } from '../margin/view';
import { onStage, paperStyle, useView } from '../margin/view';
import { Action } from '../parts/action';
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

/** A sheet as students get it, one page of which is shown. `first`: the page to begin with. */
function useGiven(sheet: Sheet, first: () => Page) {
  const given = useMemo(() => givenOut(sheet), [sheet]);
  const [pageId, setPageId] = useState(() => first().id);
  const page = given.pages.find(({ id }) => id === pageId) ?? given.pages[0];
  return { given, page, setPageId, ...useView(page, 'fit'), ...useDrawing(sheet) };
}

export function GivenSheet({ editor, sheet, shown, scrolled }: Props) {
  const { given, page, setPageId, view, stage, faces, arrived } = useGiven(sheet, () => sheet.pages[0]);
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

/** Another version as its students get it. What may be touched is set on the first one, and goes for all that are made again. */
export function VersionSheet({ sheet, letter }: { sheet: Sheet; letter: string }) {
  const first = () => sheet.pages.find((one) => variedOn(one).length > 0) ?? sheet.pages[0];
  const { given, page, setPageId, view, stage, faces, arrived } = useGiven(sheet, first);
  return (
    <div className={styles.given}>
      <SheetRoom stage={stage} view={view}>
        <div className="paper" style={paperStyle(view, page)}>
          {faces && (
            <PageView
              sheet={given}
              page={page}
              faces={faces}
              arrived={arrived}
              scale={view.scale}
              prompts
              label={`Version ${letter}, as students get it`}
            />
          )}
        </div>
      </SheetRoom>
      <div className={styles.touchKey}>
        <b>Version {letter}</b>
        <span className="quiet">What may be touched is set on version A.</span>
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
  const area = from && to && far(from, to) * scale >= PRESS ? spanned(from, to) : null;
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
