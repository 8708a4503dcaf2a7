import { BringPictures } from '../../pictures/bring';
import { nothingFound, tileUrl, useFinding } from '../../pictures/finding';
import { FindingFields } from '../../pictures/finding-fields';
import type { PictureEntry } from '../../pictures/picture-index';
import { titleOf } from '../../pictures/picture-index';
import styles from './kit.module.css';
import picturesStyles from '../../pictures/pictures.module.css';

/** Choosing a picture within a recipe: by a word, a colour, from a group, or one's own. */

type Props = {
  label: string;
  chosen: string | null;
  groups?: readonly string[];
  onChoose: (entry: PictureEntry) => void;
};

/** So many are shown; a word brings others. */
const SHOWN = 60;

export function PicturePick({ label, chosen, groups, onChoose }: Props) {
  const finding = useFinding({ near: groups });
  const { found, loaded, mayBring } = finding;
  return (
    <div className={styles.picturePick}>
      <FindingFields finding={finding} label={label} />
      <div className={styles.picturePickFound}>
        {found.slice(0, SHOWN).map((entry) => (
          <button
            key={entry.id}
            type="button"
            className={picturesStyles.picture}
            aria-label={entry.name}
            aria-pressed={entry.id === chosen}
            title={titleOf(entry)}
            onClick={() => onChoose(entry)}
          >
            <img src={tileUrl(entry.id)} alt="" loading="lazy" draggable={false} />
          </button>
        ))}
        {found.length === 0 && loaded && <p className="quiet">{nothingFound(finding)}</p>}
      </div>
      {mayBring && <BringPictures single onBrought={([entry]) => onChoose(entry)} />}
    </div>
  );
}
