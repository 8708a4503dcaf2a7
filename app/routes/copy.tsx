import { sentence } from '../parts/sentence';
import { Chip, Chips } from '../parts/action';
import { Alert, Button, Modal } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import { boxOf } from '../../core/items/hit';
import { bodyLength } from '../../core/text/body';
import { findOn } from '../../core/sheet/tree';
import { isOpen } from '../../server/stores/copies';
import { doWithCopy, WithCopy } from '../../server/actions/hand-in';
import { copyView } from '../../server/views/copy-view';
import { check, formOf } from '../form.server';
import { DamagedScreen } from '../house/damaged';
import { StateLabel } from '../house/leaf';
import { afterReaching, reached } from '../browser/reached';
import { Strip } from '../house/strip';
import { dueWords, useZone } from '../browser/time';
import { SheetFrame } from '../margin/frame';
import type { MarginEntry } from '../margin/margin';
import { useView } from '../margin/view';
import { useDrawing } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import { BackCard, bankOf, noteEntries, usedElsewhere } from '../student/entries';
import { LookForList } from '../student/lookfor-list';
import '../student/student.css';
import { later } from '../browser/later';
import { Drawer } from '../supplies/drawer';
import { dropSupply } from '../supplies/sorts';
import { Editor, useEditor } from '../document/editor';
import { Aids, findEntry } from '../workbench/aids';
import { Pager } from '../workbench/pager';
import { SaveWords } from '../workbench/save-words';
import { madeGroupOf } from '../makers/kit/made';
import { useMaking } from '../makers/use-making';
import { useKeys } from '../workbench/keys';
import { useSpelling } from '../commands/spelling';
import { Stage } from '../canvas/stage';
import { typeWords } from '../commands/word-commands';
import { UndoRedo } from '../workbench/undo-redo';
import '../workbench/workbench.css';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/copy';

const ItemSettings = later(() => import('../settings/settings').then((part) => part.ItemSettings));

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'student');
  const { db, shelf } = context.services;
  return allowed(copyView({ db, pictures: shelf.resources.pictures }, person, params.copyId));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'student');
  const read = check(WithCopy, await formOf(request));
  if (!read.ok) return read.wrong;
  const done = await filledIn(doWithCopy(context.services.db, person, params.copyId, read.value));
  return done ?? { problem: null };
}

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
  // After handing in, taking back or returning, the copy is opened again from the server's data.
  return <Copy key={`${loaderData.copyId} ${loaderData.state} ${loaderData.go}`} loaded={loaderData} />;
}

type Loaded = Extract<Route.ComponentProps['loaderData'], { damage: null }>;

const sheetSlice = (editor: Editor) => editor.sheet;
const pageSlice = (editor: Editor) => editor.page;
const selectionSlice = (editor: Editor) => editor.selection;
const editingSlice = (editor: Editor) => editor.editing;
const resultsSlice = (editor: Editor) => editor.results;
const shutSlice = (editor: Editor) => editor.shut;
const findingSlice = (editor: Editor) => editor.finding;

const SHUT: Partial<Record<Loaded['state'], string>> = {
  'handed-in': 'This copy is handed in. Take it back to change it.',
  done: 'This copy is done. It can be looked at, but not changed.',
};

