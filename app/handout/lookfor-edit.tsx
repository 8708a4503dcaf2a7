import { Action } from '../parts/action';
import { Input } from 'antd';
import { nanoid } from 'nanoid';
import type { LookFor } from '../../core/lookfors/all';
import { begun, contradictionOf, countWords, OFFERED, titled } from '../../core/lookfors/all';
import type { Sheet } from '../../core/schema/sheet';
import { Beside } from './lookfors/all';
import { Sentence } from './lookfors/sentence';
import { Choice } from '../fields/choice';
import type { Tried } from './draft';
import type { Point } from './shown';
import styles from './hand-out.module.css';
import { Sign } from '../parts/sign';

/** Choosing look-fors. Each is tried at once on the teacher's own sheet. */

type Props = {
  sheet: Sheet;
  lookFors: LookFor[];
  tried: Tried[];
  onChange: (lookFors: LookFor[]) => void;
  onRefuse: (reason: string) => void;
  point: Point;
};

export function LookForEdit({ sheet, lookFors, tried, onChange, onRefuse, point }: Props) {
  const set = (index: number, patch: Partial<LookFor>) =>
    onChange(
      lookFors.map((lookFor, i) => (i === index ? titled({ ...lookFor, ...patch } as LookFor, sheet) : lookFor)),
    );
  return (
    <div className={styles.lookforEdit}>
      {lookFors.map((lookFor, i) => (
        <LookForCard
          key={lookFor.id}
          lookFor={lookFor}
          sheet={sheet}
          tried={tried[i]}
          set={(patch) => set(i, patch)}
          onRemove={() => onChange(lookFors.filter((_, j) => j !== i))}
          onRefuse={onRefuse}
          point={point}
        />
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
        listHeight={420}
      />
    </div>
  );
}

type CardProps = {
  lookFor: LookFor;
  sheet: Sheet;
  tried: Tried | undefined;
  set: (patch: Partial<LookFor>) => void;
  onRemove: () => void;
  onRefuse: (reason: string) => void;
  point: Point;
};

function LookForCard({ lookFor, sheet, tried, set, onRemove, onRefuse, point }: CardProps) {
  const wrong = contradictionOf(lookFor, sheet);
  return (
    <div
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
          onChange={(event) => set({ title: event.target.value, follows: undefined })}
        />
        <Action aria-label={`Remove: ${lookFor.title}`} onClick={onRemove}>
          <Sign of="remove" />
        </Action>
      </div>
      {lookFor.kind !== 'teacher' && <Sentence lookFor={lookFor} sheet={sheet} set={set} />}
      <Beside lookFor={lookFor} sheet={sheet} set={set} onRefuse={onRefuse} />
      {wrong && (
        <p className={styles.contradiction} role="alert">
          {wrong}
        </p>
      )}
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
            onChange={(tell) => set({ tell })}
            width={200}
          />
        )}
        {!lookFor.follows && lookFor.kind !== 'teacher' && lookFor.kind !== 'unknown' && (
          <Action onClick={() => set({ follows: true })}>Title from the sentence</Action>
        )}
      </div>
      <p className={`quiet ${styles.lookforTried}`}>{triedWords(lookFor, tried)}</p>
    </div>
  );
}

/** How it counts on the teacher's own sheet, which may be an example, and on the sheet as students get it. */
function triedWords(lookFor: LookFor, tried: Tried | undefined): string {
  if (!tried) return '';
  if (tried.own.held === null) return 'You tick this while reading.';
  const own = `On yours: ${countWords(lookFor, tried.own)}`;
  if (tried.given.held) return `${own}. It is met before students begin!`;
  return lookFor.kind === 'items' && tried.own.got === 0 ? `${own}. What you mark as answer key is tried, too.` : own;
}
