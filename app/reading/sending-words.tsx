import type { Sending } from '../keeping/sender';
import styles from '../house/save-words.module.css';

/** Shows whether the school has what was said. */
export function SendingWords({ sending, waiting }: { sending: Sending; waiting: number }) {
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
