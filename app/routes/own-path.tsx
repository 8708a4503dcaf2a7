import { Link } from 'react-router';
import { OUTCOME_WORDS } from '../../core/handout/state';
import { sumWords } from '../../core/lookfors/rubric';
import { howMany } from '../../core/values/listed';
import { workshop } from '../../server/actions/means';
import { ownPathView } from '../../server/views/own-path-view';
import { orLast } from '../browser/reached';
import { useZone, whenWords } from '../browser/time';
import { Strip } from '../house/strip';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { requireRole } from '../who.server';
import type { Route } from './+types/own-path';
import styles from './path.module.css';

/** A student's own work, piece by piece. */

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'student');
  const { db, shelf } = context.services;
  return ownPathView(workshop(db, shelf), person);
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'My work · Dappled Margin' }];

export default function OwnPath({ loaderData }: Route.ComponentProps) {
  const { pieces, isWhole, now } = loaderData;
  return (
    <div className={`${styles.page} dapple`}>
      <Strip
        home="/tray"
        title="My work"
        before={<span className="quiet">{howMany(pieces.length, 'piece')} handed in</span>}
      />
      <main className={styles.path}>
        {pieces.length === 0 && <Empty>What you hand in stands here, with what your teacher said about it.</Empty>}
        <ol className={styles.pieces} aria-label="My work, the newest first">
          {pieces.map((piece) => (
            <li key={piece.id} className={card(styles.piece)}>
              <Work piece={piece} now={now} />
            </li>
          ))}
        </ol>
        {!isWhole && <p className="quiet">What is older is not told here.</p>}
      </main>
    </div>
  );
}

type Piece = Route.ComponentProps['loaderData']['pieces'][number];

function Work({ piece, now }: { piece: Piece; now: number }) {
  const zone = useZone();
  const { id, title, className, goes, goId, late, back, unopened } = piece;
  return (
    <>
      <Link to={`/copies/${id}`} className={styles.picture} aria-label={`Open ${title}`}>
        <img src={`/copies/${id}/picture.svg?go=${goId}`} alt="" loading="lazy" />
      </Link>
      <div className={styles.about}>
        <div className={styles.head}>
          <Link to={`/copies/${id}`}>
            <strong>{title}</strong>
          </Link>
          {back && <span>{back.outcome === 'done' ? 'Done' : 'Another go'}</span>}
        </div>
        <span className="quiet">
          {className} · handed in {whenWords(piece.handedInAt, now, zone)}
          {goes > 1 && ` · go ${goes}`}
          {late && <b className={styles.late}> · late</b>}
          {back && ` · came back ${OUTCOME_WORDS[back.outcome]} ${whenWords(back.at, now, zone)}`}
        </span>
        {unopened && <b>It came back. Open it to see what your teacher said.</b>}
        {!back && !unopened && <span className="quiet">It is with your teacher.</span>}
        {back && (back.held !== null || back.points) && (
          <span className={styles.met}>
            {back.held !== null && back.lookFors > 0 && (
              <>
                <meter
                  className={styles.meter}
                  min={0}
                  max={back.lookFors}
                  value={back.held}
                  aria-label={`Look-fors of ${title}`}
                />
                {back.held} of {howMany(back.lookFors, 'look-for')} met
              </>
            )}
            {back.points && <span>{sumWords(back.points)}</span>}
          </span>
        )}
        {back && back.notes.length > 0 && (
          <ul className={styles.notes} aria-label={`Notes on ${title}`}>
            {back.notes.map((body, i) => (
              <li key={i}>{body}</li>
            ))}
          </ul>
        )}
        {back && back.notes.length > 0 && back.settled > 0 && (
          <span className="quiet">
            {back.settled} of {howMany(back.notes.length, 'note')} ticked
          </span>
        )}
      </div>
    </>
  );
}
