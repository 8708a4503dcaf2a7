import { nanoid } from 'nanoid';
import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Ink } from '../../core/review/said';
import type { Page } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import { later } from '../browser/later';
import type { Tool } from '../ink/tool';
import { PEN } from '../ink/tool';
import type { Writing } from './writing';
import styles from './reading.module.css';

/** Drawing by hand on the piece that is read. */

const InkLayer = later(() => import('../ink/ink-layer').then((part) => part.default), null);
const InkRail = later(() => import('../ink/ink-rail').then((part) => part.default), null);

type InHand = {
  writing: Writing;
  page: Page;
  hand: readonly [Tool | null, (tool: Tool | null) => void];
  /** Whether something can be drawn now. */
  open: boolean;
};

export function useInkInHand({ writing, page, hand: [held, take], open }: InHand) {
  const [last, setLast] = useState<Tool | null>(null);
  const tool = open ? held : null;
  const toTake = (next: Tool | null) => {
    if (next) setLast(next);
    take(next);
  };
  const toggle = () => toTake(held ? null : (last ?? PEN));
  const rubOut = (ink: string) => writing.say({ do: 'rub-out', ink });
  const { ink } = writing.said;
  // What is out of sight is not taken back.
  const here = ink.filter(({ pageId }) => pageId === page.id);
  return {
    toggle,
    rail: (faces: Faces | null): ReactNode =>
      tool && <InkRail tool={tool} ink={here} faces={faces} onTake={toTake} onRubOut={rubOut} />,
    button: open && !tool && (
      <button type="button" className={styles.draw} aria-label="Draw" title="Draw on the piece (D)" onClick={toggle}>
        <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
          <path
            d="M3 17L4.5 12.5L13.5 3.5L16.5 6.5L7.5 15.5Z"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.5"
            strokeLinejoin="round"
          />
          <path d="M11.5 5.5L14.5 8.5" stroke="currentColor" strokeWidth="1.5" />
        </svg>
      </button>
    ),
    /** What was drawn on another go: to be looked at. */
    seen: (drawn: readonly Ink[], faces: Faces, scale: number): ReactNode =>
      drawn.length > 0 && <InkLayer {...{ page, faces, scale }} ink={drawn} />,
    layer: (faces: Faces, scale: number): ReactNode =>
      (tool || ink.length > 0) && (
        <InkLayer
          {...{ page, ink, faces, scale, tool }}
          onDraw={(drawn) => writing.say({ do: 'draw', ink: nanoid(), ...drawn })}
          onRubOut={rubOut}
        />
      ),
  };
}
