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
import type { Point } from '../../core/geometry/matrix';
import { compose, inverse, transform } from '../../core/geometry/matrix';
import type { Handle } from '../../core/geometry/resize';
import { bodyLength, bodyText, isEmpty } from '../../core/text/body';
import { itemName } from '../../core/items/name';
import type { FramedItem, GroupItem, Item, WrittenItem } from '../../core/schema/sheet';
import { isFramed, isWritten } from '../../core/schema/sheet';
import { everyItem, findOn } from '../../core/sheet/tree';
import { inUnit } from '../../core/sheet/units';
import { positionAt, positionNear } from '../../core/text/caret';
import type { View } from '../margin/view';
import { PageView } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { DigList } from './dig';
import { pullAmount, pullBend, pullEnd, pullPaint, pullShape, pullSize, pullTurn } from './gestures/grips';
import type { Shown } from './gestures/ground';
import { Ground, NOTHING, REACH, reachable, unsnapped } from './gestures/ground';
import { dragItems, sweepFrom } from './gestures/move';
import { drawStroke, erase } from './gestures/pen';
import { Overlay } from './overlay';
import { WordsInput } from './words';
import './stage.css';

/** The sheet under the pointer: choosing, digging, editing words; what is pulled and dragged is in gestures/. */

const shownPage = (bench: Bench) => bench.page;
const previewOf = (bench: Bench) => bench.preview;
const rolesOf = (bench: Bench) => bench.sheet;
const facesOf = (bench: Bench) => bench.faces;
const editingOf = (bench: Bench) => bench.editing;
const toolOf = (bench: Bench) => bench.tool;
const pastOf = (bench: Bench) => bench.past;
const lastStep = (bench: Bench) => bench.history.past.at(-1);

/** Where the chosen thing stands, for screen readers. */
function whereWords(bench: Bench): string {
  const item = bench.chosen;
  if (!item || !isFramed(item)) return '';
  const { unit } = bench.sheet;
  const say = (points: number) => inUnit(points, unit);
  return `, ${itemName(item)}: ${say(item.x)} across, ${say(item.y)} down, ${say(item.width)} by ${say(item.height)} ${unit}`;
}

type Props = {
  bench: Bench;
  view: View;
  arrived: number;
  label: string;
  onDropSupply?: (data: string, at: Point, files: readonly File[]) => void;
};

