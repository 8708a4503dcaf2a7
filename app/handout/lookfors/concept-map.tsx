import { Checkbox, Input } from 'antd';
import { useState } from 'react';
import type { MapLookFor } from '../../../core/lookfors/concept-map';
import { cutTo } from '../../../core/values/characters';
import type { SettingsProps } from './settings';
import { SpellingChoice } from './spelling-choice';
import styles from '../hand-out.module.css';

export function MapSettings({ lookFor, set }: SettingsProps<MapLookFor>) {
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
    <div className={styles.mapLookfor}>
      <div className={styles.lookforLine}>
        <span className="quiet">
          {lookFor.concepts.length} concepts, {lookFor.links.length} links, spelling
        </span>
        <SpellingChoice spelling={lookFor.spelling} onChange={(spelling) => set({ spelling })} />
      </div>
      <Checkbox checked={lookFor.direction} onChange={(event) => set({ direction: event.target.checked })}>
        Arrows must point the right way
      </Checkbox>
      <Checkbox checked={lookFor.words} onChange={(event) => set({ words: event.target.checked })}>
        Links must say the same
      </Checkbox>
      <details>
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
    </div>
  );
}
