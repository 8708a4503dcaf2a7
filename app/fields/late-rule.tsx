import { InputNumber } from 'antd';
import type { LateRule as Rule } from '../../core/lookfors/rubric';
import { LEAST_OFF, MOST_OFF } from '../../core/lookfors/rubric';
import { Choice } from './choice';
import styles from './late-rule.module.css';

const LATE = [
  { value: 'nothing', label: 'nothing is taken off' },
  { value: 'once', label: 'points are taken off once' },
  { value: 'day', label: 'points are taken off for each day' },
] as const;

type Props = { rule: Rule | undefined; onChange: (rule: Rule | undefined) => void };

/** What is taken off work that comes late. */
export const LateRule = ({ rule, onChange }: Props) => (
  <div className={styles.row}>
    <span>If it comes late</span>
    <Choice
      label="If it comes late"
      width={240}
      value={rule?.each ?? 'nothing'}
      options={[...LATE]}
      onChange={(each: (typeof LATE)[number]['value']) =>
        onChange(each === 'nothing' ? undefined : { off: rule?.off ?? 1, each })
      }
    />
    {rule && (
      <InputNumber
        size="small"
        style={{ width: 72 }}
        aria-label="Points taken off"
        min={LEAST_OFF}
        max={MOST_OFF}
        value={rule.off}
        onChange={(off) => onChange({ ...rule, off: off ?? 1 })}
      />
    )}
  </div>
);
