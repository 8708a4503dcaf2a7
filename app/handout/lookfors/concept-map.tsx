import type { MapLookFor } from '../../../core/lookfors/concept-map';
import { CommaField } from './comma-field';
import type { SettingsProps } from './settings';
import styles from '../hand-out.module.css';

/** Other words that count for the concepts of a map. */
export const OtherWords = ({ lookFor: { concepts }, set }: SettingsProps<MapLookFor>) => (
  <details className={styles.mapLookfor}>
    <summary>Other words that count</summary>
    {concepts.map(({ id: concept, words: [first, ...others] }, i) => (
      <label key={concept} className={styles.lookforLine}>
        <span className={styles.mapConcept}>{first}</span>
        <CommaField
          placeholder="None; separate them by commas"
          value={others}
          most={19}
          longest={300}
          onChange={(also) =>
            set({ concepts: concepts.map((one, n) => (n === i ? { ...one, words: [first, ...also] } : one)) })
          }
        />
      </label>
    ))}
  </details>
);
