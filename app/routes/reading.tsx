import { Alert, Button, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link, redirect, useFetcher, useNavigate } from 'react-router';
import { z } from 'zod';
import { boxOf, partAt } from '../../core/geometry/hit';
import type { Point } from '../../core/geometry/matrix';
import type { Evidence } from '../../core/lookfors/lookfor';
import { evidenceWords, heldAfter, pieceMarks } from '../../core/review/marks';
import { Id } from '../../core/sheet/schema';
import type { Page } from '../../core/sheet/schema';
import { findOn } from '../../core/sheet/tree';
import { countedOn } from '../../server/counting';
import { copiesOf, copyForTeacher, goesOf, returnGo } from '../../server/stores/copies';
import { addNote, editNote, markRow, notesOf, removeNote, rule, rulingsOf } from '../../server/stores/reviews';
import { openedOr } from '../damaged.server';
import { DamageCard } from '../look/damaged';
import { askedGo, check, formOf } from '../form.server';
import { Strip } from '../look/strip';
import { useZone } from '../look/time';
import { SheetFrame } from '../margin/frame';
import type { MarginEntry } from '../margin/margin';
import { useView } from '../margin/view';
import { Band, HeadCard, RubricCard } from '../reading/cards';
import { NoteCard, NoteDraft } from '../reading/notes';
import '../reading/reading.css';
import { PageView, useDrawing } from '../sheet/page-view';
import { pictureNow } from '../sheet/resources';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/reading';
import { Marks } from './spread';

