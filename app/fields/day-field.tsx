import { useState } from 'react';
import { ahead, later } from '../browser/later';
import type { PickerProps } from './day-picker';
import { dayWords } from './day-words';

/** A day, or a moment: shown in words, chosen or typed in a calendar that is fetched when it is wanted. */

const Picker = later(() => import('./day-picker').then((part) => part.default));
// Its styles are there then, also when the network is gone.
ahead(() => fetch('/art/antd-picker.css'));

type Props = Omit<PickerProps, 'onClose'> & {
  /** What is shown for no day. */
  none?: string;
  invalid?: boolean;
};

export function DayField({ none = 'no date', invalid, ...rest }: Props) {
  /** Null until it was opened once: whoever closes it goes on from where it was opened. */
  const [open, setOpen] = useState<boolean | null>(null);
  if (open) return <Picker {...rest} onClose={() => setOpen(false)} />;
  const words = rest.value ? dayWords(rest.value, rest.time ?? false) : none;
  return (
    <button
      type="button"
      className={`day-field${rest.value ? '' : ' none'}`}
      aria-label={`${rest.label}: ${words}`}
      aria-invalid={invalid}
      autoFocus={open === false}
      onClick={() => setOpen(true)}
    >
      {words}
    </button>
  );
}
