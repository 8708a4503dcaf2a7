import { Input } from 'antd';
import { useState } from 'react';
import { listed } from '../../../core/values/listed';

type Props = {
  label?: string;
  placeholder: string;
  className?: string;
  value: readonly string[];
  most: number;
  longest: number;
  onChange: (words: string[]) => void;
};

/** Words and phrases with commas between. What is typed stays as it is typed, with a comma at its end. */
export function CommaField({ label, placeholder, className, value, most, longest, onChange }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const isOwn = typed !== null && listed(typed, most, longest).join() === value.join();
  return (
    <Input
      size="small"
      className={className}
      aria-label={label}
      placeholder={placeholder}
      value={isOwn ? typed : value.join(', ')}
      onChange={({ target }) => {
        setTyped(target.value);
        onChange(listed(target.value, most, longest));
      }}
    />
  );
}
