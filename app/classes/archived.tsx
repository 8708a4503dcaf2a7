import { useSubmit } from 'react-router';
import type { ClassRow } from '../../server/stores/classes';
import { useZone, whenWords } from '../browser/time';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import styles from './class-card.module.css';

/** Classes that are over, and can be brought back with all their work. */
export function Archived({ classes, now }: { classes: readonly ClassRow[]; now: number }) {
  const submit = useSubmit();
  const zone = useZone();
  if (classes.length === 0) return null;
  return (
    <details className={styles.archive}>
      <summary>{classes.length === 1 ? '1 class in the archive' : `${classes.length} classes in the archive`}</summary>
      <ul className={card(styles.archived)}>
        {classes.map(({ id, name, size, archivedAt, owner }) => (
          <li key={id}>
            <strong>{name}</strong>{' '}
            <span className="quiet">
              {size === 1 ? '1 student' : `${size} students`}, since {whenWords(archivedAt, now, zone)}
            </span>{' '}
            {!owner && (
              <Action
                aria-label={`Bring back ${name}`}
                onClick={() => void submit({ do: 'archive', classId: id, over: 'no' }, { method: 'post' })}
              >
                bring back
              </Action>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
