import { howMany } from '../../core/values/listed';
import { InGallery, writeInGallery } from '../../server/actions/gallery';
import { studentGalleryView } from '../../server/views/gallery-view';
import { afterReaching, orLast, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { Does } from '../gallery/does';
import { Wall, WallNote } from '../gallery/wall';
import { WriteNote } from '../gallery/write-note';
import { Strip } from '../house/strip';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/student-gallery';
import styles from '../gallery/gallery.module.css';

/** Pieces of the class that a teacher shows, with what the others write about them. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'student');
  return allowed(studentGalleryView(context.services.db, person, params.handoutId));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'student');
  const read = check(InGallery, await formOf(request));
  if (!read.ok) return read.wrong;
  const done = await filledIn(writeInGallery(context.services.db, person, params.handoutId, read.value));
  return done ?? { problem: null, note: read.value.note };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Gallery: ${loaderData?.title ?? ''} · Dappled Margin` },
];

export default function StudentGallery({ loaderData }: Route.ComponentProps) {
  const { personId, handoutId, title, named, pieces } = loaderData;
  return (
    <div className={`${styles.page} dapple`}>
      <Strip
        home="/tray"
        title={`Gallery: ${title}`}
        before={<span className="quiet">{howMany(pieces.length, 'piece')} of your class</span>}
      />
      <main>
        <Wall handoutId={handoutId} pieces={pieces} named={named} called={({ called }) => called}>
          {(piece) => (
            <>
              <h3>
                {piece.called}
                {piece.isMine && <span className="quiet">yours</span>}
              </h3>
              {piece.notes.length > 0 && (
                <ul className={styles.notes} aria-label={`Notes about ${piece.called}`}>
                  {piece.notes.map(({ id, kind, body, by, isMine, isShown }) => (
                    <WallNote
                      key={id}
                      {...{ kind, body }}
                      by={
                        <span className="quiet">
                          {isMine ? (isShown ? 'You' : 'You · your teacher reads it first') : by}
                        </span>
                      }
                    >
                      {isMine && !isShown && (
                        <Does asked={{ do: 'take-back', note: id }} label={`Delete: ${body}`}>
                          delete
                        </Does>
                      )}
                    </WallNote>
                  ))}
                </ul>
              )}
              {!piece.isMine && <WriteNote {...{ personId, handoutId, piece }} />}
            </>
          )}
        </Wall>
      </main>
    </div>
  );
}
