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
import { Bench, useBench } from '../document/bench';
import type { Editing } from '../document/bench';
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

/** The workbench keeps its own state: a navigation back to it must not load the sheet over it. */
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
  // One bench for each document: another sheet is another bench.
  return <Workbench key={loaderData.documentId} loaded={loaderData} />;
}

type Loaded = Extract<Route.ComponentProps['loaderData'], { damage: null }>;

const sheetSlice = (bench: Bench) => bench.sheet;
const pageSlice = (bench: Bench) => bench.page;
const selectionSlice = (bench: Bench) => bench.selection;
const editingSlice = (bench: Bench) => bench.editing;
const findingSlice = (bench: Bench) => bench.finding;
const pastSlice = (bench: Bench) => bench.past;

function useOpenBench(loaded: Loaded): Bench {
  const [bench] = useState(() => new Bench({ ...loaded, rights: { kind: 'all' }, historyAt: `/sheets/${loaded.id}` }));
  useEffect(() => {
    void bench.open();
    return () => bench.close();
  }, [bench]);
  return bench;
}

type Shown = {
  sheet: Sheet;
  page: Page;
  selection: readonly string[];
  editing: Editing | null;
  finding: boolean;
  found: Found;
  past: Bench['past'];
  rulers: boolean;
  setRulers: (on: boolean) => void;
};

/** What stands in the margin: the search, what can't be read, and the settings of what is chosen or of the page. */
function entriesFor(bench: Bench, shown: Shown): MarginEntry[] {
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
    ...readableEntries(bench, page, found.findings),
    ...undrawnEntries(page, found.undrawn),
    ...smallEntries(page, found.small),
  ];
  if (finding) entries.unshift(findEntry(bench));
  if (items.length === 0)
    return [
      ...entries,
      {
        id: 'page',
        anchor: null,
        end: finding ? 'bottom' : 'top',
        tone: 'plain',
        label: 'Settings of the page',
        content: <PageCard bench={bench} sheet={sheet} page={page} rulers={shown.rulers} setRulers={shown.setRulers} />,
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
          bench={bench}
          items={items}
          sheet={sheet}
        />
      ),
    },
  ];
}

// What is shown once something is chosen, or asked for: the page itself comes first.
const ItemSettings = later(() => import('../settings/settings').then((part) => part.ItemSettings));
const DownloadMenu = later(
  () => import('../workbench/download-menu').then((part) => part.DownloadMenu),
  <button type="button" className="plainbtn" disabled>
    download ▾
  </button>,
);

const RULERS = 'dappled-margin/rulers';

function Workbench({ loaded }: { loaded: Loaded }) {
  const bench = useOpenBench(loaded);
  const [zoom, setZoom] = useState<Zoom>('fit');
  const sheet = useBench(bench, sheetSlice);
  const page = useBench(bench, pageSlice);
  const selection = useBench(bench, selectionSlice);
  const editing = useBench(bench, editingSlice);
  const { view, stage } = useView(page, zoom);
  const { faces, arrived } = useDrawing(sheet);
  useEffect(() => {
    bench.faces = faces;
    bench.changed();
  }, [bench, faces]);

  // The margin follows a moment later: a key typed on the sheet must not wait for it.
  const found = useProof(sheet, page, faces !== null);
  useSpelling(bench);
  useMaking(bench);
  useKeys(bench);
  const [rulers, setRulersOn] = useState(false);
  useEffect(() => setRulersOn(localStorage.getItem(RULERS) === 'on'), []);
  const finding = useBench(bench, findingSlice);
  const past = useBench(bench, pastSlice);
  const now = useMemo(() => {
    const setRulers = (on: boolean) => {
      localStorage.setItem(RULERS, on ? 'on' : 'off');
      setRulersOn(on);
    };
    return { sheet, page, selection, editing, finding, found, past, rulers, setRulers };
  }, [sheet, page, selection, editing, finding, found, past, rulers]);
  const shown = useDeferredValue(now);
  // A picture that has arrived brings its parts along.
  const entries = useMemo(() => entriesFor(bench, shown), [bench, shown, arrived]); // eslint-disable-line react-hooks/exhaustive-deps

  return (
    <>
      <SheetFrame
        strip={
          <TitleStrip
            bench={bench}
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
            <Stack bench={bench} faces={faces} arrived={arrived} />
          ) : (
            <nav className="stack" aria-label="Things on the page" />
          )
        }
        drawer={<Drawer bench={bench} />}
        stage={stage}
        view={view}
        entries={entries}
        marginLabel="Margin"
        above={rulers && <Rulers bench={bench} view={view} page={page} unit={sheet.unit} />}
      >
        <div
          data-stage
          tabIndex={0}
          role="application"
          aria-label="The sheet. Enter chooses the first thing, Tab the next one, arrows move it."
          style={{ position: 'absolute', inset: 0 }}
          onPointerDown={(event) => event.target === event.currentTarget && (bench.select([]), bench.enter(null))}
        >
          <Stage
            bench={bench}
            view={view}
            arrived={arrived}
            label={sheet.title}
            onDropSupply={(data, at, files) =>
              void (files.length > 0 ? bringTo(bench, files, at) : dropSupply(bench, data, at))
            }
          />
        </div>
      </SheetFrame>
      <Aids bench={bench} />
    </>
  );
}

type StripProps = {
  bench: Bench;
  loaded: Loaded;
  sheet: Sheet;
  page: Page;
  zoom: number;
  setZoom: (zoom: Zoom) => void;
  /** How many things on the page are hard to read. */
  hard: number;
};

/** A face that this program does not have is drawn in another: said once, when the sheet is opened. */
function useFaceNotice(bench: Bench, sheet: Sheet) {
  useEffect(() => {
    const lost = unknownFaces(sheet, isFace);
    if (lost.length > 0)
      bench.say(
        `This sheet was set in ${lost.map((id) => `“${id}”`).join(', ')}, which is not here. It is shown in another face; choose one to keep.`,
      );
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [bench]);
}

const TitleStrip = memo(function TitleStrip({ bench, loaded, sheet, page, zoom, setZoom, hard }: StripProps) {
  useFaceNotice(bench, sheet);
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
    if (title && title !== sheet.title) bench.make('Rename', { kind: 'sheet-set', values: { title } });
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
          <SaveWords bench={bench} />
          <span className="size-words">{sizeName(page.width, page.height, sheet.unit)}</span>
          <Pager bench={bench} />
          {hard > 0 && <span className="hard-words">{hard === 1 ? '1 to look at' : `${hard} to look at`}</span>}
        </>
      }
    >
      <UndoRedo bench={bench} />
      <span className="zoom">
        <button type="button" className="plainbtn" aria-label="Smaller" onClick={() => step(-0.1)}>
          −
        </button>
        <output aria-label="Zoom" suppressHydrationWarning>
          {Math.round(zoom * 100)}%
        </output>
        <button type="button" className="plainbtn" aria-label="Larger" onClick={() => step(0.1)}>
          +
        </button>
        <button type="button" className="plainbtn" onClick={() => setZoom('fit')}>
          fit
        </button>
      </span>
      <DownloadMenu bench={bench} sheetId={loaded.id} page={at} />
      <Link to={`/sheets/${loaded.id}/hand-out`} onClick={() => void bench.settled()}>
        <Button type="primary" tabIndex={-1}>
          Hand out
        </Button>
      </Link>
    </Strip>
  );
});
