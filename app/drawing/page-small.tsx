import { memo, useSyncExternalStore } from 'react';
import type { Page, Sheet } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import styles from './page-small.module.css';
import { PageView } from './page-view';
import { arrivals, onArrival } from './resources';

/** Pixels. */
const [HEIGHT, WIDTH] = [72, 150];

/** A page as a small picture, to turn to. */
export const PageSmall = memo(function PageSmall({ sheet, page, faces }: { sheet: Sheet; page: Page; faces: Faces }) {
  const arrived = useSyncExternalStore(onArrival, arrivals, () => 0);
  const scale = Math.min(HEIGHT / page.height, WIDTH / page.width);
  return (
    <span
      className={styles.small}
      style={{ width: page.width * scale, height: page.height * scale }}
      aria-hidden="true"
    >
      <PageView sheet={sheet} page={page} faces={faces} arrived={arrived} scale={scale} label="" />
    </span>
  );
});
