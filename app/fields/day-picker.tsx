import { DatePicker } from 'antd';
import dayjs from 'dayjs';
import { DAY, MOMENT } from './day-words';

/** The calendar that opens for a day, with a time of day where one is wanted. */

export type PickerProps = {
  label: string;
  value: string;
  time?: boolean;
  min?: string;
  max?: string;
  mayBeNone?: boolean;
  onChange: (value: string) => void;
  onClose: () => void;
};

/** How a day can be typed besides as it is shown. */
const TYPED = ['YYYY-MM-DD', 'D/M/YYYY', 'D.M.YYYY', 'D MMMM YYYY'];
const TYPED_MOMENT = TYPED.flatMap((day) => [`${day}, HH:mm`, `${day} HH:mm`]);

export default function DayPicker({ label, value, time, min, max, mayBeNone, onChange, onClose }: PickerProps) {
  const [shown, kept] = time ? [MOMENT, 'YYYY-MM-DDTHH:mm'] : [DAY, 'YYYY-MM-DD'];
  return (
    <DatePicker
      size="small"
      autoFocus
      defaultOpen
      aria-label={label}
      value={value ? dayjs(value) : null}
      minDate={min ? dayjs(min) : undefined}
      maxDate={max ? dayjs(max) : undefined}
      format={[shown, ...(time ? TYPED_MOMENT : TYPED)]}
      showTime={time ? { format: 'HH:mm', minuteStep: 5 } : false}
      needConfirm={false}
      allowClear={mayBeNone}
      onChange={(date: dayjs.Dayjs | null) => (date ? onChange(date.format(kept)) : mayBeNone && onChange(''))}
      onOpenChange={(open) => !open && onClose()}
    />
  );
}
