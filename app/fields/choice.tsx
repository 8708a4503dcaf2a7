import { Select } from 'antd';
import type { SelectProps } from 'antd';
import { sentence } from '../parts/sentence';

type Props<T> = Pick<SelectProps<T>, 'options' | 'onChange' | 'value' | 'disabled' | 'placeholder'> & {
  /** What is chosen, for screen readers: the row says it to the eye. */
  label: string;
  /** In pixels; without it the choice fills what is left of its row. */
  width?: number;
  /** The options are somebody's own text, and keep their first letter. */
  asIs?: boolean;
};

/** One of several, from a list that opens. */
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
