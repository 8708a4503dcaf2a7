import { useEffect, useMemo, useRef, useState } from 'react';
import { overlaps } from '../../core/geometry/box';
import { besideOf } from '../../core/items/beside';
import { boxOf } from '../../core/items/hit';
import { itemName } from '../../core/items/name';
import { isFramed } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { inUnit } from '../../core/sheet/units';
import type { View } from '../margin/view';
import { paperStyle } from '../margin/view';
import { PageView } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { DigList } from './dig';
import type { OnDrop } from './dropping';
import { useDropping } from './dropping';
import type { Shown } from './gestures/ground';
import { Presses } from './gestures/presses';
import { Ground, NOTHING } from './gestures/ground';
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
  onDropSupply?: OnDrop;
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

  const presses = useMemo(() => new Presses(ground, setSaid), [ground]);
  useEffect(() => {
    editor.onTab = (by) => presses.walk(by);
    editor.onDig = () => presses.digChosen();
    return () => {
      editor.onTab = null;
      editor.onDig = null;
    };
  }, [editor, presses]);

  useDropping(paper, ground, presses, onDropSupply);

  const drawnSheet = past?.sheet ?? sheet;
  const drawn = past
    ? (past.sheet.pages.find((one) => one.id === page.id) ?? past.sheet.pages[0])
    : preview.size > 0
      ? editor.shownPage
      : page;
  const beside = useMemo(
    () =>
      new Map(
        besideOf(drawn).map(
          (item) => [item.id, { name: itemName(item), box: boxOf(drawn, item, pictureNow) }] as const,
        ),
      ),
    [drawn],
  );
  const dimmed = useMemo(() => coverOf(page, editing?.id ?? null), [page, editing?.id]);
  return (
    <div
      className={`paper${tool ? ` tool-${tool.kind}` : ''}${past ? ' past' : ''}`}
      ref={paper}
      style={paperStyle(view, drawn)}
      onPointerDown={(event) => presses.onPointerDown(event)}
      onDoubleClick={(event) => presses.onDoubleClick(event)}
      onContextMenu={(event) => {
        if (editor.past || editor.tool) return;
        event.preventDefault();
        const point = ground.pointOf(event);
        const here = presses.under(point);
        if (here.length > 0 && !here.some((item) => editor.selection.includes(item.id))) editor.select([here[0].id]);
        presses.showDug(point, here);
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
            beside={beside}
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
