import type { ComponentProps } from 'react';
import styles from './text-line.module.css';

/** A line of text in a card. */
export const TextLine = (props: Omit<ComponentProps<'input'>, 'className'>) => (
  <input {...props} className={styles.line} />
);
