import type { ReactNode, RefObject } from 'react';
import styles from './frame.module.css';
import type { View } from './view';

type Props = {
  stage: RefObject<HTMLDivElement | null>;
  view: Pick<View, 'roomWidth' | 'roomHeight'>;
  /** Stays where it is while the sheet scrolls. */
  above?: ReactNode;
  children: ReactNode;
};

/** The desk that a sheet lies on, as large as the sheet needs. */
export const SheetRoom = ({ stage, view, above, children }: Props) => (
  <div className={`${styles.stage} dapple`} ref={stage}>
    <div className={styles.room} style={{ width: view.roomWidth, height: view.roomHeight }}>
      {children}
    </div>
    {above}
  </div>
);
