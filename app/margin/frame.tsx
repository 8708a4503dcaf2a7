import type { ReactNode, RefObject } from 'react';
import type { MarginEntry } from './margin';
import { Margin } from './margin';
import type { View } from './view';
import styles from './frame.module.css';

/** The frame of every sheet screen: strip, stack, stage, margin, drawer. */

type Props = {
  strip: ReactNode;
  /** Under the strip: the class, where one is being read. */
  band?: ReactNode;
  stack?: ReactNode;
  drawer?: ReactNode;
  stage: RefObject<HTMLDivElement | null>;
  view: View;
  entries: readonly MarginEntry[];
  marginLabel: string;
  onChooseEntry?: (id: string) => void;
  /** Lies over the edges of the stage: rulers. */
  above?: ReactNode;
  children: ReactNode;
};

export function SheetFrame({
  strip,
  band,
  stack,
  drawer,
  stage,
  view,
  entries,
  marginLabel,
  onChooseEntry,
  above,
  children,
}: Props) {
  return (
    <div className={styles.frame}>
      {strip}
      {band}
      <div className={styles.row}>
        {stack}
        <div className={styles.main}>
          <div className={`${styles.stage} dapple`} ref={stage}>
            <div className={styles.room} style={{ width: view.roomWidth, height: view.roomHeight }}>
              {children}
            </div>
          </div>
          {above}
          <Margin entries={entries} view={view} label={marginLabel} onChoose={onChooseEntry} />
        </div>
      </div>
      {drawer}
    </div>
  );
}
