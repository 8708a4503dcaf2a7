import { memo, useMemo, useSyncExternalStore } from 'react';
import { drawPage } from '../../core/items/draw';
import { pageSvg } from '../../core/drawing/svg';
import type { Page, Sheet } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import { arrivals, loadMissing, onArrival, pictureNow } from './resources';
import styles from './small-picture.module.css';

type Props = { sheet: Sheet; page: Page; faces: Faces | null };

/** A small preview of a page. Drawn again when a face or picture it needs has arrived. */
export const SmallPicture = memo(function SmallPicture({ sheet, page, faces }: Props) {
  const arrived = useSyncExternalStore(onArrival, arrivals, () => 0);
  const url = useMemo(() => {
    if (!faces) return undefined;
    const svg = pageSvg(drawPage(sheet, page, { faces, pictures: pictureNow }), faces);
    loadMissing(faces);
    return `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [sheet, page, faces, arrived]);
  return <img className={styles.picture} src={url} alt="" draggable={false} />;
});
