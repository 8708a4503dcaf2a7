import type { BinnedHandout } from '../../server/stores/handout-life';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { sentence } from '../parts/sentence';
import { Sure } from '../parts/sure';
import { useActing } from './acting';
import { deletedWords } from './sheets';
import styles from './handouts.module.css';

type Props = { handouts: readonly BinnedHandout[]; now: number; binDays: number };

/** Handouts in the bin: students don't see them until they are restored. */
export function BinnedHandouts({ handouts, now, binDays }: Props) {
  const { act } = useActing();
  if (handouts.length === 0) return null;
  return (
    <ul className={card(styles.binned)} aria-label="Handouts in the bin">
      {handouts.map(({ id, title, className, binnedAt, copies, begun }) => (
        <li key={id}>
          <span>
            <strong>{title}</strong> <span className="quiet">{className}</span>
          </span>
          <span className="quiet">
            {copies === 1 ? '1 copy' : `${copies} copies`}, {begun === 0 ? 'none' : begun} begun.{' '}
            {sentence(deletedWords(binnedAt, now, binDays))}.
          </span>
          <span className={styles.binnedActs}>
            <Action aria-label={`Restore ${title}`} onClick={() => act({ do: 'restore-handout', handoutId: id })}>
              restore
            </Action>
            <Sure
              question={`Delete “${title}” for good, with ${copies === 1 ? 'its copy' : `all ${copies} copies`} and what was said on them?`}
              verb="delete"
              onSure={() => act({ do: 'delete-handout', handoutId: id })}
            >
              delete
            </Sure>
          </span>
        </li>
      ))}
    </ul>
  );
}
