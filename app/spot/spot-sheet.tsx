import type { PointerEvent } from 'react';
import { useState } from 'react';
import { spanned } from '../../core/geometry/box';
import type { Box, Point } from '../../core/geometry/matrix';
import type { Picked } from '../../core/review/spot';
import { PageTabs } from '../parts/page-tabs';
import type { SpotData } from './spot-data';
import styles from './spot.module.css';

/** The sheet as it was handed out: a blank is pressed, or an area is drawn, to be seen on all pieces. */

type Props = { data: SpotData; pageId: string; onTurn: (pageId: string) => void; onPick: (spot: Picked) => void };

const KEYS = [
  ['Y N', 'right, or not right'],
  ['W', 'one note for all'],
  ['↑ ↓', 'other answers'],
  ['← →', 'other spots'],
] as const;

/** Points below which a drag is a press. */
const LEAST = 12;

export function SpotSheet({ data: { handout, pages, spots, spot }, pageId, onTurn, onPick }: Props) {
  const index = Math.max(
    0,
    pages.findIndex(({ id }) => id === pageId),
  );
  const page = pages[index];
  const [swept, setSwept] = useState<{ from: Point; to: Point } | null>(null);
  const share = ({ x, y, width, height }: Box) => ({
    left: `${(100 * x) / page.width}%`,
    top: `${(100 * y) / page.height}%`,
    width: `${(100 * width) / page.width}%`,
    height: `${(100 * height) / page.height}%`,
  });
  const pointOn = (event: PointerEvent<HTMLElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: ((event.clientX - box.left) / box.width) * page.width,
      y: ((event.clientY - box.top) / box.height) * page.height,
    };
  };
  const area = swept && spanned(swept.from, swept.to);
  const picked = spot && 'area' in spot && spot.page === page.id ? spot.area : null;
  return (
    <section className={styles.sheet} aria-label="The sheet as handed out">
      <div
        className={styles.paper}
        style={{ aspectRatio: `${page.width} / ${page.height}`, '--ratio': page.width / page.height } as object}
        onPointerDown={(event) => {
          const at = pointOn(event);
          setSwept({ from: at, to: at });
        }}
        onPointerMove={(event) => {
          if (!swept) return;
          // Only from here on: a press that began on a blank stays a press.
          if (!event.currentTarget.hasPointerCapture(event.pointerId))
            event.currentTarget.setPointerCapture(event.pointerId);
          setSwept({ ...swept, to: pointOn(event) });
        }}
        onPointerUp={() => {
          setSwept(null);
          if (area && area.width > LEAST && area.height > LEAST) onPick({ page: page.id, area });
        }}
        onPointerCancel={() => setSwept(null)}
      >
        <img src={`/handouts/${handout.id}/picture.svg?page=${index}`} alt="" draggable={false} />
        {spots
          .filter((one) => one.page === page.id)
          .map(({ item, box, name, wrong }) => (
            <button
              key={item}
              type="button"
              className={styles.spot}
              style={share(box)}
              aria-pressed={spot !== null && 'item' in spot && spot.item === item}
              aria-label={wrong > 0 ? `${name}: ${wrong} not right` : name}
              title={wrong > 0 ? `${wrong} not right` : undefined}
              onClick={() => onPick({ item })}
            >
              {wrong > 0 && <b>{wrong}</b>}
            </button>
          ))}
        {picked && !area && <span className={styles.picked} style={share(picked)} />}
        {area && <span className={styles.swept} style={share(area)} />}
      </div>
      <p className="quiet">
        Press a blank, or draw a box around any part. The numbers say how many pieces are not right there.
      </p>
      <div>
        <PageTabs pages={pages} shown={page.id} onShow={onTurn} />
      </div>
      <dl className={styles.keys}>
        {KEYS.map(([keys, does]) => (
          <div key={keys}>
            <dt>
              {keys.split(' ').map((one) => (
                <kbd key={one}>{one}</kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
