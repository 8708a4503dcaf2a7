import { Button, Checkbox, Input } from 'antd';
import { nanoid } from 'nanoid';
import type { Step } from '../../core/lookfors/steps';
import { MOST_STEPS, opensNothing } from '../../core/lookfors/steps';
import type { LookFor } from '../../core/lookfors/all';
import { toggled } from '../../core/values/toggled';
import { Action } from '../parts/action';
import { Sign } from '../parts/sign';
import styles from './hand-out.module.css';

/** Parts of the brief that open one after another: what to do in each, and what has to be met before the next one opens. */

type Props = { steps: readonly Step[]; lookFors: readonly LookFor[]; onChange: (steps: Step[]) => void };

const begun = (): Step => ({ id: nanoid(8), text: '', lookFors: [] });

export function StepsEdit({ steps, lookFors, onChange }: Props) {
  const set = (id: string, patch: Partial<Step>) =>
    onChange(steps.map((step) => (step.id === id ? { ...step, ...patch } : step)));
  const up = (i: number) => onChange([...steps.slice(0, i - 1), steps[i], steps[i - 1], ...steps.slice(i + 1)]);
  return (
    <>
      {steps.length > 0 && (
        <ol className={styles.steps} aria-label="Steps">
          {steps.map((step, i) => {
            const number = i + 1;
            const isLast = number === steps.length;
            const free = lookFors.filter(
              ({ id }) => step.lookFors.includes(id) || steps.every((other) => !other.lookFors.includes(id)),
            );
            return (
              <li key={step.id}>
                <div className={styles.stepTop}>
                  <b>Step {number}</b>
                  <span className="spring" />
                  {i > 0 && (
                    <Action aria-label={`Move step ${number} up`} onClick={() => up(i)}>
                      up
                    </Action>
                  )}
                  <Action
                    aria-label={`Remove step ${number}`}
                    onClick={() => onChange(steps.filter(({ id }) => id !== step.id))}
                  >
                    <Sign of="remove" />
                  </Action>
                </div>
                <Input.TextArea
                  aria-label={`What to do in step ${number}`}
                  placeholder="What to do"
                  autoSize={{ minRows: 1, maxRows: 6 }}
                  maxLength={2000}
                  value={step.text}
                  onChange={(event) => set(step.id, { text: event.target.value })}
                />
                <p className="quiet">
                  {isLast
                    ? 'What is shown with this step, once it is open:'
                    : `Step ${number + 1} opens when this is met:`}
                </p>
                {free.length === 0 && <p className="quiet">No look-for is left. Add one below.</p>}
                <ul className={styles.stepLookFors}>
                  {free.map((lookFor) => {
                    const wrong = isLast ? null : opensNothing(lookFor);
                    const isOn = step.lookFors.includes(lookFor.id);
                    return (
                      <li key={lookFor.id}>
                        <Checkbox
                          checked={isOn}
                          disabled={wrong !== null && !isOn}
                          onChange={(event) =>
                            set(step.id, { lookFors: toggled(step.lookFors, lookFor.id, event.target.checked) })
                          }
                        >
                          {lookFor.title}
                        </Checkbox>
                        {wrong && <span className={`quiet ${styles.stepWrong}`}>{wrong}</span>}
                      </li>
                    );
                  })}
                </ul>
              </li>
            );
          })}
        </ol>
      )}
      {steps.length < MOST_STEPS && (
        <Button
          size="small"
          type="dashed"
          onClick={() => onChange([...steps, begun(), ...(steps.length === 0 ? [begun()] : [])])}
        >
          {steps.length === 0 ? 'Work in steps …' : 'Add a step'}
        </Button>
      )}
    </>
  );
}
