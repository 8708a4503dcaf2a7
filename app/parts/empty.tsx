import type { ReactNode } from 'react';
import styles from './empty.module.css';

/** Stands where a list would be, and says how something gets there. */
export const Empty = ({ children }: { children: ReactNode }) => <p className={styles.empty}>{children}</p>;
