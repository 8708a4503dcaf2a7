import styles from './day-field.module.css';
import { useState } from 'react';
import { ahead, later } from '../browser/later';
import type { PickerProps } from './day-picker';
import { dayWords } from './day-words';

/** A day, or a day with a time: shown in words, chosen or typed in a calendar that is loaded when it is opened. */

const Picker = later(() => import('./day-picker').then((part) => part.default));
// Fetches the styles early, so that they are there without a network.
ahead(() => fetch('/art/antd-picker.css'));

type Props = Omit<PickerProps, 'onClose'> & {
  /** What is shown for no day. */
  none?: string;
  invalid?: boolean;
};

export function DayField({ none = 'No date', invalid, ...rest }: Props) {
  /** Null until it was first opened. After closing, the focus returns to the button. */
  const [open, setOpen] = useState<boolean | null>(null);
  if (open) return <Picker {...rest} onClose={() => setOpen(false)} />;
  const words = rest.value ? dayWords(rest.value, rest.time ?? false) : none;
  return (
    <button
      type="button"
      className={`${styles.field} ${rest.value ? '' : styles.none}`}
      aria-label={`${rest.label}: ${words}`}
      aria-invalid={invalid}
      autoFocus={open === false}
      onClick={() => setOpen(true)}
    >
      {words}
    </button>
  );
}
