import { rove, stopAt } from './rove';
import { sentence } from './sentence';
import styles from './tabs.module.css';

type Props<Id extends string> = {
  label: string;
  tabs: readonly { id: Id; name: string }[];
  chosen: Id;
  onChoose: (id: Id) => void;
};

/** Tabs of a card. The keys stay where they were: in the text that is edited, or on the sheet. */
export function Tabs<Id extends string>({ label, tabs, chosen, onChoose }: Props<Id>) {
  const at = tabs.findIndex(({ id }) => id === chosen);
  return (
    <div className={styles.tabs} role="tablist" aria-label={label} onKeyDown={(event) => rove(event, 'tab')}>
      {tabs.map(({ id, name }, i) => (
        <button
          key={id}
          type="button"
          role="tab"
          aria-selected={id === chosen}
          tabIndex={stopAt(at, i)}
          className={styles.tab}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => onChoose(id)}
        >
          {sentence(name)}
        </button>
      ))}
    </div>
  );
}
