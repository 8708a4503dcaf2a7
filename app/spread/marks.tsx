import type { PieceMark } from '../../core/review/marks';
import styles from './spread.module.css';

const VERDICT_WORDS: Record<PieceMark['verdict'], string> = {
  right: 'right',
  near: 'nearly right',
  wrong: 'wrong',
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
