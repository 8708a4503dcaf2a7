import { Action } from '../parts/action';
import { Button, Input, InputNumber } from 'antd';
import { nanoid } from 'nanoid';
import { MOST_LEVEL_POINTS } from '../../core/lookfors/rubric';
import type { Rubric } from '../../core/lookfors/rubric';
import { Choice } from '../fields/choice';
import { LateRule } from '../fields/late-rule';
import styles from './hand-out.module.css';
import { Sign } from '../parts/sign';

/** Rows of a rubric, each with its levels and what they mean. */

type Row = Rubric['rows'][number];
/** So many levels: those that are there with their points, and each more brings one more than the one before. */
function levels(count: number, before: Row['levels'] = []): Row['levels'] {
  const last = before.at(-1)?.points ?? 0;
  const more = Array.from({ length: Math.max(0, count - before.length) }, (_, i) => ({
    points: Math.min(MOST_LEVEL_POINTS, last + i + 1),
    text: '',
  }));
  return [...before.slice(0, count), ...more];
}
const climbs = (all: Row['levels']) => all.every(({ points }, i) => i === 0 || points > all[i - 1].points);

type Props = {
  rubric: Rubric;
  /** Look-fors bring points, too. */
  weighs: boolean;
  onChange: (rubric: Rubric) => void;
};

export function RubricEdit({ rubric, weighs, onChange }: Props) {
  const set = (id: string, patch: Partial<Row>) =>
    onChange({ ...rubric, rows: rubric.rows.map((row) => (row.id === id ? { ...row, ...patch } : row)) });
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
              options={[2, 3, 4, 5, 6].map((n) => ({ value: n, label: `${n} levels` }))}
              onChange={(count: number) => set(row.id, { levels: levels(count, row.levels) })}
            />
            <Action
              aria-label={`Remove: ${row.name || 'this row'}`}
              onClick={() => onChange({ ...rubric, rows: rubric.rows.filter(({ id }) => id !== row.id) })}
            >
              <Sign of="remove" />
            </Action>
          </div>
          <details>
            <summary className="quiet">What each level means, and its points</summary>
            {row.levels.map((level, i) => {
              const name = `Level ${i + 1} of ${row.name || 'this row'}`;
              const put = (patch: Partial<typeof level>) =>
                set(row.id, { levels: row.levels.map((one, j) => (j === i ? { ...one, ...patch } : one)) });
              return (
                // Levels have no name of their own: which one it is, its place says.
                <div key={i} className={styles.rubricLevel}>
                  <InputNumber
                    size="small"
                    style={{ width: 62 }}
                    aria-label={`Points of ${name.toLowerCase()}`}
                    min={0}
                    max={MOST_LEVEL_POINTS}
                    value={level.points}
                    onChange={(to) => put({ points: to ?? 0 })}
                  />
                  <Input
                    size="small"
                    aria-label={name}
                    value={level.text}
                    maxLength={300}
                    onChange={(event) => put({ text: event.target.value })}
                  />
                </div>
              );
            })}
            {!climbs(row.levels) && (
              <p className="quiet" role="status">
                Each level should bring more points than the one before it.
              </p>
            )}
          </details>
        </div>
      ))}
      <Button
        size="small"
        type="dashed"
        onClick={() => onChange({ ...rubric, rows: [...rubric.rows, { id: nanoid(8), name: '', levels: levels(4) }] })}
      >
        Add a row
      </Button>
      {(rubric.rows.length > 0 || weighs) && (
        <LateRule rule={rubric.late} onChange={(late) => onChange({ ...rubric, late })} />
      )}
    </>
  );
}
