import { namesOf } from '../../core/values/names';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { isOpen } from '../../core/handout/state';
import { points, pointsWords, sumWords, weighed } from '../../core/lookfors/rubric';
import { rulingOn } from '../../core/lookfors/ruled';
import type { PieceMark } from '../../core/review/marks';
import { heldAfter } from '../../core/review/marks';
import type { Question } from '../../core/review/questions';
import { isSame, rulingTo } from '../../core/review/questions';
import type { Said, Saying } from '../../core/review/said';
import { Leaf, StateLabel, STATE_WORDS } from '../house/leaf';
import { later } from '../browser/later';
import { whenWords } from '../browser/time';
import type { Route } from '../routes/+types/reading';
import { MarksLegend } from '../spread/marks';
import { VersionMark } from '../parts/version-mark';
import { Tick } from '../student/tick';
import styles from '../student/student.module.css';
import readingStyles from './reading.module.css';
import { Sign } from '../parts/sign';

const MoreTime = later(() => import('./more-time').then((part) => part.default), null);

/** Around a piece being read: the class above, look-fors and rubric in the margin. */

type Loaded = Route.ComponentProps['loaderData'];
type Say = (step: Saying) => void;

type BandProps = {
  band: Loaded['band'];
  current: string;
  handoutId: string;
  /** Whether names are hidden, and how that is changed. */
  nameless: boolean;
  onNameless: () => void;
};

