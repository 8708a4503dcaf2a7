import { Link } from 'react-router';
import type { Sending } from '../keeping/sender';
import styles from '../house/save-words.module.css';

/** Shows whether the school has what was said. */
function SendingWords({ sending, waiting }: { sending: Sending; waiting: number }) {
  const kept = waiting > 0 ? ` · ${waiting} ${waiting === 1 ? 'thing' : 'things'} kept here` : '';
  const words: Record<Sending, string> = {
    idle: '',
    sending: 'Saving …',
    unreached: `Offline${kept}`,
    'signed out': `Signed out${kept}: sign in again in another tab`,
  };
  return (
    <span className={`${styles.words} ${sending === 'idle' || sending === 'sending' ? '' : 'offline'}`} role="status">
      {words[sending]}
    </span>
  );
}

/** Beside the name of what is read: the way back to the class, and whether the school has what was said. */
export const OfTheClass = ({
  handoutId,
  sending,
  waiting,
}: {
  handoutId: string;
  sending: Sending;
  waiting: number;
}) => (
  <>
    <Link to={`/handouts/${handoutId}`} className="quiet">
      The whole class
    </Link>
    <SendingWords sending={sending} waiting={waiting} />
  </>
);
