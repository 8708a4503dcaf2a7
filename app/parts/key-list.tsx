import { Ask } from './ask';
import styles from './key-list.module.css';

export type KeyWords = { keys: string; says: string };
export type KeyPart = { title: string; rows: readonly KeyWords[] };

/** The keys of a screen, to be read. */
export const KeyList = ({ parts, onClose }: { parts: readonly KeyPart[]; onClose: () => void }) => (
  <Ask title="Keyboard shortcuts" wide onCancel={onClose}>
    <div className={styles.sheet}>
      {parts.map(({ title, rows }) => (
        <section key={title}>
          <h4>{title}</h4>
          <dl>
            {rows.map(({ keys, says }) => (
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
            ))}
          </dl>
        </section>
      ))}
    </div>
  </Ask>
);
