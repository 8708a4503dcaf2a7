import { partName } from '../../core/items/line';
import { warpOfItem, wordsOf } from '../../core/items/words';
import { union } from '../../core/geometry/box';
import { frameMatrix } from '../../core/geometry/frame';
import { parentMatrix, pageMatrix } from '../../core/placement/on-page';
import { boxOf } from '../../core/items/hit';
import { bendPoint, lineEnds, targetPoint } from '../../core/placement/line';
import type { Box, Matrix, Point } from '../../core/geometry/matrix';
import { compose, scaling, transform, translation } from '../../core/geometry/matrix';
import { shapeHandles } from '../../core/geometry/shapes/shapes';
import { HANDLES } from '../../core/geometry/resize';
import type { FramedItem, Item, LineItem, Page, PictureItem } from '../../core/schema/sheet';
import { isFramed, isWritten } from '../../core/schema/sheet';
import { everyItem, findOn } from '../../core/sheet/tree';
import { caretAt, selectionBoxes } from '../../core/text/caret';
import { amountHandle } from '../../core/text/lettering';
import { drawPicture } from '../../core/drawing/picture-nodes';
import { svgMarkup } from '../../core/drawing/svg';
import { wholeBox } from '../../core/pictures/frame';
import type { Faces } from '../../core/text/faces';
import { imageUrl, pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import type { Shown, Target } from './gestures/ground';
import { gradientOf } from './gestures/grips';
import type { Gradient } from '../colour/gradient';
import { paintAxis, paintGrips } from '../colour/gradient';
import { Guidance } from './guidance';
import { Squiggles } from './squiggles';

/**
 * What is drawn above the sheet while working: frames, handles, guides, carets. Measured in pixels, so that it never scales.
 */

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

/** A handle that sizes, by the side it pulls. */
function SizeGrip({ at, x, y, angle }: { at: Point; x: number; y: number; angle: number }) {
  return (
    <rect
      className="grip"
      data-grip={`size ${x} ${y}`}
      x={at.x - 4.5}
      y={at.y - 4.5}
      width="9"
      height="9"
      rx={x !== 0 && y !== 0 ? 4.5 : 2.5}
      style={{ cursor: cursorFor(x, y, angle) }}
    />
  );
}

/** Handles of an item's form, curve and gradient. */
function FormGrips({ editor, item, matrix }: { editor: Editor; item: FramedItem; matrix: Matrix }) {
  const tab = useEditor(editor, 'tab');
  const stop = useEditor(editor, 'stop');
  const at = (point: Point) => transform(matrix, point);
  const gradient = gradientOf(item, tab)?.paint;
  const form =
    item.kind === 'shape' && !gradient
      ? shapeHandles(item.shape, item.width, item.height, item.adjust).map(({ point }, i) => (
          <Diamond key={i} at={at(point)} grip={`shape ${i}`} title="Changes the form" />
        ))
      : null;
  const curved = item.kind === 'text' && item.lettering && item.lettering.curve !== 'straight' ? item.lettering : null;
  return (
    <>
      {gradient && <PaintGrips gradient={gradient} item={item} stop={stop} at={at} />}
      {form}
      {curved && (
        <Diamond
          at={at(amountHandle(curved, { x: 0, y: 0, width: item.width, height: item.height }))}
          grip="amount"
          title="Changes the curve"
        />
      )}
    </>
  );
}

type PaintGripsProps = { gradient: Gradient; item: FramedItem; stop: number; at: (point: Point) => Point };

function PaintGrips({ gradient, item, stop, at }: PaintGripsProps) {
  const [from, to] = paintAxis(gradient, item.width, item.height).map(at);
  return (
    <g>
      <line className="paint-axis" x1={from.x} y1={from.y} x2={to.x} y2={to.y} />
      {paintGrips(gradient, item.width, item.height).map(({ what, point, colour }) => {
        const p = at(point);
        return colour === null ? (
          <rect
            key={what}
            className="grip paint-end"
            data-grip={`paint ${what}`}
            x={p.x - 7}
            y={p.y - 7}
            width="14"
            height="14"
            rx="2"
            transform={`rotate(45 ${p.x} ${p.y})`}
          />
        ) : (
          <circle
            key={what}
            className={`grip paint-stop${Number(what) === stop ? ' on' : ''}`}
            data-grip={`paint ${what}`}
            cx={p.x}
            cy={p.y}
            r="6.5"
            style={{ fill: colour }}
          />
        );
      })}
    </g>
  );
}

function Diamond({ at, grip, title }: { at: Point; grip: string; title: string }) {
  return (
    <rect
      className="grip form"
      data-grip={grip}
      x={at.x - 4.6}
      y={at.y - 4.6}
      width="9.2"
      height="9.2"
      transform={`rotate(45 ${at.x} ${at.y})`}
      style={{ cursor: 'move' }}
    >
      <title>{title}</title>
    </rect>
  );
}

function FramedMarks({ editor, page, item, scale, grips }: MarksProps<Item>) {
  if (!isFramed(item)) return null;
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item));
  const corners = cornersOf(matrix, item);
  const at = (x: number, y: number) =>
    transform(matrix, { x: ((x + 1) / 2) * item.width, y: ((y + 1) / 2) * item.height });
  const middle = at(0, 0);
  // Handles are named by where they appear, so flipping an item swaps their names.
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
            <title>Rotate</title>
          </circle>
          {HANDLES.filter(({ x, y }) => !small || (x !== 0 && y !== 0)).map(({ x, y }) => (
            <SizeGrip key={`${x}${y}`} at={at(x * fx, y * fy)} x={x} y={y} angle={item.angle} />
          ))}
          <FormGrips editor={editor} item={item} matrix={matrix} />
        </>
      )}
    </g>
  );
}

