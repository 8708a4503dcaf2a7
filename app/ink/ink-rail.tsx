import { useEffect } from 'react';
import type { ReactNode } from 'react';
import type { Ink } from '../../core/review/said';
import { STAMP_NAMES } from '../../core/review/said';
import { STAMPS } from '../../core/review/stamps';
import type { Faces } from '../../core/text/faces';
import { isWriting } from '../browser/writing';
import { StampPicture } from './ink-layer';
import type { Tool } from './tool';
import { PENS, WEIGHTS } from './tool';
import styles from './ink.module.css';

/** Pens, stamps and the rubber, beside the piece. */

type Props = {
  tool: Tool;
  /** What is drawn on the page that is shown. */
  ink: readonly Ink[];
  faces: Faces | null;
  onTake: (tool: Tool | null) => void;
  onRubOut: (id: string) => void;
};

export default function InkRail({ tool, ink, faces, onTake, onRubOut }: Props) {
  const last = ink.at(-1);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isWriting(event.target)) return;
      const undoes = (event.ctrlKey || event.metaKey) && !event.shiftKey && event.key.toLowerCase() === 'z';
      if (event.key === 'Escape') onTake(null);
      else if (undoes && last) onRubOut(last.id);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
  return (
    <div className={styles.rail} role="toolbar" aria-label="Drawing on the piece" aria-orientation="vertical">
      <Row label="Pens">
        {PENS.map(({ name, hex }) =>
          WEIGHTS.map(({ name: width, weight }) => (
            <Pick
              key={`${hex} ${weight}`}
              name={`${width} ${name} pen`}
              on={tool.kind === 'pen' && tool.colour === hex && tool.weight === weight}
              onPick={() => onTake({ kind: 'pen', colour: hex, weight })}
            >
              <svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
                <path
                  d="M5 18C8 6 13 22 16 13S20 8 22 11"
                  fill="none"
                  stroke={hex}
                  strokeWidth={weight}
                  strokeLinecap="round"
                />
              </svg>
            </Pick>
          )),
        )}
      </Row>
      <Row label="Stamps">
        {STAMP_NAMES.map((stamp) => (
          <Pick
            key={stamp}
            name={STAMPS[stamp].name}
            on={tool.kind === 'stamp' && tool.stamp === stamp}
            onPick={() => onTake({ kind: 'stamp', stamp })}
          >
            {faces && <StampPicture stamp={stamp} faces={faces} />}
          </Pick>
        ))}
      </Row>
      <Row label="Take away">
        <Pick name="Rubber" on={tool.kind === 'rubber'} onPick={() => onTake({ kind: 'rubber' })}>
          <svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
            <path d="M6 17L15 6L21 11L12 22H9Z" fill="var(--line)" stroke="var(--clay)" strokeWidth="1.5" />
            <path d="M9.5 12.7L16 18" stroke="var(--clay)" strokeWidth="1.3" />
          </svg>
        </Pick>
        <button
          type="button"
          className={styles.pick}
          aria-label="Undo the last stroke"
          title="Undo the last stroke (Ctrl+Z)"
          disabled={!last}
          onClick={() => last && onRubOut(last.id)}
        >
          <svg width="26" height="26" viewBox="0 0 26 26" aria-hidden="true">
            <path
              d="M10 6L5 11L10 16M5.5 11H15A5 5 0 0 1 15 21H11"
              fill="none"
              stroke="currentColor"
              strokeWidth="1.8"
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          </svg>
        </button>
      </Row>
      <button type="button" className={styles.close} onClick={() => onTake(null)}>
        Close
      </button>
    </div>
  );
}

const Row = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className={styles.row} role="group" aria-label={label}>
    {children}
  </div>
);

type PickProps = { name: string; on: boolean; onPick: () => void; children: ReactNode };

const Pick = ({ name, on, onPick, children }: PickProps) => (
  <button
    type="button"
    className={`${styles.pick}${on ? ' on' : ''}`}
    aria-label={name}
    title={name}
    aria-pressed={on}
    onClick={onPick}
  >
    {children}
  </button>
);
