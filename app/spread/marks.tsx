import type { PieceMark } from '../../core/review/marks';
import { sentence } from '../parts/sentence';
import styles from './spread.module.css';

const VERDICT_WORDS: Record<PieceMark['verdict'], string> = {
  right: 'right',
  near: 'nearly right',
  wrong: 'wrong',
  swapped: 'swapped with another',
  empty: 'empty',
  reversed: 'the wrong way round',
  missing: 'a link is missing here',
  extra: 'not in the key',
};

/** The look-fors on the piece: a frame around what counts, with a shape as well as a colour. */
export function Marks({ marks, page }: { marks: readonly PieceMark[]; page: { width: number; height: number } }) {
  return (
    <svg
      className={styles.pieceMarks}
      viewBox={`0 0 ${page.width} ${page.height}`}
      role="img"
      aria-label={marks.map((mark) => VERDICT_WORDS[mark.verdict]).join(', ') || 'no marks'}
    >
      {marks.map(({ item, box, verdict }) => (
        <rect
          key={item}
          className={`${styles.pieceMark} ${verdict}`}
          x={box.x - 3}
          y={box.y - 3}
          width={box.width + 6}
          height={box.height + 6}
          rx="8"
        />
      ))}
    </svg>
  );
}

/** What the frames mean, for those that are there. Nothing where there are none. */
export function MarksLegend({ marks }: { marks: readonly PieceMark[] }) {
  const there = (Object.keys(VERDICT_WORDS) as PieceMark['verdict'][]).filter((verdict) =>
    marks.some((mark) => mark.verdict === verdict),
  );
  if (there.length === 0) return null;
  return (
    <ul className={styles.legend} aria-label="What the frames mean">
      {there.map((verdict) => (
        <li key={verdict}>
          <svg width="18" height="12" aria-hidden="true">
            <rect className={`${styles.pieceMark} ${verdict}`} x="1.5" y="1.5" width="15" height="9" rx="3" />
          </svg>
          {sentence(VERDICT_WORDS[verdict])}
        </li>
      ))}
    </ul>
  );
}
