import { Checkbox } from 'antd';
import { MOST_OF_A_SUPPLY } from '../../core/handout/limits';
import type { Supply } from '../../core/handout/supplies';
import { SUPPLIES } from '../../core/handout/supplies';
import { toggled } from '../../core/values/toggled';
import type { HandOutDraft } from './draft';
import { LaidOutEdit } from './laid-out-edit';
import styles from './hand-out.module.css';

/** What students may add: by kind, how many, and which pictures. */

const SUPPLY_NAMES: Record<Supply, string> = {
  text: 'Text',
  shape: 'Shapes',
  line: 'Lines',
  picture: 'Pictures',
  map: 'Concept maps',
  chart: 'Charts',
  cloud: 'Word clouds',
  ink: 'Pen',
  page: 'Work made elsewhere',
};

/** A limit as it is typed: a whole number, or none. */
const limitFrom = (typed: string): number | undefined => {
  const number = Math.round(Number(typed));
  return typed.trim() !== '' && number >= 1 ? Math.min(number, MOST_OF_A_SUPPLY) : undefined;
};

export function SuppliesEdit({ draft, set }: Pick<HandOutDraft, 'draft' | 'set'>) {
  const limit = (supply: Supply, to: number | undefined) => {
    const { [supply]: _, ...others } = draft.limits;
    set({ limits: to === undefined ? others : { ...others, [supply]: to } });
  };
  return (
    <section>
      <h2>Supplies open to students</h2>
      <ul className={styles.supplies}>
        {SUPPLIES.map((supply) => {
          const isOpen = draft.supplies.includes(supply);
          return (
            <li key={supply}>
              <Checkbox
                checked={isOpen}
                onChange={(event) => {
                  const { [supply]: _, ...others } = draft.limits;
                  const supplies = toggled(draft.supplies, supply, event.target.checked);
                  set({ supplies, limits: event.target.checked ? draft.limits : others });
                }}
              >
                {SUPPLY_NAMES[supply]}
              </Checkbox>
              {isOpen && (
                <label className={`quiet ${styles.most}`}>
                  at most
                  <input
                    type="number"
                    className={`pick ${styles.limit}`}
                    aria-label={`At most so many: ${SUPPLY_NAMES[supply]}`}
                    placeholder="any"
                    min={1}
                    max={MOST_OF_A_SUPPLY}
                    value={draft.limits[supply] ?? ''}
                    onChange={(event) => limit(supply, limitFrom(event.target.value))}
                  />
                </label>
              )}
            </li>
          );
        })}
      </ul>
      {draft.supplies.includes('picture') && (
        <LaidOutEdit laidOut={draft.laidOut} onChange={(laidOut) => set({ laidOut })} />
      )}
    </section>
  );
}
