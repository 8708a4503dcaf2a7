import { DayField } from '../fields/day-field';
import { Alert, Button, Checkbox, Input } from 'antd';
import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState } from 'react';
import { Link, useFetcher, useNavigate } from 'react-router';
import { z } from 'zod';
import { boxOf } from '../../core/items/hit';
import { givenOut } from '../../core/handout/copy';
import { SUPPLIES } from '../../core/handout/permission';
import type { Supply } from '../../core/handout/permission';
import type { LookFor } from '../../core/lookfors/all';
import { countAll, rekeyed } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import { itemName } from '../../core/items/name';
import type { Page, Touch } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { classesOf } from '../../server/stores/classes';
import { HandingOut, handOut } from '../../server/actions/hand-out';
import { sheetOf } from '../../server/stores/sheets';
import { check, formOf, jsonOf } from '../form.server';
import { LookForEdit } from '../handout/lookfor-edit';
import { suggested } from '../../core/lookfors/all';
import { RubricEdit } from '../handout/rubric-edit';
import '../handout/hand-out.css';
import { keep, useKept } from '../keeping/kept';
import { reached } from '../browser/reached';
import { Strip } from '../house/strip';
import { useView } from '../margin/view';
import '../margin/margin.css';
import { useSending } from '../keeping/sender';
import { PageView, useDrawing } from '../drawing/page-view';
import { pictureNow } from '../drawing/resources';
import { Bench, useBench } from '../document/bench';
import { setValues } from '../commands/commands';
import { TOUCH_WORDS } from '../settings/touch-fields';
import { Notice, SaveWords } from '../workbench/save-words';
import '../workbench/workbench.css';
import { whole } from '../../server/actions/opened';
import { allowed, filledIn, missing, requireRole } from '../who.server';
import type { Route } from './+types/hand-out';

/** As it is while it is being filled in, kept in the browser from the first letter on; `v` is for programs to come. */
const Form = z.object({
  v: z.literal(1),
  classes: z.array(z.string()),
  title: z.string(),
  brief: z.string(),
  due: z.string(),
  lookFors: z.array(z.custom<LookFor>((one) => Kept.safeParse(one).success)),
  rubric: z.custom<Rubric>(
    (one) => z.object({ rows: z.array(z.looseObject({ id: z.string() })) }).safeParse(one).success,
  ),
  supplies: z.array(z.enum(SUPPLIES)),
  ids: z.record(z.string(), z.string()),
});
type Form = z.infer<typeof Form>;
const Kept = z.looseObject({ id: z.string(), kind: z.string(), title: z.string() });

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db } = context.services;
  const found = await sheetOf(db, person.id, params.sheetId);
  if (!found) throw missing();
  const document = await allowed(whole(db, found.documentId));
  return {
    personId: person.id,
    personName: person.name,
    id: found.id,
    documentId: document.id,
    seq: document.seq,
    sheet: document.sheet,
    savedAt: +document.changedAt,
    classes: await classesOf(db, person.id),
  };
}

