import { Button, Dropdown, Select, Segmented } from 'antd';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { PAGE_SIZES, sizeName } from '../../core/sheet/units';
import { solid } from '../../core/sheet/make';
import { boxOf } from '../../core/geometry/hit';
import { union } from '../../core/geometry/box';
import type { Page, Sheet } from '../../core/sheet/schema';
import { findOn } from '../../core/sheet/tree';
import { loadDocument } from '../../server/stores/documents';
import { sheetOf } from '../../server/stores/sheets';
import { Strip } from '../look/strip';
import { SheetFrame } from '../margin/frame';
import type { MarginEntry } from '../margin/margin';
import type { Zoom } from '../margin/view';
import { FULL_SIZE, useView } from '../margin/view';
import { useDrawing } from '../sheet/page-view';
import { pictureNow } from '../sheet/resources';
import { dropSupply, Drawer } from '../supplies/drawer';
import { Bench, useBench } from '../workbench/bench';
import type { Editing } from '../workbench/bench';
import { addPage, removePage } from '../workbench/commands';
import { LengthField, Row, Swatches } from '../workbench/fields';
import { Notice, SaveWords } from '../workbench/save-words';
import { ItemSettings } from '../workbench/settings';
import { Stack } from '../workbench/stack';
import { Stage } from '../workbench/stage';
import { UndoRedo } from '../workbench/undo-redo';
import '../workbench/workbench.css';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/sheet';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const found = await sheetOf(context.services.db, person.id, params.sheetId);
  const document = found && (await loadDocument(context.services.db, found.documentId));
  if (!document) throw missing();
  return {
    personId: person.id,
    id: found.id,
    documentId: document.id,
    seq: document.seq,
    sheet: document.sheet,
    savedAt: +document.changedAt,
  };
}

