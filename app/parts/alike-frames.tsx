import type { Box } from '../../core/geometry/matrix';
import styles from './alike-frames.module.css';

type Props = { spots: readonly Box[]; page: { width: number; height: number } };

/** Frames on the picture of a piece around what it shares with another one. */
export const AlikeFrames = ({ spots, page }: Props) => (
  <svg
    className={styles.frames}
    viewBox={`0 0 ${page.width} ${page.height}`}
    role="img"
    aria-label={`Framed: ${spots.length} shared`}
  >
    {spots.map(({ x, y, width, height }, i) => (
      <rect key={i} x={x - 4} y={y - 4} width={width + 8} height={height + 8} rx="8" />
    ))}
  </svg>
);
