import { Select } from 'antd';
import type { SelectProps } from 'antd';

type Props<T> = Pick<SelectProps<T>, 'options' | 'onChange' | 'value' | 'disabled' | 'placeholder'> & {
  /** What is chosen, for screen readers: the row says it to the eye. */
  label: string;
  /** In pixels; without it the choice fills what is left of its row. */
  width?: number;
};

/** One of several, from a list that opens. */
export function Choice<T>({ label, width, ...rest }: Props<T>) {
  return (
    <Select<T>
      size="small"
      aria-label={label}
      style={width === undefined ? { flex: 1, minWidth: 0, width: '100%' } : { width }}
      {...rest}
    />
  );
}
