import { Checkbox, Input, Select } from 'antd';
import type { ReactNode } from 'react';
import { beginPractice, PRACTICES, tell } from '../../core/makers/practice/begin';
import type { PracticeRecipe, PracticeType } from '../../core/makers/practice/recipe';
import { CLOCK_STEPS, GAP_KINDS, OPERATIONS, SHOWN } from '../../core/makers/practice/recipe';
import { FACES } from '../../core/text/catalogue';
import { Swatches } from '../workbench/colour-field';
import { More, NumberField, Row, Toggle } from '../workbench/fields';
import { useMade } from './made';
import type { PanelProps } from './panel';
import { listed, Notes, WordsSize } from './panel';
import { ThingsField } from './things-field';
import { makeVersions } from './versions';

/** A practice sheet's margin card: what is practised, how hard it is, and other versions of it. */

/** A setting of one type of practice sheet, by the kind of field it is set in. */
type Field =
  | { field: 'number'; key: string; label: string; min: number; max: number; whole?: false }
  | { field: 'check'; key: string; label: string }
  | { field: 'choice'; key: string; label: string; options: readonly { value: string | number; label: string }[] }
  | { field: 'several'; key: string; label: string; options: readonly { value: string | number; label: string }[] }
  | { field: 'numbers'; key: string; label: string; min: number; max: number; most: number }
  | { field: 'words'; key: string; label: string; hint: string; most: number; long: number }
  | { field: 'text'; key: string; label: string }
  | { field: 'short'; key: string; label: string; most: number }
  | { field: 'things'; key: string; label: string; other?: string; pictures?: false }
  | { field: 'groups'; key: string; label: string; most: number };

const number = (key: string, label: string, min: number, max: number): Field => ({
  field: 'number',
  key,
  label,
  min,
  max,
});
const check = (key: string, label: string): Field => ({ field: 'check', key, label });
const choice = (key: string, label: string, names: Record<string, string>): Field => ({
  field: 'choice',
  key,
  label,
  options: Object.entries(names).map(([value, name]) => ({ value, label: name })),
});
const OUTLINE = check('outline', 'pictures as outlines');
const SHOWN_NAMES = { picture: 'picture', word: 'word', other: 'what belongs to it' } satisfies Record<
  (typeof SHOWN)[number],
  string
>;
const things = (other?: string): Field => ({ field: 'things', key: 'things', label: 'things', other });

