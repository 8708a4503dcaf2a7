import { useId, useMemo } from 'react';
import type { Box, Point } from '../../core/geometry/matrix';
import { beamTo, flecksOn, poolOver } from '../../core/geometry/light';
import styles from './light.module.css';
import type { View } from './view';
import { onStage } from './view';

/** Light from the margin: the spots in question are lit, the rest of the stage lies in mild shade. Never printed. */

/** A thread meets its card at this height, in pixels. */
export const LATCH = 24;

export type Lit = {
  /** The entry that the light comes from. */
  id: string;
  page: { id: string; width: number; height: number };
  /** What stands on the page, in points: no fleck falls there. */
  taken: () => readonly Box[];
};

type Props = {
  view: View;
  lit: Lit;
  /** What is lit, in points on the page. */
  spots: readonly Box[];
  /** Where the light leaves its card, on the stage; null without a card. */
  card: Point | null;
};

const boxOnStage = (view: View, { x, y, width, height }: Box): Box => ({
  ...onStage(view, { x, y }),
  width: width * view.scale,
  height: height * view.scale,
});

export function Light({ view, lit, spots, card }: Props) {
  const id = useId();
  // They stay while somebody types: only another spot, page or view moves them.
  const flecks = useMemo(() => {
    const { width, height } = lit.page;
    return flecksOn(
      boxOnStage(view, { x: 0, y: 0, width, height }),
      [...lit.taken(), ...spots].map((box) => boxOnStage(view, box)),
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view, lit.id, lit.page.id]);
  const { stageWidth: width, stageHeight: height } = view;
  const pools = spots.map((spot) => poolOver(boxOnStage(view, spot)));
  const first = pools[0];
  return (
    <svg className={styles.light} width={width} height={height} aria-hidden="true">
      <defs>
        <radialGradient id={`${id}pool`}>
          <stop offset="0.5" stopColor="black" />
          <stop offset="1" stopColor="black" stopOpacity="0" />
        </radialGradient>
        {card && first && (
          <linearGradient id={`${id}beam`} gradientUnits="userSpaceOnUse" x1={card.x} x2={first.cx} y1="0" y2="0">
            <stop offset="0" stopColor="black" stopOpacity="0.4" />
            <stop offset="0.75" stopColor="black" stopOpacity="0.3" />
            <stop offset="1" stopColor="black" stopOpacity="0" />
          </linearGradient>
        )}
        <mask id={`${id}shade`} maskUnits="userSpaceOnUse" x="0" y="0" width={width} height={height}>
          <rect width={width} height={height} fill="white" />
          {card && first && (
            <g fill={`url(#${id}beam)`}>
              {[1, 0.8, 0.6].map((share) => (
                <polygon
                  key={share}
                  points={beamTo(first, card, share)
                    .map(({ x, y }) => `${x},${y}`)
                    .join(' ')}
                />
              ))}
            </g>
          )}
          {pools.map((pool, i) => (
            <ellipse key={i} {...pool} fill={`url(#${id}pool)`} />
          ))}
          {flecks.map(({ x, y, long, turn }, i) => (
            <ellipse
              key={i}
              cx={x}
              cy={y}
              rx={long}
              ry={long * 0.42}
              transform={`rotate(${turn} ${x} ${y})`}
              fill={`url(#${id}pool)`}
              opacity="0.8"
            />
          ))}
        </mask>
      </defs>
      <rect className={styles.shade} width={width} height={height} mask={`url(#${id}shade)`} />
    </svg>
  );
}
