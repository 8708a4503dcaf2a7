import { focusSheet } from '../fields/focus';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PointerEvent as ReactPointerEvent } from 'react';
import { drawPage } from '../../core/items/draw';
import { warpOfItem, wordsOf } from '../../core/items/words';
import { Sampler } from '../../core/drawing/sampler';
import { centre, contains, overlaps, spanned } from '../../core/geometry/box';
import { frameMatrix } from '../../core/geometry/frame';
import { parentMatrix } from '../../core/placement/on-page';
import { boxOf, itemsAt } from '../../core/items/hit';
import { blanksOn } from '../../core/handout/blanks';
import type { Point } from '../../core/geometry/matrix';
import { compose, inverse, transform } from '../../core/geometry/matrix';
import type { Handle } from '../../core/geometry/resize';
import { bodyLength, bodyText, isEmpty } from '../../core/text/body';
import { itemName } from '../../core/items/name';
import type { GroupItem, Item, WrittenItem } from '../../core/schema/sheet';
import { isFramed, isWritten } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { inUnit } from '../../core/sheet/units';
import { positionAt, positionNear } from '../../core/text/caret';
import type { View } from '../margin/view';
import { PageView } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { DigList } from './dig';
import { pullAmount, pullBend, pullEnd, pullPaint, pullShape, pullSize, pullTurn } from './gestures/grips';
import type { Shown } from './gestures/ground';
import { Ground, NOTHING, REACH, reachable, unsnapped } from './gestures/ground';
import { dragItems, sweepFrom } from './gestures/move';
import { drawStroke, erase } from './gestures/pen';
import { Overlay } from './overlay';
import { WordsInput } from './words';
import './stage.css';

/** The sheet under the pointer: selecting, digging, editing text. Dragging is in gestures/. */

const lastStep = (editor: Editor) => editor.history.past.at(-1);

/** Where the selected item is, for screen readers. */
function whereWords(editor: Editor): string {
  const item = editor.chosen;
  if (!item || !isFramed(item)) return '';
  const { unit } = editor.sheet;
  const say = (points: number) => inUnit(points, unit);
  return `, ${itemName(item)}: ${say(item.x)} across, ${say(item.y)} down, ${say(item.width)} by ${say(item.height)} ${unit}`;
}

type Props = {
  editor: Editor;
  view: View;
  arrived: number;
  label: string;
  onDropSupply?: (data: string, at: Point, files: readonly File[]) => void;
};

