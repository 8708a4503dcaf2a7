import type { outView } from '../../server/views/feedback-view';
import { Leaf } from '../house/leaf';
import styles from './out.module.css';

export type OutData = Awaited<ReturnType<typeof outView>>;
export type OutPiece = OutData['pieces'][number];

type Props = {
  pieces: readonly OutPiece[];
  chosen: ReadonlySet<string>;
  shown: OutPiece;
  onChoose: (chosen: ReadonlySet<string>) => void;
  onLook: (id: string) => void;
};

/** Whose pieces are taken out, and which one is looked at. */
export function Pieces({ pieces, chosen, shown, onChoose, onLook }: Props) {
  const count = pieces.filter(({ id }) => chosen.has(id)).length;
  const all = count === pieces.length;
  const put = (id: string, to: boolean) =>
    onChoose(new Set(to ? [...chosen, id] : [...chosen].filter((one) => one !== id)));
  return (
    <nav className={styles.pieces} aria-label="Pieces">
      <label className={styles.all}>
        <input
          type="checkbox"
          checked={all}
          ref={(box) => {
            if (box) box.indeterminate = !all && count > 0;
          }}
          onChange={(event) => onChoose(new Set(event.target.checked ? pieces.map(({ id }) => id) : []))}
        />
        <b>All that were handed in</b>
      </label>
      <ul>
        {pieces.map(({ id, studentName, state }) => (
          <li key={id} className={shown.id === id ? styles.looked : undefined}>
            <input
              type="checkbox"
              aria-label={`Download the piece of ${studentName}`}
              checked={chosen.has(id)}
              onChange={(event) => put(id, event.target.checked)}
            />
            <button type="button" aria-pressed={shown.id === id} onClick={() => onLook(id)}>
              <Leaf state={state} />
              <span>{studentName}</span>
            </button>
          </li>
        ))}
      </ul>
    </nav>
  );
}
