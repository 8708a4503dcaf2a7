import type { ToldResult } from '../../core/lookfors/checks';
import { isStepMet, toldById } from '../../core/lookfors/step-open';
import type { Loaded } from '../student/entries';
import { Tick } from '../student/tick';
import studentStyles from '../student/student.module.css';
import styles from './copy.module.css';

/** What a student is to do: all of it, or step by step. */

type Props = {
  loaded: Pick<Loaded, 'brief' | 'steps' | 'lookFors' | 'lateRule'>;
  results: readonly (ToldResult | null)[];
};

export function Brief({ loaded, results }: Props) {
  const { brief, steps, lookFors, lateRule } = loaded;
  const told = toldById(lookFors, results);
  const left = steps.of - steps.open.length;
  return (
    <>
      {(brief || steps.of === 0) && <p className={studentStyles.brief}>{brief || 'Fill in the sheet.'}</p>}
      {steps.of > 0 && (
        <ol className={styles.steps} aria-label="Steps">
          {steps.open.map((step, i) => {
            const now = i === steps.open.length - 1;
            const met = !now || (step.lookFors.length > 0 && isStepMet(step, told));
            const asked = lookFors.filter(({ id }) => step.lookFors.includes(id));
            return (
              <li key={step.id} aria-current={now ? 'step' : undefined}>
                <details open={now}>
                  <summary>
                    <Tick held={met} />
                    <b>Step {i + 1}</b>
                  </summary>
                  <p className={studentStyles.brief}>{step.text}</p>
                  {now && left > 0 && asked.length > 0 && (
                    <>
                      <p className="quiet">Step {i + 2} opens when this is there:</p>
                      <ul className={styles.stepAsks}>
                        {asked.map((lookFor) => (
                          <li key={lookFor.id}>
                            <Tick held={isStepMet({ lookFors: [lookFor.id] }, told)} />
                            {lookFor.title}
                          </li>
                        ))}
                      </ul>
                    </>
                  )}
                </details>
              </li>
            );
          })}
        </ol>
      )}
      {lateRule && <p className="quiet">{lateRule}</p>}
      {left > 0 && <p className="quiet">{left === 1 ? 'One more step opens' : `${left} more steps open`} as you go.</p>}
    </>
  );
}

/** What the brief is called where it is folded. */
export const briefName = ({ open, of }: Loaded['steps']): string => (of > 0 ? `Step ${open.length} of ${of}` : 'To do');