/** All of a picture that is being cropped, faintly, with what is cut away. */
function CropGhost({ page, item, scale, faces }: { page: Page; item: PictureItem; scale: number; faces: Faces }) {
  const { x, y, width, height } = wholeBox(item);
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item), translation(x, y));
  const whole = { ...item, width, height, crop: null, cut: null, reflection: 0 };
  const html = svgMarkup(drawPicture(whole, pictureNow), faces, { prefix: 'crop', imageUrl });
  return (
    <g transform={`matrix(${matrix.join(' ')})`}>
      <g className="crop-ghost" dangerouslySetInnerHTML={{ __html: html }} />
      <rect className="crop-whole" width={width} height={height} />
    </g>
  );
}

type MarksProps<T extends Item> = { editor: Editor; page: Page; item: T; scale: number; grips: boolean };

function LineMarks({ page, item, scale, grips }: Omit<MarksProps<LineItem>, 'editor'>) {
  const outer = compose(scaling(scale, scale), parentMatrix(page, item.id));
  const ends = lineEnds(page, item, pictureNow);
  const [from, to] = [transform(outer, ends.from), transform(outer, ends.to)];
  const bend = item.via.length > 0 ? null : bendPoint(item.route, ends.from, ends.to, item.bend);
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
      {grips && bend && <Diamond at={transform(outer, bend)} grip="bend" title="Changes how it bends" />}
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
            {partName(t.name)}
          </text>
        )}
      </g>
    );
  });
}

function Caret({ editor, page, scale }: { editor: Editor; page: Page; scale: number }) {
  const editing = editor.editing!;
  const item = findOn(page, editing.id)?.item;
  if (!item || !isWritten(item) || !editor.faces) return null;
  const { layout, origin } = wordsOf(item, { faces: editor.faces, roles: editor.sheet.roles });
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item));
  const warp = warpOfItem(item, layout);
  // The frame of curved lettering follows the curve.
  const shape = ({ x, y, width, height }: Box) => {
    const top = [x, x + width / 2, x + width].map((at) => ({ x: at, y }));
    const bottom = [x + width, x + width / 2, x].map((at) => ({ x: at, y: y + height }));
    return points(
      [...top, ...bottom].map((p) =>
        transform(matrix, warp ? warp(p).point : { x: p.x + origin.x, y: p.y + origin.y }),
      ),
    );
  };
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