export function Band({ band, current, handoutId, nameless, onNameless }: BandProps) {
  useEffect(() => {
    document.querySelector('[data-band] [aria-current="page"]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [current, nameless]);
  return (
    <nav className={readingStyles.band} aria-label="The class">
      <span className={readingStyles.bandList} data-band>
        {band.map(({ id, studentName, state, finished }) => (
          <Link
            key={id}
            to={`/handouts/${handoutId}/reading/${id}`}
            className={readingStyles.bandEntry}
            aria-current={id === current ? 'page' : undefined}
            title={`${studentName}: ${STATE_WORDS[state]}`}
          >
            <Leaf state={state} />
            <span className="sr">{STATE_WORDS[state]}:</span>
            {nameless ? studentName : shortName(studentName)}
            {finished && <Finished />}
          </Link>
        ))}
      </span>
      <button
        type="button"
        className={readingStyles.names}
        aria-pressed={nameless}
        title={nameless ? 'Show names (H)' : 'Hide names (H)'}
        onClick={onNameless}
      >
        {nameless ? 'Show names' : 'Hide names'}
      </button>
      <span className={`quiet ${readingStyles.bandKeys}`}>
        <kbd>←</kbd> <kbd>→</kbd>
      </span>
    </nav>
  );
}

/** The second reader has read it to the end. */
const Finished = () => (
  <>
    <Sign of="met" />
    <span className="sr">read by the second reader</span>
  </>
);

const shortName = (names: string) => {
  const [name, ...others] = namesOf(names);
  if (others.length > 0) return [name, ...others].map((one) => one.split(' ')[0]).join(', ');
  const [first, ...rest] = name.split(' ');
  return rest.length > 0 ? `${first} ${rest.at(-1)![0]}` : first;
};

type JudgingProps = { loaded: Loaded; said: Said; open: boolean; asked: Question | null; say: Say };

/** Pieces that are asked about, and letters of what they share. */

type HeadProps = JudgingProps & { zone: string; marks: readonly PieceMark[] };

export function HeadCard({ loaded, said: { rulings }, open, asked, say, zone, marks }: HeadProps) {
  const { copy, go, lookFors, results, now } = loaded;
  const held = results.map((result) => heldAfter(result, rulings));
  return (
    <>
      <div className={readingStyles.headName}>
        <h2>{copy.studentName}</h2>
        {copy.version !== null && <VersionMark version={copy.version} />}
        <StateLabel state={copy.state} />
      </div>
      <p className="quiet">
        {go
          ? `Go ${go.number}, handed in ${whenWords(go.handedInAt, now, zone)}`
          : copy.state === 'not-begun'
            ? 'Nothing is on it yet'
            : 'Not handed in: shown as it is now'}
        {lookFors.length > 0 && ` · ${held.filter(Boolean).length} of ${lookFors.length} met`}
        {copy.studentId && (
          <>
            {' · '}
            <Link to={`/students/${copy.studentId}`}>All their work</Link>
          </>
        )}
      </p>
      {loaded.shares.length > 0 && (
        <p className="quiet">Changes: {loaded.shares.map(({ name, changes }) => `${name} ${changes}`).join(' · ')}</p>
      )}
      {loaded.mayChange && isOpen(copy.state) && <MoreTime loaded={loaded} zone={zone} />}
      <ul className={`${styles.lookfors} ${readingStyles.readingLookfors}`}>
        {lookFors.map((lookFor, i) => (
          <LookForRow
            key={lookFor.id}
            lookFor={lookFor}
            result={results[i]}
            rulings={rulings}
            open={open}
            asked={isSame(asked, { ask: 'look-for', id: lookFor.id })}
            say={say}
          />
        ))}
      </ul>
      <MarksLegend marks={marks} />
    </>
  );
}

function LookForRow({
  lookFor,
  result,
  rulings,
  open,
  asked,
  say,
}: {
  lookFor: Loaded['lookFors'][number];
  result: Loaded['results'][number];
  rulings: Said['rulings'];
  open: boolean;
  asked: boolean;
  say: Say;
}) {
  const held = heldAfter(result, rulings);
  const ruled = rulingOn(rulings, lookFor.id) !== undefined;
  const rule = (to: boolean) => {
    const step = rulingTo(result, rulings, to);
    if (step) say(step);
  };
  return (
    <li className={asked ? readingStyles.asked : undefined} aria-current={asked ? 'step' : undefined}>
      <Tick held={held} />
      <span>
        {lookFor.title}
        <span className="quiet">
          {result.held === null ? '' : ` · ${result.counted}`}
          {ruled && result.held !== null ? ' · your ruling' : ''}
        </span>
      </span>
      {open && (
        <span className={readingStyles.rule} role="group" aria-label={`Your ruling: ${lookFor.title}`}>
          <button type="button" title="Met" aria-label="Met" aria-pressed={held === true} onClick={() => rule(true)}>
            <Sign of="met" />
          </button>
          <button
            type="button"
            title="Not met"
            aria-label="Not met"
            aria-pressed={held === false}
            onClick={() => rule(false)}
          >
            <Sign of="remove" />
          </button>
        </span>
      )}
    </li>
  );
}

export function RubricCard({ loaded, said: { marks, rulings }, open, asked, say }: JudgingProps) {
  const counted = weighed(loaded.lookFors, loaded.results, rulings);
  return (
    <>
      <h3>
        Rubric <small>{sumWords(points(loaded.rubric, marks, counted, loaded.copy.daysLate))}</small>
      </h3>
      {counted.map(({ id, title, got, of }) => (
        <p key={id} className={readingStyles.weighed}>
          <span title={title}>{title}</span>
          <b>{got === null ? '–' : pointsWords(got)}</b> of {pointsWords(of)}
        </p>
      ))}
      {loaded.rubric.rows.map((row) => {
        const isAsked = isSame(asked, { ask: 'row', id: row.id });
        return (
          <div
            key={row.id}
            className={`${readingStyles.rubricLine} ${isAsked ? readingStyles.asked : ''}`}
            role="radiogroup"
            aria-label={row.name}
            aria-current={isAsked ? 'step' : undefined}
          >
            <span>{row.name}</span>
            {row.levels.map((level, i) => (
              <button
                key={i}
                type="button"
                role="radio"
                aria-checked={marks[row.id] === i}
                disabled={!open}
                title={level.text}
                onClick={() => say({ do: 'mark', row: row.id, level: marks[row.id] === i ? null : i })}
              >
                {level.points}
              </button>
            ))}
          </div>
        );
      })}
    </>
  );
}
