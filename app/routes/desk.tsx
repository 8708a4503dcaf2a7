import { Alert } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ShouldRevalidateFunctionArgs } from 'react-router';
import { redirect, useSearchParams } from 'react-router';
import { whomWords } from '../../core/handout/whom';
import { inWords } from '../../core/values/listed';
import type { OnDesk as Wanted } from '../../server/actions/desk';
import { doOnDesk, OnDesk } from '../../server/actions/desk';
import { BEGINNINGS } from '../../server/stores/beginnings';
import { foldersOf } from '../../server/stores/folders';
import { binnedHandouts } from '../../server/stores/handout-life';
import { progressOf } from '../../server/stores/handouts';
import { BIN_DAYS, PURPOSES, sheetsOf } from '../../server/stores/sheets';
import type { Unreached } from '../browser/reached';
import { afterReaching, orLast, reached } from '../browser/reached';
import { useSearch } from '../browser/search';
import type { Answer } from '../desk/acting';
import { useActing } from '../desk/acting';
import { AnswerBar } from '../desk/answer-bar';
import { BinnedHandouts } from '../desk/binned-handouts';
import { Beginnings } from '../desk/beginnings';
import { BIN, FolderActions, Folders } from '../desk/folders';
import { Handouts } from '../desk/handouts';
import { sorted } from '../desk/order';
import { Sheets } from '../desk/sheets';
import { Sorting, useSort } from '../desk/sorting';
import { check, formOf } from '../form.server';
import { HouseStrip } from '../house/house-strip';
import { Empty } from '../parts/empty';
import { Sure } from '../parts/sure';
import { filledIn, requireRole } from '../who.server';
import type { Route } from './+types/desk';
import styles from './desk.module.css';

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, demo } = context.services;
  const [sheets, handouts, binned, folders] = await Promise.all([
    sheetsOf(db, person.id),
    progressOf(db, person.id),
    binnedHandouts(db, person.id),
    foldersOf(db, person.id),
  ]);
  return {
    person,
    demo,
    now: Date.now(),
    handouts,
    binned,
    folders,
    binDays: BIN_DAYS,
    sheets: sheets.map((sheet) => ({ ...sheet, title: sheet.title || 'Untitled sheet' })),
    purposes: PURPOSES.map((id) => ({ id, name: BEGINNINGS[id].name })),
  };
}

const NOTHING: Answer = { problem: null, said: null, undo: null };
/** What is said about what was done; most of it is seen. */
const SAID: Partial<Record<Wanted['do'], string>> = {
  bin: `The sheet is in the bin. It is kept there for ${BIN_DAYS} days.`,
  'bin-handout': `The handout is in the bin, with all its copies. It is kept there for ${BIN_DAYS} days.`,
  delete: 'The sheet is deleted.',
  'delete-handout': 'The handout is deleted, with all its copies.',
  'empty-bin': 'The bin is empty.',
};

function undoOf(wanted: Wanted): Answer['undo'] {
  if (wanted.do === 'bin') return { do: 'restore', sheetId: wanted.sheetId };
  return wanted.do === 'bin-handout' ? { do: 'restore-handout', handoutId: wanted.handoutId } : null;
}

export async function action({ request, context }: Route.ActionArgs): Promise<Answer> {
  const person = await requireRole(request, context, 'teacher');
  const read = check(OnDesk, await formOf(request));
  if (!read.ok) return { ...NOTHING, ...read.wrong };
  const wanted = read.value;
  const done = await filledIn(doOnDesk(context.services.db, person, wanted));
  if ('problem' in done) return { ...NOTHING, ...done };
  if (done.sheetId) throw redirect(`/sheets/${done.sheetId}${wanted.do === 'begin' ? '?named=no' : ''}`);
  return {
    problem: null,
    said: SAID[wanted.do] ?? null,
    undo: undoOf(wanted),
    folderId: done.folderId,
  };
}

/** Something was done of which this window has not loaded the outcome. */
let behind = false;

export async function clientAction({ serverAction }: Route.ClientActionArgs): Promise<Answer> {
  behind = true;
  const answer: Answer | Unreached = await reached(() => serverAction());
  return 'unreached' in answer ? { ...NOTHING, problem: answer.problem } : answer;
}

/** Opening a folder only shows other sheets of those that are there. */
export const shouldRevalidate = (given: ShouldRevalidateFunctionArgs) => {
  const { formMethod, currentUrl, nextUrl } = given;
  const onlyFolder = !formMethod && currentUrl.pathname === nextUrl.pathname && currentUrl.search !== nextUrl.search;
  return !(onlyFolder && !behind) && afterReaching(given);
};
export async function clientLoader({ request, serverLoader }: Route.ClientLoaderArgs) {
  const data = await orLast(request, serverLoader);
  behind = false;
  return data;
}
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Desk · Dappled Margin' }];

type Data = Route.ComponentProps['loaderData'];

