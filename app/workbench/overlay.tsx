import { wordsOf } from '../../core/drawing/item';
import { union } from '../../core/geometry/box';
import { frameMatrix, parentMatrix, pageMatrix } from '../../core/geometry/frame';
import { boxOf } from '../../core/geometry/hit';
import { lineEnds, targetPoint } from '../../core/geometry/line';
import type { Box, Matrix, Point } from '../../core/geometry/matrix';
import { compose, scaling, transform } from '../../core/geometry/matrix';
import { HANDLES } from '../../core/geometry/resize';
import type { Guide } from '../../core/geometry/snap';
import type { Item, Page, PictureItem } from '../../core/sheet/schema';
import { isFramed, isWritten } from '../../core/sheet/schema';
import { everyItem, findOn } from '../../core/sheet/tree';
import { caretAt, selectionBoxes } from '../../core/text/caret';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';
import { useBench } from './bench';
import type { Target } from './stage';

/** What is drawn above the sheet while working: frames, handles, guides, carets. In pixels, so that it never scales. */

const selectionOf = (bench: Bench) => bench.selection;
const editingOf = (bench: Bench) => bench.editing;
const enteredOf = (bench: Bench) => bench.entered;

const points = (list: readonly Point[]) => list.map((p) => `${p.x},${p.y}`).join(' ');
const cornersOf = (matrix: Matrix, { width, height }: { width: number; height: number }) =>
  [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ].map(([x, y]) => transform(matrix, { x, y }));

const CURSORS = ['ns-resize', 'nesw-resize', 'ew-resize', 'nwse-resize'];
const cursorFor = (x: number, y: number, angle: number) =>
  CURSORS[((((Math.round((Math.atan2(x, -y) * 180) / Math.PI + angle) % 180) + 180 + 22) % 180) / 45) | 0] ?? 'move';

function FramedMarks({ page, item, scale, grips }: { page: Page; item: Item; scale: number; grips: boolean }) {
  if (!isFramed(item)) return null;
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item));
  const corners = cornersOf(matrix, item);
  const at = (x: number, y: number) =>
    transform(matrix, { x: ((x + 1) / 2) * item.width, y: ((y + 1) / 2) * item.height });
  const middle = at(0, 0);
  // Handles are named by where they are seen, so a flip turns their names with it.
  const [fx, fy] = [item.flipX ? -1 : 1, item.flipY ? -1 : 1];
  const low = at(0, fy);
  const length = Math.hypot(low.x - middle.x, low.y - middle.y) || 1;
  const knob = { x: low.x + ((low.x - middle.x) / length) * 22, y: low.y + ((low.y - middle.y) / length) * 22 };
  const small = Math.min(item.width, item.height) * scale < 26;
  return (
    <g>
      <polygon className="mark-frame" points={points(corners)} />
      {grips && (
        <>
          <line className="mark-stem" x1={low.x} y1={low.y} x2={knob.x} y2={knob.y} />
          <circle className="grip" data-grip="turn" cx={knob.x} cy={knob.y} r="5.5" style={{ cursor: 'grab' }}>
            <title>Turn</title>
          </circle>
          {HANDLES.filter(({ x, y }) => !small || (x !== 0 && y !== 0)).map(({ x, y }) => {
            const p = at(x * fx, y * fy);
            return (
              <rect
                key={`${x}${y}`}
                className="grip"
                data-grip={`size ${x} ${y}`}
                x={p.x - 4.5}
                y={p.y - 4.5}
                width="9"
                height="9"
                rx={x !== 0 && y !== 0 ? 4.5 : 2.5}
                style={{ cursor: cursorFor(x, y, item.angle) }}
              />
            );
          })}
        </>
      )}
    </g>
  );
}

function LineMarks({
  page,
  item,
  scale,
  grips,
}: {
  page: Page;
  item: Extract<Item, { kind: 'line' }>;
  scale: number;
  grips: boolean;
}) {
  const outer = compose(scaling(scale, scale), parentMatrix(page, item.id));
  const ends = lineEnds(page, item, pictureNow);
  const [from, to] = [transform(outer, ends.from), transform(outer, ends.to)];
  return (
    <g>
      <line className="mark-frame" x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
      {grips &&
        (['from', 'to'] as const).map((side) => {
          const p = side === 'from' ? from : to;
          const held = item[side].item !== null;
          return (
            <circle
              key={side}
              className={held ? 'grip held' : 'grip'}
              data-grip={side}
              cx={p.x}
              cy={p.y}
              r="6"
              style={{ cursor: 'move' }}
            />
          );
        })}
    </g>
  );
}

/** The named parts of diagrams, shown while a line is chosen. */
function Parts({ page, item, scale, hold }: { page: Page; item: PictureItem; scale: number; hold: Target | null }) {
  const picture = pictureNow(item.picture);
  const matrix = compose(scaling(scale, scale), parentMatrix(page, item.id), frameMatrix(item));
  return picture?.targets.map((t) => {
    const local = targetPoint(item, t.name, pictureNow)!;
    const p = transform(matrix, local);
    const on = hold?.item === item.id && hold.target === t.name;
    return (
      <g key={t.name} className={on ? 'part on' : 'part'}>
        <circle cx={p.x} cy={p.y} r={on ? 9 : 5} />
        {on && (
          <text x={p.x + 13} y={p.y + 4}>
            {t.name}
          </text>
        )}
      </g>
    );
  });
}

