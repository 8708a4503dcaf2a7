import type { ComponentProps } from 'react';
import styles from './sheets.module.css';

/** Opens what can be done with a sheet. */
export const MenuButton = ({ title, ...props }: ComponentProps<'button'> & { title: string }) => (
  <button type="button" {...props} className={styles.menu} aria-label={`More for ${title}`} aria-haspopup="menu">
    <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true" fill="currentColor">
      <circle cx="10" cy="4.5" r="1.7" />
      <circle cx="10" cy="10" r="1.7" />
      <circle cx="10" cy="15.5" r="1.7" />
    </svg>
  </button>
);
