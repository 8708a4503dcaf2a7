import type { ReactNode, RefObject } from 'react';
import type { Lit } from './light';
import type { MarginEntry } from './margin';
import { Margin } from './margin';
import { SheetRoom } from './sheet-room';
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
  /** Where light falls from the margin. */
  lit?: Lit | null;
  ticksFrom?: number;
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
  lit,
  ticksFrom,
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
          <SheetRoom stage={stage} view={view}>
            {children}
          </SheetRoom>
          {above}
          <Margin
            entries={entries}
            view={view}
            label={marginLabel}
            lit={lit}
            ticksFrom={ticksFrom}
            onChoose={onChooseEntry}
          />
        </div>
      </div>
      {drawer}
    </div>
  );
}
