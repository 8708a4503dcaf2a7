import { nanoid } from 'nanoid';
import type { LookForOf, PlainLookFor } from '../../../core/lookfors/all';
import { begun, PARTS_OFFERED } from '../../../core/lookfors/all';
import { MOST_PARTS } from '../../../core/lookfors/combined';
import { Choice } from '../../fields/choice';
import { Action } from '../../parts/action';
import { Sign } from '../../parts/sign';
import { WholeSentence } from './sentence';
import type { SettingsProps } from './settings';
import styles from '../hand-out.module.css';

/** The look-fors that are combined, a sentence each. */
export function CombinedParts({ lookFor: { parts }, sheet, set, onRefuse }: SettingsProps<LookForOf<'combined'>>) {
  const add = (kind: PlainLookFor['kind'] | null) => {
    const made = kind && begun(kind, sheet, nanoid(8), parts);
    if (typeof made === 'string') onRefuse(made);
    else if (made) set({ parts: [...parts, made as PlainLookFor] });
  };
  return (
    <>
      <ul className={styles.parts}>
        {parts.map((part, i) => (
          <li key={part.id}>
            <WholeSentence
              lookFor={part}
              sheet={sheet}
              set={(patch) =>
                set({ parts: parts.map((one, n) => (n === i ? ({ ...one, ...patch } as PlainLookFor) : one)) })
              }
            />
            <Action
              aria-label={`Remove: ${part.title}`}
              onClick={() => set({ parts: parts.filter((_, n) => n !== i) })}
            >
              <Sign of="remove" />
            </Action>
          </li>
        ))}
      </ul>
      {parts.length < MOST_PARTS && (
        <Choice
          label="Add to these"
          value={null}
          options={PARTS_OFFERED.map(({ kind, name }) => ({ value: kind as PlainLookFor['kind'], label: name }))}
          onChange={add}
          placeholder="Add one of these …"
        />
      )}
    </>
  );
}