type Props = { editor: Editor; page: Page; scale: number; shown: Shown };

export function Overlay({ editor, page, scale, shown }: Props) {
  const { sweep, hold, stroke } = shown;
  const selection = useEditor(editor, 'selection');
  const editing = useEditor(editor, 'editing');
  const entered = useEditor(editor, 'entered');
  const tool = useEditor(editor, 'tool');
  const cropping = useEditor(editor, 'cropping');
  const items = selection.flatMap((id) => findOn(page, id)?.item ?? []);
  const one = items.length === 1;
  const may = (item: Item) =>
    !item.locked &&
    !editor.shut &&
    !tool &&
    (editor.rights.kind === 'all' || item.touch === 'free' || (item.kind === 'line' && item.touch === 'fill'));
  const group = entered === null ? undefined : findOn(page, entered)?.item;
  const line = one && items[0].kind === 'line' ? items[0] : null;
  const many = items.length > 1 ? union(items.map((item) => boxOf(page, item, pictureNow))) : null;
  return (
    <svg className="sheet-over" width={page.width * scale} height={page.height * scale} aria-hidden="true">
      <Guidance editor={editor} page={page} scale={scale} shown={shown} />
      <Squiggles editor={editor} page={page} scale={scale} />
      {group && isFramed(group) && <Outlined className="mark-entered" page={page} item={group} scale={scale} />}
      {line &&
        everyItem(page).map(
          (item) =>
            item.kind === 'picture' &&
            !item.hidden && <Parts key={item.id} page={page} item={item} scale={scale} hold={hold} />,
        )}
      {hold?.target === null && <HoldMark page={page} id={hold.item} scale={scale} />}
      {one && items[0].kind === 'picture' && items[0].id === cropping && editor.faces && (
        <CropGhost page={page} item={items[0]} scale={scale} faces={editor.faces} />
      )}
      <g className="chosen-marks">
        {!editing &&
          items.map((item) =>
            item.kind === 'line' ? (
              <LineMarks key={item.id} page={page} item={item} scale={scale} grips={one && may(item)} />
            ) : (
              <FramedMarks
                key={item.id}
                editor={editor}
                page={page}
                item={item}
                scale={scale}
                grips={one && may(item)}
              />
            ),
          )}
        {!editing &&
          many &&
          items.every(may) &&
          HANDLES.map(({ x, y }) => (
            <SizeGrip
              key={`${x}${y}`}
              at={{
                x: (many.x + ((x + 1) / 2) * many.width) * scale,
                y: (many.y + ((y + 1) / 2) * many.height) * scale,
              }}
              x={x}
              y={y}
              angle={0}
            />
          ))}
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
      {editing && <Caret editor={editor} page={page} scale={scale} />}
      {sweep && (
        <rect
          className="sweep"
          x={sweep.x * scale}
          y={sweep.y * scale}
          width={sweep.width * scale}
          height={sweep.height * scale}
        />
      )}
      {stroke && (
        <path
          d={stroke.d}
          fill={stroke.colour}
          transform={`scale(${scale}) translate(${stroke.at.x} ${stroke.at.y})`}
        />
      )}
    </svg>
  );
}

function Outlined({
  className,
  page,
  item,
  scale,
}: {
  className: string;
  page: Page;
  item: FramedItem;
  scale: number;
}) {
  const matrix = compose(scaling(scale, scale), pageMatrix(page, item));
  return <polygon className={className} points={points(cornersOf(matrix, item))} />;
}

function HoldMark({ page, id, scale }: { page: Page; id: string; scale: number }) {
  const item = findOn(page, id)?.item;
  return item && isFramed(item) ? <Outlined className="mark-hold" page={page} item={item} scale={scale} /> : null;
}
