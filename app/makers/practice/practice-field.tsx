import { Input } from 'antd';
import type { ReactNode } from 'react';
import type { Thing } from '../../../core/schema/recipes/practice';
import { NumberField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { Row } from '../../parts/row';
import { listed } from '../../../core/values/listed';
import type { Field } from './practice-fields';
import { ThingsField } from './things-field';
import { Choice } from '../../fields/choice';
import { Check } from '../../fields/check';
import styles from './practice.module.css';
import kitStyles from '../kit/kit.module.css';
import { Sign } from '../../parts/sign';

/** One setting of a practice sheet, in a field of its kind. */

export type Values = Record<string, unknown>;
type FieldProps = { field: Field; recipe: Values; put: (name: string, values: Values, keep?: 'soon' | 'now') => void };

export function PracticeField({ field, recipe, put }: FieldProps): ReactNode {
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
        <Check checked={value as boolean} onChange={(on) => take(on)}>
          {label}
        </Check>
      );
    case 'choice':
      return (
        <Row label={label}>
          <Choice
            label={label}
            value={value as string | number}
            options={[...field.options]}
            onChange={(next) => take(next)}
            width={168}
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
            className={kitStyles.text}
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
          things={value as Thing[]}
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
        className={kitStyles.text}
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
  groups: { name: string; things: Thing[] }[];
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
        <div key={i} className={styles.practiceGroup}>
          <Row label={`${i + 1}`}>
            <input
              className={kitStyles.text}
              aria-label={`Name of group ${i + 1}`}
              value={group.name}
              maxLength={60}
              onChange={(event) => set(i, { name: event.target.value }, 'soon')}
            />
            {groups.length > 2 && (
              <Toggle
                label="Remove this group"
                onClick={() =>
                  put(
                    'Remove group',
                    groups.filter((_, n) => n !== i),
                  )
                }
              >
                <Sign of="remove" />
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
        <Toggle label="Add a group" onClick={() => put('Add group', [...groups, { name: '', things: [] }])}>
          + group
        </Toggle>
      )}
    </>
  );
}
