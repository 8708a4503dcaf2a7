import { singles, worksOn } from '../../core/changes/change';
import type { Change } from '../../core/changes/change';
import { boxOf } from '../../core/items/hit';
import { sheetWithoutNames } from '../../core/review/nameless';
import { seqAfter } from '../../core/review/growth';
import type { Page } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import type { Faces } from '../../core/text/faces';
import { pictureNow } from '../drawing/resources';
import type { Growing } from './growing';
import { useGrowth } from './growth-data';
import { SheetOver } from './sheet-over';
import styles from './growth.module.css';

type Props = {
  growing: Growing;
  nameless: boolean;
  /** The page of the piece that lies under it. */
  page: Page;
  faces: Faces;
  arrived: number;
  scale: number;
  title: string;
};

/** What a change worked on, where it stands on a page. */
function boxesOf(change: Change | undefined, page: Page) {
  if (!change) return [];
  const inserted = [...singles(change)].flatMap((one) => (one.kind === 'insert' ? [one.item.id] : []));
  return [...new Set([...inserted, ...worksOn(change)])].flatMap((id) => {
    const item = findOn(page, id)?.item;
    return item ? [{ id, ...boxOf(page, item, pictureNow) }] : [];
  });
}

/** The piece as it was at a moment, over the piece as it is; what was changed last is framed. */
export default function GrowthOver({ growing, nameless, page, faces, arrived, scale, title }: Props) {
  const { now } = useGrowth(growing.address, growing.asked);
  if (now.kind !== 'here' || !now.value) return null;
  const { film, growth, from, log } = now.value;
  const { shown } = growing;
  // As it is now it lies there already.
  if (shown.worked === Infinity) return null;
  const seq = shown.seq ?? seqAfter(growth, from, shown.worked);
  const whole = film.at(seq);
  const sheet = nameless ? sheetWithoutNames(whole) : whole;
  const then = sheet.pages.find(({ id }) => id === page.id);
  return (
    <SheetOver
      {...{ sheet, page, faces, arrived, scale }}
      none="This page was not there yet."
      label={`${title}, growing`}
    >
      {then &&
        boxesOf(log[seq - from - 1]?.change, then).map(({ id, x, y, width, height }) => (
          <span
            key={id}
            className={styles.frame}
            style={{ left: x * scale, top: y * scale, width: width * scale, height: height * scale }}
          />
        ))}
    </SheetOver>
  );
}
