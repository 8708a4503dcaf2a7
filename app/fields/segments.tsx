import { Segmented } from 'antd';
import { sentence } from '../parts/sentence';

type Props<T extends string> = {
  label: string;
  /** Null where several differ. */
  value: T | null;
  options: readonly (T | { value: T; label: string })[];
  /** The options keep their first letter: units are written small. */
  asIs?: boolean;
  onChange: (value: T) => void;
};

/** One of a few that are all in view. A file of its own: screens with it need no lists that open. */
export function Segments<T extends string>({ label, value, options, asIs, onChange }: Props<T>) {
  return (
    <Segmented<T | ''>
      size="small"
      aria-label={label}
      value={value ?? ''}
      options={options.map((option) => {
        const { value: of, label: words } = typeof option === 'string' ? { value: option, label: option } : option;
        return { value: of, label: asIs ? words : sentence(words) };
      })}
      onChange={(next) => next !== '' && onChange(next)}
    />
  );
}
