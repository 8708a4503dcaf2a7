import { useState } from 'react';
import { useSearch } from '../../browser/search';
import { BringPicture } from '../../pictures/bring';
import type { PictureEntry } from '../../pictures/picture-index';
import { OWN, titleOf, usePictures } from '../../pictures/picture-index';
import styles from './kit.module.css';
import picturesStyles from '../../pictures/pictures.module.css';

/** Choosing a picture within a recipe: by a word, from a group, or one's own. */

type Props = {
  label: string;
  chosen: string | null;
  groups?: readonly string[];
  onChoose: (entry: PictureEntry) => void;
};

/** So many are shown; a word brings others. */
const SHOWN = 28;

export function PicturePick({ label, chosen, groups, onChoose }: Props) {
  const { entries: index, mayBring } = usePictures();
  const [wanted, setWanted] = useState('');
  const search = useSearch(index);
  const found = (
    wanted.trim() ? search(wanted) : index.filter(({ group }) => !groups || group === OWN || groups.includes(group))
  ).slice(0, SHOWN);
  return (
    <div className={styles.picturePick}>
      <input
        className={styles.text}
        value={wanted}
        placeholder={label}
        aria-label={label}
        onChange={(event) => setWanted(event.target.value)}
      />
      <div className={styles.picturePickFound}>
        {found.map((entry) => (
          <button
            key={entry.id}
            type="button"
            className={picturesStyles.picture}
            aria-label={entry.name}
            aria-pressed={entry.id === chosen}
            title={titleOf(entry)}
            onClick={() => onChoose(entry)}
          >
            <img src={`/art/pictures/${entry.id}.svg`} alt="" loading="lazy" draggable={false} />
          </button>
        ))}
        {found.length === 0 && index.length > 0 && <p className="quiet">Nothing is called that.</p>}
      </div>
      {mayBring && <BringPicture onBrought={onChoose} />}
    </div>
  );
}
