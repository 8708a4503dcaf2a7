import type { MouseEvent } from 'react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { z } from 'zod';
import { redirect, useFetcher, useRevalidator, useSearchParams } from 'react-router';
import type { Point } from '../../core/geometry/matrix';
import { anchorAt } from '../../core/handout/spots';
import { partAt } from '../../core/items/hit';
import type { Ruled } from '../../core/lookfors/ruled';
import { asRuled, pieceMarks } from '../../core/review/marks';
import { withoutNames } from '../../core/review/nameless';
import { workshop } from '../../server/actions/means';
import { Recalling, recallPiece, Returning, returnPiece } from '../../server/actions/review';
import { readingView } from '../../server/views/reading-view';
import { askedGo, check, formOf } from '../form.server';
import { fetched, later, useFetched } from '../browser/later';
import { afterReaching, orLast, reached } from '../browser/reached';
import { useZone, whenWords } from '../browser/time';
import { useKept } from '../keeping/kept';
import { SheetFrame } from '../margin/frame';
import { paperStyle, useView } from '../margin/view';
import { Band } from '../reading/cards';
import type { Loaded } from '../reading/entries';
import { readingEntries } from '../reading/entries';
import { useInkInHand } from '../reading/ink-in-hand';
import type { Shown } from '../reading/shown';
import { othersOf } from '../reading/shown';
import { ReadingStrip } from '../reading/reading-strip';
import { useColleagues } from '../reading/colleagues';
import { forgetAhead, takeAhead, useAhead } from '../reading/ahead';
import { RecallWord, ReturnedBar, useRecalling, useReturned } from '../reading/recalling';
import { useGrowing } from '../reading/growing';
import { useReadingKeys } from '../reading/use-keys';
import { useReturning } from '../reading/returning';
import { useFinishing } from '../reading/finishing';
import { UnfinishedNotes } from '../reading/unfinished-notes';
import { lastNote, useWriting } from '../reading/writing';
import { PageView, useDrawing } from '../drawing/page-view';
import { litFrom } from '../drawing/lit';
import { pictureNow } from '../drawing/resources';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/reading';
import { Marks } from '../spread/marks';
import type { Tool } from '../ink/tool';
import { OverAlert } from '../parts/over-alert';
import readingStyles from '../reading/reading.module.css';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const means = workshop(db, shelf);
  return { ...(await allowed(readingView(means, person, params, askedGo(request)))), begun: 0, ahead: false };
}

/** `begun`: when it was asked for, by this window's clock; `ahead`: before it was shown. */
export async function clientLoader({ request, serverLoader }: Route.ClientLoaderArgs) {
  const ahead = await takeAhead(request);
  if (ahead) return orLast(request, () => Promise.resolve(ahead));
  const begun = Date.now();
  return orLast(request, async () => ({ ...(await serverLoader()), begun }));
}
clientLoader.hydrate = true as const;

/** Returns a piece, and leads to the next that waits; or takes it back, and leads to it. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { do: what, ...form } = await formOf(request);
  const here = `/handouts/${params.handoutId}/reading/${params.copyId}`;
  if (what === 'recall') {
    const asked = check(Recalling, form);
    if (!asked.ok) return asked.wrong;
    const back = await filledIn(recallPiece(context.services.db, person, params, asked.value));
    return back ?? redirect(here);
  }
  const read = check(Returning, form);
  if (!read.ok) return read.wrong;
  const done = await filledIn(returnPiece(context.services.db, person, params, read.value));
  if ('problem' in done) return done;
  const handout = `/handouts/${params.handoutId}`;
  return redirect(`${done.next ? `${handout}/reading/${done.next}` : handout}?returned=${params.copyId}`);
}

export function clientAction({ request, serverAction }: Route.ClientActionArgs) {
  forgetAhead(request);
  return reached(() => serverAction());
}
export const shouldRevalidate = afterReaching;

const titleOf = ({ studentName, title }: { studentName: string; title: string }) =>
  `${studentName}: ${title} · Dappled Margin`;
export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: titleOf(loaderData?.copy ?? { studentName: '', title: '' }) },
];

/** What differs is told when it is asked for. */
const compared = fetched(async () => ({
  ...(await import('../../core/review/against')),
  ...(await import('../differences/differences')),
}));

