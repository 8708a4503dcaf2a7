import { Alert } from 'antd';
import { useEffect } from 'react';
import type { ReactNode } from 'react';
import { Action } from './action';
import { card } from './card';
import { Sign } from './sign';
import styles from './told-bar.module.css';

/** Milliseconds. */
const STAYS = 12_000;

type Props = {
  problem: string | null;
  /** What is told; another one stays as long again. */
  about: unknown;
  /** Something is under way: it stays until that has ended. */
  waits?: boolean;
  onClose: () => void;
  /** What was done, and how it is taken back. */
  children: ReactNode;
};

/** Says at the bottom of the window what was done, for a while; a problem stays until it is closed. */
export function ToldBar({ problem, about, waits = false, onClose, children }: Props) {
  useEffect(() => {
    if (problem !== null || waits) return;
    const timer = setTimeout(onClose, STAYS);
    return () => clearTimeout(timer);
  }, [about, problem, waits]); // eslint-disable-line react-hooks/exhaustive-deps
  return (
    <div className={styles.bar}>
      {problem !== null ? (
        <Alert type="error" showIcon title={problem} role="alert" closable={{ onClose }} />
      ) : (
        <div className={card(styles.said)} role="status">
          {children}
          <Action aria-label="Close this message" onClick={onClose}>
            <Sign of="remove" />
          </Action>
        </div>
      )}
    </div>
  );
}
