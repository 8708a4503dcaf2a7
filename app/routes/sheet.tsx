import { Action } from '../parts/action';
import { cutTo } from '../../core/values/characters';
import { Button } from 'antd';
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { ShouldRevalidateFunctionArgs } from 'react-router';
import { Link, useSearchParams } from 'react-router';
import { sizeName } from '../../core/sheet/units';
import { boxOf } from '../../core/items/hit';
import { union } from '../../core/geometry/box';
import type { Page, Sheet } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { unknownFaces } from '../../core/sheet/needs';
import { isFace } from '../../core/text/catalogue';
import { sheetOf } from '../../server/stores/sheets';
import { openedOr } from '../../server/actions/opened';
import { DamagedScreen } from '../house/damaged';
import { Strip } from '../house/strip';
import { SheetFrame } from '../margin/frame';
import type { MarginEntry } from '../margin/margin';
import type { Zoom } from '../margin/view';
import { FULL_SIZE, useView } from '../margin/view';
import { useDrawing } from '../drawing/page-view';
import { madeGroupOf } from '../makers/kit/made';
import { useMaking } from '../makers/use-making';
import { useKeys } from '../workbench/keys';
import { pictureNow } from '../drawing/resources';
import { bringTo } from '../pictures/bring-to';
import { later } from '../browser/later';
import { Drawer } from '../supplies/drawer';
import { dropSupply } from '../supplies/sorts';
import { Editor, useEditor } from '../document/editor';
import type { Editing } from '../document/editor';
import { Aids, findEntry } from '../workbench/aids';
import { Pager } from '../workbench/pager';
import { PageCard } from '../workbench/page-card';
import type { Found } from '../../workers/studio';
import { countOf, readableEntries, smallEntries, undrawnEntries, useProof } from '../workbench/proof';
import { Rulers } from '../canvas/rulers';
import { SaveWords } from '../workbench/save-words';
import { useSpelling } from '../commands/spelling';
import { Stack } from '../workbench/stack';
import { Stage } from '../canvas/stage';
import { UndoRedo } from '../workbench/undo-redo';
import '../workbench/workbench.css';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/sheet';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const found = await sheetOf(context.services.db, person.id, params.sheetId);
  const document = found && (await openedOr(context.services.db, found.documentId));
  if (!document) throw missing();
  if ('damage' in document) return { id: found.id, damage: document.damage, now: Date.now() };
  return {
    damage: null,
    personId: person.id,
    id: found.id,
    documentId: document.id,
    seq: document.seq,
    sheet: document.sheet,
    savedAt: +document.changedAt,
  };
}