/** The workbench keeps its own state: a navigation back to it must not load the sheet over it. */
export const shouldRevalidate = () => false;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.sheet.title || 'Untitled sheet'} · Dappled Margin` },
];

export default function SheetScreen({ loaderData }: Route.ComponentProps) {
  // One bench for each document: another sheet is another bench.
  return <Workbench key={loaderData.documentId} loaded={loaderData} />;
}

type Loaded = Route.ComponentProps['loaderData'];

const sheetSlice = (bench: Bench) => bench.sheet;
const pageSlice = (bench: Bench) => bench.page;
const selectionSlice = (bench: Bench) => bench.selection;
const editingSlice = (bench: Bench) => bench.editing;
const previewSlice = (bench: Bench) => bench.preview;

function useOpenBench(loaded: Loaded): Bench {
  const [bench] = useState(() => new Bench({ ...loaded, rights: { kind: 'all' } }));
  useEffect(() => {
    void bench.open();
    return () => bench.close();
  }, [bench]);
  return bench;
}

type Shown = { sheet: Sheet; page: Page; selection: readonly string[]; editing: Editing | null };

/** What stands in the margin: the settings of what is chosen, or of the page. */
function entriesFor(bench: Bench, { sheet, page, selection }: Shown): MarginEntry[] {
  const items = selection.flatMap((id) => findOn(page, id)?.item ?? []);
  if (items.length === 0)
    return [
      {
        id: 'page',
        anchor: null,
        end: 'top',
        tone: 'plain',
        label: 'Settings of the page',
        content: <PageSettings bench={bench} sheet={sheet} page={page} />,
      },
    ];
  const box = union(items.map((item) => boxOf(page, item, pictureNow)));
  return [
    {
      id: 'chosen',
      anchor: { x: box.x + box.width, y: box.y + Math.min(box.height / 2, 60) },
      tone: 'apricot',
      active: true,
      current: true,
      label: 'Settings of what is chosen',
      content: <ItemSettings key={selection.join()} bench={bench} items={items} sheet={sheet} />,
    },
  ];
}

function Workbench({ loaded }: { loaded: Loaded }) {
  const bench = useOpenBench(loaded);
  const [zoom, setZoom] = useState<Zoom>('fit');
  const sheet = useBench(bench, sheetSlice);
  const page = useBench(bench, pageSlice);
  const selection = useBench(bench, selectionSlice);
  const editing = useBench(bench, editingSlice);
  useBench(bench, previewSlice);
  const { view, stage } = useView(page, zoom);
  const { faces, arrived } = useDrawing(sheet);
  useEffect(() => {
    bench.faces = faces;
    bench.changed();
  }, [bench, faces]);

  // The margin follows a moment later: a key typed on the sheet must not wait for it.
  const now = useMemo(() => ({ sheet, page, selection, editing }), [sheet, page, selection, editing]);
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
          />
        }
        stack={
          faces ? <Stack bench={bench} faces={faces} /> : <nav className="stack" aria-label="Things on the page" />
        }
        drawer={<Drawer bench={bench} />}
        stage={stage}
        view={view}
        entries={entries}
        marginLabel="Margin"
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
            onDropSupply={(data, at) => void dropSupply(bench, data, at)}
          />
        </div>
      </SheetFrame>
      <Notice bench={bench} />
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
};

function TitleStrip({ bench, loaded, sheet, page, zoom, setZoom }: StripProps) {
  const [name, setName] = useState<string | null>(null);
  const [search] = useSearchParams();
  const field = useRef<HTMLInputElement>(null);
  // A new sheet is asked for its name at once.
  useEffect(() => {
    if (search.get('named') === 'no') field.current?.select();
  }, [search]);
  const take = () => {
    const title = name?.trim().slice(0, 200);
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
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            { key: 'pdf', label: <a href={`/sheets/${loaded.id}/export?as=pdf`}>PDF, as students get it</a> },
            { key: 'key', label: <a href={`/sheets/${loaded.id}/export?as=pdf&side=key`}>PDF with the answers</a> },
            {
              key: 'png',
              label: (
                <a href={`/sheets/${loaded.id}/export?as=png&page=${sheet.pages.indexOf(page)}`}>PNG of this page</a>
              ),
            },
          ],
        }}
      >
        <button type="button" className="plainbtn">
          take out ▾
        </button>
      </Dropdown>
      <Link to={`/sheets/${loaded.id}/hand-out`} onClick={() => void bench.settled()}>
        <Button type="primary" tabIndex={-1}>
          Hand out
        </Button>
      </Link>
    </Strip>
  );
}

function PageSettings({ bench, sheet, page }: { bench: Bench; sheet: Sheet; page: Page }) {
  const set = (values: Record<string, unknown>) => bench.make('Page', { kind: 'page-set', id: page.id, values });
  const wide = page.width > page.height;
  const named = PAGE_SIZES.find(
    (size) =>
      Math.abs(size.width - Math.min(page.width, page.height)) < 2 &&
      Math.abs(size.height - Math.max(page.width, page.height)) < 2,
  );
  const resize = (width: number, height: number, sideways = wide) =>
    set(sideways === width > height ? { width, height } : { width: height, height: width });
  return (
    <div className="settings">
      <h3>
        Page <small>nothing is chosen</small>
      </h3>
      <Row label="size">
        <Select
          size="small"
          aria-label="Page size"
          style={{ flex: 1 }}
          value={named?.id ?? 'own'}
          onChange={(id) => {
            const size = PAGE_SIZES.find((s) => s.id === id);
            if (size) resize(size.width, size.height);
          }}
          options={[
            ...PAGE_SIZES.map(({ id, name }) => ({ value: id as string, label: name })),
            { value: 'own', label: 'own size', disabled: true },
          ]}
        />
        <Segmented
          size="small"
          aria-label="Upright or wide"
          value={wide ? 'wide' : 'upright'}
          onChange={(way) => resize(page.width, page.height, way === 'wide')}
          options={['upright', 'wide']}
        />
      </Row>
      <div className="typed-pair" style={{ marginTop: 8 }}>
        <LengthField label="wide" value={page.width} unit={sheet.unit} min={36} onChange={(width) => set({ width })} />
        <LengthField
          label="high"
          value={page.height}
          unit={sheet.unit}
          min={36}
          onChange={(height) => set({ height })}
        />
        <LengthField
          label="margin"
          value={page.margin}
          unit={sheet.unit}
          min={0}
          onChange={(margin) => set({ margin })}
        />
      </div>
      <Row label="unit">
        <Segmented
          size="small"
          aria-label="Unit of lengths"
          value={sheet.unit}
          onChange={(unit) => bench.make('Unit', { kind: 'sheet-set', values: { unit } })}
          options={['in', 'mm', 'px']}
        />
      </Row>
      <Swatches
        label="ground"
        value={page.background?.kind === 'solid' ? page.background.colour : null}
        palette={sheet.palette}
        none="No colour"
        onChange={(hex) => set({ background: hex === null ? null : solid(hex) })}
      />
      <hr className="field-split" />
      <div className="page-strip" role="group" aria-label="Pages">
        {sheet.pages.map((p, i) => (
          <button
            key={p.id}
            type="button"
            className="page-tab"
            aria-current={p.id === page.id}
            onClick={() => bench.turnTo(p.id)}
          >
            {i + 1}
          </button>
        ))}
        <button type="button" className="plainbtn" onClick={() => addPage(bench)}>
          add a page
        </button>
        {sheet.pages.length > 1 && (
          <button type="button" className="plainbtn" onClick={() => removePage(bench)}>
            remove this one
          </button>
        )}
      </div>
    </div>
  );
}
