import { Link } from 'react-router';
import { OUTCOME_WORDS } from '../../core/handout/state';
import { isMarked, sumWords } from '../../core/lookfors/rubric';
import { howMany } from '../../core/values/listed';
import { workshop } from '../../server/actions/means';
import { pathView } from '../../server/views/path-view';
import { orLast } from '../browser/reached';
import { useZone, whenWords } from '../browser/time';
import { StateLabel } from '../house/leaf';
import { LookForsMet, NotesOn, PiecesPage } from '../house/pieces-page';
import { allowed, requireRole } from '../who.server';
import type { Route } from './+types/path';
import styles from '../house/pieces-page.module.css';

/** All that a student did, piece by piece. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(pathView(workshop(db, shelf), person, params.studentId));
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `All the work of ${loaderData?.student.name ?? ''} · Dappled Margin` },
];

export default function Path({ loaderData }: Route.ComponentProps) {
  const { student, pieces, isWhole, now } = loaderData;
  const handedIn = pieces.filter(({ go }) => go > 0);
  const late = pieces.filter(({ late }) => late).length;
  const overdue = pieces.filter(({ overdue }) => overdue).length;
  const told = [
    howMany(pieces.length, 'handout'),
    `${handedIn.length} handed in`,
    late > 0 && `${late} late`,
    overdue > 0 && `${overdue} overdue`,
  ].filter(Boolean);
  return (
    <PiecesPage
      home="/desk"
      title={student.name}
      told={told.join(' · ')}
      label="All their work, the newest first"
      empty={`Nothing was handed out to ${student.name} in your classes yet.`}
      {...{ pieces, isWhole }}
      work={(piece) => <Work piece={piece} now={now} />}
    />
  );
}

type Piece = Route.ComponentProps['loaderData']['pieces'][number];

function Work({ piece, now }: { piece: Piece; now: number }) {
  const zone = useZone();
  const { id, handoutId, title, className, state, go, held, lookFors, missed, points, notes, page } = piece;
  return (
    <>
      <Link
        to={`/handouts/${handoutId}/reading/${id}`}
        className={styles.picture}
        style={{ aspectRatio: `${page.width} / ${page.height}` }}
        aria-label={`Read ${title}`}
      >
        {state === 'not-begun' ? (
          <span className="quiet">Nothing yet</span>
        ) : (
          <img src={`/copies/${id}/picture.svg?${piece.picture}`} alt="" loading="lazy" />
        )}
      </Link>
      <div className={styles.about}>
        <div className={styles.head}>
          <Link to={`/handouts/${handoutId}/reading/${id}`}>
            <strong>{title}</strong>
          </Link>
          <StateLabel state={state} />
        </div>
        <span className="quiet">
          {className} · handed out {whenWords(piece.handedOutAt, now, zone)}
          {piece.handedInAt && ` · handed in ${whenWords(piece.handedInAt, now, zone)}`}
          {go > 1 && ` · go ${go}`}
          {piece.heldFor && ` · goes back ${OUTCOME_WORDS[piece.heldFor]}`}
          {piece.late && <b className={styles.late}> · late</b>}
          {piece.overdue && <b className={styles.late}> · overdue</b>}
        </span>
        {held !== null && lookFors > 0 && (
          <span className={styles.met}>
            <LookForsMet held={held} of={lookFors} title={title} />
            {points && isMarked(points) && <span className="quiet"> · {sumWords(points)}</span>}
          </span>
        )}
        {missed.length > 0 && (
          <span className={styles.missed}>
            <b>Missed:</b> {missed.join(' · ')}
          </span>
        )}
        <NotesOn notes={notes} title={title} />
      </div>
    </>
  );
}
