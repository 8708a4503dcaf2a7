import styles from './key-sheet.module.css';
import { Ask } from '../parts/ask';
import type { Editor } from '../document/editor';
import { COMMANDS, OTHER_KEYS } from './keys';

/** The list of all keys of the workbench. */
export default function KeySheet({ editor }: { editor: Editor }) {
  const row = ({ keys, says }: { keys: string; says: string }) => (
    <div key={keys} className={styles.row}>
      <dt>
        {keys.split(' · ').map((each, i) => (
          <span key={each}>
            {i > 0 && ' · '}
            <kbd>{each}</kbd>
          </span>
        ))}
      </dt>
      <dd>{says}</dd>
    </div>
  );
  return (
    <Ask title="Keyboard shortcuts" wide onCancel={() => editor.put({ keySheet: false })}>
      <div className={styles.sheet}>
        {COMMANDS.map(({ title, commands }) => (
          <section key={title}>
            <h4>{title}</h4>
            <dl>{commands.map(row)}</dl>
          </section>
        ))}
        <section>
          <h4>Everywhere</h4>
          <dl>{OTHER_KEYS.map(row)}</dl>
        </section>
      </div>
    </Ask>
  );
}