function Copy({ loaded }: { loaded: Loaded }) {
  const open = isOpen(loaded.state);
  const [editor] = useState(() => {
    const made = new Editor({ ...loaded, rights: { kind: 'student', supplies: loaded.supplies } });
    made.shut = SHUT[loaded.state] ?? null;
    return made;
  });
  useEffect(() => {
    if (!open) return;
    void editor.open();
    return () => editor.close();
  }, [editor, open]);
  const sheet = useEditor(editor, sheetSlice);
  const page = useEditor(editor, pageSlice);
  const selection = useEditor(editor, selectionSlice);
  const editing = useEditor(editor, editingSlice);
  const results = useEditor(editor, resultsSlice) ?? loaded.results;
  const shut = useEditor(editor, shutSlice);
  const finding = useEditor(editor, findingSlice);
  useSpelling(editor);
  useMaking(editor);
  useKeys(editor);
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(sheet);
  const fetcher = useFetcher<typeof clientAction>();
  const [asking, setAsking] = useState(false);
  const [sending, setSending] = useState(false);
  const zone = useZone();
  useEffect(() => {
    editor.faces = faces;
    editor.changed();
  }, [editor, faces]);

  const handInNow = async () => {
    setSending(true);
    const seq = await editor.settled();
    setSending(false);
    if (seq === null)
      return editor.say('Your changes are still kept here: the server does not answer. Hand in when it says “saved”.');
    setAsking(false);
    void fetcher.submit({ do: 'hand-in', seq: String(seq) }, { method: 'post' });
  };
  const problem = fetcher.data?.problem;
  const lacking = loaded.lookFors.filter((_, i) => results[i] && results[i]!.held === false);

  const entries = useMemo(() => {
    const out: MarginEntry[] = [];
    if (loaded.state === 'another-go' || loaded.state === 'done')
      out.push({
        id: 'back',
        anchor: null,
        end: 'top',
        tone: 'plain',
        label: 'From your teacher',
        content: <BackCard loaded={loaded} />,
      });
    out.push({
      id: 'brief',
      anchor: null,
      end: 'top',
      tone: 'plain',
      label: 'What to do',
      content: (
        <>
          <h3 className="brief-title">What to do</h3>
          <p className="brief">{loaded.brief || 'Fill in the sheet.'}</p>
        </>
      ),
    });
    if (loaded.lookFors.length > 0)
      out.push({
        id: 'lookfors',
        anchor: null,
        end: 'top',
        tone: 'plain',
        label: 'What your teacher will look for',
        content: (
          <LookForList
            lookFors={loaded.lookFors}
            results={results}
            done={loaded.state === 'done'}
            onGo={(id) => goTo(editor, id)}
          />
        ),
      });
    return out;
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [loaded, results]);
  // A tick shows at once, before the server has saved it.
  const ticked = fetcher.formData?.get('note');
  const notes = loaded.notes.map((note) =>
    note.id === ticked ? { ...note, settled: fetcher.formData?.get('settled') === 'yes' } : note,
  );
  const all: MarginEntry[] = [
    ...(finding ? [findEntry(editor)] : []),
    ...entries,
    ...noteEntries(notes, page, fetcher.submit),
  ];
  const here = editing ? findOn(page, editing.id)?.item : undefined;
  if (here?.kind === 'text' && !shut) {
    const box = boxOf(page, here, pictureNow);
    const bank = bankOf(sheet);
    if (bank.length > 0 && here.role === 'label')
      all.push({
        id: 'this',
        anchor: { x: box.x + box.width, y: box.y + box.height / 2 },
        tone: 'sky',
        active: true,
        current: true,
        label: 'Words for this label',
        content: (
          <>
            <h3>This label</h3>
            <Chips>
              {bank.map((word) => (
                <Chip
                  asIs
                  key={word}
                  tone={usedElsewhere(page, word, here.id) ? 'used' : 'moss'}
                  onMouseDown={(event) => event.preventDefault()}
                  onClick={() => {
                    if (editor.editing && typeWords(editor, editor.editing, 0, bodyLength(here.body), word))
                      editor.edit({ ...editor.editing, anchor: word.length, focus: word.length });
                  }}
                >
                  {word}
                </Chip>
              ))}
            </Chips>
            <p className="quiet">From the word bank, or type your own · Tab goes on</p>
          </>
        ),
      });
  } else if (!shut && selection.length > 0 && editor.selectedItems.every((item) => item.touch === 'free')) {
    const box = boxOf(page, editor.selectedItems[0], pictureNow);
    all.push({
      id: 'chosen',
      anchor: { x: box.x + box.width, y: box.y + box.height / 2 },
      tone: 'apricot',
      active: true,
      current: true,
      label: 'Settings of the selection',
      content: (
        <ItemSettings
          key={madeGroupOf(editor.page, editor.selectedItems)?.id ?? selection.join()}
          editor={editor}
          items={editor.selectedItems}
          sheet={sheet}
        />
      ),
    });
  }

  return (
    <>
      <SheetFrame
        strip={
          <Strip
            home="/tray"
            title={loaded.title}
            before={
              <>
                {open ? <SaveWords editor={editor} /> : <StateLabel state={loaded.state} />}
                <Pager editor={editor} />
              </>
            }
          >
            {open && <span className="quiet">{sentence(dueWords(loaded.dueAt, loaded.now, zone))}</span>}
            {open && (
              <>
                <UndoRedo editor={editor} />
                <Button
                  type="primary"
                  loading={sending || fetcher.state !== 'idle'}
                  onClick={() => setAsking(true)}
                  disabled={shut !== null}
                >
                  Hand in
                </Button>
              </>
            )}
            {loaded.mayTakeBack && (
              <Button
                loading={fetcher.state !== 'idle'}
                onClick={() => void fetcher.submit({ do: 'take-back' }, { method: 'post' })}
              >
                Take it back
              </Button>
            )}
          </Strip>
        }
        drawer={open ? <Drawer editor={editor} note="your teacher opened these" /> : undefined}
        stage={stage}
        view={view}
        entries={all}
        marginLabel="Margin"
      >
        <div
          data-stage
          tabIndex={0}
          role="application"
          aria-label="Your sheet. Enter chooses the first part you may fill in, Tab the next."
          style={{ position: 'absolute', inset: 0 }}
          onPointerDown={(event) => event.target === event.currentTarget && editor.select([])}
        >
          <Stage
            editor={editor}
            view={view}
            arrived={arrived}
            label={loaded.title}
            onDropSupply={open ? (data, at) => void dropSupply(editor, data, at) : undefined}
          />
        </div>
      </SheetFrame>
      {(problem || shut) && open && (
        <div className="over-alert">
          <Alert type="warning" showIcon title={problem ?? shut} role="alert" />
        </div>
      )}
      <Modal
        open={asking}
        title="A last look"
        okText={lacking.length ? 'Hand in anyway' : 'Hand in'}
        cancelText="Not yet"
        onCancel={() => setAsking(false)}
        onOk={() => void handInNow()}
        confirmLoading={sending}
      >
        {lacking.length === 0 ? <p>Everything that can be counted is there.</p> : <p>This is still missing:</p>}
        <ul>
          {lacking.map(({ id, title }) => {
            const result = results.find((r) => r?.id === id)!;
            return (
              <li key={id}>
                {title}{' '}
                <span className="quiet">
                  ({result.got} of {result.need})
                </span>
              </li>
            );
          })}
        </ul>
        <p className="quiet">You can take it back until your teacher begins to read it.</p>
      </Modal>
      <Aids editor={editor} />
    </>
  );
}

/** Opens the first part that a look-for still misses. */
function goTo(editor: Editor, id: string) {
  const item = findOn(editor.page, id)?.item;
  if (item?.kind === 'text' && !editor.shut) editor.edit({ id, anchor: 0, focus: bodyLength(item.body), typing: null });
  else if (item) editor.select([id]);
}
