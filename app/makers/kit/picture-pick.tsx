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
  /** One, or several. */
  chosen: string | null | readonly string[];
  groups?: readonly string[];
  onChoose: (entry: PictureEntry) => void;
  /** Several can be uploaded. */
  onBrought?: (entries: readonly PictureEntry[]) => void;
};

/** So many are shown; a word brings others. */
const SHOWN = 60;

export function PicturePick({ label, chosen, groups, onChoose, onBrought }: Props) {
  const finding = useFinding({ near: groups });
  const { found, loaded, mayBring } = finding;
  const all = typeof chosen === 'string' ? [chosen] : (chosen ?? []);
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
            aria-pressed={all.includes(entry.id)}
            title={titleOf(entry)}
            onClick={() => onChoose(entry)}
          >
            <img src={tileUrl(entry.id)} alt="" loading="lazy" draggable={false} />
          </button>
        ))}
        {found.length === 0 && loaded && <p className="quiet">{nothingFound(finding)}</p>}
      </div>
      {mayBring && <BringPictures single={!onBrought} onBrought={onBrought ?? (([entry]) => onChoose(entry))} />}
    </div>
  );
}
