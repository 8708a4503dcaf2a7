import { Segmented, Select } from 'antd';
import type { SelectProps } from 'antd';
import { sentence } from '../parts/sentence';

/** One of several. */

type Props<T> = Pick<SelectProps<T>, 'options' | 'onChange' | 'value' | 'disabled' | 'placeholder'> & {
  /** What is chosen, for screen readers: the row says it to the eye. */
  label: string;
  /** In pixels; without it the choice fills what is left of its row. */
  width?: number;
  /** The options are somebody's own text, and keep their first letter. */
  asIs?: boolean;
};

/** From a list that opens. */
export function Choice<T>({ label, options, width, asIs, ...rest }: Props<T>) {
  return (
    <Select<T>
      size="small"
      aria-label={label}
      style={width === undefined ? { flex: 1, minWidth: 0, width: '100%' } : { width }}
      options={options?.map((option) =>
        typeof option.label === 'string' && !asIs ? { ...option, label: sentence(option.label) } : option,
      )}
      {...rest}
    />
  );
}

type SegmentsProps<T extends string> = {
  label: string;
  /** Null where several differ. */
  value: T | null;
  options: readonly (T | { value: T; label: string })[];
  /** The options keep their first letter: units are written small. */
  asIs?: boolean;
  onChange: (value: T) => void;
};

/** From a few that are all in view. */
export function Segments<T extends string>({ label, value, options, asIs, onChange }: SegmentsProps<T>) {
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
