import type { ReactNode } from 'react';
import { howMany } from '../../core/values/listed';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import styles from './pieces-page.module.css';
import { Strip } from './strip';

/** All pieces of one student, the newest first: as their teacher sees them, or they themselves. */

type Props<P> = {
  home: string;
  title: string;
  /** What is told of them in the strip. */
  told: string;
  /** What the list is called. */
  label: string;
  pieces: readonly P[];
  /** Whether there are no older ones. */
  isWhole: boolean;
  empty: string;
  work: (piece: P) => ReactNode;
};

export const PiecesPage = <P extends { id: string }>(props: Props<P>) => (
  <div className={`${styles.page} dapple`}>
    <Strip home={props.home} title={props.title} before={<span className="quiet">{props.told}</span>} />
    <main className={styles.all}>
      {props.pieces.length === 0 && <Empty>{props.empty}</Empty>}
      <ol className={styles.pieces} aria-label={props.label}>
        {props.pieces.map((piece) => (
          <li key={piece.id} className={card(styles.piece)}>
            {props.work(piece)}
          </li>
        ))}
      </ol>
      {!props.isWhole && <p className="quiet">What is older is not told here.</p>}
    </main>
  </div>
);

/** How many look-fors of a piece are met. */
export const LookForsMet = ({ held, of, title }: { held: number; of: number; title: string }) => (
  <>
    <meter className={styles.meter} min={0} max={of} value={held} aria-label={`Look-fors of ${title}`} />
    {held} of {howMany(of, 'look-for')} met
  </>
);

/** What was said on a piece. */
export const NotesOn = ({ notes, title }: { notes: readonly string[]; title: string }) =>
  notes.length > 0 && (
    <ul className={styles.notes} aria-label={`Notes on ${title}`}>
      {notes.map((body, i) => (
        <li key={i}>{body}</li>
      ))}
    </ul>
  );
