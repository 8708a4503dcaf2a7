import { useState } from 'react';
import type { Thing } from '../../../core/schema/recipes/practice';
import { shuffled } from '../../../core/makers/kit/shuffle';
import type { PictureEntry } from '../../pictures/picture-index';
import { usePictures } from '../../pictures/picture-index';
import { Toggle } from '../../fields/toggle';
import { PicturePick } from '../kit/picture-pick';
import { Choice } from '../../fields/choice';
import styles from '../kit/kit.module.css';
import { Sign } from '../../parts/sign';

/** The items of a practice sheet: pictures by category or one by one, words, and what belongs to each. */

type Props = {
  label: string;
  things: readonly Thing[];
  /** What goes with the word, if the sheet needs it. */
  other: string | null;
  pictures: boolean;
  onChange: (name: string, things: Thing[], keep?: 'soon' | 'now') => void;
};

const MOST = 60;
const asThing = ({ id, name }: PictureEntry): Thing => ({ picture: id, word: name, other: '' });

export function ThingsField({ label, things, other, pictures, onChange }: Props) {
  const { entries: index } = usePictures();
  const [picking, setPicking] = useState(false);
  const groups = [...new Set(index.map((entry) => entry.group))].filter((group) => group !== 'diagrams');
  const set = (i: number, values: Partial<Thing>) =>
    onChange(
      'Things',
      things.map((thing, n) => (n === i ? { ...thing, ...values } : thing)),
      'soon',
    );
  return (
    <div className={styles.things} role="group" aria-label={label}>
      <ul className={styles.spotList}>
        {things.map((thing, i) => (
          <li key={i}>
            {thing.picture && (
              <img className={`${styles.picture} small`} src={`/art/pictures/${thing.picture}.svg`} alt="" />
            )}
            <input
              className={styles.text}
              value={thing.word}
              maxLength={80}
              aria-label={`Word ${i + 1}`}
              onChange={(event) => set(i, { word: event.target.value })}
            />
            <Toggle
              label={`Remove “${thing.word}”`}
              onClick={() =>
                onChange(
                  'Remove',
                  things.filter((_, n) => n !== i),
                )
              }
            >
              <Sign of="remove" />
            </Toggle>
            {other && (
              <input
                className={`${styles.text} wide`}
                value={thing.other}
                maxLength={200}
                placeholder={other}
                aria-label={`${other} of ${thing.word}`}
                onChange={(event) => set(i, { other: event.target.value })}
              />
            )}
          </li>
        ))}
      </ul>
      <div className={styles.files}>
        <Toggle
          label="A word without a picture"
          disabled={things.length >= MOST}
          onClick={() => onChange('Add word', [...things, { picture: null, word: '', other: '' }])}
        >
          + word
        </Toggle>
        {pictures && (
          <Toggle on={picking} label="Pick pictures one by one" onClick={() => setPicking(!picking)}>
            + picture
          </Toggle>
        )}
        {pictures && (
          <Choice
            label="Pictures of a category"
            value={null}
            asIs
            options={groups.map((value) => ({ value, label: value }))}
            onChange={(group: string | null) => {
              if (!group) return;
              const found = shuffled(
                index.filter((entry) => entry.group === group),
                Math.random,
              );
              onChange('Pick pictures', found.slice(0, 12).map(asThing));
            }}
            placeholder="A category …"
          />
        )}
      </div>
      {picking && (
        <PicturePick
          label="a word for it: fish, apple …"
          chosen={null}
          groups={['animals and plants']}
          onChoose={(entry) => things.length < MOST && onChange('Add picture', [...things, asThing(entry)])}
        />
      )}
    </div>
  );
}
