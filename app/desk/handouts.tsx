import { howMany } from '../../core/values/listed';
import { Link } from 'react-router';
import { hasClosed } from '../../core/handout/times';
import { whomWords } from '../../core/handout/whom';
import type { Progress } from '../../server/stores/handouts';
import { agoWords, closesWords, dueWords, opensWords, useZone } from '../browser/time';
import { CoverPicture } from '../house/cover';
import { Leaf, STATE_WORDS } from '../house/leaf';
import { card } from '../parts/card';
import { sentence } from '../parts/sentence';
import { inTurn, isAway, isLate, isOver } from './order';
import styles from './handouts.module.css';
import { Sign } from '../parts/sign';

/** What is out with students: one row for each handout, and what waits to be read lies in the light. */

const STATES = ['handed-in', 'another-go', 'under-way', 'not-begun', 'done'] as const;

const readingOf = ({ id, waitingFirst }: Progress) => `/handouts/${id}/reading/${waitingFirst?.copyId}`;
const toRead = ({ counts, held }: Progress) => counts['handed-in'] - held;

function Counts({ counts }: Pick<Progress, 'counts'>) {
  return (
    <ul className={styles.counts}>
      {STATES.map((state) => (
        <li key={state} className={styles.count} data-none={counts[state] === 0 || undefined}>
          <Leaf state={state} size={18} />
          <b>{counts[state]}</b>
          <span className={styles.word}>{STATE_WORDS[state]}</span>
        </li>
      ))}
    </ul>
  );
}

function Due({ handout, now }: { handout: Progress; now: number }) {
  const zone = useZone();
  const opens = opensWords(handout.opensAt, now, zone);
  if (opens) return <span className="quiet">{sentence(opens)}</span>;
  const words = hasClosed(handout.closesAt, now)
    ? closesWords(handout.closesAt, now, zone)
    : dueWords(handout.dueAt, now, zone);
  return <span className={isLate(handout, now) ? styles.late : 'quiet'}>{sentence(words)}</span>;
}

/** To whom it went, and by whom where that was another teacher. */
const Whose = ({ handout }: { handout: Progress }) => (
  <span className="quiet">{[whomWords(handout), handout.by && `by ${handout.by}`].filter(Boolean).join(' · ')}</span>
);

type RowProps = { handout: Progress; now: number };

/** The piece of work that comes next. */
function Next({ handout, now }: RowProps) {
  const waiting = toRead(handout);
  return (
    <li className={`${card(styles.next)} ${styles.handout}`}>
      <CoverPicture src={`/handouts/${handout.id}/picture.svg`} cover={handout.cover} width={236} height={176} />
      <div className={styles.about}>
        <Link to={`/handouts/${handout.id}`} className={styles.open}>
          <strong>{handout.title}</strong>
          <Whose handout={handout} />
        </Link>
        <span className={styles.waits}>
          {howMany(waiting, 'piece')} to read, {waiting === 1 ? 'handed in' : 'the oldest handed in'}{' '}
          {agoWords(handout.waitingFirst!.since, now)}
        </span>
        <Counts counts={handout.counts} />
        <Due handout={handout} now={now} />
      </div>
      <Link to={readingOf(handout)} className={styles.first}>
        Start reading <Sign of="after" />
      </Link>
    </li>
  );
}

function Row({ handout, now }: RowProps) {
  const waiting = toRead(handout);
  return (
    <li className={`${styles.row} ${styles.handout}`}>
      <span className={styles.picture}>
        <CoverPicture src={`/handouts/${handout.id}/picture.svg`} cover={handout.cover} width={92} height={70} />
      </span>
      <Link to={`/handouts/${handout.id}`} className={styles.open}>
        <strong>{handout.title}</strong>
        <Whose handout={handout} />
      </Link>
      <Counts counts={handout.counts} />
      <Due handout={handout} now={now} />
      {waiting > 0 ? (
        <Link
          to={readingOf(handout)}
          className={styles.read}
          aria-label={`Read ${handout.title}, ${howMany(waiting, 'piece')}`}
        >
          Read {waiting} <Sign of="after" />
        </Link>
      ) : (
        <span />
      )}
    </li>
  );
}

type Props = {
  handouts: readonly Progress[];
  now: number;
  /** Found by a search: all are rows, in the order given. */
  found?: boolean;
};

export function Handouts({ handouts, now, found = false }: Props) {
  const those = (over: boolean) =>
    inTurn(
      handouts.filter((one) => !isAway(one) && isOver(one, now) === over),
      now,
    );
  const over = found ? [] : those(true).reverse();
  const away = found ? [] : handouts.filter(isAway);
  const open = found ? handouts : those(false);
  const next = found ? undefined : open.find((one) => one.waitingFirst !== null);
  const rows = open.filter((one) => one !== next);
  return (
    <>
      {next && (
        <ul className={styles.list} aria-label="Next to read">
          <Next handout={next} now={now} />
        </ul>
      )}
      {rows.length > 0 && (
        <div className={card(styles.rows)}>
          <div className={styles.heads} aria-hidden="true">
            <div className={styles.counts}>
              {STATES.map((state) => (
                <span key={state}>{STATE_WORDS[state]}</span>
              ))}
            </div>
          </div>
          <ul className={styles.list}>
            {rows.map((one) => (
              <Row key={one.id} handout={one} now={now} />
            ))}
          </ul>
        </div>
      )}
      <Folded title="Over" handouts={over} now={now} />
      <Folded title="Put away" handouts={away} now={now} />
    </>
  );
}

/** Handouts that a teacher need not think of, behind a line that says how many there are. */
function Folded({ title, handouts, now }: { title: string; handouts: readonly Progress[]; now: number }) {
  if (handouts.length === 0) return null;
  return (
    <details className={styles.over}>
      <summary>
        {title} ({handouts.length})
      </summary>
      <div className={card(styles.rows)}>
        <ul className={styles.list}>
          {handouts.map((one) => (
            <Row key={one.id} handout={one} now={now} />
          ))}
        </ul>
      </div>
    </details>
  );
}