const FIELDS: { [T in PracticeType]: Field[] } = {
  matching: [
    number('count', 'pairs', 2, 12),
    choice('left', 'left', SHOWN_NAMES),
    choice('right', 'right', SHOWN_NAMES),
    OUTLINE,
    things('what belongs to it'),
  ],
  counting: [
    number('rows', 'rows', 2, 10),
    number('most', 'at most', 2, 20),
    check('same', 'two rows alike'),
    OUTLINE,
    things(),
  ],
  sorting: [number('count', 'things', 2, 24), OUTLINE, { field: 'groups', key: 'groups', label: 'boxes', most: 4 }],
  odd: [
    number('rows', 'rows', 1, 10),
    number('across', 'in each', 3, 6),
    OUTLINE,
    { field: 'groups', key: 'groups', label: 'groups', most: 8 },
  ],
  sequence: [OUTLINE, { ...things(), label: 'steps' } as Field],
  tracing: [
    number('copies', 'copies', 1, 4),
    number('ways', 'ways', 0, 8),
    { field: 'words', key: 'words', label: 'words', hint: 'one in a line', most: 20, long: 40 },
  ],
  colouring: [number('count', 'pictures', 1, 6), check('key', 'by numbers, with a colour key'), things()],
  cutouts: [number('count', 'cards', 1, 30), check('tabs', 'tabs to glue'), OUTLINE, things()],
  numberline: [
    { ...number('from', 'from', -1000, 1000), whole: false } as Field,
    { ...number('step', 'steps of', 0.01, 1000), whole: false } as Field,
    number('marks', 'marks', 3, 31),
    number('missing', 'missing', 1, 30),
    number('lines', 'lines', 1, 8),
  ],
  sums: [
    {
      field: 'several',
      key: 'operations',
      label: 'kinds',
      options: OPERATIONS.map((value) => ({ value, label: value })),
    },
    number('most', 'up to', 2, 10_000),
    choice('carry', 'carrying', { any: 'as it comes', never: 'never', always: 'always' }),
    choice('form', 'written', { row: 'in a row', column: 'one under the other' }),
    choice('gap', 'missing', { result: 'the result', any: 'anything' }),
    number('count', 'sums', 1, 60),
  ],
  tables: [
    { field: 'numbers', key: 'tables', label: 'tables', min: 1, max: 20, most: 20 },
    number('to', 'up to', 2, 20),
    choice('gap', 'missing', { result: 'the result', any: 'anything' }),
    check('divide', 'dividing too'),
    number('count', 'sums', 1, 60),
  ],
  bars: [
    number('count', 'bars', 1, 8),
    number('parts', 'parts', 2, 4),
    number('most', 'up to', 5, 1000),
    choice('gap', 'missing', { whole: 'the whole', part: 'a part', any: 'either' }),
  ],
  clocks: [
    number('count', 'clocks', 1, 16),
    {
      field: 'choice',
      key: 'step',
      label: 'times to',
      options: CLOCK_STEPS.map((value) => ({
        value,
        label: { 60: 'the hour', 30: 'the half hour', 15: 'the quarter', 5: 'five minutes', 1: 'the minute' }[value],
      })),
    },
    choice('task', 'task', { read: 'read the clock', draw: 'draw the hands' }),
  ],
  money: [
    number('count', 'rows', 1, 10),
    number('most', 'coins', 2, 8),
    { field: 'short', key: 'sign', label: 'sign', most: 3 },
    { field: 'numbers', key: 'coins', label: 'coins', min: 1, max: 1000, most: 12 },
  ],
  wordsearch: [
    number('across', 'across', 4, 26),
    number('down', 'down', 4, 26),
    check('diagonal', 'slanting words too'),
    check('backwards', 'backwards too'),
    check('list', 'the words below'),
    { field: 'words', key: 'words', label: 'words', hint: 'one in a line', most: 40, long: 40 },
    {
      field: 'words',
      key: 'unwanted',
      label: 'never',
      hint: 'words that must not come about by chance',
      most: 200,
      long: 40,
    },
  ],
  crossword: [{ field: 'things', key: 'things', label: 'words', other: 'its clue', pictures: false }],
  gaps: [
    choice('kind', 'gaps', {
      every: 'every so many words',
      chosen: 'words I choose',
      long: 'long words',
      numbers: 'numbers',
      joining: 'joining words',
      placing: 'words of place',
    } satisfies Record<(typeof GAP_KINDS)[number], string>),
    number('every', 'every', 2, 30),
    check('bank', 'a box of words'),
    { field: 'text', key: 'text', label: 'text' },
    {
      field: 'words',
      key: 'chosen',
      label: 'chosen',
      hint: 'or put them in [square brackets] in the text',
      most: 60,
      long: 60,
    },
  ],
  bingo: [
    number('across', 'side', 2, 6),
    choice('shows', 'shows', SHOWN_NAMES),
    check('free', 'free middle'),
    things('what belongs to it'),
  ],
  dominoes: [choice('left', 'left', SHOWN_NAMES), choice('right', 'right', SHOWN_NAMES), things('what belongs to it')],
};

type Values = Record<string, unknown>;

