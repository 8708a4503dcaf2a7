import type { Sending } from '../keeping/sender';

/** Says plainly whether the school has what was said. */
export function SendingWords({ sending, waiting }: { sending: Sending; waiting: number }) {
  const kept = waiting > 0 ? ` · ${waiting} ${waiting === 1 ? 'thing' : 'things'} kept here` : '';
  const words: Record<Sending, string> = {
    idle: '',
    sending: 'saving …',
    unreached: `offline${kept}`,
    'signed out': `signed out${kept}: sign in again in another tab`,
  };
  return (
    <span className={`save-words ${sending === 'idle' || sending === 'sending' ? '' : 'offline'}`} role="status">
      {words[sending]}
    </span>
  );
}
