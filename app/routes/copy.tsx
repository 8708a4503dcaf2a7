import { Button } from 'antd';
import { useEffect, useLayoutEffect, useState } from 'react';
import type { ReactNode } from 'react';
import type { FetcherWithComponents } from 'react-router';
import { Link, useFetcher, useSearchParams } from 'react-router';
import { workshop } from '../../server/actions/means';
import { doWithCopy, WithCopy } from '../../server/actions/hand-in';
import { limitWords } from '../../core/handout/limits';
import { isOpen } from '../../core/handout/state';
import { inWords } from '../../core/values/listed';
import { copyView } from '../../server/views/copy-view';
import { later } from '../browser/later';
import { useLoadAgain } from '../browser/load-again';
import { afterReaching, orLast, reached } from '../browser/reached';
import { closesWords, dueWords, useZone } from '../browser/time';
import { useSpelling } from '../commands/spelling';
import { BlankTints } from '../copy/blanks';
import { useCopyMargin } from '../copy/copy-entries';
import { useChecking } from '../copy/checking';
import { useHandIn } from '../copy/hand-in';
import { Example, LastGo } from '../copy/beside';
import { useSteps } from '../copy/opening';
import { OthersOnPage, useTogether, Who } from '../copy/together';
import { Key } from '../fields/toggle';
import { Editor, useEditor } from '../document/editor';
import type { Other } from '../document/others';
import { useDrawing } from '../drawing/page-view';
import { check, formOf } from '../form.server';
import { DamagedScreen } from '../house/damaged';
import { StateLabel } from '../house/leaf';
import { Strip } from '../house/strip';
import { useMaking } from '../makers/use-making';
import { SheetFrame } from '../margin/frame';
import { useKeptPage } from '../offline/offline';
import { useBeside, useView } from '../margin/view';
import { sentence } from '../parts/sentence';
import type { Loaded } from '../student/entries';
import { picturesFor } from '../pictures/picture-index';
import { Drawer } from '../supplies/drawer';
import { useTaking } from '../supplies/taking';
import { allowed, filledIn, requireAnybody } from '../who.server';
import { Aids } from '../workbench/aids';
import { useKeys } from '../workbench/keys';
import { Pager } from '../workbench/pager';
import { SaveWords } from '../workbench/save-words';
import { SheetStage } from '../workbench/sheet-stage';
import { UndoRedo } from '../workbench/undo-redo';
import type { Route } from './+types/copy';
import { OverAlert } from '../parts/over-alert';

const TeacherInk = later(() => import('../copy/teacher-ink').then((part) => part.TeacherInk), null);

/** A student's copy, or a teacher's own that they try out. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireAnybody(request, context);
  const { db, shelf } = context.services;
  return allowed(copyView(workshop(db, shelf), person, params.copyId));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireAnybody(request, context);
  const read = check(WithCopy, await formOf(request));
  if (!read.ok) return read.wrong;
  const { db, shelf } = context.services;
  const done = await filledIn(doWithCopy(workshop(db, shelf), person, params.copyId, read.value));
  return done && 'problem' in done ? done : { problem: null, results: done };
}

/** When the school can't be reached, the copy stays as it is. */
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) =>
  orLast(request, () => serverLoader());
