import { Input } from 'antd';
import { useState } from 'react';
import type { MapLookFor } from '../../../core/lookfors/concept-map';
import { cutTo } from '../../../core/values/characters';
import type { SettingsProps } from './settings';
import styles from '../hand-out.module.css';

/** Other words that count for the concepts of a map. */
export function OtherWords({ lookFor, set }: SettingsProps<MapLookFor>) {
  /** As it is typed, with a comma at its end. */
  const [typedNow, setTyped] = useState<Record<string, string>>({});
  const also = (i: number, typed: string) => {
    setTyped({ ...typedNow, [lookFor.concepts[i].id]: typed });
    const others = typed
      .split(/[,;]/)
      .map((word) => cutTo(word.trim(), 300))
      .filter(Boolean)
      .slice(0, 19);
    const [first] = lookFor.concepts[i].words;
    set({ concepts: lookFor.concepts.map((one, n) => (n === i ? { ...one, words: [first, ...others] } : one)) });
  };
  return (
    <details className={styles.mapLookfor}>
      <summary>Other words that count</summary>
      {lookFor.concepts.map(({ id: concept, words }, i) => (
        <label key={concept} className={styles.lookforLine}>
          <span className={styles.mapConcept}>{words[0]}</span>
          <Input
            size="small"
            value={typedNow[concept] ?? words.slice(1).join(', ')}
            placeholder="None; separate them by commas"
            onChange={(event) => also(i, event.target.value)}
          />
        </label>
      ))}
    </details>
  );
}