export const shouldRevalidate = () => false;

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const read = check(HandingOut, jsonOf((await formOf(request)).handout));
  if (!read.ok) return read.wrong;
  const means = { db, pictures: shelf.resources.pictures };
  const done = await filledIn(handOut(means, person, params.sheetId, read.value));
  if ('problem' in done) return done;
  return { problem: null, to: done.length === 1 ? `/handouts/${done[0]}` : '/desk' };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Hand out: ${loaderData?.sheet.title ?? ''} · Dappled Margin` },
];

const NEXT: Record<Touch, Touch> = { fixed: 'fill', fill: 'free', free: 'fixed' };
const SUPPLY_WORDS: Record<Supply, string> = {
  text: 'words',
  shape: 'shapes',
  line: 'lines',
  picture: 'pictures',
  map: 'concept maps',
  ink: 'the pen',
};

const sheetSlice = (bench: Bench) => bench.sheet;

export default function HandOut({ loaderData }: Route.ComponentProps) {
  const [bench] = useState(() => new Bench({ ...loaderData, rights: { kind: 'all' } }));
  useEffect(() => {
    void bench.open();
    return () => bench.close();
  }, [bench]);
  const sheet = useBench(bench, sheetSlice);
  const [pageId, setPageId] = useState(sheet.pages[0].id);
  const given = useMemo(() => givenOut(sheet), [sheet]);
  const page = given.pages.find((p) => p.id === pageId) ?? given.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(sheet);
  return (
    <div className="frame handing">
      <Strip home="/desk" title={`Hand out: ${sheet.title}`} before={<SaveWords bench={bench} />}>
        <Link to={`/sheets/${loaderData.id}`}>back to the sheet</Link>
      </Strip>
      <div className="frame-row">
        <div className="frame-main">
          <div className="frame-stage dapple" ref={stage}>
            <div className="frame-room" style={{ width: view.roomWidth, height: view.roomHeight }}>
              <div
                className="paper"
                style={{
                  left: view.inset.x,
                  top: view.inset.y,
                  width: page.width * view.scale,
                  height: page.height * view.scale,
                }}
              >
                {faces && (
                  <PageView
                    sheet={given}
                    page={page}
                    faces={faces}
                    arrived={arrived}
                    scale={view.scale}
                    prompts
                    label="What students get"
                  />
                )}
                {faces && <TouchMarks bench={bench} page={page} scale={view.scale} />}
              </div>
            </div>
            <div className="touch-key">
              <span>
                <i />
                {TOUCH_WORDS.fixed}
              </span>
              <span>
                <i className="fill" />
                {TOUCH_WORDS.fill}
              </span>
              <span>
                <i className="free" />
                {TOUCH_WORDS.free}
              </span>
              <span className="quiet">press a part to change it</span>
              {sheet.pages.length > 1 &&
                sheet.pages.map((p, i) => (
                  <button
                    key={p.id}
                    type="button"
                    className="page-tab"
                    aria-current={p.id === page.id}
                    onClick={() => setPageId(p.id)}
                  >
                    {i + 1}
                  </button>
                ))}
            </div>
          </div>
          <aside className="margin-column" aria-label="Who, when and what">
            <HandingForm bench={bench} loaded={loaderData} />
          </aside>
        </div>
      </div>
      <Notice bench={bench} />
    </div>
  );
}

/** What students will see, with every part that has a frame as a button. */
function TouchMarks({ bench, page, scale }: { bench: Bench; page: Page; scale: number }) {
  return page.items
    .toReversed()
    .filter(isFramed)
    .map((item) => {
      const box = boxOf(page, item, pictureNow);
      return (
        <button
          key={item.id}
          type="button"
          className={`touch-mark ${item.touch}`}
          aria-label={`${itemName(item)}: students may ${TOUCH_WORDS[item.touch]}`}
          style={{
            left: box.x * scale - 2,
            top: box.y * scale - 2,
            width: box.width * scale + 4,
            height: box.height * scale + 4,
          }}
          onClick={() => {
            bench.pageId = page.id;
            setValues(bench, 'What students may do', { touch: NEXT[item.touch] }, [item.id]);
          }}
        >
          <span>{TOUCH_WORDS[item.touch]}</span>
        </button>
      );
    });
}

type Loaded = Route.ComponentProps['loaderData'];

function HandingForm({ bench, loaded }: { bench: Bench; loaded: Loaded }) {
  const sheet = useBench(bench, sheetSlice);
  const { personId, personName, id: sheetId } = loaded;
  const fetcher = useFetcher<typeof clientAction>();
  const navigate = useNavigate();
  useSending(personId);
  const [first] = useState((): Form => ({
    v: 1,
    classes: loaded.classes.length === 1 ? [loaded.classes[0].id] : [],
    title: loaded.sheet.title,
    brief: '',
    due: '',
    lookFors: suggested(loaded.sheet, () => nanoid(8)),
    rubric: { rows: [] },
    supplies: [],
    ids: {},
  }));
  const [kept, setKept] = useKept(personId, `hand-out/${sheetId}`, Form);
  const chosen = kept ?? first;
  const form = useMemo(
    () => ({
      ...chosen,
      classes: chosen.classes.filter((id) => loaded.classes.some((c) => c.id === id)),
      lookFors: rekeyed(chosen.lookFors, sheet),
    }),
    [chosen, sheet, loaded.classes],
  );
  const set = (patch: Partial<Form>) => setKept({ ...form, ...patch });
  const [waiting, setWaiting] = useState(false);
  const tried = useMemo(
    () => countAll(form.lookFors, sheet, { handedOut: givenOut(sheet), studentName: personName }),
    [form.lookFors, sheet, personName],
  );
  const wrong = fetcher.data?.problem ? fetcher.data : null;
  const to = fetcher.data && 'to' in fetcher.data ? fetcher.data.to : null;
  useEffect(() => {
    if (to === null) return;
    keep(personId, `hand-out/${sheetId}`, null);
    void navigate(to);
  }, [to, personId, sheetId, navigate]);
  const send = async () => {
    setWaiting(true);
    const saved = await bench.settled();
    setWaiting(false);
    if (saved === null)
      return bench.say('The sheet is not saved yet: the server does not answer. Try again when it says “saved”.');
    const due = form.due ? new Date(form.due) : null;
    const { v: _, due: __, ...rest } = form;
    const ids = Object.fromEntries(form.classes.map((id) => [id, form.ids[id] ?? nanoid(12)]));
    set({ ids });
    const handout: HandingOut = { ...rest, ids, dueAt: due && !Number.isNaN(+due) ? due.toISOString() : null };
    void fetcher.submit({ handout: JSON.stringify(handout) }, { method: 'post' });
  };
  return (
    <div className="handing-form">
      <section>
        <label className="block" htmlFor="title">
          Name of the handout
        </label>
        <Input id="title" value={form.title} onChange={(event) => set({ title: event.target.value })} />
      </section>
      <section>
        <h2>Who and when</h2>
        {loaded.classes.length === 0 && (
          <p className="quiet">
            You have no class yet. <Link to="/classes">Begin one</Link>, then come back.
          </p>
        )}
        <div className="who-row">
          {loaded.classes.map((c) => (
            <Checkbox
              key={c.id}
              checked={form.classes.includes(c.id)}
              onChange={(event) =>
                set({
                  classes: event.target.checked ? [...form.classes, c.id] : form.classes.filter((id) => id !== c.id),
                })
              }
            >
              {c.name} ({c.size})
            </Checkbox>
          ))}
        </div>
        <p style={{ margin: '8px 0 0' }}>
          due{' '}
          <DayField
            time
            mayBeNone
            label="due"
            none="no due time"
            value={form.due}
            invalid={wrong?.field === 'dueAt'}
            onChange={(due) => set({ due })}
          />
        </p>
      </section>
      <section>
        <label className="block" htmlFor="brief">
          Brief: what is to be done
        </label>
        <Input.TextArea
          id="brief"
          rows={3}
          value={form.brief}
          onChange={(event) => set({ brief: event.target.value })}
        />
      </section>
      <section>
        <h2>What you will look for</h2>
        <LookForEdit
          sheet={sheet}
          lookFors={form.lookFors}
          tried={tried}
          onChange={(lookFors) => set({ lookFors })}
          onRefuse={(reason) => bench.say(reason)}
        />
      </section>
      <section>
        <h2>Rubric</h2>
        <RubricEdit rubric={form.rubric} onChange={(rubric) => set({ rubric })} />
      </section>
      <section>
        <h2>Supplies open to students</h2>
        <div className="who-row">
          {SUPPLIES.map((supply) => (
            <Checkbox
              key={supply}
              checked={form.supplies.includes(supply)}
              onChange={(event) =>
                set({
                  supplies: event.target.checked
                    ? [...form.supplies, supply]
                    : form.supplies.filter((s) => s !== supply),
                })
              }
            >
              {SUPPLY_WORDS[supply]}
            </Checkbox>
          ))}
        </div>
      </section>
      {wrong && <Alert type="error" showIcon title={wrong.problem} role="alert" />}
      <Button
        type="primary"
        size="large"
        loading={waiting || fetcher.state !== 'idle' || to !== null}
        onClick={() => void send()}
      >
        Hand it out
      </Button>
      {kept && (
        <p className="quiet">
          What you filled in is kept in this browser until it is handed out.{' '}
          <button type="button" className="plainbtn" onClick={() => setKept(null)}>
            start over
          </button>
        </p>
      )}
    </div>
  );
}
