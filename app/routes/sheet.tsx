import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { ShouldRevalidateFunctionArgs } from 'react-router';
import { useFetcher } from 'react-router';
import { openedOr } from '../../server/actions/opened';
import { sheetOf } from '../../server/stores/sheets';
import { later } from '../browser/later';
import { useSpelling } from '../commands/spelling';
import { Editor, useEditor } from '../document/editor';
import { litFrom } from '../drawing/lit';
import { useDrawing } from '../drawing/page-view';
import { useMaking } from '../makers/use-making';
import { SheetFrame } from '../margin/frame';
import type { Zoom } from '../margin/view';
import { FULL_SIZE, useBeside, useView } from '../margin/view';
import { Action } from '../parts/action';
import { OverAlert } from '../parts/over-alert';
import { Drawer } from '../supplies/drawer';
import { useTaking } from '../supplies/taking';
import { missing, requireRole } from '../who.server';
import { Aids } from '../workbench/aids';
import { useKeys } from '../workbench/keys';
import { countOf, useProof } from '../workbench/proof';
import { entriesFor } from '../workbench/sheet-entries';
import { stepsLit, useFirstSteps } from '../workbench/first-steps';
import { SheetStage } from '../workbench/sheet-stage';
import { Stack } from '../workbench/stack';
import { TitleStrip } from '../workbench/title-strip';
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
    binned: found.binnedAt !== null,
    purpose: found.purpose,
  };
}

/** The workbench keeps its own state, which loader data must not overwrite. */
export const shouldRevalidate = ({ currentParams, nextParams }: ShouldRevalidateFunctionArgs) =>
  currentParams.sheetId !== nextParams.sheetId;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${(loaderData?.damage === null && loaderData.sheet.title) || 'Untitled sheet'} · Dappled Margin` },
];

const DamagedScreen = later(() => import('../house/damaged').then((part) => part.DamagedScreen));
const Rulers = later(() => import('../canvas/rulers').then((part) => part.Rulers), null);

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

/** A sheet of the bin can be looked at, and worked on; it goes on being in the bin until it is taken out. */
function InBin({ sheetId }: { sheetId: string }) {
  const fetcher = useFetcher<{ problem: string | null }>();
  if (fetcher.data?.problem === null) return null;
  return (
    <OverAlert>
      {fetcher.data?.problem ?? 'This sheet is in the bin.'}{' '}
      <Action onClick={() => void fetcher.submit({ do: 'restore', sheetId }, { method: 'post', action: '/desk' })}>
        restore
      </Action>
    </OverAlert>
  );
}

const RULERS = 'dappled-margin/rulers';

function Workbench({ loaded }: { loaded: Loaded }) {
  const editor = useOpenEditor(loaded);
  const [zoom, setZoom] = useState<Zoom>('fit');
  const sheet = useEditor(editor, 'sheet');
  const page = useEditor(editor, 'page');
  const selection = useEditor(editor, 'selection');
  const editing = useEditor(editor, 'editing');
  const { view, stage } = useView(page, zoom, useBeside(page));
  const taken = useTaking(editor);
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
  const finding = useEditor(editor, 'finding');
  const past = useEditor(editor, 'past');
  const steps = useFirstSteps(editor, loaded);
  const now = useMemo(() => {
    const setRulers = (on: boolean) => {
      localStorage.setItem(RULERS, on ? 'on' : 'off');
      setRulersOn(on);
    };
    return { sheet, page, selection, editing, finding, found, past, steps, rulers, setRulers };
  }, [sheet, page, selection, editing, finding, found, past, steps, rulers]);
  const shown = useDeferredValue(now);
  // When a picture has loaded its parts are known.
  const entries = useMemo(() => entriesFor(editor, shown), [editor, shown, arrived]); // eslint-disable-line react-hooks/exhaustive-deps
  const [pressed, setPressed] = useState<string | null>(null);
  useEffect(() => setPressed(null), [selection, editing]);
  const lit = useMemo(() => {
    // A card that was pressed lights its spot until something else is selected.
    if (pressed !== null && entries.some(({ id, light }) => id === pressed && light)) return litFrom(pressed, page);
    return steps && selection.length === 0 && !past ? stepsLit(sheet, page, steps.steps) : null;
  }, [pressed, entries, steps, selection, past, sheet, page]);

  return (
    <>
      <SheetFrame
        strip={
          <TitleStrip
            editor={editor}
            sheetId={loaded.id}
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
        lit={lit}
        onChooseEntry={setPressed}
        marginLabel="Margin"
        above={rulers && <Rulers editor={editor} view={view} page={page} unit={sheet.unit} />}
      >
        <SheetStage
          editor={editor}
          view={view}
          arrived={arrived}
          title={sheet.title}
          label="The sheet. Enter chooses the first thing, Tab the next one, arrows move it."
          onDropSupply={taken}
        />
      </SheetFrame>
      <Aids editor={editor} />
      {loaded.binned && <InBin sheetId={loaded.id} />}
    </>
  );
}
