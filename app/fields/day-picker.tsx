import { DatePicker } from 'antd';
import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat';
import { DAY, MOMENT } from './day-words';

/** The calendar that opens for a day, with a time of day where one is wanted. */

dayjs.extend(customParseFormat);

export type PickerProps = {
  label: string;
  value: string;
  time?: boolean;
  min?: string;
  mayBeNone?: boolean;
  onChange: (value: string) => void;
  onClose: () => void;
};

/** How a day can be typed besides as it is shown. */
const TYPED = ['YYYY-MM-DD', 'D/M/YYYY', 'D.M.YYYY', 'D MMMM YYYY'];
const DAYS = [DAY, ...TYPED];
const MOMENTS = [MOMENT, ...TYPED.flatMap((day) => [`${day}, HH:mm`, `${day} HH:mm`])];

export default function DayPicker({ label, value, time, min, mayBeNone, onChange, onClose }: PickerProps) {
  const [shown, kept] = time ? [MOMENTS, 'YYYY-MM-DDTHH:mm'] : [DAYS, 'YYYY-MM-DD'];
  return (
    <>
      <link rel="stylesheet" href="/art/antd-picker.css" precedence="default" />
      <DatePicker
        size="small"
        autoFocus
        defaultOpen
        aria-label={label}
        value={value ? dayjs(value) : null}
        minDate={min ? dayjs(min) : undefined}
        format={shown}
        showTime={time ? { format: 'HH:mm', minuteStep: 5 } : false}
        needConfirm={false}
        allowClear={mayBeNone}
        onChange={(date: dayjs.Dayjs | null) => (date ? onChange(date.format(kept)) : mayBeNone && onChange(''))}
        onOpenChange={(open) => !open && onClose()}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
          const written = event.target.value.trim();
          const typed = dayjs(written, shown, true);
          const isNone = mayBeNone && written === '';
          // Wrong input stays, to be corrected.
          if (!isNone && (!typed.isValid() || (min && typed.isBefore(dayjs(min))))) return;
          // Otherwise the same key would press the button that gets the focus, and open the calendar again.
          event.preventDefault();
          onChange(isNone ? '' : typed.format(kept));
          onClose();
        }}
      />
    </>
  );
}
