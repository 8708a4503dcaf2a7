import { useEffect, useRef, useState } from 'react';
import { ahead, later } from '../browser/later';
import type { PickerProps } from './day-picker';
import { dayWords } from './day-words';

/** A day, or a moment: shown in words, chosen or typed in a calendar that is fetched when it is wanted. */

const Picker = later(() => import('./day-picker').then((part) => part.default));
// Its styles are there then, also when the network is gone.
ahead(() => fetch('/art/antd-picker.css'));

type Props = Omit<PickerProps, 'onClose'> & {
  id?: string;
  /** What is shown for no day. */
  none?: string;
  invalid?: boolean;
};

export function DayField({ id, none = 'no date', invalid, ...rest }: Props) {
  const [open, setOpen] = useState(false);
  const closed = useRef(false);
  const button = useRef<HTMLButtonElement>(null);
  // Whoever closes the calendar goes on from where it was opened.
  useEffect(() => {
    if (!open && closed.current) button.current?.focus();
    closed.current = false;
  }, [open]);
  if (open)
    return (
      <Picker
        {...rest}
        onClose={() => {
          closed.current = true;
          setOpen(false);
        }}
      />
    );
  const words = rest.value ? dayWords(rest.value, rest.time ?? false) : none;
  return (
    <button
      ref={button}
      id={id}
      type="button"
      className={`day-field${rest.value ? '' : ' none'}`}
      aria-label={`${rest.label}: ${words}`}
      aria-invalid={invalid}
      onClick={() => setOpen(true)}
    >
      {words}
    </button>
  );
}