export function PracticePanel({ bench, group, sheet }: PanelProps) {
  const { recipe, seed, notes, edit, reseed } = useMade(bench, group, 'practice');
  const put = (name: string, values: Values, keep: 'soon' | 'now' = 'now') =>
    edit(name, { ...recipe, ...values } as PracticeRecipe, keep);
  return (
    <div className="practice-panel">
      <Row label="kind">
        <Select
          size="small"
          aria-label="What is practised"
          value={recipe.type}
          options={Object.entries(PRACTICES).map(([value, { name }]) => ({
            value: value as PracticeType,
            label: name,
          }))}
          onChange={(type) => {
            const { nameLine, face, size, ink, tint } = recipe;
            edit('Another practice', {
              ...beginPractice(type, sheet.palette),
              nameLine,
              face,
              size,
              ink,
              tint,
            } as PracticeRecipe);
          }}
          style={{ flex: 1, minWidth: 0 }}
        />
      </Row>
      <p className="practice-tells">{tell(recipe)}</p>
      <Notes notes={notes} />
      {FIELDS[recipe.type].map((field) => (
        <PracticeField
          key={`${recipe.type} ${field.key}`}
          field={field}
          recipe={recipe as unknown as Values}
          put={put}
        />
      ))}
      <div className="made-files">
        <Toggle
          on={false}
          label="The same practice with other numbers, words or places"
          onClick={() => reseed('Another version', seed + 1)}
        >
          another version
        </Toggle>
        <Toggle
          on={false}
          label="29 pages more, each a version of its own"
          onClick={() => makeVersions(bench, group.id, 30)}
        >
          30 versions
        </Toggle>
      </div>
      <More title="title and words">
        <Row label="title">
          <input
            className="made-text"
            aria-label="Title"
            value={recipe.title}
            maxLength={120}
            onChange={(event) => put('Title', { title: event.target.value }, 'soon')}
          />
        </Row>
        <Row label="task">
          <input
            className="made-text"
            aria-label="Instruction"
            value={recipe.instruction}
            maxLength={300}
            onChange={(event) => put('Instruction', { instruction: event.target.value }, 'soon')}
          />
        </Row>
        <Row label="">
          <Checkbox
            checked={recipe.nameLine}
            onChange={(event) => put('Name line', { nameLine: event.target.checked })}
          >
            a line for the name
          </Checkbox>
        </Row>
        <Row label="face">
          <Select
            size="small"
            aria-label="Face"
            value={recipe.face}
            options={FACES.filter(({ early }) => early).map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(face) => put('Face', { face })}
            style={{ width: 140 }}
          />
          <WordsSize size={recipe.size} onChange={put} />
        </Row>
        <Swatches
          label="words"
          value={recipe.ink}
          palette={sheet.palette}
          onChange={(ink) => ink && put('Colour', { ink })}
        />
        <Swatches
          label="tint"
          value={recipe.tint}
          palette={sheet.palette}
          onChange={(tint) => tint && put('Tint', { tint })}
        />
      </More>
    </div>
  );
}

type FieldProps = { field: Field; recipe: Values; put: (name: string, values: Values, keep?: 'soon' | 'now') => void };

function PracticeField({ field, recipe, put }: FieldProps): ReactNode {
  const { key, label } = field;
  const value = recipe[key];
  const take = (next: unknown, keep?: 'soon' | 'now') =>
    put(label[0].toUpperCase() + label.slice(1), { [key]: next }, keep);
  switch (field.field) {
    case 'number':
      return (
        <Row label={label}>
          <NumberField
            bare
            label={label}
            value={value as number}
            min={field.min}
            max={field.max}
            onChange={(next) => take(field.whole === false ? next : Math.round(next))}
          />
        </Row>
      );
    case 'check':
      return (
        <Row label="">
          <Checkbox checked={value as boolean} onChange={(event) => take(event.target.checked)}>
            {label}
          </Checkbox>
        </Row>
      );
    case 'choice':
      return (
        <Row label={label}>
          <Select
            size="small"
            aria-label={label}
            value={value as string | number}
            options={[...field.options]}
            onChange={(next) => take(next)}
            style={{ width: 168 }}
          />
        </Row>
      );
    case 'several':
      return (
        <Row label={label}>
          {field.options.map((option) => {
            const now = value as (string | number)[];
            const on = now.includes(option.value);
            return (
              <Toggle
                key={option.value}
                on={on}
                label={`${label}: ${option.label}`}
                onClick={() =>
                  on ? now.length > 1 && take(now.filter((one) => one !== option.value)) : take([...now, option.value])
                }
              >
                {option.label}
              </Toggle>
            );
          })}
        </Row>
      );
    case 'numbers':
      return <NumbersField {...{ field, label }} value={value as number[]} take={take} />;
    case 'words':
      return <LinesField {...{ field, label }} value={value as string[]} take={take} />;
    case 'text':
      return (
        <Input.TextArea
          size="small"
          aria-label={label}
          value={value as string}
          maxLength={6000}
          autoSize={{ minRows: 3, maxRows: 9 }}
          style={{ marginTop: 7 }}
          onChange={(event) => take(event.target.value, 'soon')}
        />
      );
    case 'short':
      return (
        <Row label={label}>
          <input
            className="made-text"
            aria-label={label}
            value={value as string}
            maxLength={field.most}
            onChange={(event) => take(event.target.value, 'soon')}
          />
        </Row>
      );
    case 'things':
      return (
        <ThingsField
          label={label}
          things={value as never}
          other={field.other ?? null}
          pictures={field.pictures !== false}
          onChange={(name, next, keep) => put(name, { [key]: next }, keep)}
        />
      );
    case 'groups':
      return (
        <GroupsField
          most={field.most}
          groups={value as GroupsProps['groups']}
          put={(name, groups, keep) => put(name, { [key]: groups }, keep)}
        />
      );
  }
}