clientLoader.hydrate = true as const;

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? 'Copy'} · Dappled Margin` },
];

export default function CopyScreen({ loaderData }: Route.ComponentProps) {
  if (loaderData.damage !== null) {
    const { copyId, title, damage, now } = loaderData;
    const here = `/copies/${copyId}`;
    return (
      <DamagedScreen damage={damage} title={title} home="/tray" back={here} picture={`${here}/picture.svg`} now={now} />
    );
  }
  // After handing in, taking back or returning, the copy is opened again from the server's data; not when it is only begun.
  const state = loaderData.state === 'not-begun' ? 'under-way' : loaderData.state;
  return <Copy key={`${loaderData.copyId} ${state} ${loaderData.go} ${loaderData.isClosed}`} loaded={loaderData} />;
}

const SHUT: Partial<Record<Loaded['state'], string>> = {
  'handed-in': 'This copy is handed in. Take it back to change it.',
  done: 'This copy is done. It can be looked at, but not changed.',
};

const CLOSED = 'Handing in has closed. Ask your teacher if you need more time.';

function suppliesNote(limits: Loaded['limits']): string {
  const words = limitWords(limits);
  return words.length === 0 ? 'Your teacher opened these' : `Your teacher opened these: ${inWords(words)}`;
}

function useOpenCopy(loaded: Loaded, open: boolean): Editor {
  const [editor] = useState(() => {
    const made = new Editor({
      ...loaded,
      rights: {
        kind: 'student',
        supplies: loaded.supplies,
        most: loaded.most,
        usable: loaded.usable,
        mayUpload: loaded.mayUpload,
        copyId: loaded.copyId,
      },
    });
    made.shut = SHUT[loaded.state] ?? (loaded.isClosed ? CLOSED : null);
    return made;
  });
  // Before anything below looks for pictures.
  useLayoutEffect(() => {
    picturesFor(loaded.copyId);
    return () => picturesFor(null);
  }, [loaded.copyId]);
  useEffect(() => {
    if (!open) return;
    void editor.open();
    return () => editor.close();
  }, [editor, open]);
  return editor;
}

function Copy({ loaded: whole }: { loaded: Loaded }) {
  const open = isOpen(whole.state);
  // What was done before it closed is still sent.
  const editor = useOpenCopy(whole, open);
  const mayWork = open && !whole.isClosed;
  // Handing in may close while the copy is open.
  useLoadAgain(mayWork ? whole.closesAt : null);
  const sheet = useEditor(editor, 'sheet');
  const page = useEditor(editor, 'page');
  const counted = useEditor(editor, 'results') ?? whole.results;
  const { shown: loaded, results } = useSteps(editor, whole, counted);
  const shut = useEditor(editor, 'shut');
  // The margin is drawn again with these.
  useEditor(editor, 'selection');
  useEditor(editor, 'editing');
  useEditor(editor, 'finding');
  useSpelling(editor);
  useMaking(editor);
  useKeys(editor);
  const { view, stage } = useView(page, 'fit', useBeside(page));
  const taken = useTaking(editor);
  const { faces, arrived } = useDrawing(sheet);
  useEffect(() => {
    editor.faces = faces;
    editor.changed();
  }, [editor, faces]);
  const fetcher = useFetcher<typeof clientAction>();
  const handing = useHandIn(editor, fetcher);
  const checking = useChecking(editor, fetcher);
  const [inkShown, setInkShown] = useState(true);
  const ink = { all: loaded.ink, shown: inkShown, toggle: () => setInkShown(!inkShown) };
  const margin = useCopyMargin({ editor, loaded, results, view, fetcher, handing, checking, ink });
  const { data } = fetcher;
  useEffect(() => {
    if (!data || !('results' in data) || !data.results) return;
    editor.results = data.results;
    editor.changed();
  }, [editor, data]);
  const problem = data?.problem;
  const [beside, setBeside] = useState<'go' | 'example' | null>(null);
  const { lastGo, example } = loaded;
  const toggle = (what: 'go' | 'example') => setBeside(beside === what ? null : what);
  const others = useTogether(editor, loaded, open);
  useKeptPage(loaded.personId, `${loaded.copyId} ${loaded.state} ${loaded.go} ${loaded.steps.open.length}`);
  return (
    <>
      <SheetFrame
        strip={
          <CopyStrip {...{ editor, loaded, others, shut, fetcher, handing }}>
            {example && (
              <Key on={beside === 'example'} aria-pressed={beside === 'example'} onClick={() => toggle('example')}>
                example beside it
              </Key>
            )}
            {lastGo && (
              <Key on={beside === 'go'} aria-pressed={beside === 'go'} onClick={() => toggle('go')}>
                go {lastGo.number} beside it
              </Key>
            )}
          </CopyStrip>
        }
        stack={
          <>
            {lastGo && beside === 'go' && (
              <LastGo copyId={loaded.copyId} go={lastGo} pageId={page.id} ink={loaded.ink} faces={faces} />
            )}
            {example && beside === 'example' && <Example copyId={loaded.copyId} pages={example} />}
          </>
        }
        drawer={mayWork ? <Drawer editor={editor} note={suppliesNote(loaded.limits)} /> : undefined}
        stage={stage}
        view={view}
        entries={margin.entries}
        lit={margin.lit}
        onChooseEntry={margin.choose}
        marginLabel="Margin"
      >
        <SheetStage
          editor={editor}
          view={view}
          arrived={arrived}
          title={loaded.title}
          label="Your sheet. Enter chooses the first part you may fill in, Tab the next."
          onDropSupply={mayWork ? taken : undefined}
        />
        <BlankTints view={view} boxes={margin.open} />
        {inkShown && faces && loaded.ink.length > 0 && <TeacherInk {...{ view, page, faces }} ink={loaded.ink} />}
        <OthersOnPage editor={editor} view={view} page={page} mates={loaded.mates} others={others} />
      </SheetFrame>
      {(problem || shut) && mayWork && <OverAlert>{problem ?? shut}</OverAlert>}
      <Aids editor={editor} />
    </>
  );
}

/** What was tried out is thrown away with the next trial. */
function BackToHandingOut({ sheetId }: { sheetId: string }) {
  const like = useSearchParams()[0].get('like');
  return (
    <Link to={`/sheets/${sheetId}/hand-out${like ? `?like=${encodeURIComponent(like)}` : ''}`}>
      <Button type="primary" tabIndex={-1}>
        Back to handing out
      </Button>
    </Link>
  );
}

type StripProps = {
  editor: Editor;
  loaded: Loaded;
  others: readonly Other[];
  shut: string | null;
  fetcher: FetcherWithComponents<unknown>;
  handing: ReturnType<typeof useHandIn>;
  children: ReactNode;
};

function CopyStrip({ editor, loaded, others, shut, fetcher, handing, children }: StripProps) {
  const { state, title, dueAt, closesAt, now, mayTakeBack } = loaded;
  const open = isOpen(state) && !loaded.isClosed;
  const zone = useZone();
  // A note that is being ticked keeps nobody from handing in.
  const moving = fetcher.formData?.get('do');
  return (
    <Strip
      home={loaded.trialOf ? '/desk' : '/tray'}
      title={title}
      before={
        <>
          {loaded.trialOf && <span className="trial-note">As a student sees it</span>}
          {open ? <SaveWords editor={editor} /> : <StateLabel state={state} />}
          <Pager editor={editor} />
          <Who mates={loaded.mates} others={others} />
        </>
      }
    >
      {open && (
        <>
          <span className="quiet">
            {[sentence(dueWords(dueAt, now, zone)), closesWords(closesAt, now, zone)].filter(Boolean).join(' · ')}
          </span>
          {children}
          <UndoRedo editor={editor} />
          {loaded.trialOf && <BackToHandingOut sheetId={loaded.trialOf} />}
          <Button
            type={loaded.trialOf ? 'default' : 'primary'}
            title={loaded.trialOf ? 'Only tried out: nothing is handed in' : undefined}
            loading={handing.sending || moving === 'hand-in'}
            onClick={() => handing.setAsking(true)}
            disabled={shut !== null || handing.asking || loaded.trialOf !== null}
          >
            Hand in
          </Button>
        </>
      )}
      {mayTakeBack && (
        <Button
          loading={moving === 'take-back'}
          onClick={() => void fetcher.submit({ do: 'take-back' }, { method: 'post' })}
        >
          Take it back
        </Button>
      )}
    </Strip>
  );
}
