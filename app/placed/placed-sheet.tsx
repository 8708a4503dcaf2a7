import { useMemo } from 'react';
import { heatOf } from '../../core/review/dots';
import type { Dot, PlacedData } from './dots';
import { rightWords, sizeOn } from './dots';
import styles from './placed.module.css';

export type Shown = 'dots' | 'heat' | 'both';

type Props = {
  page: PlacedData['pages'][number];
  picture: string;
  dots: readonly Dot[];
  shown: Shown;
  /** The piece whose dots are lit. */
  copyId: string | null;
  onChoose: (copyId: string | null) => void;
};

/** A disc is right, a diamond is not, a ring is for who looks. */
const formOf = (right: boolean | null, r: number): string =>
  right === false
    ? `M0 ${-r * 1.15}L${r * 1.15} 0L0 ${r * 1.15}L${-r * 1.15} 0Z`
    : `M${-r} 0a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const nameOf = (right: boolean | null) => (right === null ? styles.open : right ? styles.right : styles.wrong);

/** The sheet as it was handed out, faint, with what the class put on it. The list beside it says the same by keyboard. */
export function PlacedSheet({ page, picture, dots, shown, copyId, onChoose }: Props) {
  const { width, height } = page;
  const heat = useMemo(() => (shown === 'dots' ? [] : heatOf(dots, page)), [dots, page, shown]);
  const radius = sizeOn(page) / 2;
  return (
    <div className={styles.paper} style={{ aspectRatio: `${width} / ${height}`, '--ratio': width / height } as object}>
      <img src={picture} alt="The sheet as it was handed out" draggable={false} />
      <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true" onClick={() => onChoose(null)}>
        {heat.map((d, i) => (
          <path key={i} d={d} className={styles.heat} />
        ))}
        {shown !== 'heat' &&
          dots.map((dot) => {
            const { copyId: of, item, x, y, right, what, studentName } = dot;
            const lit = copyId === null || copyId === of;
            return (
              <path
                key={`${of} ${item}`}
                className={`${styles.dot} ${nameOf(right)} ${lit ? '' : styles.faint}`}
                d={formOf(right, copyId === of ? radius * 1.35 : radius)}
                transform={`translate(${x} ${y})`}
                onClick={(event) => {
                  event.stopPropagation();
                  onChoose(of);
                }}
              >
                <title>{[`${studentName}: ${what}`, rightWords(right)].filter(Boolean).join(', ')}</title>
              </path>
            );
          })}
      </svg>
    </div>
  );
}
