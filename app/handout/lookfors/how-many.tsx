import { InputNumber } from 'antd';

type Props = { label: string; value: number; width: number; onChange: (value: number) => void };

/** How many of something a look-for asks for. */
export function HowMany({ label, value, width, onChange }: Props) {
  return (
    <InputNumber
      size="small"
      min={1}
      max={500}
      value={value}
      aria-label={label}
      style={{ width }}
      onChange={(next) => next && onChange(next)}
    />
  );
}