/** The workbench keeps its own state, which loader data must not overwrite. */
export const shouldRevalidate = ({ currentParams, nextParams }: ShouldRevalidateFunctionArgs) =>
  currentParams.sheetId !== nextParams.sheetId;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${(loaderData?.damage === null && loaderData.sheet.title) || 'Untitled sheet'} · Dappled Margin` },
];

export default function SheetScreen({ loaderData }: Route.ComponentProps) {
  if (loaderData.damage !== null) {
    const { id, damage, now } = loaderData;
    const here = `/sheets/${id}`;
    return (
      <DamagedScreen
        damage={damage}
        title="Damaged sheet"
        home="/desk"
        back={here}
        picture={`${here}/picture.svg`}
        now={now}
      />
    );
  }
  // Another sheet gets another editor.
  return <Workbench key={loaderData.documentId} loaded={loaderData} />;
}

type Loaded = Extract<Route.ComponentProps['loaderData'], { damage: null }>;

const sheetSlice = (editor: Editor) => editor.sheet;
const pageSlice = (editor: Editor) => editor.page;
const selectionSlice = (editor: Editor) => editor.selection;
const editingSlice = (editor: Editor) => editor.editing;
const findingSlice = (editor: Editor) => editor.finding;
const pastSlice = (editor: Editor) => editor.past;

function useOpenEditor(loaded: Loaded): Editor {
  const [editor] = useState(
    () => new Editor({ ...loaded, rights: { kind: 'all' }, historyAt: `/sheets/${loaded.id}` }),
  );
  useEffect(() => {
    void editor.open();
    return () => editor.close();
  }, [editor]);
  return editor;
}

type Shown = {
  sheet: Sheet;
  page: Page;
  selection: readonly string[];
  editing: Editing | null;
  finding: boolean;
  found: Found;
  past: Editor['past'];
  rulers: boolean;
  setRulers: (on: boolean) => void;
};

/** What stands in the margin: the search, what can't be read, and the settings of what is chosen or of the page. */
function entriesFor(editor: Editor, shown: Shown): MarginEntry[] {
  const { sheet, page, selection, finding, found } = shown;
  if (shown.past)
    return [
      {
        id: 'past',
        anchor: null,
        end: 'top',
        tone: 'straw',
        label: 'The sheet as it was',
        content: (
          <>
            <h3>
              As it was <small>{shown.past.label}</small>
            </h3>
            <p className="quiet">
              You are looking back; nothing is changed by that. Go on with the slider below, go back to this state, or
              come back to now.
            </p>
          </>
        ),
      },
    ];
  const items = selection.flatMap((id) => findOn(page, id)?.item ?? []);
  const entries = [
    ...readableEntries(editor, page, found.findings),
    ...undrawnEntries(page, found.undrawn),
    ...smallEntries(page, found.small),
  ];
  if (finding) entries.unshift(findEntry(editor));
  if (items.length === 0)
    return [
      ...entries,
      {
        id: 'page',
        anchor: null,
        end: finding ? 'bottom' : 'top',
        tone: 'plain',
        label: 'Settings of the page',
        content: (
          <PageCard editor={editor} sheet={sheet} page={page} rulers={shown.rulers} setRulers={shown.setRulers} />
        ),
      },
    ];
  const box = union(items.map((item) => boxOf(page, item, pictureNow)));
  return [
    ...entries,
    {
      id: 'chosen',
      anchor: { x: box.x + box.width, y: box.y + Math.min(box.height / 2, 60) },
      tone: 'apricot',
      active: true,
      current: !finding,
      label: 'Settings of the selection',
      content: (
        <ItemSettings
          key={madeGroupOf(page, items)?.id ?? selection.join()}
          editor={editor}
          items={items}
          sheet={sheet}
        />
      ),
    },
  ];
}

// Shown only once something is selected or opened: the page itself loads first.
const ItemSettings = later(() => import('../settings/settings').then((part) => part.ItemSettings));
const DownloadMenu = later(
  () => import('../workbench/download-menu').then((part) => part.DownloadMenu),
  <Action disabled>Download ▾</Action>,
);

const RULERS = 'dappled-margin/rulers';

function Workbench({ loaded }: { loaded: Loaded }) {
  const editor = useOpenEditor(loaded);
  const [zoom, setZoom] = useState<Zoom>('fit');
  const sheet = useEditor(editor, sheetSlice);
  const page = useEditor(editor, pageSlice);
  const selection = useEditor(editor, selectionSlice);
  const editing = useEditor(editor, editingSlice);
  const { view, stage } = useView(page, zoom);
  const { faces, arrived } = useDrawing(sheet);
  useEffect(() => {
    editor.faces = faces;
    editor.changed();
  }, [editor, faces]);

  // The margin follows a moment later: typing must not wait for it.
  const found = useProof(sheet, page, faces !== null);
  useSpelling(editor);
  useMaking(editor);
  useKeys(editor);
  const [rulers, setRulersOn] = useState(false);
  useEffect(() => setRulersOn(localStorage.getItem(RULERS) === 'on'), []);
  const finding = useEditor(editor, findingSlice);
  const past = useEditor(editor, pastSlice);
  const now = useMemo(() => {
    const setRulers = (on: boolean) => {
      localStorage.setItem(RULERS, on ? 'on' : 'off');
      setRulersOn(on);
    };
    return { sheet, page, selection, editing, finding, found, past, rulers, setRulers };
  }, [sheet, page, selection, editing, finding, found, past, rulers]);
  const shown = useDeferredValue(now);
  // When a picture has loaded its parts are known.
  const entries = useMemo(() => entriesFor(editor, shown), [editor, shown, arrived]); // eslint-disable-line react-hooks/exhaustive-deps

  return (
    <>
      <SheetFrame
        strip={
          <TitleStrip
            editor={editor}
            loaded={loaded}
            sheet={sheet}
            page={page}
            zoom={view.scale / FULL_SIZE}
            setZoom={setZoom}
            hard={countOf(found)}
          />
        }
        stack={
          faces ? (
            <Stack editor={editor} faces={faces} arrived={arrived} />
          ) : (
            <nav className="stack" aria-label="Things on the page" />
          )
        }
        drawer={<Drawer editor={editor} />}
        stage={stage}
        view={view}
        entries={entries}
        marginLabel="Margin"
        above={rulers && <Rulers editor={editor} view={view} page={page} unit={sheet.unit} />}
      >
        <div
          data-stage
          tabIndex={0}
          role="application"
          aria-label="The sheet. Enter chooses the first thing, Tab the next one, arrows move it."
          style={{ position: 'absolute', inset: 0 }}
          onPointerDown={(event) => event.target === event.currentTarget && (editor.select([]), editor.enter(null))}
        >
          <Stage
            editor={editor}
            view={view}
            arrived={arrived}
            label={sheet.title}
            onDropSupply={(data, at, files) =>
              void (files.length > 0 ? bringTo(editor, files, at) : dropSupply(editor, data, at))
            }
          />
        </div>
      </SheetFrame>
      <Aids editor={editor} />
    </>
  );
}

type StripProps = {
  editor: Editor;
  loaded: Loaded;
  sheet: Sheet;
  page: Page;
  zoom: number;
  setZoom: (zoom: Zoom) => void;
  /** How many things on the page are hard to read. */
  hard: number;
};

/** A font that is not available is drawn in another one. Said once, when the sheet is opened. */
function useFaceNotice(editor: Editor, sheet: Sheet) {
  useEffect(() => {
    const lost = unknownFaces(sheet, isFace);
    if (lost.length > 0)
      editor.say(
        `This sheet was set in ${lost.map((id) => `“${id}”`).join(', ')}, which is not here. It is shown in another face; choose one to keep.`,
      );
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [editor]);
}

const TitleStrip = memo(function TitleStrip({ editor, loaded, sheet, page, zoom, setZoom, hard }: StripProps) {
  useFaceNotice(editor, sheet);
  const at = sheet.pages.indexOf(page);
  const [name, setName] = useState<string | null>(null);
  const [search] = useSearchParams();
  const field = useRef<HTMLInputElement>(null);
  // A new sheet is asked for its name at once.
  useEffect(() => {
    if (search.get('named') === 'no') field.current?.select();
  }, [search]);
  const take = () => {
    const title = name === null ? null : cutTo(name.trim(), 200);
    if (title && title !== sheet.title) editor.make('Rename', { kind: 'sheet-set', values: { title } });
    setName(null);
  };
  const step = (by: number) => setZoom(Math.max(0.1, Math.min(5, Math.round((zoom + by) * 10) / 10)));
  return (
    <Strip
      home="/desk"
      title={
        <input
          ref={field}
          className="sheet-name"
          aria-label="Name of the sheet"
          value={name ?? sheet.title}
          onChange={(event) => setName(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            if (event.key === 'Escape') setName(null);
          }}
        />
      }
      before={
        <>
          <SaveWords editor={editor} />
          <span className="size-words">{sizeName(page.width, page.height, sheet.unit)}</span>
          <Pager editor={editor} />
          {hard > 0 && <span className="hard-words">{hard === 1 ? '1 to look at' : `${hard} to look at`}</span>}
        </>
      }
    >
      <UndoRedo editor={editor} />
      <span className="zoom">
        <Action aria-label="Smaller" onClick={() => step(-0.1)}>
          −
        </Action>
        <output aria-label="Zoom" suppressHydrationWarning>
          {Math.round(zoom * 100)}%
        </output>
        <Action aria-label="Larger" onClick={() => step(0.1)}>
          +
        </Action>
        <Action onClick={() => setZoom('fit')}>fit</Action>
      </span>
      <DownloadMenu editor={editor} sheetId={loaded.id} page={at} />
      <Link to={`/sheets/${loaded.id}/hand-out`} onClick={() => void editor.settled()}>
        <Button type="primary" tabIndex={-1}>
          Hand out
        </Button>
      </Link>
    </Strip>
  );
});