const Against = later(() => import('../reading/against').then((part) => part.Against), null);
const GrowthOver = later(() => import('../reading/growth-over').then((part) => part.default), null);
const PartsByKey = later(() => import('../reading/parts-by-key').then((part) => part.default), null);
const KeySheet = later(() => import('../reading/key-sheet').then((part) => part.default), null);

/** Where on the page a pointer is, in points. */
function pointOn(event: MouseEvent<HTMLElement>, { scale }: { scale: number }): Point {
  const box = event.currentTarget.getBoundingClientRect();
  return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
}

/** Milliseconds. What was fetched ahead longer ago is asked for anew while it is shown: somebody may have said more meanwhile. */
const STALE = 5000;
/** So is what was fetched before another piece was returned or finished, of which the band and the message would not know. */
function useStale({ ahead, begun }: Loaded) {
  const { revalidate } = useRevalidator();
  const [search] = useSearchParams();
  const most = search.has('returned') || search.has('finished') ? 0 : STALE;
  useEffect(() => {
    // What was asked for just now is never asked for again, however long it took.
    if (ahead && Date.now() - begun > most) void revalidate();
  }, [ahead, begun, most, revalidate]);
}

/** Whether a teacher reads the pieces of this handout without names: kept until they are shown again. */
function useNameless({ personId, copy }: Pick<Loaded, 'personId' | 'copy'>) {
  const [kept, put] = useKept(personId, `nameless/${copy.handoutId}`, z.literal(true));
  return { nameless: kept !== null, toggle: () => put(kept ? null : true) };
}

export default function ReadingScreen({ loaderData: whole }: Route.ComponentProps) {
  const names = useNameless(whole);
  const loaderData = useMemo(() => (names.nameless ? withoutNames(whole) : whole), [names.nameless, whole]);
  const { copy } = loaderData;
  useColleagues(whole);
  useEffect(() => {
    document.title = titleOf(copy);
  }, [copy]);
  // The list stays open while another piece comes.
  const [keySheet, setKeySheet] = useState(false);
  // So does the pen stay in hand.
  const hand = useState<Tool | null>(null);
  return (
    <>
      <Reading
        key={`${loaderData.copy.id} ${loaderData.go?.id}`}
        loaded={loaderData}
        hand={hand}
        names={names}
        realName={whole.copy.studentName}
        showKeys={() => setKeySheet(true)}
      />
      {keySheet && <KeySheet onClose={() => setKeySheet(false)} />}
    </>
  );
}

/** What was counted, with what the teacher ruled of single answers. */
const ruledIn = (results: Loaded['results'], rulings: Ruled): Loaded['results'] =>
  results.map((result) => {
    const ruled = asRuled(result, rulings);
    return ruled === result ? result : { ...ruled, counted: `${ruled.got} of ${ruled.need}` };
  });

type Props = {
  loaded: Loaded;
  /** The pen, stamp or rubber in hand. */
  hand: [Tool | null, (tool: Tool | null) => void];
  names: ReturnType<typeof useNameless>;
  /** What the school calls the student, in messages of its own. */
  realName: string;
  showKeys: () => void;
};