type TypedProps<F, V> = { field: F; label: string; value: V; take: (next: V, keep?: 'soon' | 'now') => void };

/** Numbers with commas; what is no number, or too large, is left out. */
function NumbersField({ field, label, value, take }: TypedProps<Extract<Field, { field: 'numbers' }>, number[]>) {
  return (
    <Row label={label}>
      <input
        key={value.join()}
        className="made-text"
        aria-label={`${label}, separated by commas`}
        defaultValue={value.join(', ')}
        onBlur={(event) => {
          const next = (event.target.value.match(/\d+/g) ?? [])
            .map(Number)
            .filter((one) => one >= field.min && one <= field.max)
            .slice(0, field.most);
          if (next.length > 0 && next.join() !== value.join()) take([...new Set(next)]);
          else event.target.value = value.join(', ');
        }}
      />
    </Row>
  );
}

/** One in a line. */
function LinesField({ field, label, value, take }: TypedProps<Extract<Field, { field: 'words' }>, string[]>) {
  return (
    <Row label={label}>
      <Input.TextArea
        key={value.length}
        size="small"
        aria-label={label}
        placeholder={field.hint}
        defaultValue={value.join('\n')}
        autoSize={{ minRows: 2, maxRows: 8 }}
        onBlur={(event) => {
          const next = listed(event.target.value, field.most, field.long).filter(
            (word) => word.length > (field.key === 'unwanted' ? 1 : 0),
          );
          if (next.join('\n') !== value.join('\n')) take(next);
        }}
      />
    </Row>
  );
}

type GroupsProps = {
  most: number;
  groups: { name: string; things: { picture: string | null; word: string; other: string }[] }[];
  put: (name: string, groups: GroupsProps['groups'], keep?: 'soon' | 'now') => void;
};

function GroupsField({ most, groups, put }: GroupsProps) {
  const set = (i: number, values: Partial<GroupsProps['groups'][number]>, keep?: 'soon' | 'now') =>
    put(
      'Groups',
      groups.map((group, n) => (n === i ? { ...group, ...values } : group)),
      keep,
    );
  return (
    <>
      {groups.map((group, i) => (
        <div key={i} className="practice-group">
          <Row label={`${i + 1}`}>
            <input
              className="made-text"
              aria-label={`Name of group ${i + 1}`}
              value={group.name}
              maxLength={60}
              onChange={(event) => set(i, { name: event.target.value }, 'soon')}
            />
            {groups.length > 2 && (
              <Toggle
                on={false}
                label="Takes this group away"
                onClick={() =>
                  put(
                    'Take group away',
                    groups.filter((_, n) => n !== i),
                  )
                }
              >
                ✕
              </Toggle>
            )}
          </Row>
          <ThingsField
            label={group.name}
            things={group.things}
            other={null}
            pictures
            onChange={(_, next, keep) => set(i, { things: next }, keep)}
          />
        </div>
      ))}
      {groups.length < most && (
        <Toggle
          on={false}
          label="One more group"
          onClick={() => put('Add group', [...groups, { name: '', things: [] }])}
        >
          + group
        </Toggle>
      )}
    </>
  );
}
