import { InputNumber, Select } from 'antd';
import type { DefaultOptionType } from 'antd/es/select';
import { Fragment } from 'react';
import { colourName } from '../../../core/colour/name';
import type { LookFor } from '../../../core/lookfors/all';
import { sentenceOf } from '../../../core/lookfors/all';
import type { Option, Part, Slot } from '../../../core/lookfors/sentence';
import { isFurther } from '../../../core/lookfors/sentence';
import type { Sheet } from '../../../core/schema/sheet';
import { sentence } from '../../parts/sentence';
import { CommaField } from './comma-field';
import styles from './sentence.module.css';

/** A look-for as its sentence, each slot a field. */

type Patch = Partial<LookFor>;
type Props = { lookFor: LookFor; sheet: Sheet; set: (patch: Patch) => void };

/** The sentence itself. */
export const Sentence = ({ lookFor, sheet, set }: Props) => (
  <Parts parts={sentenceOf(lookFor, sheet).filter((part) => !isFurther(part))} set={set} />
);

/** All of it, where there is no room for further settings of its own. */
export const WholeSentence = ({ lookFor, sheet, set }: Props) => <Parts parts={sentenceOf(lookFor, sheet)} set={set} />;

/** What else can be set of it. */
export const FurtherSettings = ({ lookFor, sheet, set }: Props) => (
  <Parts parts={sentenceOf(lookFor, sheet).filter(isFurther)} set={set} />
);

const Parts = ({ parts, set }: { parts: Part<Patch>[]; set: Props['set'] }) => (
  <div className={styles.sentence}>
    {parts.map((part, i) => (
      // A sentence has no other order than its own.
      <Fragment key={i}>{shown(part, set)}</Fragment>
    ))}
  </div>
);

function shown(part: Part<Patch>, set: (patch: Patch) => void) {
  if (typeof part === 'string') return <span>{part}</span>;
  if ('told' in part) return null;
  if ('aside' in part) return <span className="quiet">{part.aside}</span>;
  switch (part.slot) {
    case 'number':
      return <NumberSlot slot={part} set={set} />;
    case 'choice':
      return <ChoiceSlot slot={part} set={set} />;
    case 'colour':
      return <ColourSlot slot={part} set={set} />;
    case 'words':
      return <WordsSlot slot={part} set={set} />;
  }
}

type SlotProps<Kind extends Slot<Patch>['slot']> = {
  slot: Extract<Slot<Patch>, { slot: Kind }>;
  set: (patch: Patch) => void;
};

/** What is typed too large or too small is set to the nearest that there is. */
const NumberSlot = ({ slot: { label, value, min, max, set: patch }, set }: SlotProps<'number'>) => (
  <InputNumber
    size="small"
    className={styles.number}
    aria-label={label}
    min={min}
    max={max}
    precision={Number.isInteger(min) ? 0 : 1}
    value={value}
    onChange={(next) => next !== null && set(patch(next))}
  />
);

/** More than this are searched by typing. */
const SEARCHED = 8;
/** In pixels: most of the form's own height. */
const LIST_HEIGHT = 400;

/** The options under their headings, in the order in which the headings come. */
function listed(options: readonly Option[]): DefaultOptionType[] {
  const one = ({ value, label, listed: name = label }: Option) => ({ value, label: sentence(name.replace(/^, /, '')) });
  const headings = [...new Set(options.map(({ under }) => under))];
  return headings.flatMap((heading): DefaultOptionType[] => {
    const own = options.filter(({ under }) => under === heading).map(one);
    return heading === undefined ? own : [{ label: heading, title: heading, options: own }];
  });
}

function ChoiceSlot({ slot: { label, value, options, quiet, set: patch }, set }: SlotProps<'choice'>) {
  const now = options.find((option) => option.value === value);
  // Where something is added, nothing is chosen yet.
  const adds = quiet === 'here' && value === '';
  const words = now ? now.label || now.listed : 'choose …';
  return (
    <Select
      size="small"
      variant="borderless"
      className={`${styles.choice} ${quiet ? styles.quiet : ''}`}
      aria-label={label}
      popupMatchSelectWidth={false}
      showSearch={options.length > SEARCHED ? { optionFilterProp: 'label' } : false}
      value={adds ? null : value}
      placeholder={words}
      options={listed(adds ? options.filter((option) => option !== now) : options)}
      listHeight={LIST_HEIGHT}
      labelRender={() => words}
      onChange={(to) => set(patch(to as string))}
    />
  );
}

const ColourSlot = ({ slot: { label, value, options, set: patch }, set }: SlotProps<'colour'>) => (
  <Select
    size="small"
    variant="borderless"
    className={styles.choice}
    aria-label={label}
    popupMatchSelectWidth={false}
    value={value}
    options={options.map((hex) => ({
      value: hex,
      label: (
        <span>
          <i className={styles.swatch} style={{ background: hex }} /> {colourName(hex)}
        </span>
      ),
    }))}
    onChange={(to: string) => set(patch(to))}
  />
);

const WordsSlot = ({ slot: { label, value, most, longest, set: patch }, set }: SlotProps<'words'>) => (
  <CommaField
    {...{ label, value, most, longest }}
    className={styles.words}
    placeholder="Separate them by commas"
    onChange={(words) => set(patch(words))}
  />
);
