import { Action } from '../parts/action';
import { Input } from 'antd';
import { nanoid } from 'nanoid';
import type { LookFor } from '../../core/lookfors/all';
import { begun, OFFERED } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import type { Sheet } from '../../core/schema/sheet';
import { Settings } from './lookfors/all';
import { Choice } from '../fields/choice';
import type { Point } from './shown';
import styles from './hand-out.module.css';
import { Sign } from '../parts/sign';

/** Choosing look-fors. Each is tried at once on the teacher's own sheet. */

type Props = {
  sheet: Sheet;
  lookFors: LookFor[];
  tried: Result[];
  onChange: (lookFors: LookFor[]) => void;
  onRefuse: (reason: string) => void;
  point: Point;
};

export function LookForEdit({ sheet, lookFors, tried, onChange, onRefuse, point }: Props) {
  const set = (index: number, patch: Partial<LookFor>) =>
    onChange(lookFors.map((lookFor, i) => (i === index ? ({ ...lookFor, ...patch } as LookFor) : lookFor)));
  return (
    <div className={styles.lookforEdit}>
      {lookFors.map((lookFor, i) => (
        <div
          key={lookFor.id}
          className={styles.lookforRow}
          onPointerEnter={({ currentTarget }) => point(lookFor.id, currentTarget)}
          onPointerLeave={({ currentTarget }) =>
            // What is being written on stays lit.
            currentTarget.contains(document.activeElement) ? undefined : point(null)
          }
          onFocus={({ currentTarget }) => point(lookFor.id, currentTarget)}
          onBlur={() => point(null)}
        >
          <div className={styles.lookforLine}>
            <Input
              size="small"
              value={lookFor.title}
              aria-label="What you will look for, as students read it"
              onChange={(event) => set(i, { title: event.target.value })}
            />
            <Action
              aria-label={`Remove: ${lookFor.title}`}
              onClick={() => onChange(lookFors.filter((_, j) => j !== i))}
            >
              <Sign of="remove" />
            </Action>
          </div>
          <div className={styles.lookforLine}>
            <Settings lookFor={lookFor} sheet={sheet} set={(patch) => set(i, patch)} />
          </div>
          <div className={styles.lookforLine}>
            {lookFor.kind !== 'teacher' && (
              <Choice
                label="What students are told while they work"
                value={lookFor.tell}
                names={{
                  result: 'students see the count',
                  filled: 'students see what is filled',
                  after: 'told when returned',
                }}
                onChange={(tell) => set(i, { tell })}
                width={200}
              />
            )}
            <span className={`quiet ${styles.lookforTried}`}>{triedWords(tried[i])}</span>
          </div>
        </div>
      ))}
      <Choice
        label="Add a look-for"
        value={null}
        options={OFFERED.map(({ kind, name }) => ({ value: kind, label: name }))}
        onChange={(kind: LookFor['kind'] | null) => {
          const made = kind && begun(kind, sheet, nanoid(8));
          if (typeof made === 'string') onRefuse(made);
          else if (made) onChange([...lookFors, made]);
        }}
        placeholder="Add a look-for …"
      />
    </div>
  );
}

function triedWords(result: Result | undefined): string {
  if (!result) return '';
  if (result.held === null) return 'You tick this while reading';
  return `On yours: ${result.got} of ${result.need}`;
}
