import { Select } from 'antd';
import type { SelectProps } from 'antd';
import type { DefaultOptionType } from 'antd/es/select';
import { Row } from '../parts/row';
import { sentence } from '../parts/sentence';
import { widthOf } from './width';

type Kept =
  'disabled' | 'listHeight' | 'loading' | 'onChange' | 'options' | 'placeholder' | 'showSearch' | 'value' | 'virtual';

type Props<T> = Pick<SelectProps<T>, Kept> & {
  /** What is chosen, for screen readers: the row says it to the eye. */
  label: string;
  /** The label of a row of its own, where the choice does not share one. */
  row?: string;
  /** What each value is called, instead of `options`. */
  names?: T extends string ? Record<T, string> : never;
  /** In pixels; without it the choice fills what is left of its row. */
  width?: number;
  /** The options are somebody's own text, and keep their first letter. */
  asIs?: boolean;
};

/** An option, or a group of them, that begins with a capital. */
const inSentences = (option: DefaultOptionType): DefaultOptionType => ({
  ...option,
  label: typeof option.label === 'string' ? sentence(option.label) : option.label,
  // Whatever has this key is a group.
  ...(option.options && { options: (option.options as DefaultOptionType[]).map(inSentences) }),
});

/** One of several, from a list that opens. */
export function Choice<T>({ label, row, names, options, width, asIs, ...rest }: Props<T>) {
  const all = names ? Object.entries<string>(names).map(([value, name]) => ({ value, label: name })) : options;
  const choice = (
    <Select<T>
      size="small"
      aria-label={label}
      style={widthOf(width)}
      options={asIs ? all : all?.map(inSentences)}
      {...rest}
    />
  );
  return row === undefined ? choice : <Row label={row}>{choice}</Row>;
}
