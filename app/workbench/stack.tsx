import { cutTo } from '../../core/values/characters';
import type { ReactNode, RefObject } from 'react';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { drawItem } from '../../core/items/draw';
import { svgMarkup } from '../../core/drawing/svg';
import { boxOf } from '../../core/items/hit';
import { itemName } from '../../core/items/name';
import type { Item, Page, Sheet } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { isEmpty } from '../../core/text/body';
import type { Faces } from '../../core/text/faces';
import { imageUrl, pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { putBefore } from '../commands/arrange';
import { useEditor } from '../document/editor';
import { lightUp } from '../canvas/light';
import { useRested } from '../fields/rested';
import { useRows } from '../fields/rows';
import styles from './stack.module.css';

/** The stack: everything on the page (or in the open group), front to back. */

type FaceProps = {
  item: Item;
  /** The surrounding page: only lines need it, since they run to other items. */ page: Page | null;
  roles: Sheet['roles'];
  faces: Faces;
  /** Redrawn when a picture has loaded. */
  arrived: number;
};

/** Milliseconds without a change before an item's tile is redrawn: a whole map would be drawn for each letter. */
const REST = 250;

const Face = memo(function Face({ item: now, page: pageNow, roles, faces, arrived }: FaceProps) {
  const { item, page } = useRested(
    useMemo(() => ({ item: now, page: pageNow }), [now, pageNow]),
    REST,
  );
  const drawn = useMemo(() => {
    if (isWritten(item) && !isEmpty(item.body)) return null;
    const around = page ?? ({ items: [item] } as unknown as Page);
    const box = boxOf(around, item, pictureNow);
    const node = drawItem({ ...item, hidden: false }, { faces, roles, page: around, pictures: pictureNow });
    // As large as the tile allows, which is half as wide again as it is high.
    const high = Math.max(box.width / 1.5, box.height, 12) + 4;
    return (
      node && {
        html: svgMarkup([node], faces, { prefix: `s${item.id}`, imageUrl }),
        view: `${box.x + box.width / 2 - high * 0.75} ${box.y + box.height / 2 - high / 2} ${high * 1.5} ${high}`,
      }
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [item, page, roles, faces, arrived]);
  if (!drawn) {
    const { words, size } = onTile(itemName(item));
    return (
      <span className={styles.words} style={{ fontSize: size }}>
        {words}
      </span>
    );
  }
  return (
    <svg
      className={styles.drawn}
      // A line that is as long as the page would be thinner than a pixel.
      data-thin={item.kind === 'line' || item.kind === 'ink' || undefined}
      viewBox={drawn.view}
      width="54"
      height="36"
      dangerouslySetInnerHTML={{ __html: drawn.html }}
    />
  );
});

/** Height of a row and the gap below it, in pixels. */
const ROW = 49;

/** Pixels of a tile's width for words, and about how wide a letter is of its size. */
const [ROOM, LETTER] = [56, 0.62];
/** Sizes of letters, in pixels. */
const [LARGEST, SMALLEST] = [12, 8];
const LONGEST = Math.floor(ROOM / (SMALLEST * LETTER));
/** Letters as large as the longest word leaves room for: words are not broken, and only very long ones are cut. */
function onTile(name: string): { words: string; size: number } {
  const words = name.replace(/\S+/g, (word) => (word.length > LONGEST ? `${cutTo(word, LONGEST - 1)}…` : word));
  const longest = Math.max(...words.split(/\s+/).map((word) => word.length), 1);
  return { words, size: Math.max(SMALLEST, Math.min(LARGEST, ROOM / (longest * LETTER))) };
}

/** Highlights the tile of what the pointer is over on the sheet, without React. */
function useHighlight(list: RefObject<HTMLElement | null>) {
  useEffect(() => {
    let lit: Element | null = null;
    const onOver = (event: PointerEvent) => {
      const id = (event.target as Element).closest?.('.page-view > g[data-item]')?.getAttribute('data-item');
      const next = id ? (list.current?.querySelector(`[data-stack="${id}"]`) ?? null) : null;
      if (next === lit) return;
      lit?.classList.remove('pointed');
      next?.classList.add('pointed');
      lit = next;
    };
    window.addEventListener('pointerover', onOver);
    return () => window.removeEventListener('pointerover', onOver);
  }, [list]);
}

export const Stack = memo(function Stack({
  editor,
  faces,
  arrived,
}: {
  editor: Editor;
  faces: Faces;
  arrived: number;
}) {
  const page = useEditor(editor, 'page');
  const sheet = useEditor(editor, 'sheet');
  const selection = useEditor(editor, 'selection');
  const entered = useEditor(editor, 'entered');
  const list = useRef<HTMLDivElement>(null);
  const group = entered === null ? null : editor.enteredGroup;
  const items = group ? group.items : page.items;
  // Parts of a group are drawn where they stand in it.
  const within = useMemo(() => (group ? { ...page, items: group.items } : page), [page, group]);
  // Of a long stack only the visible rows exist.
  const { first, end, before, after } = useRows(items.length, ROW, list);
  const shown = items.slice(first, end);
  // What is selected on the sheet comes into view.
  const at = selection.length === 0 ? -1 : items.findIndex(({ id }) => id === selection[0]);
  useEffect(() => {
    const { current } = list;
    if (!current || at < 0) return;
    const [top, bottom] = [at * ROW, (at + 1) * ROW];
    if (top < current.scrollTop) current.scrollTop = top;
    else if (bottom > current.scrollTop + current.clientHeight) current.scrollTop = bottom - current.clientHeight + 6;
  }, [at]);
  const [dragged, setDragged] = useState<string | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const drag = (id: string | null) => {
    setDragged(id);
    setOver(null);
  };
  useHighlight(list);
  return (
    <nav className="stack" aria-label="Things on the page, front to back">
      {group ? (
        <button className={styles.end} onClick={() => editor.enter(null)} title="Leave the group (Esc)">
          ‹ leave group
        </button>
      ) : (
        <span className={styles.end}>Front</span>
      )}
      <div
        className={styles.list}
        ref={list}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
          event.preventDefault();
          event.stopPropagation();
          const buttons = [...list.current!.querySelectorAll('button')];
          const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
          buttons[Math.max(0, Math.min(buttons.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))]?.focus();
        }}
      >
        <div className={styles.room} style={{ paddingTop: before, paddingBottom: after }}>
          {shown.map((item) => (
            <Tile
              key={item.id}
              item={item}
              chosen={selection.includes(item.id)}
              drop={over === item.id}
              onDrag={drag}
              onOver={() => {
                if (dragged === null || dragged === item.id) return false;
                setOver(item.id);
                return true;
              }}
              onDrop={() => {
                if (dragged !== null) putBefore(editor, dragged, item.id);
                drag(null);
              }}
              onChoose={(add) => {
                if (!add) editor.select([item.id]);
                else if (selection.includes(item.id)) editor.select(selection.filter((id) => id !== item.id));
                else editor.select([...selection, item.id]);
              }}
              onEnter={() => item.kind === 'group' && editor.enter(item.id)}
            >
              <Face
                item={item}
                page={item.kind === 'line' ? within : null}
                roles={sheet.roles}
                faces={faces}
                arrived={item.kind === 'picture' || item.kind === 'group' ? arrived : 0}
              />
            </Tile>
          ))}
        </div>
      </div>
      <span className={styles.end}>Back</span>
    </nav>
  );
});

type TileProps = {
  item: Item;
  chosen: boolean;
  /** Whether what is dragged would be put before it. */
  drop: boolean;
  onDrag: (id: string | null) => void;
  /** True when what is dragged can be dropped here. */
  onOver: () => boolean;
  onDrop: () => void;
  onChoose: (add: boolean) => void;
  onEnter: () => void;
  children: ReactNode;
};

/** A thing's place in the stack: pressed to select it, dragged to move it to the front or back. */
function Tile({ item, chosen, drop, onDrag, onOver, onDrop, onChoose, onEnter, children }: TileProps) {
  const name = itemName(item);
  const marks = [item.locked && 'locked', item.hidden && 'hidden'].filter(Boolean).join(', ');
  return (
    <button
      data-stack={item.id}
      className={`${styles.item}${chosen ? ' chosen' : ''}${item.hidden ? ' hidden' : ''}${drop ? ` ${styles.drop}` : ''}`}
      draggable
      onDragStart={(event) => {
        event.dataTransfer.setData('text/plain', `stack:${item.id}`);
        event.dataTransfer.effectAllowed = 'move';
        onDrag(item.id);
      }}
      onDragEnd={() => onDrag(null)}
      onDragOver={(event) => {
        if (onOver()) event.preventDefault();
      }}
      onDrop={(event) => {
        event.preventDefault();
        onDrop();
      }}
      aria-pressed={chosen}
      title={`${name}${marks && ` (${marks})`}`}
      aria-label={`${name}${marks && `, ${marks}`}`}
      onClick={(event) => onChoose(event.shiftKey)}
      onDoubleClick={onEnter}
      onPointerEnter={() => lightUp(item.id, true)}
      onPointerLeave={() => lightUp(item.id, false)}
    >
      {children}
      {item.locked && <i className={styles.lock} aria-hidden="true" />}
    </button>
  );
}
