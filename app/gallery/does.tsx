import type { ReactNode } from 'react';
import { useFetcher } from 'react-router';
import { Action } from '../parts/action';
import styles from './gallery.module.css';

/** Buttons and boxes that do one thing to a gallery at once. Each has its own request: pressed one after the other, none stops another. */

type Answer = { problem: string | null };
const problemOf = ({ state, data }: { state: string; data?: Answer }) => (state === 'idle' ? data?.problem : null);

const Problem = ({ children }: { children: string | null | undefined }) =>
  children && (
    <span role="alert" className={styles.problem}>
      {children}
    </span>
  );

type DoesProps = { asked: Record<string, string>; label?: string; children: ReactNode };

export function Does({ asked, label, children }: DoesProps) {
  const fetcher = useFetcher<Answer>();
  return (
    <>
      <Action
        aria-label={label}
        disabled={fetcher.state !== 'idle'}
        onClick={() => void fetcher.submit(asked, { method: 'post' })}
      >
        {children}
      </Action>
      <Problem>{problemOf(fetcher)}</Problem>
    </>
  );
}

type TickProps = { does: string; field: string; checked: boolean; disabled: boolean; children: ReactNode };

/** Ticked at once, and back again where that did not arrive. */
export function Tick({ does, field, checked, disabled, children }: TickProps) {
  const fetcher = useFetcher<Answer>();
  const asked = fetcher.formData?.get(field);
  return (
    <span>
      <label>
        <input
          type="checkbox"
          checked={asked ? asked === 'yes' : checked}
          disabled={disabled}
          onChange={({ target }) =>
            void fetcher.submit(
              { do: does, [field]: target.checked ? 'yes' : 'no' },
              { method: 'post', flushSync: true },
            )
          }
        />{' '}
        {children}
      </label>{' '}
      <Problem>{problemOf(fetcher)}</Problem>
    </span>
  );
}
