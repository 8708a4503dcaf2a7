import { useLayoutEffect, useState } from 'react';
import type { RefObject } from 'react';
import { rightMiddle } from '../../core/geometry/box';
import type { Point } from '../../core/geometry/matrix';
import type { Page } from '../../core/schema/sheet';
import { litFrom } from '../drawing/lit';
import { LATCH, Light } from '../margin/light';
import { useNarrow } from '../margin/narrow';
import type { View } from '../margin/view';
import { onStage } from '../margin/view';
import type { Shown } from './shown';
import styles from './hand-out.module.css';

const far = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y);

type LightProps = { shown: Shown; scrolled: number; page: Page; view: View; stage: RefObject<HTMLDivElement | null> };

/** Light from the card of a look-for onto what it is about, and the thread between them. */
export function LookForLight({ shown, scrolled, page, view, stage }: LightProps) {
  const [y, setY] = useState<number | null>(null);
  useLayoutEffect(() => {
    const [card, room] = [shown.card.getBoundingClientRect(), stage.current?.getBoundingClientRect()];
    setY(room ? card.top + Math.min(card.height / 2, LATCH) - room.top : null);
  }, [shown, scrolled, view, stage]);
  const below = useNarrow();
  if (y === null) return null;
  const card = { x: view.stageWidth, y };
  // The thread leads to the spot that is nearest to the card.
  const spots = shown
    .spotsOn(page)
    .map((spot) => ({ spot, from: onStage(view, rightMiddle(spot)) }))
    .sort((a, b) => far(a.from, card) - far(b.from, card));
  if (spots.length === 0) return null;
  const [{ from }] = spots;
  const middle = (from.x + card.x) / 2;
  return (
    <>
      <Light
        view={view}
        lit={litFrom(shown.id, page)}
        spots={spots.map(({ spot }) => spot)}
        card={below ? null : card}
      />
      {!below && (
        <svg className={styles.thread} width={view.stageWidth} height={view.stageHeight} aria-hidden="true">
          <path d={`M${from.x} ${from.y}C${middle} ${from.y} ${middle} ${y} ${card.x} ${y}`} />
        </svg>
      )}
    </>
  );
}