function Reading({ loaded: given, hand, names, realName, showKeys }: Props) {
  const { personId, begun, copy, go, sheet, band } = given;
  const [pageIndex, setPageIndex] = useState(0);
  const [shown, show] = useState<Shown>('piece');
  const growing = useGrowing({ handoutId: given.copy.handoutId, id: given.copy.id });
  const setShown = (next: Shown) => {
    if (next === 'growth' && shown !== 'growth') growing.begin();
    show(next);
  };
  const [active, setActive] = useState<string | null>(null);
  const others = useMemo(() => othersOf(given), [given]);
  const other = others.find(({ value }) => value === shown) ?? null;
  const page = sheet.pages[pageIndex] ?? sheet.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(sheet);
  const fetcher = useFetcher<typeof clientAction>();
  const zone = useZone();
  const open = given.mayChange && go !== null && go.returnedAt === null && copy.state === 'handed-in';
  const second = given.second?.role === 'second';
  // A second reader judges what was returned, too.
  const judging = second ? go !== null && go.number === given.goes.at(-1)?.number : open;
  const before = useMemo(
    () => ({ notes: given.notes, rulings: given.rulings, marks: go?.marks ?? {}, ink: given.ink }),
    [given.notes, given.rulings, go?.marks, given.ink],
  );
  const piece = { personId, handoutId: copy.handoutId, copyId: copy.id, goId: go?.id ?? null, second };
  const all = useWriting(piece, before, begun);
  // Drafts belong to the newest go.
  const writing = go && go.number !== given.goes.at(-1)?.number ? { ...all, drafts: [] } : all;
  const { rulings } = writing.said;
  const results = useMemo(() => ruledIn(given.results, rulings), [given.results, rulings]);
  const loaded = useMemo(() => ({ ...given, results }), [given, results]);

  useAhead(loaded);
  const returning = useReturning(loaded, writing, fetcher);
  const recalling = useRecalling({
    handoutId: copy.handoutId,
    copyId: copy.id,
    seen: go?.seen ?? false,
    may: loaded.mayRecall,
  });
  const drawing = useInkInHand({ writing, page, hand, open: open && shown === 'piece' });
  const pointer = useRef<Point | null>(null);
  /** What is at a point, or the whole page. */
  const spotAt = (point: Point | null) => {
    const item = point && (partAt(page, point, pictureNow)?.id ?? null);
    const spot = { item, ...(point ?? { x: page.width / 2, y: page.margin }) };
    return { page: page.id, item, ...anchorAt(page, spot, pictureNow)! };
  };
  /** The part that the keyboard is at, until the pointer moves again. */
  const part = useRef<string | null>(null);
  const spotOf = (item: string) => ({
    page: page.id,
    item,
    ...anchorAt(page, { item, x: null, y: null }, pictureNow)!,
  });
  const here = () =>
    part.current === null ? spotAt(shown === 'piece' ? pointer.current : null) : spotOf(part.current);
  const finishing = useFinishing(loaded, writing);
  const asked = useReadingKeys(
    loaded,
    writing,
    { open, judging },
    {
      giveOrAsk: returning.giveOrAsk,
      finish: second && judging ? finishing.finish : undefined,
      takeBack: recalling.begin,
      write: () => {
        setShown('piece');
        writing.begin(here());
      },
      again: () => {
        const body = lastNote(personId);
        if (body === null) return;
        setShown('piece');
        writing.note(here(), body);
      },
      draw: () => {
        setShown('piece');
        drawing.toggle();
      },
      nextView: () => {
        const views: Shown[] = ['piece', ...others.map(({ value }) => value), 'growth'];
        setShown(views[(views.indexOf(shown) + 1) % views.length]);
      },
      showKeys,
      hideNames: names.toggle,
    },
  );
  const nameless = (words: string) => words.replaceAll(realName, copy.studentName);
  useStale(loaded);
  const returned = useReturned(loaded.band);

  const marks = useMemo(
    () => pieceMarks(sheet, results, pictureNow).filter((mark) => mark.page === page.id),
    [sheet, results, page.id],
  );
  const comparing = useFetched(compared);
  const differences = useMemo(
    () => {
      if (!other || comparing.kind !== 'here') return [];
      const { against, keyOf } = comparing.value;
      return against(other.isKey ? keyOf(other.sheet) : other.sheet, sheet, pictureNow);
    },
    // Pictures that arrive say where their parts are.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [other, sheet, arrived, comparing],
  );
  const against = useMemo(() => {
    if (!other || comparing.kind !== 'here') return null;
    const { differencesOn, differenceEntries } = comparing.value;
    const framed = differencesOn(differences, page);
    return {
      name: other.name,
      count: differences.length,
      framed,
      entries: differenceEntries(framed, active),
      said: other.value === 'go before' ? given.goBefore : null,
    };
  }, [other, comparing, differences, page, active, given.goBefore]);
  const entries = readingEntries({
    loaded,
    counted: given.results,
    writing: { ...writing, notTaken: writing.notTaken.map((one) => ({ ...one, reason: nameless(one.reason) })) },
    page,
    against,
    growth: shown === 'growth' ? { growing, nameless: names.nameless } : null,
    marks,
    open,
    judging,
    finishing,
    asked,
    active,
    zone,
  });

  // What is being written is lit; else what was chosen in the margin.
  const from = entries.find(({ current }) => current) ?? entries.find(({ id }) => id === active);
  const lit = from?.light?.().length ? litFrom(from.id, page) : null;

  return (
    <>
      <SheetFrame
        strip={
          <ReadingStrip
            {...{ loaded, writing, returning, recalling, open, shown, others, pageIndex }}
            finish={second ? { may: judging, ...finishing } : null}
            onKeys={showKeys}
            onShow={setShown}
            onTurn={setPageIndex}
          />
        }
        band={
          <Band
            {...{ band, nameless: names.nameless }}
            current={copy.id}
            handoutId={copy.handoutId}
            onNameless={names.toggle}
          />
        }
        stack={drawing.rail(faces)}
        above={drawing.button}
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
          onClick={(event) => open && shown === 'piece' && writing.begin(spotAt(pointOn(event, view)))}
          onPointerMove={(event) => {
            pointer.current = pointOn(event, view);
            part.current = null;
          }}
          onPointerLeave={() => (pointer.current = null)}
        >
          {faces && (
            <PageView
              sheet={sheet}
              page={page}
              faces={faces}
              arrived={arrived}
              scale={view.scale}
              label={`${copy.title} by ${copy.studentName}`}
            />
          )}
          {shown === 'piece' && faces && drawing.layer(faces, view.scale)}
          {shown === 'piece' && <Marks marks={marks} page={page} />}
          {open && shown === 'piece' && (
            <PartsByKey
              {...{ page, arrived }}
              scale={view.scale}
              writing={writing.drafts.length > 0}
              onFocus={(item) => (part.current = item)}
              onChoose={(item) => writing.begin(spotOf(item))}
            />
          )}
          {shown === 'growth' && faces && (
            <GrowthOver
              {...{ growing, page, faces, arrived }}
              nameless={names.nameless}
              title={copy.title}
              scale={view.scale}
            />
          )}
          {other && faces && (
            <Against
              {...{ other, page, faces, arrived }}
              framed={against?.framed ?? []}
              title={copy.title}
              scale={view.scale}
            >
              {other.value === 'go before' && given.goBefore && drawing.seen(given.goBefore.ink, faces, view.scale)}
            </Against>
          )}
        </div>
      </SheetFrame>
      {returning.asking !== null && <UnfinishedNotes of={returning} />}
      {returning.problem && <OverAlert>{nameless(returning.problem)}</OverAlert>}
      {recalling.asking ? (
        <RecallWord of={recalling} name={copy.studentName} />
      ) : (
        recalling.problem && <OverAlert>{nameless(recalling.problem)}</OverAlert>
      )}
      {returned && (
        <ReturnedBar
          key={returned.id}
          handoutId={copy.handoutId}
          piece={returned}
          until={whenWords(copy.returnsAt, given.now, zone)}
        />
      )}
    </>
  );
}
