import { SearchLine } from '../fields/search-line';
import { sentence } from '../parts/sentence';
import styles from './drawer.module.css';

type Props = {
  /** What is found here, as in “Find a picture”. */
  label: string;
  wanted: string;
  group: string | null;
  groups: readonly { id: string | null; name: string }[];
  onWanted: (words: string) => void;
  onGroup: (id: string | null) => void;
};

/** The two ways into a compartment: search, or a group. */
export function Ways({ label, wanted, group, groups, onWanted, onGroup }: Props) {
  return (
    <div className={styles.picturesWays}>
      <SearchLine label={label} wanted={wanted} onWanted={onWanted} />
      <div className={styles.picturesGroups}>
        {groups.map(({ id, name }) => (
          <button
            key={name}
            type="button"
            className={`${styles.picturesGroup}${!wanted.trim() && id === group ? ' on' : ''}`}
            onClick={() => (onGroup(id), onWanted(''))}
          >
            {sentence(name)}
          </button>
        ))}
      </div>
    </div>
  );
}