function Caret({ bench, page, scale }: { bench: Bench; page: Page; scale: number }) {
  const editing = bench.editing!;
  const item = findOn(page, editing.id)?.item;
  if (!item || !isWritten(item) || !bench.faces) return null;
  const { layout, origin } = wordsOf(item, { faces: bench.faces, roles: bench.sheet.roles });
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item));
  const shape = (box: Box) => points(cornersOf(compose(matrix, [1, 0, 0, 1, box.x + origin.x, box.y + origin.y]), box));
  const [from, to] = [Math.min(editing.anchor, editing.focus), Math.max(editing.anchor, editing.focus)];
  const caret = caretAt(layout, editing.focus);
  return (
    <g>
      <polygon className="mark-editing" points={points(cornersOf(matrix, item))} />
      {selectionBoxes(layout, from, to).map((box, i) => (
        <polygon key={i} className="mark-words" points={shape(box)} />
      ))}
      {from === to && (
        <polygon
          key={`${editing.focus} ${item.body.length}`}
          className="mark-caret"
          points={shape({ ...caret, width: 1.2 / scale })}
        />
      )}
      {layout.overflows && <polygon className="mark-over" points={points(cornersOf(matrix, item))} />}
    </g>
  );
}

type Props = {
  bench: Bench;
  page: Page;
  scale: number;
  guides: readonly Guide[];
  sweep: Box | null;
  hold: Target | null;
};

export function Overlay({ bench, page, scale, guides, sweep, hold }: Props) {
  const selection = useBench(bench, selectionOf);
  const editing = useBench(bench, editingOf);
  const entered = useBench(bench, enteredOf);
  const items = selection.flatMap((id) => findOn(page, id)?.item ?? []);
  const one = items.length === 1;
  const may = (item: Item) =>
    !item.locked &&
    !bench.shut &&
    (bench.rights.kind === 'all' || item.touch === 'free' || (item.kind === 'line' && item.touch === 'fill'));
  const group = entered === null ? undefined : findOn(page, entered)?.item;
  const line = one && items[0].kind === 'line' ? items[0] : null;
  const many = items.length > 1 ? union(items.map((item) => boxOf(page, item, pictureNow))) : null;
  return (
    <svg className="sheet-over" width={page.width * scale} height={page.height * scale} aria-hidden="true">
      {group && (
        <polygon
          className="mark-entered"
          points={points(
            cornersOf(
              compose(scaling(scale, scale), pageMatrix(page, group)),
              group as { width: number; height: number },
            ),
          )}
        />
      )}
      {line &&
        [...everyItem(page)].map(
          (item) =>
            item.kind === 'picture' &&
            !item.hidden && <Parts key={item.id} page={page} item={item} scale={scale} hold={hold} />,
        )}
      {hold?.target === null && <HoldMark page={page} id={hold.item} scale={scale} />}
      <g className="chosen-marks">
        {!editing &&
          items.map((item) =>
            item.kind === 'line' ? (
              <LineMarks key={item.id} page={page} item={item} scale={scale} grips={one && may(item)} />
            ) : (
              <FramedMarks key={item.id} page={page} item={item} scale={scale} grips={one && may(item)} />
            ),
          )}
        {!editing &&
          many &&
          items.every(may) &&
          HANDLES.map(({ x, y }) => {
            const p = {
              x: (many.x + ((x + 1) / 2) * many.width) * scale,
              y: (many.y + ((y + 1) / 2) * many.height) * scale,
            };
            return (
              <rect
                key={`${x}${y}`}
                className="grip"
                data-grip={`size ${x} ${y}`}
                x={p.x - 4.5}
                y={p.y - 4.5}
                width="9"
                height="9"
                rx="3"
                style={{ cursor: cursorFor(x, y, 0) }}
              />
            );
          })}
        {many && (
          <rect
            className="mark-many"
            x={many.x * scale}
            y={many.y * scale}
            width={many.width * scale}
            height={many.height * scale}
          />
        )}
      </g>
      {editing && <Caret bench={bench} page={page} scale={scale} />}
      {guides.map((guide, i) =>
        guide.axis === 'x' ? (
          <line
            key={i}
            className="guide"
            x1={guide.at * scale}
            x2={guide.at * scale}
            y1={guide.from * scale}
            y2={guide.to * scale}
          />
        ) : (
          <line
            key={i}
            className="guide"
            y1={guide.at * scale}
            y2={guide.at * scale}
            x1={guide.from * scale}
            x2={guide.to * scale}
          />
        ),
      )}
      {sweep && (
        <rect
          className="sweep"
          x={sweep.x * scale}
          y={sweep.y * scale}
          width={sweep.width * scale}
          height={sweep.height * scale}
        />
      )}
    </svg>
  );
}

function HoldMark({ page, id, scale }: { page: Page; id: string; scale: number }) {
  const item = findOn(page, id)?.item;
  return item && isFramed(item) ? (
    <polygon
      className="mark-hold"
      points={points(cornersOf(compose(scaling(scale, scale), pageMatrix(page, item)), item))}
    />
  ) : null;
}
