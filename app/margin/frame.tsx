import type { ReactNode, RefObject } from 'react';
import type { MarginEntry } from './margin';
import { Margin } from './margin';
import type { View } from './view';

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
    <div className="frame">
      {strip}
      {band}
      <div className="frame-row">
        {stack}
        <div className="frame-main">
          <div className="frame-stage dapple" ref={stage}>
            <div className="frame-room" style={{ width: view.roomWidth, height: view.roomHeight }}>
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