const coordinate = z.coerce.number().min(-7200).max(7200);
const Words = z.string().trim().min(1, 'Write something first.').max(4000, 'A note has at most 4,000 letters.');
const Action = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('note'),
    go: Id,
    page: Id,
    item: Id.optional(),
    x: coordinate.optional(),
    y: coordinate.optional(),
    body: Words,
  }),
  z.object({ do: z.literal('edit-note'), go: Id, note: Id, body: Words }),
  z.object({ do: z.literal('remove-note'), go: Id, note: Id }),
  z.object({ do: z.literal('rule'), go: Id, lookFor: Id, held: z.enum(['yes', 'no', 'counted']) }),
  z.object({ do: z.literal('mark'), go: Id, row: Id, level: z.coerce.number().int().min(-1).max(10) }),
  z.object({ do: z.literal('return'), go: Id, outcome: z.enum(['done', 'another-go']) }),
]);

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const copy = await copyForTeacher(db, person.id, params.copyId);
  if (!copy || copy.handout.id !== params.handoutId) throw missing();
  const [goes, copies] = await Promise.all([goesOf(db, copy.id), copiesOf(db, copy.handout.id)]);
  const asked = askedGo(request);
  const go = goes.find((g) => g.number === asked) ?? goes.at(-1);
  const { handout } = copy;
  const opened = go ? null : await openedOr(db, copy.documentId);
  if (opened === undefined) throw missing();
  const { sheet } = go ?? opened!;
  const [notes, rulings] = go ? await Promise.all([notesOf(db, [go.id]), rulingsOf(db, [go.id])]) : [[], []];
  return {
    copy: {
      id: copy.id,
      studentName: copy.studentName,
      state: copy.state,
      title: handout.title,
      handoutId: handout.id,
      begunAt: copies.find((c) => c.id === copy.id)?.begunAt ?? null,
    },
    lookFors: handout.lookFors,
    rubric: handout.rubric,
    damage: opened && 'damage' in opened ? opened.damage : null,
    goDamaged: Boolean(go?.damage),
    go: go
      ? {
          id: go.id,
          number: go.number,
          handedInAt: go.handedInAt,
          returnedAt: go.returnedAt,
          outcome: go.outcome,
          marks: go.marks,
        }
      : null,
    goes: goes.map(({ number, outcome }) => ({ number, outcome })),
    sheet,
    handedOut: handout.given,
    key: handout.sheet,
    results: countedOn(handout, sheet, copy.studentName, shelf.resources.pictures),
    notes,
    rulings,
    band: copies.map(({ id, studentName, state }) => ({ id, studentName, state })),
    now: Date.now(),
  };
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db } = context.services;
  const copy = await copyForTeacher(db, person.id, params.copyId);
  if (!copy) throw missing();
  const read = check(Action, await formOf(request));
  if (!read.ok) return read.wrong;
  const given = read.value;
  const go = (await goesOf(db, copy.id)).find((g) => g.id === given.go);
  if (!go) return { problem: `${copy.studentName} has taken this piece back meanwhile. Nothing was written.` };
  const gone = {
    problem: 'This piece is with the student again, so nothing more can be said on it. What you wrote before is kept.',
  };
  switch (given.do) {
    case 'note': {
      const placed = { pageId: given.page, itemId: given.item ?? null, x: given.x ?? null, y: given.y ?? null };
      return (await addNote(db, { goId: go.id, authorId: person.id, body: given.body, ...placed }))
        ? { problem: null }
        : gone;
    }
    case 'edit-note':
      return (await editNote(db, go.id, given.note, given.body)) ? { problem: null } : gone;
    case 'remove-note':
      return (await removeNote(db, go.id, given.note)) ? { problem: null } : gone;
    case 'rule':
      return (await rule(db, go.id, given.lookFor, given.held === 'counted' ? null : given.held === 'yes'))
        ? { problem: null }
        : gone;
    case 'mark': {
      const row = copy.handout.rubric.rows.find((r) => r.id === given.row);
      if (!row || given.level >= row.levels.length) return { problem: 'This rubric has no such level.' };
      return (await markRow(db, go.id, row.id, given.level < 0 ? null : given.level)) ? { problem: null } : gone;
    }
    case 'return': {
      const moved = await returnGo(db, go.id, given.outcome);
      if (!moved.ok) return { problem: moved.reason };
      const next = (await copiesOf(db, copy.handout.id))
        .filter((c) => c.state === 'handed-in')
        .sort((a, b) => +(a.handedInAt ?? 0) - +(b.handedInAt ?? 0))[0];
      return redirect(next ? `/handouts/${copy.handout.id}/reading/${next.id}` : `/handouts/${copy.handout.id}`);
    }
  }
}

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.copy.studentName ?? ''}: ${loaderData?.copy.title ?? ''} · Dappled Margin` },
];

/** Evidence that stands in the margin; the rest shows on the piece alone. */
const TOLD: ReadonlySet<Evidence['verdict']> = new Set(['wrong', 'near', 'reversed', 'missing', 'extra']);

export default function ReadingScreen({ loaderData }: Route.ComponentProps) {
  return <Reading key={`${loaderData.copy.id} ${loaderData.go?.id}`} loaded={loaderData} />;
}

type Loaded = Route.ComponentProps['loaderData'];
type Draft = { page: string; item: string | null; at: Point };
type Shown = 'piece' | 'handed out' | 'key';
function anchorOf(page: Page, itemId: string | null, x: number | null, y: number | null): Point | null {
  const item = itemId === null ? undefined : findOn(page, itemId)?.item;
  if (item) {
    const box = boxOf(page, item, pictureNow);
    return { x: box.x + box.width, y: box.y + box.height / 2 };
  }
  return x !== null && y !== null ? { x, y } : null;
}

function Reading({ loaded }: { loaded: Loaded }) {
  const { copy, go, sheet, lookFors, results, rulings, notes, rubric, band } = loaded;
  const [pageIndex, setPageIndex] = useState(0);
  const [shown, setShown] = useState<Shown>('piece');
  const [draft, setDraft] = useState<Draft | null>(null);
  const [active, setActive] = useState<string | null>(null);
  const source = shown === 'piece' ? sheet : shown === 'key' ? loaded.key : loaded.handedOut;
  const page = source.pages[pageIndex] ?? source.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(source);
  const fetcher = useFetcher<typeof action>();
  const navigate = useNavigate();
  const zone = useZone();
  const open = go !== null && go.returnedAt === null && copy.state === 'handed-in';
  const submit = (data: Record<string, string>) =>
    void fetcher.submit({ go: go?.id ?? '', ...data }, { method: 'post' });

  const at = band.findIndex((entry) => entry.id === copy.id);
  const [before, after] = [band[at - 1], band[at + 1]];
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) || event.ctrlKey || event.metaKey || event.altKey)
        return;
      const to = event.key === 'ArrowRight' ? after : event.key === 'ArrowLeft' ? before : undefined;
      if (to) void navigate(`/handouts/${copy.handoutId}/reading/${to.id}`);
      if (event.key === 'Escape') setDraft(null);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [after, before, copy.handoutId, navigate]);

  const marks = pieceMarks(sheet, results, pictureNow).filter((mark) => mark.page === page.id);
  const problem = fetcher.data?.problem;

  const entries: MarginEntry[] = [
    {
      id: 'head',
      anchor: null,
      end: 'top',
      tone: 'plain',
      label: 'Look-fors',
      content: <HeadCard loaded={loaded} open={open} submit={submit} zone={zone} />,
    },
  ];
  if (loaded.damage || loaded.goDamaged)
    entries.unshift({
      id: 'damage',
      anchor: null,
      end: 'top',
      tone: 'apricot',
      active: true,
      label: 'Damaged',
      content: loaded.damage ? (
        <DamageCard damage={loaded.damage} back={`/handouts/${copy.handoutId}/reading/${copy.id}`} now={loaded.now} />
      ) : (
        <>
          <h3>This piece is damaged</h3>
          <p>What was handed in can’t be read any more. Give it back for another go, to be handed in once more.</p>
        </>
      ),
    });
  if (shown === 'piece') {
    lookFors.forEach((lookFor, i) => {
      results[i].evidence.forEach((evidence, j) => {
        if (!TOLD.has(evidence.verdict)) return;
        const anchor = anchorOf(page, evidence.items[0] ?? null, null, null);
        if (
          !anchor ||
          lookFor.kind === 'words' ||
          (heldAfter(results[i], rulings) === true &&
            evidence.verdict === 'wrong' &&
            !['labels', 'map'].includes(lookFor.kind))
        )
          return;
        const id = `${lookFor.id} ${j}`;
        entries.push({
          id,
          anchor,
          tone: evidence.verdict === 'near' || evidence.verdict === 'extra' ? 'moss' : 'apricot',
          active: active === id,
          label: lookFor.title,
          content: (
            <>
              <h3>
                {evidenceWords(lookFor, evidence)}{' '}
                <small>{evidence.verdict === 'near' ? 'counted as right' : 'look-for'}</small>
              </h3>
              {open &&
                evidence.verdict !== 'near' &&
                !notes.some((note) => note.itemId === evidence.items[0]) &&
                draft?.item !== evidence.items[0] && (
                  <button
                    type="button"
                    className="lookfor-go"
                    style={{ padding: 0 }}
                    onClick={() => setDraft({ page: page.id, item: evidence.items[0], at: anchor })}
                  >
                    write a note here
                  </button>
                )}
            </>
          ),
        });
      });
    });
    for (const note of notes) {
      if (note.pageId !== page.id) continue;
      entries.push({
        id: note.id,
        anchor: anchorOf(page, note.itemId, note.x, note.y),
        end: 'bottom',
        tone: 'sky',
        active: active === note.id,
        label: 'Your note',
        content: (
          <NoteCard
            note={note}
            open={open}
            onEdit={(body) => submit({ do: 'edit-note', note: note.id, body })}
            onRemove={() => submit({ do: 'remove-note', note: note.id })}
          />
        ),
      });
    }
    if (draft && draft.page === page.id)
      entries.push({
        id: 'draft',
        anchor: draft.at,
        tone: 'sky',
        active: true,
        current: true,
        label: 'A new note',
        content: (
          <NoteDraft
            onCancel={() => setDraft(null)}
            onSave={(body) => {
              submit({
                do: 'note',
                page: draft.page,
                ...(draft.item ? { item: draft.item } : { x: String(draft.at.x), y: String(draft.at.y) }),
                body,
              });
              setDraft(null);
            }}
          />
        ),
      });
  }
  if (rubric.rows.length > 0 && go)
    entries.push({
      id: 'rubric',
      anchor: null,
      end: 'bottom',
      tone: 'plain',
      label: 'Rubric',
      content: <RubricCard loaded={loaded} open={open} submit={submit} />,
    });

  return (
    <>
      <SheetFrame
        strip={
          <Strip
            home="/desk"
            title={copy.title}
            before={
              <Link to={`/handouts/${copy.handoutId}`} className="quiet">
                the whole class
              </Link>
            }
          >
            <Segmented
              aria-label="What is shown"
              value={shown}
              onChange={setShown}
              options={['piece', 'handed out', 'key']}
            />
            {loaded.goes.length > 1 && (
              <span className="goes" role="group" aria-label="Goes">
                {loaded.goes.map(({ number }) => (
                  <Link key={number} to={`?go=${number}`} aria-current={number === go?.number} className="go-link">
                    go {number}
                  </Link>
                ))}
              </span>
            )}
            {sheet.pages.length > 1 &&
              sheet.pages.map((p, i) => (
                <button
                  key={p.id}
                  type="button"
                  className="page-tab"
                  aria-label={`Page ${i + 1}`}
                  aria-current={i === pageIndex}
                  onClick={() => setPageIndex(i)}
                >
                  {i + 1}
                </button>
              ))}
            <Button
              disabled={!open}
              loading={fetcher.state !== 'idle'}
              onClick={() => submit({ do: 'return', outcome: 'another-go' })}
            >
              Another go
            </Button>
            <Button
              type="primary"
              disabled={!open}
              loading={fetcher.state !== 'idle'}
              onClick={() => submit({ do: 'return', outcome: 'done' })}
            >
              Return as done
            </Button>
          </Strip>
        }
        band={<Band band={band} current={copy.id} handoutId={copy.handoutId} />}
        stage={stage}
        view={view}
        entries={entries}
        marginLabel="What is to be said"
        onChooseEntry={setActive}
      >
        <div
          className={`paper${open && shown === 'piece' ? ' reading-paper' : ''}`}
          style={{
            left: view.inset.x,
            top: view.inset.y,
            width: page.width * view.scale,
            height: page.height * view.scale,
          }}
          onClick={(event) => {
            if (!open || shown !== 'piece') return;
            const box = event.currentTarget.getBoundingClientRect();
            const point = { x: (event.clientX - box.left) / view.scale, y: (event.clientY - box.top) / view.scale };
            const item = partAt(page, point, pictureNow)?.id ?? null;
            setDraft({ page: page.id, item, at: anchorOf(page, item, point.x, point.y)! });
          }}
        >
          {faces && (
            <PageView
              sheet={source}
              page={page}
              faces={faces}
              arrived={arrived}
              scale={view.scale}
              label={`${copy.title} by ${copy.studentName}`}
            />
          )}
          {shown === 'piece' && <Marks marks={marks} page={page} />}
        </div>
      </SheetFrame>
      {problem && (
        <div className="over-alert">
          <Alert type="warning" showIcon title={problem} role="alert" />
        </div>
      )}
    </>
  );
}
