import { Tooltip } from 'antd';
import type { ComponentProps, ReactNode } from 'react';
import { sentenceIn } from '../parts/sentence';
import styles from './toggle.module.css';

type Props = {
  /** Whether it is on, or on for some. Left out for buttons that do something at once. */
  on?: boolean | 'mixed';
  label: string;
  children: ReactNode;
  onClick: () => void;
  disabled?: boolean;
};

/** Switches something on and off, or does something small at once. */
export function Toggle({ on, label, children, onClick, disabled }: Props) {
  return (
    <Tooltip title={label} mouseEnterDelay={0.5}>
      <Key on={on} aria-pressed={on} aria-label={label} disabled={disabled} onClick={onClick}>
        {children}
      </Key>
    </Tooltip>
  );
}

/** The button itself, without a tooltip: for buttons whose text says what they do. */
export const Key = ({ on, children, ...props }: Omit<ComponentProps<'button'>, 'className'> & Pick<Props, 'on'>) => (
  <button
    type="button"
    onMouseDown={(event) => event.preventDefault()}
    {...props}
    className={`${styles.key} ${on === 'mixed' ? styles.mixed : on ? styles.on : ''}`}
  >
    {sentenceIn(children)}
  </button>
);