/** Everything on the Desk, as a search reads it. */
function useFound({ sheets, handouts, folders }: Data, wanted: string) {
  const list = useMemo(
    () => [
      ...handouts.map((handout) => ({
        name: handout.title,
        tags: [whomWords(handout)],
        group: 'handout',
        handout,
        sheet: null,
      })),
      ...sheets
        .filter(({ binnedAt }) => binnedAt === null)
        .map((sheet) => ({
          name: sheet.title,
          tags: folders.filter(({ id }) => id === sheet.folderId).map(({ name }) => name),
          group: 'sheet',
          handout: null,
          sheet,
        })),
    ],
    [sheets, handouts, folders],
  );
  const search = useSearch(list);
  return useMemo(() => {
    if (wanted.trim() === '') return null;
    const found = search(wanted);
    return {
      handouts: found.flatMap(({ handout }) => handout ?? []),
      sheets: found.flatMap(({ sheet }) => sheet ?? []),
    };
  }, [search, wanted]);
}

/** The sheets of one place: all, a folder, or the bin. */
function Made({ data, place }: { data: Data; place: string | null }) {
  const { person, sheets, binned, folders, now, binDays } = data;
  const { act } = useActing();
  const [sort, setSort] = useSort();
  const folder = folders.find(({ id }) => id === place);
  const inPlace = (where: string | null) =>
    sheets.filter(({ folderId, binnedAt }) =>
      where === BIN ? binnedAt !== null : binnedAt === null && (where === null || folderId === where),
    );
  const shown = sorted(inPlace(place), sort);
  const handouts = place === BIN ? binned : [];
  const inBin = [
    shown.length > 0 && (shown.length === 1 ? 'this sheet' : `all ${shown.length} sheets`),
    handouts.length > 0 &&
      (handouts.length === 1 ? 'this handout with its copies' : `all ${handouts.length} handouts with their copies`),
  ].filter((words) => words !== false);
  return (
    <section aria-labelledby="made">
      <div className={styles.head}>
        <h2 id="made">{place === BIN ? 'Bin' : (folder?.name ?? 'Being made')}</h2>
        {folder && <FolderActions key={folder.id} personId={person.id} folder={folder} />}
        {place === BIN && inBin.length > 0 && (
          <Sure question={`Delete ${inWords(inBin)}?`} verb="delete" onSure={() => act({ do: 'empty-bin' })}>
            Empty the bin
          </Sure>
        )}
        {shown.length > 1 && (
          <span className={styles.end}>
            <Sorting sort={sort} onChoose={setSort} />
          </span>
        )}
      </div>
      <div className={styles.places}>
        <Folders
          personId={person.id}
          folders={folders}
          chosen={place}
          countIn={(where) => inPlace(where).length + (where === BIN ? binned.length : 0)}
        />
      </div>
      <BinnedHandouts handouts={handouts} now={now} binDays={binDays} />
      {shown.length > 0 ? (
        <Sheets sheets={shown} now={now} folders={folders} mixed={place === null || place === BIN} binDays={binDays} />
      ) : (
        handouts.length === 0 && <Empty>{emptyWords(place, folder?.name)}</Empty>
      )}
    </section>
  );
}

function emptyWords(place: string | null, folder?: string): string {
  if (place === BIN) return 'Nothing is in the bin.';
  if (folder !== undefined)
    return 'Nothing is in this folder yet. Drag a sheet onto its name, or begin one with the row above.';
  return 'No sheets yet. Begin one with the row above.';
}

export default function Desk({ loaderData, actionData }: Route.ComponentProps) {
  const { person, demo, now, handouts, sheets, folders, purposes, binDays } = loaderData;
  const [parameters] = useSearchParams();
  const asked = parameters.get('in');
  const place = asked === BIN || folders.some(({ id }) => id === asked) ? asked : null;
  const [wanted, setWanted] = useState('');
  const found = useFound(loaderData, wanted);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, [contenteditable]');
      if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <div className={`${styles.desk} dapple`}>
      <HouseStrip person={person} />
      {demo && (
        <div className="demo-note">This is the demo school: everybody in it is made up. Change what you like.</div>
      )}
      <main>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        <Beginnings
          purposes={purposes}
          folderId={place === BIN ? null : place}
          lit={sheets.length === 0 && handouts.length === 0}
        />
        <section aria-labelledby="out">
          <div className={styles.head}>
            <h2 id="out">{found ? 'Found' : 'With students'}</h2>
            <span className={styles.end}>
              <input
                ref={field}
                type="search"
                className={styles.search}
                aria-label="Search sheets and handouts"
                aria-keyshortcuts="/"
                placeholder="Search sheets and handouts"
                value={wanted}
                onChange={(event) => setWanted(event.target.value)}
                onKeyDown={(event) => event.key === 'Escape' && setWanted('')}
              />
            </span>
          </div>
          {found === null && handouts.length === 0 && (
            <Empty>
              Nothing is handed out yet. Open a sheet and press “Hand out”: what your students do then shows here.
            </Empty>
          )}
          {found !== null && found.handouts.length + found.sheets.length === 0 && (
            <Empty>
              Nothing here is called “{wanted.trim()}”. Try another word of its title, or the name of the class.
            </Empty>
          )}
          <Handouts handouts={found?.handouts ?? handouts} now={now} found={found !== null} />
        </section>
        {found ? (
          <Sheets sheets={found.sheets} now={now} folders={folders} mixed binDays={binDays} />
        ) : (
          <Made data={loaderData} place={place} />
        )}
      </main>
      <AnswerBar came={actionData && actionData.problem === null ? actionData : undefined} />
    </div>
  );
}