export function Stage({ bench, view, arrived, label, onDropSupply }: Props) {
  const page = useBench(bench, shownPage);
  const preview = useBench(bench, previewOf);
  const sheet = useBench(bench, rolesOf);
  const faces = useBench(bench, facesOf);
  const editing = useBench(bench, editingOf);
  const tool = useBench(bench, toolOf);
  const past = useBench(bench, pastOf);
  const paper = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState<Shown>(NOTHING);
  const [said, setSaid] = useState('');
  const { scale } = view;
  const ground = useMemo(
    () =>
      new Ground(
        bench,
        () => paper.current!,
        scale,
        (patch) => setShown((old) => ({ ...old, ...patch })),
      ),
    [bench, scale],
  );

  // What was done is said, but for typing, which the text area says itself.
  const done = useBench(bench, lastStep);
  const before = useRef(done);
  useEffect(() => {
    if (before.current === done) return;
    const undone = before.current !== undefined && bench.history.future[0] === before.current;
    const step = undone ? before.current : done;
    before.current = done;
    if (step && step.name !== 'Type') setSaid(`${undone ? 'Undone: ' : ''}${step.name}${whereWords(bench)}`);
  }, [bench, done]);

  const under = (point: Point) =>
    itemsAt(bench.page, bench.enteredGroup, point, REACH / scale, pictureNow).filter((item) => reachable(bench, item));

  const positionIn = (item: Item, point: Point): number => {
    if (!isWritten(item) || !bench.faces) return 0;
    const local = transform(inverse(compose(parentMatrix(bench.page, item.id), frameMatrix(item))), point);
    const { layout, origin } = wordsOf(item, { faces: bench.faces, roles: bench.sheet.roles });
    const warp = warpOfItem(item, layout);
    return warp
      ? positionNear(layout, warp, local)
      : positionAt(layout, { x: local.x - origin.x, y: local.y - origin.y });
  };

  function editFrom(event: ReactPointerEvent, item: Item, extend: boolean) {
    const position = positionIn(item, ground.pointOf(event));
    const anchor = extend && bench.editing?.id === item.id ? bench.editing.anchor : position;
    bench.edit({ id: item.id, anchor, focus: position, typing: null });
    // A field beside the sheet may have had the keys.
    focusSheet();
    ground.follow(
      event,
      (point) => bench.editing && bench.edit({ ...bench.editing, focus: positionIn(item, point) }),
      () => {},
      () => {},
    );
  }

  const canWrite = (item: Item): item is WrittenItem =>
    isWritten(item) && !item.locked && !bench.shut && (bench.rights.kind === 'all' || item.touch !== 'fixed');

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

  /** The colour of the page as it is seen at a point, letters and pictures included. */
  function sample(point: Point) {
    const { nodes } = drawPage(bench.sheet, bench.page, { faces: bench.faces!, pictures: pictureNow });
    return new Sampler(nodes, bench.faces!).at(point).hex;
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
        bench.put({ tool: null });
        taken(start, last);
      },
      () => ground.show({ sweep: null }),
    );
  }

  function work(event: ReactPointerEvent): boolean {
    if (!bench.tool) return false;
    if (bench.shut) {
      bench.say(bench.shut);
      return true;
    }
    if (bench.tool.kind === 'pen') drawStroke(ground, event, bench.tool);
    else if (bench.tool.kind === 'eraser') erase(ground, event, bench.tool);
    else if (bench.tool.kind === 'spot') takeSpot(event, bench.tool.taken);
    else {
      const { taken } = bench.tool;
      bench.put({ tool: null });
      taken(sample(ground.pointOf(event)));
    }
    return true;
  }

  /** Goes one deeper at each press: first what lies on top, then what lies under it, and round again. */
  function dig(point: Point, here: readonly Item[]) {
    if (here.length === 0) return;
    const at = here.findIndex((item) => bench.selection.length === 1 && item.id === bench.selection[0]);
    const next = here[(at + 1) % here.length];
    bench.select([next.id]);
    showDug(point, here);
    setSaid(`${itemName(next)}, ${here.indexOf(next) + 1} of ${here.length} here`);
  }
  const showDug = (point: Point, here: readonly Item[]) =>
    bench.put({ dug: here.length > 1 ? { ids: here.map((item) => item.id), ...point } : null });

  function onPointerDown(event: ReactPointerEvent<HTMLDivElement>) {
    if (event.button !== 0 || !bench.faces || bench.past) return;
    if ((event.target as Element).closest('.dig-list')) return;
    const mark = (event.target as Element).closest<SVGElement>('[data-grip]');
    // The text area keeps the focus while words are edited; elsewhere the stage takes it.
    event.preventDefault();
    if (work(event)) return;
    if (mark) return pulled(event, mark);
    const point = ground.pointOf(event);
    const { editing } = bench;
    const editedItem = editing && findOn(bench.page, editing.id)?.item;
    const here = under(point);
    if (editedItem && contains(boxOf(bench.page, editedItem, pictureNow), point))
      return editFrom(event, editedItem, event.shiftKey);
    if (!editing) paper.current?.closest<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });
    if (bench.dug && !unsnapped(event)) bench.put({ dug: null });
    // What a student is to fill in opens at the first press, within what was made or grouped too.
    const blank = bench.rights.kind === 'student' ? blankAt(null, point) : null;
    if (blank) return editFrom(event, blank, false);
    const [top] = here;
    if (!top) {
      if (bench.enteredGroup && itemsAt(bench.page, null, point, REACH / scale, pictureNow).length > 0) {
        bench.enter(null);
        bench.select([]);
      }
      return sweepFrom(ground, event, event.shiftKey);
    }
    if (event.shiftKey) {
      const chosen = bench.selection.includes(top.id);
      bench.select(chosen ? bench.selection.filter((id) => id !== top.id) : [...bench.selection, top.id]);
      return;
    }
    const already = here.find((item) => bench.selection.includes(item.id));
    const item = already ?? top;
    const wasOnly = bench.selection.length === 1 && bench.selection[0] === item.id;
    if (unsnapped(event))
      return dragItems(ground, event, already ? bench.selectedItems : [top], () => dig(point, here));
    if (!already) bench.select([item.id]);
    setSaid(`${itemName(item)}, chosen`);
    dragItems(ground, event, already ? bench.selectedItems : [item], () => {
      if (wasOnly && top.id !== item.id) bench.select([top.id]);
      else if (already && bench.selection.length > 1) bench.select([item.id]);
    });
  }

  /** What is to be filled in at a point, however deep it lies; what a student may move hides it, what is fixed does not. */
  function blankAt(within: GroupItem | null, point: Point): WrittenItem | null {
    for (const item of itemsAt(bench.page, within, point, REACH / scale, pictureNow)) {
      if (item.touch === 'free') return null;
      const found =
        item.kind === 'group' ? blankAt(item, point) : item.touch === 'fill' && canWrite(item) ? item : null;
      if (found) return found;
    }
    return null;
  }

  /** The words at a point, however deep they lie; of a group, its own. */
  function wordsAt(items: readonly Item[], point: Point): { item: WrittenItem; group: string | null } | null {
    for (const item of items) {
      if (item.kind === 'group') {
        const inner = wordsAt(itemsAt(bench.page, item, point, REACH / scale, pictureNow), point);
        if (inner) return { item: inner.item, group: inner.group ?? item.id };
      } else if (canWrite(item) && (item === items[0] || item.kind === 'text' || !isEmpty(item.body)))
        return { item, group: null };
    }
    return null;
  }

  function onDoubleClick(event: React.MouseEvent) {
    if (bench.past || bench.tool) return;
    const point = ground.pointOf(event);
    const here = under(point);
    const [top] = here;
    if (!top) return;
    const found = wordsAt(here, point);
    if (found && bench.editing?.id === found.item.id) {
      // The word under the pointer.
      const words = bodyText(found.item.body);
      const at = positionIn(found.item, point);
      const start = words.slice(0, at).search(/[\p{L}\p{N}'’-]+$/u);
      const end = words.slice(at).search(/[^\p{L}\p{N}'’-]/u);
      bench.edit({
        id: found.item.id,
        anchor: start < 0 ? at : start,
        focus: end < 0 ? words.length : at + end,
        typing: null,
      });
      return;
    }
    if (top.kind === 'group' && found?.group !== top.id) {
      bench.enter(top.id);
      const [inner] = itemsAt(bench.page, top, point, REACH / scale, pictureNow);
      if (inner) bench.select([inner.id]);
      return;
    }
    if (!found) return;
    if (found.group) bench.enter(found.group);
    bench.edit({ id: found.item.id, anchor: 0, focus: bodyLength(found.item.body), typing: null });
  }

  // A student goes from blank to blank with Tab, in reading order.
  useEffect(() => {
    bench.onTab = (by) => {
      const fields = [...everyItem(bench.page)]
        .filter((item): item is FramedItem & WrittenItem => isFramed(item) && canWrite(item) && item.touch === 'fill')
        .map((item) => ({ item, box: boxOf(bench.page, item, pictureNow) }))
        .sort(({ box: a }, { box: b }) => (Math.abs(a.y - b.y) > 12 ? a.y - b.y : a.x - b.x));
      const at = fields.findIndex(({ item }) => item.id === bench.editing?.id);
      const next = fields[(at + by + fields.length) % fields.length]?.item;
      if (next) bench.edit({ id: next.id, anchor: 0, focus: bodyLength(next.body), typing: null });
    };
    // By key: what lies under the chosen thing's middle.
    bench.onDig = () => {
      const item = bench.chosen;
      if (!item) return;
      const box = boxOf(bench.page, item, pictureNow);
      const { x, y } = bench.dug ?? centre(box);
      const here = under({ x, y });
      if (here.length < 2) return setSaid('Nothing else lies here.');
      dig({ x, y }, here);
    };
    return () => {
      bench.onTab = null;
      bench.onDig = null;
    };
  });

  const drawnSheet = past?.sheet ?? sheet;
  const drawn = past
    ? (past.sheet.pages.find((one) => one.id === page.id) ?? past.sheet.pages[0])
    : preview.size > 0
      ? bench.shownPage
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
        if (bench.past || bench.tool) return;
        event.preventDefault();
        const point = ground.pointOf(event);
        const here = under(point);
        if (here.length > 0 && !here.some((item) => bench.selection.includes(item.id))) bench.select([here[0].id]);
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
            prompts
            label={label}
            dimmed={dimmed}
          />
          {!past && (
            <>
              <Overlay bench={bench} page={drawn} scale={scale} shown={shown} />
              <WordsInput bench={bench} scale={scale} />
              <DigList bench={bench} scale={scale} />
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

/** What lies over the words that are being edited: it is drawn faintly meanwhile. */
function coverOf(page: Bench['page'], id: string | null): ReadonlySet<string> {
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
