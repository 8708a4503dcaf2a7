import type { ComponentProps, ReactNode } from 'react';
import { sentenceIn } from './sentence';
import styles from './action.module.css';

/** Buttons, from quiet to prominent. A screen's main action is Ant Design's primary button. */

type ButtonProps = Omit<ComponentProps<'button'>, 'className'>;

/** A button without a border, among others. */
export const Action = ({ className = '', children, ...props }: ComponentProps<'button'>) => (
  <button type="button" {...props} className={`${styles.action} ${className}`}>
    {sentenceIn(children)}
  </button>
);

type ChipProps = ButtonProps & {
  /** `apricot` for closing and removing, `used` for what has already been used. */
  tone?: 'moss' | 'apricot' | 'used';
  /** Its text is somebody's own, and keeps its first letter. */
  asIs?: boolean;
};

/** A round, coloured button in a card. */
export const Chip = ({ tone = 'moss', asIs, children, ...props }: ChipProps) => (
  <button type="button" {...props} className={`${styles.chip} ${styles[tone]}`}>
    {asIs ? children : sentenceIn(children)}
  </button>
);

export const Chips = ({ children }: { children: ReactNode }) => <div className={styles.chips}>{children}</div>;
