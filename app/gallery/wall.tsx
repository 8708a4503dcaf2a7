import { useState } from 'react';
import type { ReactNode } from 'react';
import { GALLERY_KINDS } from '../../core/review/gallery';
import type { GalleryKind } from '../../core/review/gallery';
import { Ask } from '../parts/ask';
import { card } from '../parts/card';
import styles from './gallery.module.css';

/** Pieces as they hang in a gallery, each with what is written about it. */

type Hung = { id: string; goId: string; pages: number; width: number; height: number };

type Props<P> = {
  handoutId: string;
  pieces: readonly P[];
  /** What stands under a piece. */
  called: (piece: P) => string;
  /** Pictures are others with names and without. */
  named: boolean;
  children: (piece: P) => ReactNode;
};

export function Wall<P extends Hung>({ handoutId, pieces, called, named, children }: Props<P>) {
  const [near, setNear] = useState<P | null>(null);
  const picture = ({ id, goId }: P, page: number) =>
    `/galleries/${handoutId}/${id}?page=${page}&of=${goId}${named ? '&named' : ''}`;
  return (
    <>
      <ol className={styles.wall} aria-label="The gallery">
        {pieces.map((piece) => (
          <li key={piece.id} className={card(styles.piece)}>
            <button
              type="button"
              className={styles.picture}
              style={{ aspectRatio: `${piece.width} / ${piece.height}` }}
              aria-label={`Look at ${called(piece)} closely`}
              onClick={() => setNear(piece)}
            >
              <img src={picture(piece, 0)} alt="" loading="lazy" />
            </button>
            {children(piece)}
          </li>
        ))}
      </ol>
      {near && (
        <Ask title={called(near)} wide onCancel={() => setNear(null)}>
          {Array.from({ length: near.pages }, (_, page) => (
            <img
              key={page}
              className={styles.near}
              src={picture(near, page)}
              alt={near.pages > 1 ? `${called(near)}, page ${page + 1} of ${near.pages}` : called(near)}
            />
          ))}
        </Ask>
      )}
    </>
  );
}

type NoteProps = { kind: GalleryKind; body: string; by: ReactNode; children?: ReactNode };

/** Something that was written about a piece, with who wrote it and what can be done with it. */
export const WallNote = ({ kind, body, by, children }: NoteProps) => (
  <li className={`${styles.note} ${styles[kind]}`}>
    <p>
      <b>{GALLERY_KINDS[kind]}</b> {body}
    </p>
    {(by || children) && (
      <span className={styles.by}>
        {by}
        {children}
      </span>
    )}
  </li>
);
