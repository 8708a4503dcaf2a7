import { Action } from '../parts/action';
import { Button, Input } from 'antd';
import { nanoid } from 'nanoid';
import type { Rubric } from '../../core/lookfors/rubric';
import { Choice } from '../fields/choice';
import styles from './hand-out.module.css';
import { Sign } from '../parts/sign';

/** Rows of a rubric, each with its levels and what they mean. */

type Row = Rubric['rows'][number];
const levels = (count: number, before: Row['levels'] = []): Row['levels'] =>
  Array.from({ length: count }, (_, i) => ({ points: i + 1, text: before[i]?.text ?? '' }));

export function RubricEdit({ rubric, onChange }: { rubric: Rubric; onChange: (rubric: Rubric) => void }) {
  const set = (id: string, patch: Partial<Row>) =>
    onChange({ rows: rubric.rows.map((row) => (row.id === id ? { ...row, ...patch } : row)) });
  return (
    <>
      {rubric.rows.map((row) => (
        <div key={row.id} className={styles.rubricEdit}>
          <div className={styles.rubricRow}>
            <Input
              size="small"
              aria-label="Row of the rubric"
              placeholder="What is marked"
              value={row.name}
              onChange={(event) => set(row.id, { name: event.target.value })}
            />
            <Choice
              label="Levels"
              width={130}
              value={row.levels.length}
              options={[2, 3, 4, 5].map((n) => ({ value: n, label: `levels 1 to ${n}` }))}
              onChange={(count: number) => set(row.id, { levels: levels(count, row.levels) })}
            />
            <Action
              aria-label={`Remove: ${row.name || 'this row'}`}
              onClick={() => onChange({ rows: rubric.rows.filter(({ id }) => id !== row.id) })}
            >
              <Sign of="remove" />
            </Action>
          </div>
          <details>
            <summary className="quiet">What each level means</summary>
            {row.levels.map((level, i) => (
              <Input
                key={level.points}
                size="small"
                addonBefore={level.points}
                aria-label={`Level ${level.points} of ${row.name || 'this row'}`}
                value={level.text}
                maxLength={300}
                onChange={(event) =>
                  set(row.id, { levels: row.levels.map((l, j) => (j === i ? { ...l, text: event.target.value } : l)) })
                }
              />
            ))}
          </details>
        </div>
      ))}
      <Button
        size="small"
        type="dashed"
        onClick={() => onChange({ rows: [...rubric.rows, { id: nanoid(8), name: '', levels: levels(4) }] })}
      >
        Add a row
      </Button>
    </>
  );
}
