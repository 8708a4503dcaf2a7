import { useMemo, useState } from 'react';
import { redirect, useFetcher } from 'react-router';
import { anchorAt } from '../../core/handout/spots';
import { partAt } from '../../core/items/hit';
import { pieceMarks } from '../../core/review/marks';
import { workshop } from '../../server/actions/means';
import { Returning, returnPiece } from '../../server/actions/review';
import { readingView } from '../../server/views/reading-view';
import { askedGo, check, formOf } from '../form.server';
import { afterReaching, orLast, reached } from '../browser/reached';
import { useZone } from '../browser/time';
import { SheetFrame } from '../margin/frame';
import { paperStyle, useView } from '../margin/view';
import { Band } from '../reading/cards';
import type { Loaded } from '../reading/entries';
import { readingEntries } from '../reading/entries';
import type { Shown } from '../reading/reading-strip';
import { ReadingStrip, useNeighbourKeys } from '../reading/reading-strip';
import { useReturning } from '../reading/returning';
import { UnfinishedNotes } from '../reading/unfinished-notes';
import { useWriting } from '../reading/writing';
import { PageView, useDrawing } from '../drawing/page-view';
import { litFrom } from '../drawing/lit';
import { pictureNow } from '../drawing/resources';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/reading';
import { Marks } from '../spread/marks';
import { OverAlert } from '../parts/over-alert';
import readingStyles from '../reading/reading.module.css';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const means = workshop(db, shelf);
  return { ...(await allowed(readingView(means, person, params, askedGo(request)))), begun: 0 };
}

/** `begun`: when it was asked for, by this window's clock. */
export async function clientLoader({ request, serverLoader }: Route.ClientLoaderArgs) {
  const begun = Date.now();
  return orLast(request, async () => ({ ...(await serverLoader()), begun }));
}
clientLoader.hydrate = true as const;

/** Gives a piece back, and leads to the next that waits. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const read = check(Returning, await formOf(request));
  if (!read.ok) return read.wrong;
  const done = await filledIn(returnPiece(context.services.db, person, params, read.value));
  if ('problem' in done) return done;
  const handout = `/handouts/${params.handoutId}`;
  return redirect(done.next ? `${handout}/reading/${done.next}` : handout);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.copy.studentName ?? ''}: ${loaderData?.copy.title ?? ''} · Dappled Margin` },
];

export default function ReadingScreen({ loaderData }: Route.ComponentProps) {
  return <Reading key={`${loaderData.copy.id} ${loaderData.go?.id}`} loaded={loaderData} />;
}

function Reading({ loaded }: { loaded: Loaded }) {
  const { personId, begun, copy, go, sheet, results, band } = loaded;
  const [pageIndex, setPageIndex] = useState(0);
  const [shown, setShown] = useState<Shown>('piece');
  const [active, setActive] = useState<string | null>(null);
  const source = shown === 'piece' ? sheet : shown === 'key' ? loaded.key : loaded.handedOut;
  const page = source.pages[pageIndex] ?? source.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(source);
  const fetcher = useFetcher<typeof clientAction>();
  const zone = useZone();
  const open = loaded.mayChange && go !== null && go.returnedAt === null && copy.state === 'handed-in';
  const before = useMemo(
    () => ({ notes: loaded.notes, rulings: loaded.rulings, marks: go?.marks ?? {} }),
    [loaded.notes, loaded.rulings, go?.marks],
  );
  const piece = { personId, handoutId: copy.handoutId, copyId: copy.id, goId: go?.id ?? null };
  const all = useWriting(piece, before, begun);
  // Drafts belong to the newest go.
  const writing = go && go.number !== loaded.goes.at(-1)?.number ? { ...all, drafts: [] } : all;

  useNeighbourKeys(loaded);
  const returning = useReturning(loaded, writing, fetcher);

  const marks = useMemo(
    () => pieceMarks(sheet, results, pictureNow).filter((mark) => mark.page === page.id),
    [sheet, results, page.id],
  );
  const entries = readingEntries({ loaded, writing, page, piece: shown === 'piece', marks, open, active, zone });

  // What is being written is lit; else what was chosen in the margin.
  const from = entries.find(({ current }) => current) ?? entries.find(({ id }) => id === active);
  const lit = from?.light?.().length ? litFrom(from.id, page) : null;

  return (
    <>
      <SheetFrame
        strip={
          <ReadingStrip
            {...{ loaded, writing, returning, open, shown, pageIndex }}
            onShow={setShown}
            onTurn={setPageIndex}
          />
        }
        band={<Band band={band} current={copy.id} handoutId={copy.handoutId} />}
        stage={stage}
        view={view}
        entries={entries}
        marginLabel="What is to be said"
        lit={lit}
        ticksFrom={page.width}
        onChooseEntry={setActive}
      >
        <div
          className={`paper${open && shown === 'piece' ? ` ${readingStyles.readingPaper}` : ''}`}
          style={paperStyle(view, page)}
          onClick={(event) => {
            if (!open || shown !== 'piece') return;
            const box = event.currentTarget.getBoundingClientRect();
            const point = { x: (event.clientX - box.left) / view.scale, y: (event.clientY - box.top) / view.scale };
            const item = partAt(page, point, pictureNow)?.id ?? null;
            writing.begin({ page: page.id, item, ...anchorAt(page, { item, ...point }, pictureNow)! });
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
      {returning.asking !== null && <UnfinishedNotes of={returning} />}
      {returning.problem && <OverAlert>{returning.problem}</OverAlert>}
    </>
  );
}
