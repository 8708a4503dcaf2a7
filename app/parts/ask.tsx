import { Button } from 'antd';
import { useEffect, useId, useRef } from 'react';
import type { ReactNode } from 'react';
import styles from './ask.module.css';
import { Sign } from './sign';

type Props = {
  title: string;
  /** What is done when it is agreed to; without it, there is only something to read. */
  ok?: { words: string; act: () => void; disabled?: boolean };
  cancel?: string;
  wide?: boolean;
  /** Cancelled: by its button, by Escape, or by a press beside it. */
  onCancel: () => void;
  children: ReactNode;
};

/** A question, or something to read, in the browser's own dialog: the rest of the page waits. */
export function Ask({ title, ok, cancel = 'Cancel', wide, onCancel, children }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog
      ref={dialog}
      className={`${styles.ask} ${wide ? styles.wide : ''}`}
      aria-labelledby={id}
      onCancel={(event) => {
        // It closes when it is taken away.
        event.preventDefault();
        onCancel();
      }}
      onClick={(event) => event.target === dialog.current && onCancel()}
      // Keys of the screen behind it are not meant.
      onKeyDown={(event) => event.stopPropagation()}
    >
      <div className={styles.inside}>
        <header>
          <h2 id={id}>{title}</h2>
          {!ok && (
            <button type="button" className={styles.close} aria-label="Close" onClick={onCancel}>
              <Sign of="remove" />
            </button>
          )}
        </header>
        {/* What is only read is scrolled by keyboard, too. */}
        <div className={styles.content} tabIndex={ok ? undefined : 0}>
          {children}
        </div>
        {ok && (
          <footer>
            <Button onClick={onCancel}>{cancel}</Button>
            <Button type="primary" disabled={ok.disabled} onClick={ok.act}>
              {ok.words}
            </Button>
          </footer>
        )}
      </div>
    </dialog>
  );
}
