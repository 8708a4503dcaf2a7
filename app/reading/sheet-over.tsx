import type { CSSProperties, ReactNode } from 'react';
import type { Page, Sheet } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import { PageView } from '../drawing/page-view';
import styles from './against.module.css';

type Props = {
  sheet: Sheet;
  /** The page of the piece that lies under it. */
  page: Page;
  /** What is said where that sheet has no such page. */
  none: string;
  faces: Faces;
  arrived: number;
  scale: number;
  label: string;
  style?: CSSProperties;
  /** What lies on that sheet. */
  children?: ReactNode;
};

/** Another sheet over a piece that is read. */
export function SheetOver({ sheet, page, none, faces, arrived, scale, label, style, children }: Props) {
  const there = sheet.pages.find(({ id }) => id === page.id);
  return (
    <div className={styles.over} style={style}>
      {there ? (
        <PageView sheet={sheet} page={there} faces={faces} arrived={arrived} scale={scale} label={label} />
      ) : (
        <p className={styles.none}>{none}</p>
      )}
      {children}
    </div>
  );
}
