import { Alert, Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link, redirect, useFetcher, useRevalidator } from 'react-router';
import { howMany } from '../../core/values/listed';
import { doWithGallery, WithGallery } from '../../server/actions/gallery';
import { galleryView } from '../../server/views/gallery-view';
import { followHandout } from '../browser/handout-news';
import { afterReaching, orLast, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { Does, Tick } from '../gallery/does';
import { Wall, WallNote } from '../gallery/wall';
import { Strip } from '../house/strip';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/gallery';
import styles from '../gallery/gallery.module.css';

/** A gallery, as its teacher hangs it and reads what students write in it. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  return allowed(galleryView(context.services.db, person, params.handoutId));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const read = check(WithGallery, await formOf(request));
  if (!read.ok) return read.wrong;
  const done = await filledIn(doWithGallery(context.services.db, person, params.handoutId, read.value));
  if (done) return done;
  // Pieces are chosen among all of them, and looked at here.
  return read.value.do === 'hang' ? redirect(`/handouts/${params.handoutId}/gallery`) : { problem: null };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Gallery: ${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

/** What students write comes by itself. */
function useNotesAsTheyCome(handoutId: string, now: number) {
  const { revalidate } = useRevalidator();
  const [since] = useState(now);
  useEffect(() => {
    const again = () => void revalidate();
    return followHandout(handoutId, since, ({ kind }) => kind === 'gallery' && again(), again);
  }, [handoutId, since, revalidate]);
}

/** What is asked where notes are shown to the class, or kept from it. */
const judged = (to: 'shown' | 'kept-back', ...ids: string[]) => ({ do: 'judge', to, notes: ids.join(' ') });

export default function Gallery({ loaderData }: Route.ComponentProps) {
  const { handout, gallery, pieces, now } = loaderData;
  useNotesAsTheyCome(handout.id, now);
  const fetcher = useFetcher<{ problem: string | null }>();
  const may = handout.rights === 'full';
  const waiting = pieces.flatMap((piece) =>
    piece.notes.flatMap((note) => (note.state === 'waiting' ? [{ ...note, about: piece.studentName }] : [])),
  );
  const shown = pieces.filter((piece) => piece.shown).length;
  const problem = fetcher.state === 'idle' ? fetcher.data?.problem : null;
  return (
    <div className={`${styles.page} dapple`}>
      <Strip
        home="/desk"
        title={`Gallery: ${handout.title}`}
        before={<span className="quiet">{howMany(shown, 'piece')}</span>}
      >
        <Link to={`/handouts/${handout.id}`}>
          <Button tabIndex={-1}>All pieces</Button>
        </Link>
        {may && (
          <Button
            type={gallery.open ? 'default' : 'primary'}
            disabled={!gallery.open && shown === 0}
            loading={fetcher.state !== 'idle'}
            onClick={() => void fetcher.submit({ do: 'open', open: gallery.open ? 'no' : 'yes' }, { method: 'post' })}
          >
            {gallery.open ? 'Close the gallery' : 'Show to the class'}
          </Button>
        )}
      </Strip>
      <main>
        {problem && <Alert type="error" showIcon title={problem} role="alert" />}
        <section className={card(styles.how)} aria-label="Who sees what">
          <p>
            {gallery.open
              ? 'The class sees this gallery in their trays. What they write about a piece comes to you first.'
              : 'Only you see this yet. Look the pieces over, then show them to the class.'}
            {!gallery.named &&
              ' Lines for names are empty in the pictures; names that students wrote in other places still stand there.'}
          </p>
          <Tick does="name" field="named" checked={gallery.named} disabled={!may}>
            With the names of who made them
          </Tick>
          <Tick does="after-own" field="afterOwn" checked={gallery.afterOwn} disabled={!may}>
            Only for those who have handed in, and need not go on
          </Tick>
        </section>
        {waiting.length > 0 && (
          <section aria-labelledby="waiting">
            <div className={styles.head}>
              <h2 id="waiting">{howMany(waiting.length, 'note')} to read first</h2>
              {may && waiting.length > 1 && (
                <Does asked={judged('shown', ...waiting.map(({ id }) => id))}>Show all of them</Does>
              )}
            </div>
            <ul className={styles.waiting} aria-label="Notes to read first">
              {waiting.map(({ id, kind, body, author, about }) => (
                <WallNote
                  key={id}
                  {...{ kind, body }}
                  by={<span className="quiet">{`${author}, about ${about}’s`}</span>}
                >
                  {may && (
                    <>
                      <Judge {...{ id, body }} to="shown" />
                      <Judge {...{ id, body }} to="kept-back" />
                    </>
                  )}
                </WallNote>
              ))}
            </ul>
          </section>
        )}
        {pieces.length === 0 ? (
          <Empty>Among all pieces, choose those to show, and press “Into the gallery”.</Empty>
        ) : (
          <Wall handoutId={handout.id} pieces={pieces} named={gallery.named} called={({ studentName }) => studentName}>
            {({ id, called, studentName, copyId, shown: hangs, notes }) => (
              <>
                <h3>
                  <Link to={`/handouts/${handout.id}/reading/${copyId}`}>{studentName}</Link>
                  <span className="quiet">{hangs ? called !== studentName && `shown as ${called}` : 'taken down'}</span>
                </h3>
                {notes.some(({ state }) => state !== 'waiting') && (
                  <ul className={styles.notes} aria-label={`Notes about ${studentName}’s piece`}>
                    {notes
                      .filter(({ state }) => state !== 'waiting')
                      .map((note) => (
                        <WallNote
                          key={note.id}
                          kind={note.kind}
                          body={note.body}
                          by={
                            <span className="quiet">
                              {note.author}
                              {note.state === 'kept-back' && ' · kept back'}
                            </span>
                          }
                        >
                          {may && <Judge {...note} to={note.state === 'shown' ? 'kept-back' : 'shown'} />}
                        </WallNote>
                      ))}
                  </ul>
                )}
                {may && (
                  <span className={styles.by}>
                    <Does
                      asked={{ do: hangs ? 'take-down' : 'put-back', piece: id }}
                      label={hangs ? `Take ${studentName}’s down` : `Put ${studentName}’s back`}
                    >
                      {hangs ? 'Take it down' : 'Put it back'}
                    </Does>
                  </span>
                )}
              </>
            )}
          </Wall>
        )}
      </main>
    </div>
  );
}

const JUDGE_WORDS = { shown: 'Show', 'kept-back': 'Keep back' } as const;

const Judge = ({ id, body, to }: { id: string; body: string; to: keyof typeof JUDGE_WORDS }) => (
  <Does asked={judged(to, id)} label={`${JUDGE_WORDS[to]}: ${body}`}>
    {JUDGE_WORDS[to]}
  </Does>
);
