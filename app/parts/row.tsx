import type { ReactNode } from 'react';
import { createContext, useContext } from 'react';
import { sentence } from './sentence';
import styles from './row.module.css';

/** How fields stand in a card. */

/** A label, and its fields beside it. */
export function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className={styles.row} role="group" aria-label={label ? sentence(label) : undefined}>
      <span className={styles.label}>{sentence(label)}</span>
      <div className={styles.rest}>{children}</div>
    </div>
  );
}

/** Two columns of fields with labels of their own. */
export const Pair = ({ children }: { children: ReactNode }) => <div className={styles.pair}>{children}</div>;

/** A little room between two kinds of buttons in one row. */
export const Gap = () => <span className={styles.gap} />;

/** A line between different kinds of settings. */
export const Split = () => <hr className={styles.split} />;

/** The titles of what is open in a card, so that it is open again when its tab comes back. */
export const Opened = createContext<Set<string> | null>(null);

/** A part of the settings that opens on demand. */
export function More({ title, open, children }: { title: string; open?: boolean; children: ReactNode }) {
  const opened = useContext(Opened);
  return (
    <details
      className={styles.more}
      open={open || opened?.has(title)}
      onToggle={({ currentTarget }) => (currentTarget.open ? opened?.add(title) : opened?.delete(title))}
    >
      <summary>{sentence(title)}</summary>
      {children}
    </details>
  );
}
