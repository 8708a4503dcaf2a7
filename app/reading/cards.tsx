import { useEffect } from 'react';
import { Link } from 'react-router';
import type { LookFor, Result } from '../../core/lookfors/lookfor';
import { points } from '../../core/lookfors/rubric';
import { heldAfter } from '../../core/review/marks';
import { Leaf, StateLabel, STATE_WORDS } from '../look/leaf';
import { whenWords } from '../look/time';
import type { Route } from '../routes/+types/reading';
import { Tick } from '../student/lookfor-list';

/** What stands around a piece that is being read: the class above, look-fors and rubric in the margin. */

type Loaded = Route.ComponentProps['loaderData'];
type Submit = (data: Record<string, string>) => void;

export function Band({ band, current, handoutId }: { band: Loaded['band']; current: string; handoutId: string }) {
  useEffect(() => {
    document.querySelector('.band [aria-current="page"]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [current]);
  return (
    <nav className="band" aria-label="The class">
      {band.map(({ id, studentName, state }) => (
        <Link
          key={id}
          to={`/handouts/${handoutId}/reading/${id}`}
          className="band-entry"
          aria-current={id === current ? 'page' : undefined}
          title={`${studentName}: ${STATE_WORDS[state]}`}
        >
          <Leaf state={state} />
          <span className="sr">{STATE_WORDS[state]}:</span>
          {shortName(studentName)}
        </Link>
      ))}
      <span className="quiet band-keys">← → next</span>
    </nav>
  );
}

const shortName = (name: string) => {
  const [first, ...rest] = name.split(' ');
  return rest.length > 0 ? `${first} ${rest.at(-1)![0]}` : first;
};

export function HeadCard({
  loaded,
  open,
  submit,
  zone,
}: {
  loaded: Loaded;
  open: boolean;
  submit: Submit;
  zone: string;
}) {
  const { copy, go, lookFors, results, rulings, now } = loaded;
  const held = results.map((result) => heldAfter(result, rulings));
  return (
    <>
      <div className="head-name">
        <h2>{copy.studentName}</h2>
        <StateLabel state={copy.state} />
      </div>
      <p className="quiet">
        {go
          ? `go ${go.number}, handed in ${whenWords(go.handedInAt, now, zone)}`
          : copy.state === 'not-begun'
            ? 'nothing is on it yet'
            : 'not handed in: shown as it is now'}
        {lookFors.length > 0 && ` · ${held.filter(Boolean).length} of ${lookFors.length} held`}
      </p>
      <ul className="lookfors reading-lookfors">
        {lookFors.map((lookFor, i) => (
          <LookForRow
            key={lookFor.id}
            lookFor={lookFor}
            result={results[i]}
            held={held[i]}
            ruled={rulings.some((r) => r.lookForId === lookFor.id)}
            open={open}
            submit={submit}
          />
        ))}
      </ul>
    </>
  );
}

function LookForRow({
  lookFor,
  result,
  held,
  ruled,
  open,
  submit,
}: {
  lookFor: LookFor;
  result: Result;
  held: boolean | null;
  ruled: boolean;
  open: boolean;
  submit: Submit;
}) {
  const say = (to: 'yes' | 'no' | 'counted') => submit({ do: 'rule', lookFor: lookFor.id, held: to });
  return (
    <li>
      <Tick held={held} />
      <span>
        {lookFor.title}
        <span className="quiet">
          {result.held === null ? '' : ` · ${result.got} of ${result.need}`}
          {ruled && result.held !== null ? ' · your ruling' : ''}
        </span>
        {open && (
          <span className="rule">
            {held !== true && (
              <button type="button" onClick={() => say(result.held === true && ruled ? 'counted' : 'yes')}>
                holds
              </button>
            )}
            {held !== false && (
              <button type="button" onClick={() => say(result.held === false && ruled ? 'counted' : 'no')}>
                does not
              </button>
            )}
          </span>
        )}
      </span>
    </li>
  );
}

export function RubricCard({ loaded, open, submit }: { loaded: Loaded; open: boolean; submit: Submit }) {
  const marks = loaded.go?.marks ?? {};
  const sum = points(loaded.rubric, marks);
  return (
    <>
      <h3>
        Rubric{' '}
        <small>
          {sum.got} of {sum.of} points
        </small>
      </h3>
      {loaded.rubric.rows.map((row) => (
        <div key={row.id} className="rubric-line" role="radiogroup" aria-label={row.name}>
          <span>{row.name}</span>
          {row.levels.map((level, i) => (
            <button
              key={i}
              type="button"
              role="radio"
              aria-checked={marks[row.id] === i}
              disabled={!open}
              title={level.text}
              onClick={() => submit({ do: 'mark', row: row.id, level: String(marks[row.id] === i ? -1 : i) })}
            >
              {level.points}
            </button>
          ))}
        </div>
      ))}
    </>
  );
}
