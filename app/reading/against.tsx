import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Page } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import type { differencesOn } from '../differences/differences';
import { DifferenceFrames } from '../differences/differences';
import type { Other } from './shown';
import { SheetOver } from './sheet-over';
import styles from './against.module.css';

type Props = {
  /** What the piece is compared with. */
  other: Other;
  /** The page of the piece that lies under it. */
  page: Page;
  faces: Faces;
  arrived: number;
  scale: number;
  title: string;
  framed: ReturnType<typeof differencesOn>;
  /** What is drawn by hand on the other sheet. */
  children?: ReactNode;
};

/** Another sheet over a piece, with what differs; a slider uncovers the piece from the left. */
export function Against({ other: { sheet, name }, page, faces, arrived, scale, title, framed, children }: Props) {
  const [uncovered, setUncovered] = useState(0);
  return (
    <>
      <SheetOver
        {...{ sheet, page, faces, arrived, scale }}
        none={`This page is not in ${name}.`}
        label={`${title}: ${name}`}
        style={{ clipPath: `inset(0 0 0 ${uncovered}%)` }}
      >
        {children}
      </SheetOver>
      <DifferenceFrames framed={framed} page={page} />
      <input
        type="range"
        className={styles.wipe}
        aria-label={`How much of the piece shows over ${name}`}
        min={0}
        max={100}
        value={uncovered}
        onChange={(event) => setUncovered(Number(event.target.value))}
      />
    </>
  );
}
