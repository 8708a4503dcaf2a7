import { Link } from 'react-router';
import { OUTCOME_WORDS } from '../../core/handout/state';
import { sumWords } from '../../core/lookfors/rubric';
import { howMany } from '../../core/values/listed';
import { workshop } from '../../server/actions/means';
import { ownPathView } from '../../server/views/own-path-view';
import { orLast } from '../browser/reached';
import { useZone, whenWords } from '../browser/time';
import { LookForsMet, NotesOn, PiecesPage } from '../house/pieces-page';
import { requireRole } from '../who.server';
import type { Route } from './+types/own-path';
import styles from '../house/pieces-page.module.css';

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
    <PiecesPage
      home="/tray"
      title="My work"
      told={`${howMany(pieces.length, 'piece')} handed in`}
      label="My work, the newest first"
      empty="What you hand in stands here, with what your teacher said about it."
      {...{ pieces, isWhole }}
      work={(piece) => <Work piece={piece} now={now} />}
    />
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
              <LookForsMet held={back.held} of={back.lookFors} title={title} />
            )}
            {back.points && <span>{sumWords(back.points)}</span>}
          </span>
        )}
        {back && <NotesOn notes={back.notes} title={title} />}
        {back && back.settled > 0 && (
          <span className="quiet">
            {back.settled} of {howMany(back.notes.length, 'note')} ticked
          </span>
        )}
      </div>
    </>
  );
}