export function Stage({ editor, view, arrived, label, onDropSupply }: Props) {
  const page = useEditor(editor, 'page');
  const preview = useEditor(editor, 'preview');
  const sheet = useEditor(editor, 'sheet');
  const faces = useEditor(editor, 'faces');
  const editing = useEditor(editor, 'editing');
  const tool = useEditor(editor, 'tool');
  const past = useEditor(editor, 'past');
  const paper = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState<Shown>(NOTHING);
  const [said, setSaid] = useState('');
  const { scale } = view;
  const ground = useMemo(
    () =>
      new Ground(
        editor,
        () => paper.current!,
        scale,
        (patch) => setShown((old) => ({ ...old, ...patch })),
      ),
    [editor, scale],
  );

  // Announces what was done. Typing is left out: the text area announces it.
  const done = useEditor(editor, lastStep);
  const before = useRef(done);
  useEffect(() => {
    if (before.current === done) return;
    const undone = before.current !== undefined && editor.history.future[0] === before.current;
    const step = undone ? before.current : done;
    before.current = done;
    if (step && step.name !== 'Type') setSaid(`${undone ? 'Undone: ' : ''}${step.name}${whereWords(editor)}`);
  }, [editor, done]);

  const under = (point: Point) =>
    itemsAt(editor.page, editor.enteredGroup, point, REACH / scale, pictureNow).filter((item) =>
      reachable(editor, item),
    );

  const positionIn = (item: Item, point: Point): number => {
    if (!isWritten(item) || !editor.faces) return 0;
    const local = transform(inverse(compose(parentMatrix(editor.page, item.id), frameMatrix(item))), point);
    const { layout, origin } = wordsOf(item, { faces: editor.faces, roles: editor.sheet.roles });
    const warp = warpOfItem(item, layout);
    return warp
      ? positionNear(layout, warp, local)
      : positionAt(layout, { x: local.x - origin.x, y: local.y - origin.y });
  };

  function editFrom(event: ReactPointerEvent, item: Item, extend: boolean) {
    const position = positionIn(item, ground.pointOf(event));
    const anchor = extend && editor.editing?.id === item.id ? editor.editing.anchor : position;
    editor.edit({ id: item.id, anchor, focus: position, typing: null });
    // The focus may have been in a field beside the sheet.
    focusSheet();
    ground.follow(
      event,
      (point) => editor.editing && editor.edit({ ...editor.editing, focus: positionIn(item, point) }),
      () => {},
      () => {},
    );
  }

  const canWrite = (item: Item): item is WrittenItem =>
    isWritten(item) && !item.locked && !editor.shut && (editor.rights.kind === 'all' || item.touch !== 'fixed');

  function pulled(event: ReactPointerEvent, mark: SVGElement) {
    const [kind, x, y] = mark.dataset.grip!.split(' ');
    if (kind === 'size') return pullSize(ground, event, { x: Number(x), y: Number(y) } as Handle);
    if (kind === 'turn') return pullTurn(ground, event);
    if (kind === 'shape') return pullShape(ground, event, Number(x));
    if (kind === 'bend') return pullBend(ground, event);
    if (kind === 'amount') return pullAmount(ground, event);
    if (kind === 'paint') return pullPaint(ground, event, x);
    return pullEnd(ground, event, kind as 'from' | 'to');
  }

  /** The colour of the page at a point, with letters and pictures. */
  function sample(point: Point) {
    const { nodes } = drawPage(editor.sheet, editor.page, { faces: editor.faces!, pictures: pictureNow });
    return new Sampler(nodes, editor.faces!).at(point).hex;
  }

  function takeSpot(event: ReactPointerEvent, taken: (from: Point, to: Point) => void) {
    const start = ground.pointOf(event);
    let last = start;
    ground.follow(
      event,
      (point) => {
        last = point;
        ground.show({ sweep: spanned(start, point) });
      },
      () => {
        ground.show({ sweep: null });
        editor.put({ tool: null });
        taken(start, last);
      },
      () => ground.show({ sweep: null }),
    );
  }

  function work(event: ReactPointerEvent): boolean {
    if (!editor.tool) return false;
    if (editor.shut) {
      editor.say(editor.shut);
      return true;
    }
    if (editor.tool.kind === 'pen') drawStroke(ground, event, editor.tool);
    else if (editor.tool.kind === 'eraser') erase(ground, event, editor.tool);
    else if (editor.tool.kind === 'spot') takeSpot(event, editor.tool.taken);
    else {
      const { taken } = editor.tool;
      editor.put({ tool: null });
      taken(sample(ground.pointOf(event)));
    }
    return true;
  }

  /** Each press goes one item deeper: first the one on top, then the one under it, and round again. */
  function dig(point: Point, here: readonly Item[]) {
    if (here.length === 0) return;
    const at = here.findIndex((item) => editor.selection.length === 1 && item.id === editor.selection[0]);
    const next = here[(at + 1) % here.length];
    editor.select([next.id]);
    showDug(point, here);
    setSaid(`${itemName(next)}, ${here.indexOf(next) + 1} of ${here.length} here`);
  }
  const showDug = (point: Point, here: readonly Item[]) =>
    editor.put({ dug: here.length > 1 ? { ids: here.map((item) => item.id), ...point } : null });

  function onPointerDown(event: ReactPointerEvent<HTMLDivElement>) {
    if (event.button !== 0 || !editor.faces || editor.past) return;
    if ((event.target as Element).closest('.dig-list')) return;
    const mark = (event.target as Element).closest<SVGElement>('[data-grip]');
    // While text is edited the text area keeps the focus, otherwise the stage takes it.
    event.preventDefault();
    if (work(event)) return;
    if (mark) return pulled(event, mark);
    const point = ground.pointOf(event);
    const { editing } = editor;
    const editedItem = editing && findOn(editor.page, editing.id)?.item;
    const here = under(point);
    if (editedItem && contains(boxOf(editor.page, editedItem, pictureNow), point))
      return editFrom(event, editedItem, event.shiftKey);
    if (!editing) paper.current?.closest<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });
    if (editor.dug && !unsnapped(event)) editor.put({ dug: null });
    // A blank opens at the first press, also inside made items and groups.
    const blank = editor.rights.kind === 'student' ? blankAt(null, point) : null;
    if (blank) return editFrom(event, blank, false);
    const [top] = here;
    if (!top) {
      if (editor.enteredGroup && itemsAt(editor.page, null, point, REACH / scale, pictureNow).length > 0) {
        editor.enter(null);
        editor.select([]);
      }
      return sweepFrom(ground, event, event.shiftKey);
    }
    if (event.shiftKey) {
      const chosen = editor.selection.includes(top.id);
      editor.select(chosen ? editor.selection.filter((id) => id !== top.id) : [...editor.selection, top.id]);
      return;
    }
    const already = here.find((item) => editor.selection.includes(item.id));
    const item = already ?? top;
    const wasOnly = editor.selection.length === 1 && editor.selection[0] === item.id;
    if (unsnapped(event))
      return dragItems(ground, event, already ? editor.selectedItems : [top], () => dig(point, here));
    if (!already) editor.select([item.id]);
    setSaid(`${itemName(item)}, chosen`);
    dragItems(ground, event, already ? editor.selectedItems : [item], () => {
      if (wasOnly && top.id !== item.id) editor.select([top.id]);
      else if (already && editor.selection.length > 1) editor.select([item.id]);
    });
  }

  /** The blank at a point, however deep. Items a student can move hide it, fixed ones don't. */
  function blankAt(within: GroupItem | null, point: Point): WrittenItem | null {
    for (const item of itemsAt(editor.page, within, point, REACH / scale, pictureNow)) {
      if (item.touch === 'free') return null;
      const found =
        item.kind === 'group' ? blankAt(item, point) : item.touch === 'fill' && canWrite(item) ? item : null;
      if (found) return found;
    }
    return null;
  }

  /** The text item at a point, however deep; in a group, one of its own. */
  function wordsAt(items: readonly Item[], point: Point): { item: WrittenItem; group: string | null } | null {
    for (const item of items) {
      if (item.kind === 'group') {
        const inner = wordsAt(itemsAt(editor.page, item, point, REACH / scale, pictureNow), point);
        if (inner) return { item: inner.item, group: inner.group ?? item.id };
      } else if (canWrite(item) && (item === items[0] || item.kind === 'text' || !isEmpty(item.body)))
        return { item, group: null };
    }
    return null;
  }

  function onDoubleClick(event: React.MouseEvent) {
    if (editor.past || editor.tool) return;
    const point = ground.pointOf(event);
    const here = under(point);
    const [top] = here;
    if (!top) return;
    const found = wordsAt(here, point);
    if (found && editor.editing?.id === found.item.id) {
      // The word under the pointer.
      const words = bodyText(found.item.body);
      const at = positionIn(found.item, point);
      const start = words.slice(0, at).search(/[\p{L}\p{N}'’-]+$/u);
      const end = words.slice(at).search(/[^\p{L}\p{N}'’-]/u);
      editor.edit({
        id: found.item.id,
        anchor: start < 0 ? at : start,
        focus: end < 0 ? words.length : at + end,
        typing: null,
      });
      return;
    }
    if (top.kind === 'group' && found?.group !== top.id) {
      editor.enter(top.id);
      const [inner] = itemsAt(editor.page, top, point, REACH / scale, pictureNow);
      if (inner) editor.select([inner.id]);
      return;
    }
    if (!found) return;
    if (found.group) editor.enter(found.group);
    editor.edit({ id: found.item.id, anchor: 0, focus: bodyLength(found.item.body), typing: null });
  }

  // A student goes from blank to blank with Tab, in reading order.
  useEffect(() => {
    editor.onTab = (by) => {
      const fields = blanksOn(editor.page, pictureNow).filter(({ item }) => canWrite(item));
      const at = fields.findIndex(({ item }) => item.id === editor.editing?.id);
      const next = fields[(at + by + fields.length) % fields.length]?.item;
      if (next) editor.edit({ id: next.id, anchor: 0, focus: bodyLength(next.body), typing: null });
    };
    // By keyboard: what lies under the middle of the selected item.
    editor.onDig = () => {
      const item = editor.chosen;
      if (!item) return;
      const box = boxOf(editor.page, item, pictureNow);
      const { x, y } = editor.dug ?? centre(box);
      const here = under({ x, y });
      if (here.length < 2) return setSaid('Nothing else lies here.');
      dig({ x, y }, here);
    };
    return () => {
      editor.onTab = null;
      editor.onDig = null;
    };
  });

  const drawnSheet = past?.sheet ?? sheet;
  const drawn = past
    ? (past.sheet.pages.find((one) => one.id === page.id) ?? past.sheet.pages[0])
    : preview.size > 0
      ? editor.shownPage
      : page;
  const dimmed = useMemo(() => coverOf(page, editing?.id ?? null), [page, editing?.id]);
  return (
    <div
      className={`paper${tool ? ` tool-${tool.kind}` : ''}${past ? ' past' : ''}`}
      ref={paper}
      style={{ left: view.inset.x, top: view.inset.y, width: drawn.width * scale, height: drawn.height * scale }}
      onPointerDown={onPointerDown}
      onDoubleClick={onDoubleClick}
      onContextMenu={(event) => {
        if (editor.past || editor.tool) return;
        event.preventDefault();
        const point = ground.pointOf(event);
        const here = under(point);
        if (here.length > 0 && !here.some((item) => editor.selection.includes(item.id))) editor.select([here[0].id]);
        showDug(point, here);
      }}
      onDragOver={(event) => onDropSupply && event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        onDropSupply?.(event.dataTransfer.getData('text/plain'), ground.pointOf(event), [...event.dataTransfer.files]);
      }}
    >
      {faces ? (
        <>
          <PageView
            sheet={drawnSheet}
            page={drawn}
            faces={faces}
            arrived={arrived}
            scale={scale}
            prompts={editor.shut === null}
            label={label}
            dimmed={dimmed}
          />
          {!past && (
            <>
              <Overlay editor={editor} page={drawn} scale={scale} shown={shown} />
              <WordsInput editor={editor} scale={scale} />
              <DigList editor={editor} scale={scale} />
            </>
          )}
        </>
      ) : (
        <p className="paper-wait" role="status">
          Laying out the sheet …
        </p>
      )}
      <span className="sr" aria-live="polite">
        {said}
      </span>
    </div>
  );
}

const NONE: ReadonlySet<string> = new Set();

/** Items that cover the text being edited. They are drawn faintly meanwhile. */
function coverOf(page: Editor['page'], id: string | null): ReadonlySet<string> {
  const place = id === null ? undefined : findOn(page, id);
  if (!place) return NONE;
  const top = place.groups[0] ?? place.item;
  const at = page.items.findIndex((item) => item.id === top.id);
  const box = boxOf(page, place.item, pictureNow);
  const over = page.items
    .slice(0, at)
    .filter((item) => !item.hidden && overlaps(box, boxOf(page, item, pictureNow)))
    .map((item) => item.id);
  return over.length > 0 ? new Set(over) : NONE;
}
